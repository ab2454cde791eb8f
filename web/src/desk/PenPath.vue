<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import type { Change } from '../api/client';
import { follow } from '../lib/drag';
import { freshId } from '../lib/layers';
import { pathOf, Points, type KnotAt } from '../lib/paths';
import { useDesk } from '../stores/desk';
import type { Pair } from '../lib/affine';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/**
 * A path that is being drawn. A press sets a corner, a drag a smooth point; the first point closes it. Enter
 * ends it: a mask is closed, a line stays open.
 * Backspace takes the last point back, Escape all of them.
 */
const view = useView();
const desk = useDesk();
const { at, px } = useOnPicture();

const newId = freshId();
const knots = ref<KnotAt[]>([]);
const pointer = ref<Pair>();
const first = computed(() => knots.value[0]?.[0]);
const closes = computed(
  () =>
    knots.value.length > 2 &&
    first.value &&
    pointer.value &&
    Math.hypot(pointer.value[0] - first.value[0], pointer.value[1] - first.value[1]) < px(9),
);
const drawn = computed(() => {
  const p = pointer.value;
  const all: KnotAt[] = p ? [...knots.value, [p, p, p]] : knots.value;
  return pathOf(Points.of(all), false);
});

const mask = computed(() => view.becomes === 'mask');
const enough = () => knots.value.length > (mask.value ? 2 : 1);

function change(closed = mask.value) {
  const points = knots.value.map(([p, i, o]) => [
    p[0],
    p[1],
    i[0] - p[0],
    i[1] - p[1],
    o[0] - p[0],
    o[1] - p[1],
  ]);
  const path = closed ? points : { open: points };
  return drawing({ path });
}

/** A change that draws: a mask on each chosen layer, one more path, or a shape of its own. */
function drawing(more: object): Change {
  const drawn = { newId, frame: view.frame, ...more };
  if (mask.value) return desk.ofEach((layer) => ({ kind: 'draw-mask', layer, ...drawn }));
  const onto = view.becomes === 'path' ? view.layer : null;
  return { edit: { kind: 'draw-shape', onto, ...drawn } };
}

function finish(closed = mask.value) {
  if (!enough()) return;
  const becomes = view.becomes;
  view.tool = 'choose';
  void desk.commit(`Draw ${becomes}`, change(closed)).then((done) => {
    if (!done) return;
    if (becomes === 'shape') view.choose(newId);
    else view.choosePath(becomes === 'mask' ? `mask.${newId}.path` : `path.${newId}`);
  });
}

function down(e: PointerEvent) {
  const p = at(e);
  pointer.value = p;
  if (closes.value) {
    finish(true);
    return;
  }
  const index = knots.value.length;
  knots.value = [...knots.value, [p, p, p]];
  follow({
    move: (m) => {
      const out = at(m);
      if (Math.hypot(out[0] - p[0], out[1] - p[1]) < px(4)) return;
      const next = [...knots.value];
      next[index] = [p, [2 * p[0] - out[0], 2 * p[1] - out[1]], out];
      knots.value = next;
    },
    end: () => enough() && desk.draft(change()),
    cancel: () => (knots.value = knots.value.slice(0, index)),
  });
}

function key(e: KeyboardEvent) {
  if (e.key === 'Enter') finish();
  else if (e.key === 'Backspace') {
    knots.value = knots.value.slice(0, -1);
    if (enough()) desk.draft(change());
    else desk.drop();
  } else if (e.key === 'Escape') {
    view.tool = 'choose';
    desk.drop();
  } else return;
  e.stopPropagation();
  e.preventDefault();
}
const move = (e: PointerEvent) => (pointer.value = at(e));

onMounted(() => {
  addEventListener('keydown', key, true);
  addEventListener('pointermove', move);
});
onBeforeUnmount(() => {
  removeEventListener('keydown', key, true);
  removeEventListener('pointermove', move);
});
defineExpose({ down });
</script>

<template>
  <g class="pen" data-testid="pen">
    <path :d="drawn" :stroke-width="px(1.5)" />
    <circle
      v-for="(k, i) in knots"
      :key="i"
      :cx="k[0][0]"
      :cy="k[0][1]"
      :r="px(i === 0 && closes ? 8 : 4.5)"
      :class="{ first: i === 0 }"
      :stroke-width="px(1.5)"
    />
  </g>
</template>

<style scoped>
.pen {
  pointer-events: none;
}
.pen path {
  fill: none;
  stroke: var(--accent);
}
.pen circle {
  fill: #1e1e1e;
  stroke: #f4f4f4;
}
.pen circle.first {
  fill: var(--accent);
}
</style>
