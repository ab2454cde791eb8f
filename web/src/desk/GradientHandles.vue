<script setup lang="ts">
import { computed } from 'vue';
import type { Handles, StopNow } from '../lib/answers';
import { shareAlong, shareRound } from '../lib/paints';
import { useDesk } from '../stores/desk';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** Where a gradient of the chosen layer begins and ends, and its stops between. */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const desk = useDesk();
const { px, follow } = useOnPicture();

const gradient = computed(() => {
  const all = props.handles.paints.filter((p) => p.form !== 'solid');
  return all.find((p) => p.name === view.paint) ?? all[0];
});

/** Stops lie beside the line, so that its ends can be held, too. */
const beside = computed(() => {
  const [fx, fy] = gradient.value?.from ?? [0, 0];
  const [tx, ty] = gradient.value?.to ?? [0, 0];
  const long = Math.hypot(tx - fx, ty - fy) || 1;
  const away = gradient.value?.form === 'conic' ? 0 : px(13) / long;
  return [-(ty - fy) * away, (tx - fx) * away] as const;
});

function end(e: PointerEvent, which: 'from' | 'to') {
  const paint = gradient.value?.name;
  if (!paint || props.locked) return;
  view.takePaint(paint);
  const { layer, frame, autoKey: key } = view;
  follow(e, 'Gradient', (to) => ({
    edit: { kind: 'move-gradient', layer, paint, frame, end: which, to, key },
  }));
}

function slide(e: PointerEvent, stop: StopNow) {
  const g = gradient.value;
  if (!g?.from || !g.to || props.locked) return;
  view.takePaint(g.name, stop.id);
  const { from, to, form } = g;
  follow(e, 'Stop', (p) =>
    desk.setValue(stop.properties[0], form === 'conic' ? shareRound(from, to, p) : shareAlong(from, to, p)),
  );
}
</script>

<template>
  <g v-if="gradient?.from && gradient.to" class="gradient" data-testid="gradient-handles">
    <line
      v-for="c in ['under', 'over']"
      :key="c"
      :x1="gradient.from[0]"
      :y1="gradient.from[1]"
      :x2="gradient.to[0]"
      :y2="gradient.to[1]"
      :class="c"
      :stroke-width="px(c === 'under' ? 3 : 1.25)"
    />
    <circle
      v-for="which in ['from', 'to'] as const"
      :key="which"
      :cx="gradient[which]?.[0]"
      :cy="gradient[which]?.[1]"
      :r="px(7)"
      class="end"
      :stroke-width="px(1.5)"
      :data-testid="`gradient-${which}`"
      @pointerdown.stop="end($event, which)"
    >
      <title>{{ which === 'from' ? 'Where the gradient begins' : 'Where it ends, or points to' }}</title>
    </circle>
    <circle
      v-for="(s, i) in gradient.stops"
      :key="s.id"
      :cx="s.point[0] + beside[0]"
      :cy="s.point[1] + beside[1]"
      :r="px(s.id === view.stop ? 5 : 4)"
      class="stop"
      :class="{ chosen: s.id === view.stop }"
      :fill="s.colour"
      :stroke-width="px(1.5)"
      :data-testid="`gradient-stop-${i}`"
      @pointerdown.stop="slide($event, s)"
    >
      <title>A stop: move it along</title>
    </circle>
  </g>
</template>

<style scoped>
line {
  pointer-events: none;
}
.under {
  stroke: #0009;
}
.over {
  stroke: #f4f4f4;
}
.end {
  fill: #1c1c1c99;
  stroke: #f4f4f4;
  cursor: move;
}
.stop {
  stroke: #f4f4f4;
  cursor: pointer;
}
.stop.chosen {
  stroke: var(--accent);
}
</style>
