<script setup lang="ts">
import { Button, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Content, Layer } from '../../api/client';
import SheetLine from '../../fields/SheetLine.vue';
import TimeField from '../../fields/TimeField.vue';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import PropertyRow from '../PropertyRow.vue';
import CoatRows from './CoatRows.vue';
import { useContent } from './useContent';

/** Lines along another layer: what of it they run along, and the coats of paint on them. */
type Trace = Extract<Content, { kind: 'trace' }>;
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();
const { properties, paints, set } = useContent();
const trace = computed(() => props.layer.content as Trace);
const ALONG = [
  { value: 'shape', label: 'its outlines' },
  { value: 'brightness', label: 'where it is bright' },
  { value: 'masks', label: 'its masks' },
  { value: 'ink', label: 'its pen strokes' },
];
const TRACEABLE = ['text', 'shape', 'still', 'footage', 'fill', 'texture', 'group', 'again', 'shot'];
const layers = computed(() =>
  shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id && TRACEABLE.includes(l.content.kind))
    .map((l) => ({ value: l.id, label: l.name })),
);
const own = computed(() => properties.value.filter((p) => p.name.startsWith('trace.')));

/** Another source takes the trace along to where it lies. */
function follow(id: string) {
  void shot.edit('Trace another layer', {
    layer: props.layer.id,
    patch: [
      { op: 'add', path: '/content/of', value: id },
      { op: 'add', path: '/parent', value: id },
    ],
  });
}
const toShape = () =>
  shot.edit('Trace into a shape', {
    edit: { kind: 'trace-to-shape', layer: props.layer.id, frame: view.frame },
  });
</script>

<template>
  <SheetLine label="Runs along">
    <Select
      size="small"
      aria-label="Traced layer"
      :disabled="locked"
      :value="trace.of"
      :options="layers"
      @change="(v) => follow(v as string)"
    />
  </SheetLine>
  <SheetLine label="">
    <Select
      size="small"
      aria-label="Runs along"
      :disabled="locked"
      :value="trace.along"
      :options="ALONG"
      @change="(v) => set('along', v, 'Runs along')"
    />
  </SheetLine>
  <PropertyRow v-for="p in own" :key="p.name" :property="p" :locked="locked" />
  <SheetLine label="Looked at">
    <div class="when">
      <Select
        size="small"
        aria-label="Looked at"
        :disabled="locked"
        :value="trace.frame == null ? 'now' : 'held'"
        :options="[
          { value: 'now', label: 'on every frame' },
          { value: 'held', label: 'on frame' },
        ]"
        @change="(v) => set('frame', v === 'now' ? null : view.frame, 'When it is traced')"
      />
      <TimeField
        v-if="trace.frame != null"
        :value="trace.frame"
        label="Traced frame"
        :disabled="locked"
        @commit="(v: number) => set('frame', v, 'When it is traced')"
      />
    </div>
  </SheetLine>
  <Button size="small" class="make" :disabled="locked" @click="toShape"
    >Into a shape, to move its points</Button
  >
  <CoatRows :coats="trace.coats" :properties="properties" :paints="paints" :locked="locked" />
</template>

<style scoped>
.when {
  display: flex;
  gap: 4px;
}
.make {
  margin: 4px 0;
}
</style>
