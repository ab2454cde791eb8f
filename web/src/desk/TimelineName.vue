<script setup lang="ts">
import { Dropdown, Menu, MenuDivider, MenuItem } from 'ant-design-vue';
import {
  CaretDownOutlined,
  CaretRightOutlined,
  EllipsisOutlined,
  EyeInvisibleOutlined,
  EyeOutlined,
  LockOutlined,
  UnlockOutlined,
} from '@ant-design/icons-vue';
import { computed, ref } from 'vue';
import { api } from '../api/client';
import { freshId, type Row } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useCuttingOut } from '../stores/cuttingOut';
import { useFollowing } from '../stores/following';
import { useTiming } from '../stores/timing';
import { useNesting } from '../stores/nesting';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import KindGlyph from './KindGlyph.vue';

const props = defineProps<{ row: Row; folds: boolean }>();
const shot = useShot();
const nesting = useNesting();
const view = useView();
const desk = useDesk();
const following = useFollowing();
const cutting = useCuttingOut();
/** The figures that this layer can be put behind. */
const figures = computed(() => cutting.all.filter((f) => f.id !== layer.value.id));
/** The marks that this layer can go with. */
const marks = computed(() => following.all.filter((m) => m.layer.id !== layer.value.id));

const layer = computed(() => props.row.layer);
const timing = useTiming();
const unfolded = computed(() => view.unfolded.has(layer.value.id));
const group = computed(() => layer.value.content.kind === 'group');
const dropping = ref<'above' | 'below' | 'into' | 'cutter'>();

function flip(field: 'hidden' | 'locked' | 'solo', label: string) {
  // What is done to one of the chosen is done to all of them.
  const all = view.layers.includes(layer.value.id) ? view.layers : [layer.value.id];
  void shot.setFields(all, field, !layer.value[field], label);
}

function open() {
  const next = new Set(shot.opened);
  if (!next.delete(layer.value.id)) next.add(layer.value.id);
  shot.opened = next;
}

function reorder(to: number) {
  void shot.edit('Reorder', { edit: { kind: 'reorder', layer: layer.value.id, to } });
}

function duplicate() {
  const newId = freshId();
  void shot.edit('Duplicate', { edit: { kind: 'duplicate', layer: layer.value.id, newId } }).then((done) => {
    if (done) view.choose(newId);
  });
}

const toShape = () => timing.edit('Letters into a shape', 'text-to-shape', { layer: layer.value.id });

async function frameRound() {
  const newId = freshId();
  const fields = { layer: layer.value.id, newId, frame: view.frame };
  if (await timing.edit('Line round it', 'frame-round', fields)) view.choose(newId);
}

/** Whether there are lines or a picture that a line can run along. */
const traceable = computed(() => !['sound', 'adjustment', 'trace'].includes(layer.value.content.kind));

/** A line along the layer; with a length it draws itself, and then the layer fades up. */
async function trace(length?: number) {
  const newId = freshId();
  const fields = { layer: layer.value.id, newId, ...(length ? { length } : {}) };
  const done = length
    ? await timing.edit('Draw its outline', 'draw-outline', fields)
    : await timing.edit('Line along its outline', 'trace', fields);
  if (done) view.choose(newId);
}
/** Whether it has paths that a file of SVG can hold; they are saved as they are on this frame. */
const drawable = computed(() => ['shape', 'trace', 'text'].includes(layer.value.content.kind));
const svg = computed(() => api.svgUrl(shot.view?.id ?? '', layer.value.id, view.frame));
/** Two seconds, or what the layer's time allows with the fading after it. */
const drawing = computed(() => Math.max(1, Math.min(48, layer.value.span.length - 21)));

function remove() {
  void shot.edit('Delete', { edit: { kind: 'delete', layers: [layer.value.id] } });
  if (view.layer === layer.value.id) view.choose(undefined);
}

function chosen(e: PointerEvent) {
  if (e.ctrlKey || e.metaKey) view.chooseToo(layer.value.id);
  else if (e.shiftKey && view.layer) {
    const from = shot.list.findIndex((r) => r.layer.id === view.layer);
    const to = shot.list.findIndex((r) => r.layer.id === layer.value.id);
    const between = shot.list.slice(Math.min(from, to), Math.max(from, to) + 1).map((r) => r.layer.id);
    view.chooseAll([...between.filter((id) => id !== view.layer), view.layer]);
  } else if (!view.layers.includes(layer.value.id) || view.layers.length === 1) view.choose(layer.value.id);
}

