<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import type { Layer } from '../api/client';
import NumberField from '../fields/NumberField.vue';
import { useDesk } from '../stores/desk';
import { useFrames, type PropertyNow } from '../stores/frames';
import { useShot } from '../stores/shot';
import { MASK_LINES, useView, type Tool } from '../stores/view';
import PropertyRow from './PropertyRow.vue';

/** The masks of a layer, the points that are chosen of one, and the tools that draw another. */
const props = defineProps<{ layer: Layer; properties: PropertyNow[]; locked: boolean }>();
const shot = useShot();
const desk = useDesk();
const view = useView();
const frames = useFrames();

const TOOLS: { tool: Tool; label: string; icon: string }[] = [
  { tool: 'pen', label: 'Point by point', icon: 'M3 14L7 5 14 9 9 14Z' },
  { tool: 'mask-rectangle', label: 'Four points', icon: 'M3 4H15V14H3Z' },
  {
    tool: 'mask-rounded',
    label: 'Rounded rectangle',
    icon: 'M6 4H12A3 3 0 0115 7V11A3 3 0 0112 14H6A3 3 0 013 11V7A3 3 0 016 4Z',
  },
  { tool: 'mask-ellipse', label: 'Ellipse', icon: 'M3 9A6 5 0 1015 9 6 5 0 103 9Z' },
  { tool: 'mask-polygon', label: 'Polygon', icon: 'M9 3L15 7.5 12.7 14.5H5.3L3 7.5Z' },
  {
    tool: 'mask-star',
    label: 'Star',
    icon: 'M9 2.5L11 7 15.5 7.3 12 10.3 13.2 15 9 12.4 4.8 15 6 10.3 2.5 7.3 7 7Z',
  },
];

const pointer = computed(() => shot.row(props.layer.id)?.pointer);
const now = computed(() => frames.handles?.masks.find((m) => m.id === view.mask));
const feather = computed(() => now.value?.feathers[view.points[0] ?? -1] ?? 0);
const path = () => ({ layer: view.layer, property: `mask.${view.mask}.path`, frame: view.frame });

function set(index: number, field: string, value: unknown, label: string) {
  void shot.setField(props.layer.id, `masks/${index}/${field}`, value, label);
}

function remove(index: number) {
  void shot.edit('Remove mask', { patch: [{ op: 'remove', path: `${pointer.value}/masks/${index}` }] });
}

function lock(mask: string, to: unknown) {
  void shot.edit('Lock mask', {
    edit: { kind: 'set-mask-lock', layer: props.layer.id, mask, frame: view.frame, lock: to },
  });
}

/** A mask among the others: they work in order. */
function move(index: number, by: number) {
  const from = `${pointer.value}/masks/${index}`;
  void shot.edit('Order of masks', {
    patch: [{ op: 'move', from, path: `${pointer.value}/masks/${index + by}` }],
  });
}

const feathered = (width: number) =>
  desk.keyedToo(`mask.${view.mask}.path`, {
    kind: 'feather-points',
    ...path(),
    points: view.points,
    feather: width,
  });
const smooth = (on: boolean) =>
  void shot.edit(on ? 'Smooth' : 'Corner', {
    edit: { kind: 'set-smooth', ...path(), points: view.points, smooth: on },
  });

function removePoints() {
  void shot.edit('Remove mask points', { edit: { kind: 'remove-points', ...path(), points: view.points } });
  view.points = [];
}

function startHere() {
  void shot.edit('First point', { edit: { kind: 'start-at', ...path(), point: view.points[0] } });
  view.points = [0];
}
</script>

