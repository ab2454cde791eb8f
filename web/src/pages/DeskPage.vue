<script setup lang="ts">
import { Result } from 'ant-design-vue';
import { onBeforeUnmount, onMounted, ref, watch } from 'vue';
import KeysHelp from '../desk/KeysHelp.vue';
import MediaDrawer from '../desk/MediaDrawer.vue';
import Picture from '../desk/Picture.vue';
import RenderDrawer from '../desk/RenderDrawer.vue';
import Sheet from '../desk/Sheet.vue';
import Timeline from '../desk/Timeline.vue';
import TopBar from '../desk/TopBar.vue';
import Transport from '../desk/Transport.vue';
import ShotSettings from '../desk/ShotSettings.vue';
import { freshId } from '../lib/layers';
import { useAdding } from '../stores/adding';
import { useDesk } from '../stores/desk';
import { usePlayback } from '../stores/playback';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import { useView, type See } from '../stores/view';

const props = defineProps<{ id: string }>();
const shot = useShot();
const view = useView();
const desk = useDesk();
const project = useProject();
const playback = usePlayback();
const adding = useAdding();

const media = ref(false);
const renders = ref(false);
const help = ref(false);
const settings = ref(false);
const SEES: See[] = ['picture', 'on-black', 'on-checker', 'matte'];

function open() {
  view.frame = 0;
  view.choose(undefined);
  desk.open(props.id);
}

watch(() => props.id, open);
watch(
  () => shot.view?.projectId,
  (id) => {
    if (id) void project.open(id);
  },
);

async function dropped(files: File[]) {
  const brought = await project.bring(files, shot.shot?.format.rate ?? '24');
  for (const m of brought) {
    const stop = watch(
      () => project.find(m.id)?.state,
      (state) => {
        if (state === 'READY') {
          const now = project.find(m.id);
          if (now) void adding.media(now);
        }
        if (state && state !== 'IMPORTING') stop();
      },
      { flush: 'post' },
    );
    if (project.find(m.id)?.state === 'READY') {
      stop();
      await adding.media(project.find(m.id) ?? m);
    }
  }
}

function neighbour(by: number) {
  const list = shot.list;
  const at = list.findIndex((r) => r.layer.id === view.layer);
  const next = list[Math.min(list.length - 1, Math.max(0, at + by))];
  if (next) view.choose(next.layer.id);
}

function remove() {
  if (view.keys.length) {
    void shot.edit('Remove keys', { edit: { kind: 'remove-keys', keys: view.keys } });
    view.keys = [];
  } else if (view.layer && !shot.find(view.layer)?.locked) {
    void shot.edit('Delete', { edit: { kind: 'delete', layers: [view.layer] } });
    view.choose(undefined);
  }
}

function duplicate() {
  if (!view.layer) return;
  const newId = freshId();
  void shot.edit('Duplicate', { edit: { kind: 'duplicate', layer: view.layer, newId } }).then((done) => {
    if (done) view.choose(newId);
  });
}

function key(e: KeyboardEvent) {
  const target = e.target as HTMLElement;
  if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return;
  const ctrl = e.ctrlKey || e.metaKey;
  const step = e.shiftKey ? 10 : 1;
  const actions: Record<string, () => void> = ctrl
    ? { z: () => void (e.shiftKey ? shot.redo() : shot.undo()), y: () => void shot.redo(), d: duplicate }
    : {
        ' ': playback.toggle,
        arrowleft: () => desk.go(view.frame - step),
        arrowright: () => desk.go(view.frame + step),
        arrowup: () => neighbour(-1),
        arrowdown: () => neighbour(1),
        home: () => desk.go(0),
        end: () => desk.go(1e9),
        l: () => (view.loop = !view.loop),
        t: () => (view.safe = !view.safe),
        s: () => (view.see = SEES[(SEES.indexOf(view.see) + 1) % SEES.length] ?? 'picture'),
        a: () => void adding.text(),
        '1': () => (view.scale = 1),
        '2': () => (view.scale = 0.5),
        '4': () => (view.scale = 0.25),
        escape: () => (view.tool = 'choose'),
        delete: remove,
        backspace: remove,
        '?': () => (help.value = !help.value),
      };
  const action = actions[e.key.toLowerCase()];
  if (action) {
    e.preventDefault();
    action();
  }
}

onMounted(() => {
  open();
  addEventListener('keydown', key);
});
onBeforeUnmount(() => {
  removeEventListener('keydown', key);
  desk.close();
  project.close();
});
</script>

<template>
  <Result v-if="shot.problem" status="warning" :title="shot.problem">
    <template #extra><RouterLink to="/">All projects</RouterLink></template>
  </Result>
  <div v-else class="desk">
    <TopBar @media="media = !media" @renders="renders = !renders" @settings="settings = true" />
    <Sheet class="sheet" />
    <Picture class="picture" @dropped="dropped" />
    <Transport class="transport" />
    <Timeline class="timeline" @media="media = true" />
    <MediaDrawer v-model:open="media" />
    <RenderDrawer v-model:open="renders" />
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
    'time time' 244px / 304px minmax(0, 1fr);
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
}
.transport {
  grid-area: transport;
}
.timeline {
  grid-area: time;
}
</style>
