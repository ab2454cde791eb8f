<script setup lang="ts">
import { computed, ref } from 'vue';
import { follow } from '../lib/drag';
import { added, handled, moved, removed, type CurvePoint } from '../lib/toneCurve';

/**
 * A curve of values by its points: pressed on an empty place it gets one more, dragged they move, and a double click or
 * Delete takes one away. The line between them is the engine's.
 */
const props = defineProps<{ points: CurvePoint[]; drawn: number[]; disabled?: boolean }>();
const emit = defineEmits<{ draft: [points: CurvePoint[]]; commit: [points: CurvePoint[]]; drop: [] }>();

const W = 240;
const H = 132;
const PAD = 12;
const graph = ref<SVGElement>();
const dragged = ref<CurvePoint[]>();
const shown = computed(() => dragged.value ?? handled(props.points));
const x = (v: number) => PAD + v * (W - 2 * PAD);
const y = (v: number) => H - PAD - v * (H - 2 * PAD);
const line = computed(() =>
  props.drawn
    .map((v, i) => `${i ? 'L' : 'M'}${x(i / (props.drawn.length - 1)).toFixed(1)} ${y(v).toFixed(1)}`)
    .join(''),
);
const said = (p: CurvePoint) => `${Math.round(p[0] * 100)} % becomes ${Math.round(p[1] * 100)} %`;

function at(e: PointerEvent): CurvePoint {
  const box = graph.value?.getBoundingClientRect();
  if (!box) return [0, 0];
  return [
    ((e.clientX - box.left) * (W / box.width) - PAD) / (W - 2 * PAD),
    (H - PAD - (e.clientY - box.top) * (H / box.height)) / (H - 2 * PAD),
  ];
}

function drag(points: CurvePoint[], index: number, changed: boolean) {
  let next = points;
  if (changed) show(points);
  follow({
    move: (m) => {
      next = moved(points, index, at(m));
      show(next);
    },
    end: () => {
      if (dragged.value) emit('commit', next);
      dragged.value = undefined;
    },
    cancel: () => {
      dragged.value = undefined;
      emit('drop');
    },
  });
}

function show(points: CurvePoint[]) {
  dragged.value = points;
  emit('draft', points);
}

function add(e: PointerEvent) {
  if (props.disabled || e.button !== 0) return;
  const more = added(shown.value, at(e));
  if (more) drag(more.points, more.index, true);
}

function key(e: KeyboardEvent, index: number) {
  const by = e.shiftKey ? 0.1 : 0.01;
  const p = shown.value[index];
  const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[e.key];
  if (props.disabled || !p) return;
  if (e.key === 'Delete' || e.key === 'Backspace') emit('commit', removed(shown.value, index));
  else if (way) emit('commit', moved(shown.value, index, [p[0] + (way[0] ?? 0), p[1] + (way[1] ?? 0)]));
  else return;
  e.preventDefault();
  e.stopPropagation();
}
</script>

<template>
  <div class="tone-curve">
    <span class="label">Curve</span>
    <button v-if="points.length" class="bare link" :disabled="disabled" @click="emit('commit', [])">
      Straight
    </button>
    <svg
      ref="graph"
      :viewBox="`0 0 ${W} ${H}`"
      class="graph"
      role="group"
      aria-label="Curve of the values; press for one more point"
      data-testid="tone-curve"
      @pointerdown.prevent="add"
    >
      <path
        :d="`M${x(0.25)} ${y(0)}V${y(1)}M${x(0.5)} ${y(0)}V${y(1)}M${x(0.75)} ${y(0)}V${y(1)}M${x(0)} ${y(0)}H${x(1)}M${x(0)} ${y(1)}H${x(1)}`"
        class="grid"
      />
      <path :d="line" class="way" />
      <circle
        v-for="(p, i) in shown"
        :key="i"
        :cx="x(p[0])"
        :cy="y(p[1])"
        r="5"
        class="handle"
        tabindex="0"
        role="button"
        :aria-label="said(p)"
        :data-testid="`tone-point-${i}`"
        @pointerdown.prevent.stop="!disabled && drag(shown, i, false)"
        @dblclick.stop="!disabled && emit('commit', removed(shown, i))"
        @keydown="key($event, i)"
      >
        <title>{{ said(p) }}</title>
      </circle>
    </svg>
  </div>
</template>

<style scoped>
.tone-curve {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 0 6px;
  align-items: center;
  min-height: 26px;
}
.label {
  color: var(--quiet);
}
.link {
  justify-self: start;
  padding-left: 0;
  color: var(--accent);
}
.graph {
  grid-column: 1 / -1;
  display: block;
  width: 100%;
  background: var(--field);
  border-radius: 4px;
  cursor: crosshair;
  touch-action: none;
}
.grid {
  stroke: #444;
}
.way {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.handle {
  fill: #f2f2f2;
  cursor: move;
  touch-action: none;
}
.handle:focus-visible {
  outline: none;
  stroke: var(--accent);
  stroke-width: 3;
}
</style>
