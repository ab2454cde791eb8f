<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import SheetHead from '../fields/SheetHead.vue';
import type { Layer } from '../api/client';
import type { PropertyNow } from '../lib/answers';
import { freshId } from '../lib/layers';
import { useFollowing } from '../stores/following';
import { useShot } from '../stores/shot';
import { MASK_LINES, useView } from '../stores/view';
import DrawTools from './DrawTools.vue';
import PointTools from './PointTools.vue';
import PropertyRow from './PropertyRow.vue';

/** The masks of a layer, what can be done with the chosen one's points, and the tools that draw another. */
const props = defineProps<{ layer: Layer; properties: PropertyNow[]; locked: boolean }>();
const shot = useShot();
const view = useView();
const following = useFollowing();

function set(index: number, field: string, value: unknown, label: string) {
  void shot.setField(props.layer.id, `masks/${index}/${field}`, value, label);
}

function remove(index: number) {
  void shot.edit('Remove mask', {
    layer: props.layer.id,
    patch: [{ op: 'remove', path: `/masks/${index}` }],
  });
}

function lock(mask: string, to: unknown) {
  void shot.edit('Lock mask', {
    edit: { kind: 'set-mask-lock', layer: props.layer.id, mask, frame: view.frame, lock: to },
  });
}

const GOES = [
  { value: 'layer', label: 'goes with the layer' },
  { value: 'frame', label: 'stays in the frame' },
];
const marks = computed(() =>
  following.all.map((m) => ({
    value: `${m.layer.id} ${m.track.id}`,
    label: `goes with ${m.track.name} of ${m.layer.name}`,
  })),
);
/** What goes with marks is freed from them before it goes with something else. */
async function goWith(m: Layer['masks'][number], what: string) {
  const pinned = (clip: string | null, track: string | null) =>
    shot.edit('Mask goes with', {
      edit: { kind: 'pin-mask', layer: props.layer.id, mask: m.id, clip, track, frame: view.frame },
    });
  const [clip = '', track] = what.split(' ');
  if (track) {
    await pinned(clip, track);
    return;
  }
  if (m.pin && !(await pinned(null, null))) return;
  lock(m.id, what);
}

/** Texts whose letters can become masks. */
const texts = computed(() =>
  shot
    .everyLayer()
    .filter((l) => l.content.kind === 'text')
    .map((l) => ({ value: l.id, label: l.name })),
);
function letters(text: string) {
  void shot.edit('Masks from letters', {
    edit: {
      kind: 'letters-to-masks',
      layer: props.layer.id,
      text,
      newId: freshId(),
      frame: view.frame,
    },
  });
}

const LINES = {
  clear: 'outlines bright',
  warm: 'outlines warm',
  faded: 'outlines faint',
  hidden: 'no outlines',
};

/** What an outline does with what the masks before it have left. */
const DOES = [
  { value: 'add', label: 'shows what lies in it' },
  { value: 'subtract', label: 'hides what lies in it' },
  { value: 'intersect', label: 'keeps only what lies in it' },
  { value: 'exclude', label: 'swaps shown and hidden in it' },
];

const rows = (mask: string, names: string[]) =>
  props.properties.filter((p) => names.some((n) => p.name === `mask.${mask}.${n}`));

/** A mask among the others: they work in order. */
function move(index: number, by: number) {
  void shot.edit('Order of masks', {
    layer: props.layer.id,
    patch: [{ op: 'move', from: `/masks/${index}`, path: `/masks/${index + by}` }],
  });
}
</script>

<template>
  <SheetHead title="Masks">
    <Select
      v-if="layer.masks.length"
      v-model:value="view.maskLines"
      size="small"
      aria-label="Outlines of masks"
      class="lines"
      :options="MASK_LINES.map((v) => ({ value: v, label: LINES[v] }))"
    />
  </SheetHead>
  <p v-if="layer.masks.length === 0" class="why">None: all of the layer shows.</p>
  <div
    v-for="(m, i) in layer.masks"
    :key="m.id"
    class="mask"
    :class="{ chosen: view.path === `mask.${m.id}.path` }"
    :data-testid="`mask-${i}`"
    @pointerdown="view.choosePath(`mask.${m.id}.path`)"
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
    <section class="part" :aria-label="`The outline of ${m.name}`">
      <h5>Its outline</h5>
      <Select
        size="small"
        class="does"
        :aria-label="`What the outline of ${m.name} does`"
        :disabled="locked"
        :value="m.mode"
        :options="DOES"
        @change="(v) => set(i, 'mode', v, 'Mask')"
      />
      <div class="tools">
        <Checkbox
          :checked="m.inverted"
          :disabled="locked"
          @change="set(i, 'inverted', !m.inverted, 'Invert mask')"
          >outside instead</Checkbox
        >
        <Select
          size="small"
          :aria-label="`What ${m.name} goes with`"
          :disabled="locked"
          :value="m.pin ? `${m.pin.layer} ${m.pin.track}` : m.lock"
          :options="[...GOES, ...marks]"
          @change="(v) => goWith(m, String(v))"
        />
      </div>
      <PropertyRow v-for="p in rows(m.id, ['path'])" :key="p.name" :property="p" :locked="locked" />
    </section>
    <section class="part" :aria-label="`The edge of ${m.name}`">
      <h5>Its edge</h5>
      <PropertyRow
        v-for="p in rows(m.id, ['outset', 'feather'])"
        :key="p.name"
        :property="p"
        :locked="locked"
      />
    </section>
    <section class="part" :aria-label="`How much ${m.name} counts`">
      <PropertyRow
        v-for="p in rows(m.id, ['opacity'])"
        :key="p.name"
        :property="p"
        label="Counts"
        :locked="locked"
      />
    </section>
    <PointTools v-if="view.path === `mask.${m.id}.path`" :locked="locked" />
  </div>
  <DrawTools becomes="mask" :locked="locked" />
  <div v-if="texts.length" class="letters">
    <Select
      size="small"
      aria-label="Masks from the letters of"
      placeholder="Masks from the letters of…"
      :value="undefined"
      :disabled="locked"
      :options="texts"
      @change="(v) => letters(String(v))"
    />
  </div>
</template>

<style scoped>
.lines {
  width: 130px;
  font-weight: 400;
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
.letters :deep(.ant-select) {
  width: 100%;
  margin-top: 6px;
}
.part {
  padding: 2px 0 3px;
}
.part + .part {
  border-top: 1px solid var(--line);
}
h5 {
  margin: 2px 0;
  font-size: 12px;
  font-weight: 400;
  color: var(--quiet);
}
.does {
  width: 100%;
}
.tools {
  margin: 4px 0;
  display: flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
.tools :deep(.ant-select) {
  flex: 1;
  min-width: 0;
}
</style>
