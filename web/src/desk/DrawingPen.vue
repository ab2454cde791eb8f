<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Content } from '../api/client';
import type { Pair } from '../lib/affine';
import { follow } from '../lib/drag';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { usePen } from '../stores/pen';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** What is drawn or rubbed out by hand on a frame, and the drawings before and after it that show through. */
const view = useView();
const shot = useShot();
const desk = useDesk();
const frames = useFrames();
const pen = usePen();
const { at, px } = useOnPicture();

type Drawings = Extract<Content, { kind: 'drawings' }>;
type Knot = number[];
interface Place {
  at: Pair;
  width: number;
  time: number;
}
const places = ref<Place[]>([]);
const drawing = computed(() => {
  const c = shot.find(view.layer)?.content;
  return c?.kind === 'drawings' ? (c as Drawings) : undefined;
});
const handles = computed(() =>
  frames.handles?.layer === view.layer && !view.playing ? frames.handles : undefined,
);
const scale = computed(() => {
  const [a = 1, b = 0] = handles.value?.toShot ?? [];
  return Math.hypot(a, b);
});
const transform = computed(() => `matrix(${(handles.value?.toShot ?? [1, 0, 0, 1, 0, 0]).join(' ')})`);

/** Of each line its way and its mean width, as a plain line: it only shows through. */
const ways = computed(() => {
  const all = new Map<string, { d: string; width: number }>();
  for (const l of drawing.value?.lines ?? []) {
    const knots = ((l.path as { open?: Knot[] }).open ?? l.path) as Knot[];
    let d = '';
    let width = 0;
    knots.forEach((k, i) => {
      const [x = 0, y = 0, ix = 0, iy = 0, , , w = 0] = k;
      width += w / knots.length;
      const p = knots[i - 1];
      if (!p) {
        d = `M${x} ${y}`;
        return;
      }
      const [px0 = 0, py0 = 0, , , ox = 0, oy = 0] = p;
      d += `C${px0 + ox} ${py0 + oy} ${x + ix} ${y + iy} ${x} ${y}`;
    });
    all.set(l.id, { d, width });
  }
  return all;
});

/** The drawings around the one that holds here, the farther the fainter. */
const through = computed(() => {
  const all = drawing.value?.drawings ?? [];
  const h = handles.value;
  if (!h) return [];
  let now = -1;
  all.forEach((d, i) => (now = d.at <= h.contentFrame ? i : now));
  const here = all[now]?.parts ?? [];
  const shown: { key: string; after: boolean; opacity: number; lines: { d: string; width: number }[] }[] = [];
  const add = (index: number, far: number, of: number, after: boolean) => {
    const d = all[index];
    if (!d) return;
    // What is there now as well doesn't need to show through.
    const lines = d.parts
      .filter((p) => !here.some((n) => n.line === p.line && n.from === p.from && n.to === p.to))
      .map((p) => ways.value.get(p.line))
      .filter((w) => w !== undefined);
    shown.push({ key: `${index}`, after, opacity: (pen.strength * (of - far + 1)) / of, lines });
  };
  for (let k = pen.before; k >= 1; k--) add(now - k, k, pen.before, false);
  for (let k = pen.after; k >= 1; k--) add(now + k, k, pen.after, true);
  return shown;
});

const started = ref(0);
const place = (e: PointerEvent): Place => ({
  at: at(e),
  // A mouse has no pressure and says one half.
  width: pen.width * 2 * (e.pressure || 0.5),
  time: Math.max(0, e.timeStamp - started.value) / 1000,
});
const line = computed(() => places.value.map((p) => p.at.join(',')).join(' '));
const shownWidth = computed(() => {
  const all = places.value;
  const mean = all.reduce((sum, p) => sum + p.width, 0) / Math.max(1, all.length);
  return (view.tool === 'rub' ? 2 * pen.eraser : mean) * scale.value;
});

function down(e: PointerEvent) {
  started.value = e.timeStamp;
  places.value = [place(e)];
  follow({
    move: (m) => {
      const all = m.getCoalescedEvents?.() ?? [];
      places.value = [...places.value, ...(all.length ? all : [m]).map(place)];
    },
    end: () => void done(),
    cancel: () => (places.value = []),
  });
}

async function done() {
  const drawn = places.value;
  const here = { layer: view.layer, frame: view.frame, every: pen.every };
  const layer = view.layer ?? '';
  if (view.tool === 'rub') {
    await desk.commit('Rub out', {
      edit: { kind: 'rub-out', ...here, places: drawn.map((p) => p.at), radius: pen.eraser, rubs: pen.rubs },
    });
  } else if (drawn.length > 1) {
    const since = pen.lifted?.layer === layer ? (started.value - pen.lifted.at) / 1000 : 0;
    const { colour, nib, angle, smooth } = pen;
    pen.lifted = { layer, at: performance.now() };
    await desk.commit('Draw', {
      edit: {
        kind: 'draw-line',
        ...here,
        places: drawn,
        colour,
        nib,
        angle,
        smooth,
        pause: Math.min(2, Math.max(0, since)),
      },
    });
  }
  // The line stays until the engine has drawn it.
  places.value = [];
}
defineExpose({ down });
</script>

<template>
  <g :transform="transform" class="through" data-testid="shows-through">
    <g v-for="t in through" :key="t.key" :opacity="t.opacity" :class="{ after: t.after }">
      <path v-for="(w, i) in t.lines" :key="i" :d="w.d" :stroke-width="w.width" />
    </g>
  </g>
  <polyline
    v-if="places.length"
    class="drawn"
    :class="{ rub: view.tool === 'rub' }"
    :points="line"
    :stroke="view.tool === 'rub' ? '#ffffff' : pen.colour"
    :stroke-width="Math.max(px(1), shownWidth)"
    data-testid="drawn-line"
  />
</template>

<style scoped>
.through {
  fill: none;
  stroke: #7fd0ff;
  stroke-linecap: round;
  stroke-linejoin: round;
  pointer-events: none;
}
.through .after {
  stroke: #ffb37f;
}
.drawn {
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
  pointer-events: none;
}
.drawn.rub {
  opacity: 0.3;
}
</style>
