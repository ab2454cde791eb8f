<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { follow } from '../lib/drag';
import type { Handles } from '../lib/answers';
import type { Pair } from '../lib/affine';
import { useCuttingOut } from '../stores/cuttingOut';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** What was brushed of a figure on this frame, what that finds, and the brush itself, by pointer or by keyboard. */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const cutting = useCuttingOut();
const shot = useShot();
const view = useView();
const { at, px } = useOnPicture();

const figure = computed(() => props.handles.figure);
const path = ref<Pair[]>([]);
/** Where the brush is, in pixels of the shot. */
const tip = ref<Pair>();
/** Whether the brush is down by keyboard. */
const down = ref(false);
const line = (points: Pair[]) => points.map((p) => p.join(',')).join(' ');

/** From pixels of the clip to those of the shot. */
function toShot([x, y]: Pair): Pair {
  const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = figure.value?.fromClip ?? [];
  return [a * x + c * y + e, b * x + d * y + f];
}

const closed = (outlines: Pair[][]) =>
  outlines.map((o) => `M${o.map((p) => toShot(p).join(' ')).join('L')}Z`).join('');

/** What is found of the figure on this frame. */
const outline = computed(() => {
  const f = cutting.found;
  return f && f.layer === props.handles.layer && f.frame === figure.value?.frame ? closed(f.outlines) : '';
});
/** What is being carried, on whichever frame that is now. */
const live = computed(() => {
  const l = cutting.live;
  return l?.outlines && l.layer === props.handles.layer ? closed(l.outlines) : '';
});

/** Undone and done strokes change what is found. */
const strokes = computed(() => JSON.stringify(figure.value?.strokes ?? []));
watch([strokes, () => figure.value?.frame], ([now, frame], [before, old]) => {
  const here = figure.value;
  if (!here || !cutting.brushing || (now === before && frame === old)) return;
  if (here.strokes.length) void cutting.look(props.handles.layer, here.frame);
});

function press(e: PointerEvent) {
  if (props.locked || e.button !== 0) return;
  e.preventDefault();
  path.value = [at(e)];
  tip.value = at(e);
  follow({
    move: (m) => {
      const p = at(m);
      tip.value = p;
      const last = path.value[path.value.length - 1];
      if (!last || Math.hypot(p[0] - last[0], p[1] - last[1]) >= cutting.radius / 4) {
        path.value = [...path.value, p];
      }
    },
    end: keep,
    cancel: () => (path.value = []),
  });
}

function keep() {
  const drawn = path.value.slice(0, 2000);
  path.value = [];
  if (drawn.length) void cutting.stroke(props.handles.layer, drawn, figure.value?.frame);
}

/** Arrow keys move the brush, Space puts it down and lifts it, X turns it over, the brackets change its size. */
function key(e: KeyboardEvent) {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
  const f = shot.shot?.format;
  if (props.locked || !f) return;
  const here: Pair = tip.value ?? [f.width / 2, f.height / 2];
  if (way) {
    const far = e.shiftKey ? Math.max(10, cutting.radius) : 2;
    const next: Pair = [here[0] + (way[0] ?? 0) * far, here[1] + (way[1] ?? 0) * far];
    tip.value = next;
    if (down.value) path.value = [...path.value, next];
  } else if (e.key === ' ') {
    tip.value = here;
    if (down.value) keep();
    else path.value = [here];
    down.value = !down.value;
  } else if (e.key === 'x' || e.key === 'X') cutting.take(!cutting.inside);
  else if (e.key === '[') cutting.size(1 / 1.2);
  else if (e.key === ']') cutting.size(1.2);
  else if (e.key === 'Escape') {
    path.value = [];
    down.value = false;
    view.tool = 'choose';
  } else return;
  e.preventDefault();
  e.stopPropagation();
}
</script>

<template>
  <g v-if="figure" class="figure">
    <path v-if="outline" class="found" :d="outline" :stroke-width="px(1.25)" data-testid="figure-found" />
    <path v-if="live" class="found live" :d="live" :stroke-width="px(1.5)" data-testid="figure-live" />
    <template v-if="cutting.brushing">
      <polyline
        v-for="(s, i) in figure.strokes"
        :key="i"
        class="stroke"
        :class="{ inside: s.inside }"
        :points="line(s.path.length > 1 ? s.path : [...s.path, ...s.path])"
        :stroke-width="2 * s.radius"
        :data-testid="s.inside ? 'brushed-inside' : 'brushed-outside'"
      />
      <polyline
        v-if="path.length"
        class="stroke"
        :class="{ inside: cutting.inside }"
        :points="line(path.length > 1 ? path : [...path, ...path])"
        :stroke-width="2 * cutting.radius"
      />
      <rect
        class="pad"
        x="-100000"
        y="-100000"
        width="200000"
        height="200000"
        tabindex="0"
        role="application"
        :aria-label="`Brush ${cutting.inside ? 'inside' : 'outside'} the figure`"
        data-testid="figure-brush"
        @pointerdown.stop="press"
        @pointermove="tip = at($event)"
        @pointerleave="down || (tip = undefined)"
        @keydown="key"
      />
      <circle
        v-if="tip"
        class="tip"
        :class="{ inside: cutting.inside }"
        :cx="tip[0]"
        :cy="tip[1]"
        :r="cutting.radius"
        :stroke-width="px(1.5)"
      />
    </template>
  </g>
</template>

<style scoped>
.figure {
  fill: none;
}
.found {
  fill: #4dd0b133;
  stroke: #4dd0b1;
  fill-rule: evenodd;
  pointer-events: none;
}
.live {
  stroke: var(--accent);
}
.stroke {
  stroke: #ff8a6566;
  stroke-linecap: round;
  stroke-linejoin: round;
  pointer-events: none;
}
.stroke.inside {
  stroke: #4dd0b166;
}
.pad {
  fill: transparent;
  cursor: none;
}
.pad:focus {
  outline: none;
}
.tip {
  stroke: #ff8a65;
  pointer-events: none;
}
.tip.inside {
  stroke: #4dd0b1;
}
</style>
