<script setup lang="ts">
import { Button, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import SheetLine from '../../fields/SheetLine.vue';
import { BLENDS } from '../../lib/blends';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import DrawTools from '../DrawTools.vue';

/** How the chosen layers are seen: shown, locked, cut, mixed, carried; all of them are changed. */
const shot = useShot();
const view = useView();
const desk = useDesk();

const layers = computed(() =>
  view.layers.map((id) => shot.find(id)).filter((l): l is Layer => l !== undefined),
);
/** What all of them have, or nothing where they differ. */
function same<T>(of: (l: Layer) => T): T | undefined {
  const [first, ...others] = layers.value.map(of);
  return others.every((o) => o === first) ? first : undefined;
}
const mixed = 'mixed';
const others = computed(() =>
  shot
    .everyLayer()
    .filter((l) => !view.layers.includes(l.id))
    .map((l) => ({ value: l.id, label: l.name })),
);
const cutter = computed(() => {
  const by = same((l) => l.cut?.by ?? '');
  return by === undefined ? mixed : by;
});
const withMixed = (now: string | undefined, options: { value: string; label: string }[]) =>
  now === undefined || now === mixed ? [{ value: mixed, label: mixed }, ...options] : options;
const parent = computed(() => same((l) => l.parent ?? ''));
const blend = computed(() => same((l) => l.blend));

function cutBy(by: unknown) {
  if (by === mixed) return;
  const now = layers.value.find((l) => l.cut)?.cut;
  const next = by ? { with: 'shape', keep: 'inside', ...(now ?? {}), by } : null;
  void shot.setFields(desk.free(), 'cut', next, 'Cut by');
}
function carry(id: unknown) {
  if (id === mixed) return;
  const change = desk.ofEach((layer) => ({
    kind: 'set-parent',
    layer,
    parent: id || null,
    frame: view.frame,
  }));
  void shot.edit('Parent', change);
}
const FLAGS = [
  { field: 'hidden', on: 'Hide', off: 'Show' },
  { field: 'locked', on: 'Lock', off: 'Unlock' },
  { field: 'solo', on: 'Solo', off: 'No solo' },
] as const;
function flip(field: (typeof FLAGS)[number]['field'], on: boolean, label: string) {
  void shot.setFields(view.layers, field, on, label);
}
</script>

<template>
  <div class="flags">
    <template v-for="f in FLAGS" :key="f.field">
      <Button size="small" @click="flip(f.field, true, f.on)">{{ f.on }}</Button>
      <Button size="small" @click="flip(f.field, false, f.off)">{{ f.off }}</Button>
    </template>
  </div>
  <SheetLine label="Cut by">
    <Select
      size="small"
      aria-label="Cut all by"
      :value="cutter"
      :options="withMixed(cutter, [{ value: '', label: 'nothing' }, ...others])"
      @change="cutBy"
    />
  </SheetLine>
  <SheetLine label="Blend">
    <Select
      size="small"
      aria-label="Blend all"
      :value="blend ?? mixed"
      :options="withMixed(blend, BLENDS)"
      @change="(v) => v !== mixed && shot.setFields(desk.free(), 'blend', v, 'Blend')"
    />
  </SheetLine>
  <SheetLine label="Parent">
    <Select
      size="small"
      aria-label="Parent of all"
      :value="parent ?? mixed"
      :options="withMixed(parent, [{ value: '', label: 'none' }, ...others])"
      @change="carry"
    />
  </SheetLine>
  <h5>A mask on each, at the same place</h5>
  <DrawTools becomes="mask" :locked="false" />
</template>

<style scoped>
.flags {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  margin-bottom: 8px;
}
h5 {
  margin: 12px 0 4px;
  font-size: 13px;
  font-weight: 400;
  color: var(--quiet);
}
</style>
