<script setup lang="ts">
import { computed } from 'vue';
import { moved, type Pair } from '../../lib/affine';
import { away, type KnotAt } from '../../lib/paths';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import HandleArm from '../HandleArm.vue';
import { useOnPicture } from '../onPicture';
import { MANY, useOnPaths } from './onPaths';

/** The points of the chosen path with their handles, and the feather of the one that is chosen. */
const view = useView();
const shot = useShot();
const { at, px, follow, dragging } = useOnPicture();
const { locked, path, what, pointer, edit, carry, move } = useOnPaths();

/** The points that can be taken hold of one by one: all, or of very many those that are chosen or near the pointer. */
const held = computed(() => {
  const all = path.value?.points;
  if (!all) return [];
  const chosen = new Set(view.points);
  const p = dragging.value ? undefined : pointer.value;
  const reach = px(30);
  const near = (i: number) => p && Math.abs(all.x(i) - p[0]) < reach && Math.abs(all.y(i) - p[1]) < reach;
  const some: { k: KnotAt; i: number }[] = [];
  for (let i = 0; i < all.length; i++) {
    if (all.length <= MANY || chosen.has(i) || near(i)) some.push({ k: all.knot(i), i });
  }
  return some;
});
/** The handle that sets the feather at the one chosen point. */
const soft = computed(() => {
  const m = path.value;
  const index = view.points[0];
  if (!m?.mask || index === undefined || view.points.length !== 1 || locked.value) return undefined;
  if (index >= m.points.length) return undefined;
  const at = m.points.place(index);
  const [nx, ny] = away(m.points, index);
  const reach = px(22) + (m.points.feather(index) * m.scale) / 2;
  return {
    index,
    from: at,
    to: [at[0] + nx * reach, at[1] + ny * reach] as Pair,
    n: [nx, ny] as Pair,
  };
});
/** All handles are seen where there are few points. */
const few = computed(() => (path.value?.points.length ?? 0) <= 8);
const far = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]) > px(2);

function handle(e: PointerEvent, index: number, part: 'in' | 'out') {
  follow(e, 'Move handle', (to, m) => edit('move-point', { index, part, to, both: !m.altKey }));
}

function point(e: PointerEvent, index: number) {
  if (e.shiftKey) {
    view.points = view.points.includes(index)
      ? view.points.filter((i) => i !== index)
      : [...view.points, index];
    return;
  }
  if (!view.points.includes(index)) view.points = [index];
  const { points } = view;
  if (points.length > 1) {
    move(e, `Move ${what.value} points`, points);
    return;
  }
  // A single point comes to lie where the pointer is.
  const lay = path.value?.points.place(index) ?? at(e);
  carry(e, `Move ${what.value} point`, [index], (to) => ({
    map: moved([to[0] - lay[0], to[1] - lay[1]]),
    change: edit('move-point', { index, to }),
  }));
}

function smoothOrCorner(index: number, knot: KnotAt) {
  const smooth = !far(knot[1], knot[0]) && !far(knot[2], knot[0]);
  void shot.edit(smooth ? 'Smooth' : 'Corner', edit('set-smooth', { points: [index], smooth }));
}

function feather(e: PointerEvent) {
  const s = soft.value;
  const m = path.value;
  if (!s || !m) return;
  follow(e, 'Feather at a point', (to) => {
    const along = (to[0] - s.from[0]) * s.n[0] + (to[1] - s.from[1]) * s.n[1];
    const width = Math.max(0, Math.min(4000, ((along - px(22)) * 2) / m.scale));
    return edit('feather-points', { points: [s.index], feather: Math.round(width * 10) / 10 });
  });
}
</script>

<template>
  <template v-for="{ k, i } in held" :key="i">
    <template v-if="view.points.includes(i) || few">
      <HandleArm
        v-for="part in ['in', 'out'] as const"
        :key="part"
        :from="k[0]"
        :to="k[part === 'in' ? 1 : 2]"
        :test-id="`pull-${part}-${i}`"
        @press="(e) => handle(e, i, part)"
      />
    </template>
    <circle
      :cx="k[0][0]"
      :cy="k[0][1]"
      :r="px(5)"
      class="knot"
      :class="{ chosen: view.points.includes(i), first: i === 0 }"
      :stroke-width="px(1.5)"
      :data-testid="`knot-${i}`"
      @pointerdown.stop="point($event, i)"
      @dblclick.stop="smoothOrCorner(i, k)"
    >
      <title>{{ i === 0 ? 'The first point. ' : '' }}Double click: smooth or corner</title>
    </circle>
  </template>
  <template v-if="soft">
    <line
      :x1="soft.from[0]"
      :y1="soft.from[1]"
      :x2="soft.to[0]"
      :y2="soft.to[1]"
      :stroke-width="px(1)"
      :stroke-dasharray="`${px(2)} ${px(2)}`"
      class="arm"
    />
    <rect
      class="soft"
      :x="soft.to[0] - px(4)"
      :y="soft.to[1] - px(4)"
      :width="px(8)"
      :height="px(8)"
      :transform="`rotate(45 ${soft.to[0]} ${soft.to[1]})`"
      :stroke-width="px(1.5)"
      data-testid="feather"
      @pointerdown.stop="feather"
    >
      <title>Feather at this point</title>
    </rect>
  </template>
</template>

<style scoped>
.knot {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: pointer;
}
.knot.first {
  stroke-dasharray: none;
  stroke: var(--accent);
}
.knot.chosen {
  fill: var(--accent);
}
.arm {
  stroke: #f4f4f499;
  pointer-events: none;
}
.soft {
  fill: #1e1e1e;
  stroke: var(--accent);
  cursor: ns-resize;
}
</style>