/** A plain click leaves only this layer chosen; until it is let go, all chosen ones can be dragged. */
function alone(e: MouseEvent) {
  if (!e.ctrlKey && !e.metaKey && !e.shiftKey && view.layers.length > 1) view.choose(layer.value.id);
}

/** From the ring at the row's left one drags to the row that is to cut it. */
function cutStart(e: DragEvent) {
  e.stopPropagation();
  e.dataTransfer?.setData('application/x-aperta-cut', layer.value.id);
}

function cutBy(id: string) {
  const cut = shot.find(id);
  if (!cut || id === layer.value.id) return;
  const next = { with: 'shape', keep: 'inside', ...(cut.cut ?? {}), by: layer.value.id };
  // All chosen ones get the same cutter, but for the cutter itself.
  const all = view.layers.includes(id) ? desk.free().filter((l) => l !== layer.value.id) : [id];
  void shot.setFields(all, 'cut', next, 'Cut by');
}

function dragStart(e: DragEvent) {
  e.dataTransfer?.setData('application/x-aperta-layer', layer.value.id);
}

function dragOver(e: DragEvent) {
  if (e.dataTransfer?.types.includes('application/x-aperta-cut')) {
    e.preventDefault();
    dropping.value = 'cutter';
    return;
  }
  if (!e.dataTransfer?.types.includes('application/x-aperta-layer')) return;
  e.preventDefault();
  const box = (e.currentTarget as HTMLElement).getBoundingClientRect();
  const y = (e.clientY - box.top) / box.height;
  const middle = group.value && y > 0.28 && y < 0.72;
  dropping.value = middle ? 'into' : y < 0.5 ? 'above' : 'below';
}

/** Among its neighbours a layer takes another place; elsewhere, and onto a group, it goes into another list. */
function drop(e: DragEvent) {
  const cut = e.dataTransfer?.getData('application/x-aperta-cut');
  if (cut) {
    dropping.value = undefined;
    cutBy(cut);
    return;
  }
  const id = e.dataTransfer?.getData('application/x-aperta-layer');
  const from = shot.row(id);
  const place = dropping.value;
  dropping.value = undefined;
  if (!id || !from || id === layer.value.id) return;
  const frame = view.frame;
  if (place === 'into') {
    shot.opened = new Set([...shot.opened, layer.value.id]);
    void shot.edit('Into the group', {
      edit: { kind: 'move-to', layer: id, group: layer.value.id, to: 0, frame },
    });
    return;
  }
  const wanted = props.row.index + (place === 'below' ? 1 : 0);
  if (from.group !== props.row.group) {
    const label = props.row.group ? 'Into the group' : 'Out of the group';
    void shot.edit(label, {
      edit: { kind: 'move-to', layer: id, group: props.row.group ?? null, to: wanted, frame },
    });
    return;
  }
  void shot.edit('Reorder', {
    edit: { kind: 'reorder', layer: id, to: from.index < wanted ? wanted - 1 : wanted },
  });
}

function useAgain() {
  const newId = freshId();
  void shot
    .edit('Use again', { edit: { kind: 'use-again', group: layer.value.id, newId } })
    .then((done) => done && view.choose(newId));
}

function outOfGroup() {
  const holder = shot.row(props.row.group);
  void shot.edit('Out of the group', {
    edit: {
      kind: 'move-to',
      layer: layer.value.id,
      group: holder?.group ?? null,
      to: holder?.index ?? 0,
      frame: view.frame,
    },
  });
}
</script>