<template>
  <h4>
    Masks
    <Select
      v-if="layer.masks.length"
      v-model:value="view.maskLines"
      size="small"
      aria-label="Outlines of masks"
      class="lines"
      :options="MASK_LINES.map((v) => ({ value: v, label: `outlines ${v}` }))"
    />
  </h4>
  <p v-if="layer.masks.length === 0" class="why">None: all of the layer shows.</p>
  <div
    v-for="(m, i) in layer.masks"
    :key="m.id"
    class="mask"
    :class="{ chosen: view.mask === m.id }"
    :data-testid="`mask-${i}`"
    @pointerdown="view.chooseMask(m.id)"
  >
    <div class="head">
      <input
        class="name"
        :value="m.name"
        :disabled="locked"
        :aria-label="`Name of mask ${i + 1}`"
        @change="(e) => set(i, 'name', (e.target as HTMLInputElement).value, 'Name of the mask')"
        @keydown.stop="(e) => e.key === 'Enter' && (e.target as HTMLInputElement).blur()"
      />
      <button
        class="bare"
        :disabled="locked || i === 0"
        :aria-label="`${m.name} earlier`"
        @click.stop="move(i, -1)"
      >
        ↑
      </button>
      <button
        class="bare"
        :disabled="locked || i === layer.masks.length - 1"
        :aria-label="`${m.name} later`"
        @click.stop="move(i, 1)"
      >
        ↓
      </button>
      <button class="bare" :disabled="locked" :aria-label="`Remove ${m.name}`" @click.stop="remove(i)">
        <DeleteOutlined />
      </button>
    </div>
    <div class="tools">
      <Select
        size="small"
        :aria-label="`How ${m.name} works`"
        :disabled="locked"
        :value="m.mode"
        :options="['add', 'subtract', 'intersect', 'exclude'].map((v) => ({ value: v, label: v }))"
        @change="(v) => set(i, 'mode', v, 'Mask')"
      />
      <Select
        size="small"
        :aria-label="`What ${m.name} goes with`"
        :disabled="locked"
        :value="m.lock"
        :options="[
          { value: 'layer', label: 'with the layer' },
          { value: 'frame', label: 'in the frame' },
        ]"
        @change="(v) => lock(m.id, v)"
      />
      <Checkbox
        :checked="m.inverted"
        :disabled="locked"
        @change="set(i, 'inverted', !m.inverted, 'Invert mask')"
        >inverted</Checkbox
      >
    </div>
    <PropertyRow
      v-for="p in properties.filter((q) => q.name.startsWith(`mask.${m.id}.`))"
      :key="p.name"
      :property="p"
      :label="
        p.name
          .split('.')
          .pop()!
          .replace(/^./, (c) => c.toUpperCase())
      "
      :locked="locked"
    />
    <div v-if="view.mask === m.id && view.points.length" class="points" data-testid="points">
      <span class="why">{{
        view.points.length === 1
          ? `Point ${(view.points[0] ?? 0) + 1} of ${now?.knots.length ?? 0}`
          : `${view.points.length} points of ${now?.knots.length ?? 0}`
      }}</span>
      <div class="line">
        <span class="label">Feather here</span>
        <NumberField
          :value="feather"
          label="Feather at the points"
          unit="px"
          :least="0"
          :most="4000"
          :disabled="locked"
          @draft="(v) => desk.draft(feathered(v))"
          @commit="(v) => desk.commit('Feather at a point', feathered(v))"
        />
      </div>
      <div class="tools left">
        <button class="bare link" :disabled="locked" @click="smooth(true)">Smooth</button>
        <button class="bare link" :disabled="locked" @click="smooth(false)">Corner</button>
        <button v-if="view.points.length === 1" class="bare link" :disabled="locked" @click="startHere">
          Begin here
        </button>
        <button class="bare link" :disabled="locked" @click="removePoints">Remove</button>
      </div>
    </div>
  </div>
  <div class="draw" role="toolbar" aria-label="Draw a mask">
    <button
      v-for="t in TOOLS"
      :key="t.tool"
      class="bare tool"
      :class="{ on: view.tool === t.tool }"
      :disabled="locked"
      :aria-label="t.label"
      :title="t.label"
      :aria-pressed="view.tool === t.tool"
      @click="view.tool = view.tool === t.tool ? 'choose' : t.tool"
    >
      <svg viewBox="0 0 18 18" width="18" height="18">
        <path :d="t.icon" fill="none" stroke="currentColor" stroke-width="1.4" stroke-linejoin="round" />
        <template v-if="t.tool === 'pen'">
          <circle
            v-for="[x, y] in [
              [3, 14],
              [7, 5],
              [14, 9],
            ]"
            :key="x"
            :cx="x"
            :cy="y"
            r="1.8"
            fill="currentColor"
          />
        </template>
      </svg>
    </button>
    <NumberField
      v-if="view.tool === 'mask-polygon' || view.tool === 'mask-star'"
      class="count"
      :value="view.figure.points"
      label="Points of the figure"
      unit="points"
      :least="3"
      :most="200"
      :decimals="0"
      @commit="(v) => (view.figure = { points: Math.round(v) })"
    />
  </div>
  <p v-if="view.tool === 'pen'" class="why">
    Press for corners, drag for curves. The first point or Enter closes it.
  </p>
  <p v-else-if="view.tool.startsWith('mask')" class="why">Drag over the Picture.</p>
</template>

<style scoped>
h4 {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 10px 0 2px;
  font-size: 13px;
  font-weight: 600;
  color: var(--text);
}
.lines {
  width: 130px;
  font-weight: 400;
}
.line {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.label {
  color: var(--quiet);
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
.mask {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.mask.chosen {
  border-left-color: var(--accent);
}
.head {
  display: flex;
  align-items: center;
  gap: 2px;
}
.name {
  flex: 1;
  min-width: 0;
  padding: 2px 0;
  border: 0;
  border-bottom: 1px solid transparent;
  background: none;
  color: var(--text);
  font: inherit;
  font-weight: 600;
}
.name:focus-visible {
  border-bottom-color: var(--accent);
  outline: none;
}
.tools {
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.tools.left {
  gap: 2px;
}
.link {
  color: var(--accent);
}
.draw {
  display: flex;
  align-items: center;
  gap: 2px;
  margin-top: 6px;
}
.tool {
  padding: 4px;
  color: var(--text);
  line-height: 0;
}
.tool.on {
  color: var(--accent);
  background: #ffffff14;
  border-radius: 4px;
}
.count {
  margin-left: auto;
  width: 110px;
}
</style>
