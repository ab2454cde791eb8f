<script setup lang="ts">
import { Result } from 'ant-design-vue';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import KeysHelp from '../desk/KeysHelp.vue';
import LookDialog from '../desk/LookDialog.vue';
import MediaPanel from '../desk/MediaPanel.vue';
import EffectsPanel from '../desk/EffectsPanel.vue';
import OpeningsPanel from '../desk/OpeningsPanel.vue';
import Picture from '../desk/Picture.vue';
import ProofPanel from '../desk/ProofPanel.vue';
import RenderPanel from '../desk/RenderPanel.vue';
import ReplaceDialog from '../desk/ReplaceDialog.vue';
import Sheet from '../desk/Sheet.vue';
import StatesPanel from '../desk/StatesPanel.vue';
import Timeline from '../desk/Timeline.vue';
import TimelineDivider from '../desk/TimelineDivider.vue';
import TopBar from '../desk/TopBar.vue';
import Transport from '../desk/Transport.vue';
import ShotSettings from '../desk/ShotSettings.vue';
import { useCommands } from '../stores/commands';
import { useDesk } from '../stores/desk';
import { useNesting } from '../stores/nesting';
import { useProject } from '../stores/project';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

const props = defineProps<{ id: string }>();
const shot = useShot();
const view = useView();
const desk = useDesk();
const project = useProject();
const commands = useCommands();
const timing = useTiming();
const nesting = useNesting();
const help = ref(false);
const settings = ref(false);

function open() {
  const at = nesting.arrived(props.id);
  view.frame = at?.frame ?? 0;
  view.choose(at?.layer);
  view.group = undefined;
  view.range = undefined;
  desk.open(props.id);
}

watch(
  () => props.id,
  () => {
    desk.close();
    open();
  },
);
watch(
  () => shot.view?.projectId,
  (id) => {
    if (id) void project.open(id);
  },
);

