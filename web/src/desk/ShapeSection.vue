<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import SheetHead from '../fields/SheetHead.vue';
import type { Content } from '../api/client';
import type { PaintNow, PropertyNow } from '../lib/answers';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import DrawTools from './DrawTools.vue';
import PointTools from './PointTools.vue';
import PropertyRow from './PropertyRow.vue';
import CoatRows from './sheet/CoatRows.vue';

/** The paths of a shape and the coats of paint on them, the uppermost first. */
type Shape = Extract<Content, { kind: 'shape' }>;
defineProps<{
  shape: Shape;
  properties: PropertyNow[];
  paints: PaintNow[];
  locked: boolean;
}>();
const shot = useShot();
const view = useView();

function removePath(index: number) {
  view.choosePath(undefined);
  void shot.edit('Remove path', {
    layer: view.layer,
    patch: [{ op: 'remove', path: `/content/paths/${index}` }],
  });
}
</script>

<template>
  <SheetHead title="Paths" />
  <div
    v-for="(p, i) in shape.paths"
    v-show="shape.paths.length <= 12 || view.path === `path.${p.id}`"
    :key="p.id"
    class="part"
    :class="{ chosen: view.path === `path.${p.id}` }"
    :data-testid="`shape-path-${i}`"
    @pointerdown="view.choosePath(`path.${p.id}`)"
  >
    <div v-for="q in properties.filter((x) => x.name === `path.${p.id}`)" :key="q.name" class="with">
      <div><PropertyRow :property="q" :locked="locked" /></div>
      <button class="bare" :disabled="locked" :aria-label="`Remove ${p.name}`" @click.stop="removePath(i)">
        <DeleteOutlined />
      </button>
    </div>
    <PointTools v-if="view.path === `path.${p.id}`" :locked="locked" />
  </div>
  <p v-if="shape.paths.length > 12" class="why">{{ shape.paths.length }} paths; choose one on the Picture.</p>
  <DrawTools becomes="path" :locked="locked" />

  <CoatRows :coats="shape.coats" :properties="properties" :paints="paints" :locked="locked" />
</template>

<style scoped>
.part {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.part.chosen {
  border-left-color: var(--accent);
}
.with {
  display: grid;
  grid-template-columns: 1fr 20px;
  gap: 4px;
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
</style>
