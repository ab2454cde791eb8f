<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Pair } from '../../lib/affine';
import { pathOf, roundDots, spaced, type Points } from '../../lib/paths';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import { useOnPicture } from '../onPicture';
import { MANY, useOnPaths } from './onPaths';

/** The edges of the paths: one is chosen and moved by it; on the chosen one a drag bends it and a double click adds a point. */
const view = useView();
const shot = useShot();
const { at, px, follow, dragging } = useOnPicture();
const { locked, paths, what, carried, pointer, edit, move } = useOnPaths();
const style = computed(() => view.maskLines);

function edge(e: PointerEvent, property: string) {
  if (view.path !== property) {
    view.choosePath(property);
    move(e, `Move ${what.value}`, []);
    return;
  }
  const from = at(e);
  follow(e, 'Bend the edge', (to) => edit('bend', { from, to }));
}

function add(e: MouseEvent) {
  void shot.edit(`Add ${what.value} point`, edit('add-point', { at: at(e), here: e.altKey }));
}

/** Where the drawing tool would add a point to the chosen outline. */
const adding = ref<Pair>();

/** A press on the chosen outline adds a point to it; elsewhere one draws on. */
function addHere(e: PointerEvent) {
  if (e.button === 0) add(e);
}

interface Line {
  closed: boolean;
  near: number;
  line: string;
  dots: string;
}
const lines = new WeakMap<Points, Line>();
/** Steps of very many points that are too short to be seen are drawn together; dots that would lie on one another left out. */
function lineOf(points: Points, closed: boolean): Line {
  const near = px(1);
  const known = lines.get(points);
  if (known?.near === near && known.closed === closed) return known;
  const many = points.length > MANY;
  const line = pathOf(points, closed, many ? near : 0);
  const made = { closed, near, line, dots: roundDots(spaced(points, px(many ? 14 : 6))) };
  lines.set(points, made);
  return made;
}

/** What is seen of each path; strokes of a pen have numbers at their starts. One that is carried as a whole is drawn as it was, and mapped by the browser. */
const drawn = computed(() => {
  let strokes = 0;
  return paths.value.map((m) => {
    const c = carried.value;
    const whole = c && c.property === m.property && !c.some.length ? c : undefined;
    const transform = whole && `matrix(${whole.map.join(' ')})`;
    const stroke = m.property.startsWith('stroke.') ? ++strokes : 0;
    return {
      ...m,
      stroke,
      ...lineOf(whole?.from ?? m.points, m.closed),
      transform,
      many: m.points.length > MANY,
    };
  });
});
</script>

<template>
  <g v-for="m in drawn" :key="m.property" class="mask" :class="[{ chosen: m.property === view.path }, style]">
    <path :d="m.line" :transform="m.transform" class="path" :data-testid="`path-${m.property}`" />
    <path
      v-if="!locked && view.tool === 'choose' && !(m.many && dragging)"
      :d="m.line"
      :transform="m.transform"
      class="grip"
      @pointerdown.stop="edge($event, m.property)"
      @pointermove="m.many && (pointer = at($event))"
      @dblclick.stop="m.property === view.path && add($event)"
    />
    <path
      v-if="!locked && view.tool === 'pen' && m.property === view.path"
      :d="m.line"
      class="grip adds"
      :data-testid="`adds-${m.property}`"
      @pointerdown.stop="addHere($event)"
      @pointermove="adding = at($event)"
      @pointerleave="adding = undefined"
    >
      <title>Adds a point here</title>
    </path>
    <template v-if="m.stroke">
      <circle class="start" :cx="m.points.x(0)" :cy="m.points.y(0)" :r="px(3.5)" />
      <text
        v-if="!m.transform"
        class="number"
        :x="m.points.x(0) + px(5)"
        :y="m.points.y(0) - px(5)"
        :font-size="px(11)"
      >
        {{ m.stroke }}
      </text>
    </template>
    <path
      v-else-if="!locked && (m.many ? !dragging : m.property !== view.path)"
      :d="m.dots"
      :transform="m.transform"
      class="dots"
      :class="{ many: m.many }"
    />
  </g>
  <g v-if="adding && view.tool === 'pen'" class="mask chosen">
    <circle
      class="would"
      :cx="adding[0]"
      :cy="adding[1]"
      :r="px(5)"
      :stroke-width="px(1.5)"
      data-testid="would-add"
    />
    <path
      class="cross"
      :d="`M${adding[0] - px(3)} ${adding[1]}h${px(6)}M${adding[0]} ${adding[1] - px(3)}v${px(6)}`"
      :stroke-width="px(1.5)"
    />
  </g>
</template>

<style scoped>
.chosen .adds {
  cursor: copy;
}
.would {
  fill: transparent;
  pointer-events: none;
}
.start {
  fill: #fff;
  pointer-events: none;
}
.chosen .start {
  fill: var(--accent);
}
.number {
  fill: #fff;
  stroke: rgb(0 0 0 / 70%);
  stroke-width: 3px;
  paint-order: stroke;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.path,
.grip,
.dots {
  fill: none;
  vector-effect: non-scaling-stroke;
}
.mask .path {
  stroke: #f4f4f4;
  stroke-width: 1.5px;
  stroke-dasharray: 5 3;
  pointer-events: none;
}
.mask.chosen .path {
  stroke: var(--accent);
  stroke-dasharray: none;
}
.mask.faded .path {
  opacity: 0.35;
}
.mask.hidden .path {
  opacity: 0;
}
.mask.warm .path {
  stroke: var(--warn);
}
.grip {
  stroke: transparent;
  stroke-width: 9px;
  pointer-events: stroke;
  cursor: move;
}
.chosen .grip {
  cursor: crosshair;
}
.dots {
  stroke: #f4f4f4;
  stroke-width: 5px;
  stroke-linecap: square;
  pointer-events: none;
}
.dots.many {
  stroke-width: 3px;
}
.cross {
  stroke: #f4f4f4;
  pointer-events: none;
}
</style>