<template>
  <div
    class="name"
    :class="[dropping, { off: layer.hidden }]"
    draggable="true"
    :data-testid="`row-${layer.name}`"
    @pointerdown="chosen"
    @click="alone"
    @dragstart="dragStart"
    @dragover="dragOver"
    @dragleave="dropping = undefined"
    @drop.prevent="drop"
  >
    <span
      v-if="!layer.locked && layer.content.kind !== 'sound'"
      class="cut"
      draggable="true"
      :data-testid="`cut-${layer.name}`"
      title="Drag onto the layer that is to cut this one"
      @dragstart="cutStart"
    ></span>
    <span class="indent" :style="{ width: `${row.depth * 14}px` }"></span>
    <button
      v-if="folds"
      class="bare fold"
      :aria-label="unfolded ? 'Close the row' : 'Open the row'"
      :aria-expanded="unfolded"
      @click="view.unfold(layer.id)"
    >
      <CaretDownOutlined v-if="unfolded" /><CaretRightOutlined v-else />
    </button>
    <span v-else class="fold"></span>
    <KindGlyph :kind="layer.content.kind" />
    <span class="text">{{ layer.name }}</span>
    <button
      v-if="group"
      class="bare inside"
      :aria-expanded="shot.opened.has(layer.id)"
      :title="shot.opened.has(layer.id) ? 'Close the group' : 'Open the group'"
      @pointerdown.stop
      @click.stop="open"
    >
      {{ shot.opened.has(layer.id) ? '▴' : '▾' }} {{ (layer.content as { layers: unknown[] }).layers.length }}
    </button>
    <button
      class="bare"
      :class="{ set: layer.hidden }"
      :aria-pressed="layer.hidden"
      :aria-label="layer.hidden ? 'Show' : 'Hide'"
      :title="layer.hidden ? 'Show' : 'Hide'"
      @click.stop="flip('hidden', layer.hidden ? 'Show' : 'Hide')"
    >
      <EyeInvisibleOutlined v-if="layer.hidden" /><EyeOutlined v-else />
    </button>
    <button
      class="bare"
      :class="{ set: layer.locked }"
      :aria-pressed="layer.locked"
      :aria-label="layer.locked ? 'Unlock' : 'Lock'"
      :title="layer.locked ? 'Unlock' : 'Lock'"
      @click.stop="flip('locked', layer.locked ? 'Unlock' : 'Lock')"
    >
      <LockOutlined v-if="layer.locked" /><UnlockOutlined v-else />
    </button>
    <button
      class="bare only"
      :class="{ set: layer.solo }"
      :aria-pressed="layer.solo"
      aria-label="Solo"
      title="Solo: show only this"
      @click.stop="flip('solo', 'Solo')"
    >
      <svg viewBox="0 0 12 12" width="12" height="12">
        <circle cx="6" cy="6" r="4.5" fill="none" stroke="currentColor" stroke-width="1.4" />
        <circle v-if="layer.solo" cx="6" cy="6" r="2.2" fill="currentColor" />
      </svg>
    </button>
    <Dropdown :trigger="['click']">
      <button class="bare" :aria-label="`More for ${layer.name}`" @click.stop><EllipsisOutlined /></button>
      <template #overlay>
        <Menu>
          <MenuItem key="d" @click="duplicate">Duplicate</MenuItem>
          <MenuItem v-if="layer.content.kind === 'shot'" key="d-own" @click="nesting.duplicate(layer)"
            >Duplicate with a shot of its own</MenuItem
          >
          <MenuItem v-if="layer.content.kind === 'shot'" key="into" @click="nesting.into(layer)"
            >Open the shot</MenuItem
          >
          <MenuItem key="u" :disabled="row.index === 0" @click="reorder(row.index - 1)">Move up</MenuItem>
          <MenuItem key="w" :disabled="row.index === row.siblings - 1" @click="reorder(row.index + 1)"
            >Move down</MenuItem
          >
          <MenuDivider />
          <MenuItem key="g" @click="timing.group()">Group</MenuItem>
          <MenuItem
            v-if="layer.content.kind !== 'sound'"
            key="pass"
            :disabled="timing.passable(layer.id).length === 0"
            @click="timing.pass(layer.id)"
            >Pass from the one before</MenuItem
          >
          <MenuItem
            v-for="unit in layer.content.kind === 'text' ? ['lines', 'words', 'letters'] : []"
            :key="`p-${unit}`"
            @click="timing.edit('Take apart', 'take-apart', { layer: layer.id, unit })"
            >Take apart into {{ unit }}</MenuItem
          >
          <MenuItem v-if="layer.content.kind === 'text'" key="s" @click="toShape"
            >Letters into a shape</MenuItem
          >
          <MenuItem v-if="layer.content.kind !== 'sound'" key="f" @click="frameRound">Line round it</MenuItem>
          <MenuItem v-if="traceable" key="trace" @click="trace()">Line along its outline</MenuItem>
          <MenuItem v-if="traceable" key="draw" @click="trace(drawing)"
            >Draw its outline, then show it</MenuItem
          >
          <template v-for="m in marks" :key="`${m.layer.id}-${m.track.id}`">
            <MenuItem
              v-if="layer.content.kind !== 'sound'"
              @click="following.reveal(layer.id, m.layer.id, m.track.id, false)"
              >Reveal behind {{ m.track.name }} of {{ m.layer.name }}</MenuItem
            >
            <MenuItem
              v-if="row.group === shot.row(m.layer.id)?.group && layer.content.kind !== 'sound'"
              @click="following.pin(layer.id, m.layer.id, m.track.id)"
              >Pin to {{ m.track.name }} of {{ m.layer.name }}</MenuItem
            >
          </template>
          <template v-if="layer.content.kind !== 'sound'">
            <MenuItem v-for="f in figures" :key="`behind-${f.id}`" @click="cutting.putBehind(layer.id, f.id)"
              >Put behind {{ f.name }}</MenuItem
            >
          </template>
          <MenuItem
            v-if="layer.content.kind === 'footage' && !layer.content.cutOut"
            key="cut-out"
            @click="cutting.begin(layer.id)"
            >Cut out a figure</MenuItem
          >
          <MenuItem v-if="layer.pinned" key="unpin" @click="following.pin(layer.id, null, null)"
            >Free from the mark</MenuItem
          >
          <MenuItem v-if="group" key="o" @click="open"
            >{{ shot.opened.has(layer.id) ? 'Close' : 'Open' }} the group</MenuItem
          >
          <MenuItem v-if="group || layer.content.kind === 'again'" key="y" @click="useAgain"
            >Use the group again</MenuItem
          >
          <MenuItem v-if="group" key="b" @click="timing.ungroup()">Dissolve the group</MenuItem>
          <MenuItem v-if="row.group" key="q" @click="outOfGroup">Out of the group</MenuItem>
          <MenuItem v-if="drawable" key="svg">
            <a :href="svg" :download="`${layer.name}.svg`">Save as SVG</a>
          </MenuItem>
          <MenuDivider />
          <MenuItem key="r" @click="timing.replaced = layer.id">Replace what it shows…</MenuItem>
          <MenuItem key="c" @click="timing.look = layer.id">Copy or remove parts of its look…</MenuItem>
          <MenuDivider />
          <MenuItem key="x" danger @click="remove">Delete</MenuItem>
        </Menu>
      </template>
    </Dropdown>
  </div>
