<script setup lang="ts">
import { computed } from 'vue';
import type { MovingProperty, Row } from '../lib/layers';

/** Ties a cutter to what it cuts: a ring at the cutter, filled for inside, open for outside at what is cut. */
const props = defineProps<{ lines: { row: Row; property?: MovingProperty }[] }>();

const places = computed(() => {
  const all = new Map<string, number>();
  let top = 0;
  for (const l of props.lines) {
    if (!l.property) all.set(l.row.layer.id, top + 16);
    top += l.property ? 23 : 33;
  }
  return { all, height: top };
});

const ties = computed(() =>
  props.lines.flatMap((l) => {
    const cut = l.row.layer.cut;
    const from = cut && places.value.all.get(cut.by);
    const to = places.value.all.get(l.row.layer.id);
    return !l.property && cut && from !== undefined && to !== undefined
      ? [{ id: l.row.layer.id, from, to, inside: cut.keep === 'inside' }]
      : [];
  }),
);
</script>

<template>
  <svg class="brackets" width="24" :height="places.height" aria-hidden="true">
    <g v-for="(t, i) in ties" :key="t.id">
      <path :d="`M20 ${t.from}H${9 - (i % 3) * 3}V${t.to}H15`" />
      <circle :cx="19" :cy="t.to" r="3.5" :class="{ inside: t.inside }" />
    </g>
  </svg>
</template>

<style scoped>
.brackets {
  position: absolute;
  left: 0;
  top: 0;
  z-index: 1;
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.5;
}
circle {
  fill: var(--panel);
  stroke: var(--accent);
  stroke-width: 1.5;
}
circle.inside {
  fill: var(--accent);
}
</style>
