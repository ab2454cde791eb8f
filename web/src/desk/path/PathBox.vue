<script setup lang="ts">
import { computed } from 'vue';
import { scaled, turned, type Pair } from '../../lib/affine';
import { boxOf } from '../../lib/paths';
import { useView } from '../../stores/view';
import { useOnPicture } from '../onPicture';
import { useOnPaths } from './onPaths';

/** The box round the chosen points, or round all of them: it moves, scales and turns them. */
const view = useView();
const { at, px } = useOnPicture();
const { locked, path, what, edit, carry, move } = useOnPaths();

const box = computed(() => {
  const m = path.value;
  if (!m || locked.value || view.points.length === 1) return undefined;
  const some = view.points.filter((i) => i < m.points.length);
  if (view.points.length ? some.length < 2 : m.points.length < 2) return undefined;
  const [x0, y0, x1, y1] = boxOf(m.points, some);
  const room = px(14);
  return { x0: x0 - room, y0: y0 - room, x1: x1 + room, y1: y1 + room };
});
const corners = computed<Pair[]>(() => {
  const b = box.value;
  if (!b) return [];
  return [
    [b.x0, b.y0],
    [b.x1, b.y0],
    [b.x1, b.y1],
    [b.x0, b.y1],
  ];
});
const middle = computed<Pair>(() => {
  const b = box.value;
  return b ? [(b.x0 + b.x1) / 2, (b.y0 + b.y1) / 2] : [0, 0];
});

function scale(e: PointerEvent, across: Pair) {
  const from = at(e);
  const { points } = view;
  const centre = middle.value;
  carry(e, `Scale ${what.value}`, points, (to, m) => {
    const pivot = m.altKey ? across : centre;
    return {
      map: scaled(pivot, from, to, !m.shiftKey),
      change: edit('scale-points', { points, pivot, from, to, even: !m.shiftKey }),
    };
  });
}

function turn(e: PointerEvent) {
  const from = at(e);
  const { points } = view;
  const pivot = middle.value;
  carry(e, `Turn ${what.value}`, points, (to, m) => ({
    map: turned(pivot, from, to, m.shiftKey),
    change: edit('turn-points', { points, pivot, from, to, steps: m.shiftKey }),
  }));
}
</script>

<template>
  <template v-if="box">
    <rect
      class="box"
      :x="box.x0"
      :y="box.y0"
      :width="box.x1 - box.x0"
      :height="box.y1 - box.y0"
      :stroke-width="px(1)"
      :stroke-dasharray="`${px(2)} ${px(3)}`"
    />
    <rect
      v-for="(c, i) in corners"
      :key="i"
      class="corner"
      :x="c[0] - px(4)"
      :y="c[1] - px(4)"
      :width="px(8)"
      :height="px(8)"
      :stroke-width="px(1.5)"
      :data-testid="`mask-corner-${i}`"
      @pointerdown.stop="scale($event, corners[(i + 2) % 4] ?? middle)"
    >
      <title>
        Scale about the middle; with Alt about the corner across, with Shift each direction by itself
      </title>
    </rect>
    <circle
      class="turn"
      :cx="middle[0]"
      :cy="box.y0 - px(20)"
      :r="px(4.5)"
      :stroke-width="px(1.5)"
      data-testid="mask-turn"
      @pointerdown.stop="turn"
    >
      <title>Turn; with Shift in steps of 15°</title>
    </circle>
    <path
      class="cross"
      :d="`M${middle[0] - px(7)} ${middle[1]}h${px(14)}M${middle[0]} ${middle[1] - px(7)}v${px(14)}`"
      :stroke-width="px(1.5)"
    />
    <circle
      class="middle"
      :cx="middle[0]"
      :cy="middle[1]"
      :r="px(9)"
      data-testid="mask-middle"
      @pointerdown.stop="move($event, `Move ${what}`, view.points)"
    >
      <title>Move</title>
    </circle>
  </template>
</template>

<style scoped>
.box {
  fill: none;
  stroke: #f4f4f499;
  pointer-events: none;
}
.corner,
.turn {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: nwse-resize;
}
.turn {
  cursor: grab;
}
.cross {
  stroke: #f4f4f4;
  pointer-events: none;
}
.middle {
  fill: transparent;
  cursor: move;
}
</style>