</template>

<style scoped>
.name {
  position: relative;
  display: flex;
  align-items: center;
  flex: none;
  width: 304px;
  gap: 4px;
  padding: 0 6px 0 26px;
  box-sizing: border-box;
  border-right: 1px solid #0c0c0c;
  cursor: default;
}
.name.above {
  box-shadow: inset 0 2px 0 var(--accent);
}
.name.below {
  box-shadow: inset 0 -2px 0 var(--accent);
}
.name.into {
  box-shadow: inset 0 0 0 2px var(--accent);
}
.name.cutter {
  outline: 2px dashed var(--accent);
  outline-offset: -3px;
}
.cut {
  position: absolute;
  left: 13px;
  top: calc(50% - 7px);
  width: 13px;
  height: 13px;
  border: 1.5px dashed transparent;
  border-radius: 50%;
  box-sizing: border-box;
  cursor: grab;
}
.name:hover .cut {
  border-color: #8f8f8f;
}
.inside {
  font-size: 11px;
}
.fold {
  width: 18px;
  padding: 0;
  font-size: 10px;
}
.text {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  padding-left: 3px;
}
.off .text {
  color: #8f8f8f;
  text-decoration: line-through;
}
.name button {
  color: #8f8f8f;
  padding: 2px 3px;
}
.name button.set {
  color: var(--accent);
}
</style>
