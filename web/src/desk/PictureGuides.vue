<script setup lang="ts">
import { computed } from 'vue';
import { follow } from '../lib/drag';
import { useLooking } from '../stores/looking';
import { useShot } from '../stores/shot';

/** Lines above the Picture that are not part of it: a grid, windows of other formats, guides that are dragged. */
const props = defineProps<{ zoom: number }>();
const shot = useShot();
const looking = useLooking();

const size = computed(() => shot.shot?.format ?? { width: 1, height: 1 });
const px = (n: number) => n / props.zoom;
const grid = computed(() => {
  const g = looking.grid;
  if (!g) return '';
  const { width, height } = size.value;
  const lines: string[] = [];
  for (let i = 1; i < g.columns; i++) lines.push(`M${(i * width) / g.columns} 0V${height}`);
  for (let i = 1; i < g.rows; i++) lines.push(`M0 ${(i * height) / g.rows}H${width}`);
  return lines.join('');
});
/** A window of a format in the middle of the frame, as large as it fits. */
function windowOf(ratio: number) {
  const { width, height } = size.value;
  const w = Math.min(width, height * ratio);
  const h = w / ratio;
  return { x: (width - w) / 2, y: (height - h) / 2, width: w, height: h };
}
const windows = computed(() => [
  ...(looking.upright ? [windowOf(9 / 16)] : []),
  ...(looking.square ? [windowOf(1)] : []),
]);
/** 93 % of width and height: the action-safe frame of SMPTE ST 2046-1 (from memory). */
const action = computed(() => {
  const { width, height } = size.value;
  return { x: width * 0.035, y: height * 0.035, width: width * 0.93, height: height * 0.93 };
});

/** Dragged out of the frame, a guide is gone. */
function drag(e: PointerEvent, way: 'across' | 'down', index: number) {
  e.preventDefault();
  const svg = (e.currentTarget as SVGElement).ownerSVGElement;
  if (!svg) return;
  const most = way === 'across' ? size.value.width : size.value.height;
  const at = (m: PointerEvent) => {
    const r = svg.getBoundingClientRect();
    return (way === 'across' ? m.clientX - r.left : m.clientY - r.top) / props.zoom;
  };
  let last = 0;
  follow({
    move: (m) => looking.moveGuide(way, index, (last = at(m))),
    end: () => (last < 0 || last > most) && looking.moveGuide(way, index, undefined),
    cancel: () => undefined,
  });
}
</script>

<template>
  <svg class="guides" :viewBox="`0 0 ${size.width} ${size.height}`" aria-hidden="true">
    <path v-if="grid" :d="grid" class="grid" :stroke-width="px(1)" />
    <rect v-if="looking.action" v-bind="action" class="window" :stroke-width="px(1)" />
    <rect
      v-for="(w, i) in windows"
      :key="i"
      v-bind="w"
      class="window"
      :stroke-width="px(1)"
      :stroke-dasharray="`${px(8)} ${px(4)}`"
    />
    <template v-if="looking.rulers">
      <g v-for="(x, i) in looking.guides.across" :key="`a${i}`" class="guide">
        <path :d="`M${x} 0V${size.height}`" :stroke-width="px(1)" />
        <path
          :d="`M${x} 0V${size.height}`"
          :stroke-width="px(9)"
          class="grip"
          :data-testid="`guide-across-${i}`"
          @pointerdown.stop="drag($event, 'across', i)"
        />
      </g>
      <g v-for="(y, i) in looking.guides.down" :key="`d${i}`" class="guide">
        <path :d="`M0 ${y}H${size.width}`" :stroke-width="px(1)" />
        <path
          :d="`M0 ${y}H${size.width}`"
          :stroke-width="px(9)"
          class="grip down"
          :data-testid="`guide-down-${i}`"
          @pointerdown.stop="drag($event, 'down', i)"
        />
      </g>
    </template>
  </svg>
</template>

<style scoped>
.guides {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
  pointer-events: none;
}
.grid {
  fill: none;
  stroke: #ffffff3d;
}
.window {
  fill: none;
  stroke: #ffffff85;
}
.guide {
  fill: none;
  stroke: var(--accent);
}
.grip {
  stroke: transparent;
  pointer-events: stroke;
  cursor: ew-resize;
}
.grip.down {
  cursor: ns-resize;
}
</style>
