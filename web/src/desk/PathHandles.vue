<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import type { Change } from '../api/client';
import { moved, scaled, turned, type Affine } from '../lib/affine';
import { away, boxOf, pathOf, roundDots, spaced, type KnotAt, type Points } from '../lib/paths';
import { useDesk } from '../stores/desk';
import type { Handles, Pair } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/**
 * The paths of a shape and of its masks. One that isn't chosen is moved by its edge. On the chosen one a drag bends the edge, a double
 * click adds a point; points are chosen, moved together, made smooth or corners by a double click; the box round them moves,
 * scales and turns them, or the whole path where none are chosen.
 */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const desk = useDesk();
const shot = useShot();
const { at, px, follow, dragging } = useOnPicture();

/** More points than these are drawn as one path, and can be taken hold of where the pointer is. */
const MANY = 400;
/** Where the pointer rests on the edge of a path of very many points. */
const pointer = ref<Pair>();

/**
 * Points on their way: where they were taken from, and where the pointer has brought them. They follow it at once, since the
 * engine is told of the same move; its answer comes with the picture, a moment later.
 */
const carried = shallowRef<{ property: string; from: Points; some: number[]; map: Affine }>();
const lying = computed(() => carried.value?.from.mapped(carried.value.map, carried.value.some));
watch(
  () => props.handles,
  (h) => {
    if (!h.draft && !dragging.value) carried.value = undefined;
  },
);

const paths = computed(() =>
  props.handles.paths.map((m) =>
    lying.value && m.property === carried.value?.property ? { ...m, points: lying.value } : m,
  ),
);
const path = computed(() => paths.value.find((m) => m.property === view.path));
const what = computed(() => (path.value?.mask ? 'mask' : 'path'));
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
/** The box round the chosen points, or round all of them. */
const box = computed(() => {
  const m = path.value;
  if (!m || props.locked || view.points.length === 1) return undefined;
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
/** The handle that sets the feather at the one chosen point. */
const soft = computed(() => {
  const m = path.value;
  const index = view.points[0];
  if (!m?.mask || index === undefined || view.points.length !== 1 || props.locked) return undefined;
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
const style = computed(() => view.maskLines);
const far = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]) > px(2);

const edit = (kind: string, more: Record<string, unknown>) =>
  desk.keyedToo(view.path ?? '', {
    kind,
    layer: view.layer,
    property: view.path ?? '',
    frame: view.frame,
    ...more,
  });

/** Follows the pointer with some points, or with all where none are named. */
function carry(
  e: PointerEvent,
  label: string,
  some: number[],
  how: (to: Pair, m: PointerEvent) => { map: Affine; change: Change },
) {
  const m = path.value;
  if (!m) return;
  const { property, points: from } = m;
  follow(e, label, (to, ev) => {
    const { map, change } = how(to, ev);
    carried.value = { property, from, some, map };
    return change;
  });
}

function move(e: PointerEvent, label: string, some: number[]) {
  const from = at(e);
  carry(e, label, some, (to) => {
    const by: Pair = [to[0] - from[0], to[1] - from[1]];
    return { map: moved(by), change: edit('move-points', { points: some, by }) };
  });
}

function handle(e: PointerEvent, index: number, part: 'in' | 'out') {
  follow(e, 'Move handle', (to, m) => edit('move-point', { index, part, to, both: !m.altKey }));
}

function point(e: PointerEvent, property: string, index: number) {
  if (view.path !== property) view.choosePath(property);
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
  if (e.button !== 0) return;
  add(e);
}

function smoothOrCorner(index: number, knot: KnotAt) {
  const smooth = !far(knot[1], knot[0]) && !far(knot[2], knot[0]);
  void shot.edit(smooth ? 'Smooth' : 'Corner', edit('set-smooth', { points: [index], smooth }));
}

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

/** What is seen of each path. One that is carried as a whole is drawn as it was, and mapped by the browser. */
const drawn = computed(() =>
  paths.value.map((m) => {
    const c = carried.value;
    const whole = c && c.property === m.property && !c.some.length ? c : undefined;
    const transform = whole && `matrix(${whole.map.join(' ')})`;
    return { ...m, ...lineOf(whole?.from ?? m.points, m.closed), transform, many: m.points.length > MANY };
  }),
);
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
    <path
      v-if="!locked && (m.many ? !dragging : m.property !== view.path)"
      :d="m.dots"
      :transform="m.transform"
      class="dots"
      :class="{ many: m.many }"
    />
  </g>
  <g v-if="adding && view.tool === 'pen'" class="mask chosen">
    <circle
      class="middle would"
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
  <g v-if="path && !locked && view.tool === 'choose'" class="mask chosen">
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
    <template v-for="{ k, i } in held" :key="i">
      <template v-for="part in [1, 2] as const" :key="part">
        <template v-if="far(k[part], k[0]) && (view.points.includes(i) || path.points.length <= 8)">
          <line
            :x1="k[0][0]"
            :y1="k[0][1]"
            :x2="k[part][0]"
            :y2="k[part][1]"
            :stroke-width="px(1)"
            class="arm"
          />
          <circle
            :cx="k[part][0]"
            :cy="k[part][1]"
            :r="px(3.5)"
            class="pull"
            :data-testid="`pull-${part === 1 ? 'in' : 'out'}-${i}`"
            @pointerdown.stop="handle($event, i, part === 1 ? 'in' : 'out')"
          />
        </template>
      </template>
      <circle
        :cx="k[0][0]"
        :cy="k[0][1]"
        :r="px(5)"
        class="knot"
        :class="{ chosen: view.points.includes(i), first: i === 0 }"
        :stroke-width="px(1.5)"
        :data-testid="`knot-${i}`"
        @pointerdown.stop="point($event, path.property, i)"
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
  </g>
</template>

<style scoped>
.chosen .adds {
  cursor: copy;
}
.would {
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
.pull {
  fill: #f4f4f4;
  cursor: pointer;
}
.arm {
  stroke: #f4f4f499;
  pointer-events: none;
}
.box {
  fill: none;
  stroke: #f4f4f499;
  pointer-events: none;
}
.corner,
.turn,
.soft {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: nwse-resize;
}
.turn {
  cursor: grab;
}
.soft {
  cursor: ns-resize;
  stroke: var(--accent);
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