/** Whether a press belongs to what has the focus: a text, or a list or a switch and the keys that work it. */
function takesKeys(target: HTMLElement, pressed: string): boolean {
  if (!/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return false;
  const closed =
    target.getAttribute('role') === 'combobox' && target.getAttribute('aria-expanded') !== 'true';
  const turned = target instanceof HTMLInputElement && /^(checkbox|radio)$/.test(target.type);
  return !(closed || turned) || /^(Arrow|Enter| )/.test(pressed);
}

/** What was pressed with the pointer gives the keys back to the desk, so that Space plays and arrows step. */
function release(e: MouseEvent) {
  if (e.detail === 0) return;
  const on = document.activeElement;
  const pressed = on instanceof HTMLInputElement && /^(checkbox|radio)$/.test(on.type);
  if (on instanceof HTMLButtonElement || pressed) setTimeout(() => on.blur());
}

function key(e: KeyboardEvent) {
  const target = e.target as HTMLElement;
  if (takesKeys(target, e.key)) return;
  // Space and Enter press the button that has the focus.
  if (target.tagName === 'BUTTON' && (e.key === ' ' || e.key === 'Enter')) return;
  if (e.key === '?') help.value = !help.value;
  else if (!commands.press(e)) return;
  e.preventDefault();
}

const DIALOG = '.ant-modal-wrap, .ant-popover, .ant-dropdown, .ant-select-dropdown';
/** What had the focus last outside of dialogs, as one would find it again: by its name, in its part of the page. */
let place: { part: string; name: string; index: number } | undefined;
const nameOf = (e: Element) =>
  e.getAttribute('aria-label') ?? e.getAttribute('data-testid') ?? (e.textContent ?? '').trim().slice(0, 60);
const partOf = (e: Element) =>
  e.closest('[aria-label]:is(section, aside, header, div.stage)')?.getAttribute('aria-label') ?? '';
const FOCUSED = 'button, input, textarea, select, [tabindex]';

function focused(e: FocusEvent) {
  const on = e.target as HTMLElement;
  if (!on.matches(FOCUSED) || on.closest(DIALOG)) return;
  const part = partOf(on);
  const alike = [...document.querySelectorAll<HTMLElement>(FOCUSED)].filter(
    (o) => nameOf(o) === nameOf(on) && partOf(o) === part,
  );
  place = { part, name: nameOf(on), index: alike.indexOf(on) };
}

/** What is drawn anew, or can't be pressed any more, gives the focus to what stands in its place, not to the top of the page. */
function lost(e: FocusEvent) {
  const gone = e.target as HTMLElement;
  const at = place;
  if (e.relatedTarget || pointing) return;
  setTimeout(() => {
    if (document.activeElement !== document.body || !at) return;
    const open = [...document.querySelectorAll('.ant-modal-wrap')].some((d) => d.checkVisibility());
    if (open) return;
    if (gone.isConnected && !gone.matches(':disabled')) return;
    // Who ends typing gives the keys back to the desk.
    if (gone.matches('input, textarea')) return;
    const all = [...document.querySelectorAll<HTMLElement>(FOCUSED)].filter((o) => !o.matches(':disabled'));
    const alike = all.filter((o) => nameOf(o) === at.name && partOf(o) === at.part);
    const near = all.filter((o) => partOf(o) === at.part);
    (alike[Math.min(at.index, alike.length - 1)] ?? near[0])?.focus({ preventScroll: true });
  }, 60);
}

let pointing = false;
const point = () => (pointing = true);
const unpoint = () => (pointing = false);

onMounted(() => {
  void useRecipes().load();
  addEventListener('focusin', focused);
  addEventListener('focusout', lost);
  addEventListener('pointerdown', point, true);
  addEventListener('keydown', unpoint, true);
  open();
  addEventListener('keydown', key);
  addEventListener('keyup', commands.release);
  addEventListener('click', release);
});
onBeforeUnmount(() => {
  removeEventListener('focusin', focused);
  removeEventListener('focusout', lost);
  removeEventListener('pointerdown', point, true);
  removeEventListener('keydown', unpoint, true);
  removeEventListener('keydown', key);
  removeEventListener('keyup', commands.release);
  removeEventListener('click', release);
  desk.close();
  project.close();
});
</script>

<template>
  <Result v-if="shot.problem" status="warning" :title="shot.problem">
    <template #extra><RouterLink to="/">All projects</RouterLink></template>
  </Result>
  <div v-else class="desk" :style="{ '--timeline': `${view.timeline}px` }">
    <TopBar @settings="settings = true" />
    <Sheet class="sheet" />
    <div class="picture">
      <Picture class="stage" />
      <ProofPanel v-if="view.drawer === 'proof'" />
      <OpeningsPanel v-else-if="view.drawer === 'openings'" />
      <EffectsPanel v-else-if="view.drawer === 'effects'" />
      <MediaPanel v-else-if="view.drawer === 'media'" />
      <RenderPanel v-else-if="view.drawer === 'renders'" />
      <StatesPanel v-else-if="view.drawer === 'states'" />
    </div>
    <Transport class="transport" />
    <TimelineDivider class="divider" />
    <Timeline class="timeline" />
    <LookDialog v-if="timing.look" />
    <ReplaceDialog v-if="timing.replaced" />
    <KeysHelp v-model:open="help" />
    <ShotSettings v-if="settings" @close="settings = false" />
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template:
    'top top' 42px
    'sheet picture' minmax(0, 1fr)
    'sheet transport' 37px
    'divider divider' 1px
    'time time' var(--timeline) / 304px minmax(0, 1fr);
  height: 100vh;
  overflow: hidden;
}
.desk > :first-child {
  grid-area: top;
}
.sheet {
  grid-area: sheet;
}
.picture {
  grid-area: picture;
  display: flex;
  min-width: 0;
  min-height: 0;
}
.stage {
  flex: 1;
}
.transport {
  grid-area: transport;
}
.divider {
  grid-area: divider;
}
.timeline {
  grid-area: time;
}
</style>
