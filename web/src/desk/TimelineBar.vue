<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Change } from '../api/client';
import { follow } from '../lib/drag';
import { drawn } from '../lib/ease';
import { ends, ownFrames, type MovingProperty, type Row } from '../lib/layers';
import { roundDots } from '../lib/paths';
import { snapped, snappedBy } from '../lib/snap';
import { framesPerSecond } from '../lib/timecode';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import { useSound } from '../stores/sound';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';
import StrokePieces from './StrokePieces.vue';
import SureCurves from './SureCurves.vue';

/**
 * A layer's span. Dragged by its middle it slides, and all chosen ones with it; by its ends it is trimmed. With Shift the
 * content is moved under the bar, or stretched with its end. The ramps are how it arrives and leaves.
 */
const props = defineProps<{ row: Row; pace: number; pad: number; keys: MovingProperty[] }>();
const view = useView();
const desk = useDesk();
const project = useProject();
const timing = useTiming();
const sound = useSound();
const shot = useShot();
const frames = useFrames();

type Span = Row['layer']['span'];
type Way = 'arrive' | 'leave';
const own = ref<Span>();
const ramp = ref<{ way: Way; length: number }>();
const slipped = ref(0);
const span = computed<Span>(() => {
  const d = timing.dragged;
  const s = own.value ?? props.row.layer.span;
  return d?.kind === 'slide' && d.layers.includes(props.row.layer.id) ? { ...s, in: s.in + d.by } : s;
});
/** Its ends in frames of the shot, as they are shown: what is dragged hasn't been told by the server yet. */
const shown = computed<[number, number]>(() => {
  const { in: at, offset } = props.row.layer.span;
  const [from, to] = ends(props.row, span.value);
  const by = (span.value.in - at - (span.value.offset - offset)) * props.row.step;
  return [from + by, to + by];
});
/** Pixels for a frame of the layer's own time. */
const each = computed(() => props.pace * Math.abs(props.row.step));
const left = computed(() => props.pad + shown.value[0] * props.pace);
const width = computed(() => span.value.length * each.value);
const note = computed(() => {
  const c = props.row.layer.content;
  const parts: string[] = [];
  if (c.kind === 'footage') {
    const clip = project.find(c.media);
    const offset = span.value.offset + slipped.value;
    if (clip) parts.push(`${offset} – ${offset + span.value.length} of ${clip.frames}`);
  }
  const p = props.row.layer.pace;
  if (p.freeze !== null) parts.push('frozen');
  else if (p.speed !== 1) parts.push(`${Number((p.speed * 100).toFixed(1))} %`);
  if (p.reversed) parts.push('backwards');
  if (p.hold > 1) parts.push(`each ${p.hold} frames`);
  return parts.join(' · ');
});
const dots = computed(() => {
  const all = new Set(props.keys.flatMap((p) => p.keys.map((k) => k.at)));
  return [...all].map((at) => at - span.value.offset).filter((f) => f >= 0 && f < span.value.length);
});

const H = 22;
/** A sound's loudness over the bar, as the outline of its waveform. */
const wave = computed(() => {
  const c = props.row.layer.content;
  if (c.kind !== 'sound') return '';
  const clip = project.find(c.media);
  const peaks = sound.peaks.get(c.media);
  void sound.askPeaks(c.media);
  if (!clip || !peaks) return '';
  const seconds = clip.frames / Number(clip.rate);
  const fps = framesPerSecond(shot.shot?.format.rate ?? '24');
  const speed = props.row.layer.pace.speed;
  const columns = Math.max(1, Math.min(1200, Math.floor(width.value)));
  const points = Array.from({ length: columns }, (_, i) => {
    const frame = (span.value.offset + slipped.value + (i / columns) * span.value.length) * speed;
    const peak = peaks[Math.floor((frame / fps / seconds) * peaks.length)] ?? 0;
    return [((i + 0.5) / columns) * width.value, Math.sqrt(peak) * (H / 2 - 2)] as const;
  });
  const up = points.map(([px, h]) => `${px.toFixed(1)} ${(H / 2 - h).toFixed(1)}`);
  const down = [...points].reverse().map(([px, h]) => `${px.toFixed(1)} ${(H / 2 + h).toFixed(1)}`);
  return `M${up.join('L')}L${down.join('L')}Z`;
});
/** The visible share of the layer over the bar, as it was measured last. */
const reveal = computed(() => {
  const shares = frames.reveal[props.row.layer.id];
  if (!shares) return '';
  const [first, out] = shown.value;
  const step = Math.max(1, Math.floor(1 / props.pace));
  let path = '';
  for (let f = 0; f < out - first; f += step) {
    const y = (H - (Math.max(0, shares[Math.round(first + f)] ?? 0) / 1000) * (H - 4)).toFixed(1);
    path += `L${(f * props.pace).toFixed(1)} ${y}H${((f + step) * props.pace).toFixed(1)}`;
  }
  return `M0 ${H}${path}V${H}Z`;
});
const ramps = computed(() => {
  const l = props.row.layer;
  const all: { way: Way; from: number; to: number; path: string; label: string; delay: number }[] = [];
  const add = (way: Way, delay: number, length: number, ease: Parameters<typeof drawn>[0], label: string) => {
    const a = way === 'arrive' ? delay : span.value.length - 1 - delay;
    const b = way === 'arrive' ? delay + length : span.value.length - 1 - delay - length;
    const px = (t: number) =>
      way === 'arrive' ? (a + (b - a) * t) * each.value : (b + (a - b) * t + 1) * each.value;
    const py = (v: number) => (way === 'arrive' ? H - 2 - v * (H - 4) : 2 + v * (H - 4));
    all.push({
      way,
      delay,
      from: Math.min(px(0), px(1)),
      to: Math.max(px(0), px(1)),
      path: drawn(ease, px, py),
      label,
    });
  };
  for (const way of ['arrive', 'leave'] as const) {
    const p = l[way];
    if (!p) continue;
    const length = ramp.value?.way === way ? ramp.value.length : p.length;
    add(way, p.delay, length, p.ease, p.opening?.kind ?? 'pose');
  }
  return all;
});

function sole(e: PointerEvent) {
  if (e.shiftKey && (e.ctrlKey || e.metaKey)) return false;
  if (e.ctrlKey || e.metaKey) {
    view.chooseToo(props.row.layer.id);
    return false;
  }
  if (!view.layers.includes(props.row.layer.id)) view.choose(props.row.layer.id);
  return !props.row.layer.locked && e.button === 0;
}

/** Drafts while the pointer moves; kept when it is let go. */
function drag(
  e: PointerEvent,
  label: string,
  move: (by: number, m: PointerEvent) => Change | undefined,
  done: () => void,
) {
  e.preventDefault();
  const from = e.clientX;
  let last: Change | undefined;
  follow({
    move: (m) => {
      last = move((m.clientX - from) / props.pace, m);
      if (last) desk.draft(last);
    },
    end: () => {
      if (last) void desk.commit(label, last).then(done);
      else done();
    },
    cancel: () => {
      done();
      desk.drop();
    },
  });
}

function slide(e: PointerEvent) {
  if (!sole(e)) return;
  if (e.shiftKey) {
    slip(e);
    return;
  }
  const layers = timing.free;
  const edges = layers.length === 0 ? [] : ends(props.row);
  const lines = timing.lines({ layers });
  let moved = false;
  drag(
    e,
    'Slide',
    (wanted, m) => {
      moved = true;
      const by = ownFrames(
        props.row,
        m.altKey ? Math.round(wanted) : snappedBy(Math.round(wanted), edges, lines, 7 / props.pace),
      );
      timing.dragged = { kind: 'slide', layers, by };
      return by === 0 ? undefined : { edit: { kind: 'slide', layers, by } };
    },
    () => {
      timing.dragged = undefined;
      if (!moved) view.choose(props.row.layer.id);
    },
  );
}

function slip(e: PointerEvent) {
  const layers = [props.row.layer.id];
  drag(
    e,
    'Slip',
    (wanted) => {
      slipped.value = -ownFrames(props.row, wanted);
      return slipped.value === 0 ? undefined : { edit: { kind: 'slip', layers, by: slipped.value } };
    },
    () => (slipped.value = 0),
  );
}

function end(e: PointerEvent, part: 'in' | 'out') {
  if (!sole(e)) return;
  const s = props.row.layer.span;
  const stretch = e.shiftKey && part === 'out';
  const lines = timing.lines({ layers: [props.row.layer.id] });
  const edge = ends(props.row)[(part === 'in') === props.row.step > 0 ? 0 : 1];
  drag(
    e,
    stretch ? 'Stretch' : 'Trim',
    (wanted, m) => {
      const to = m.altKey
        ? edge + Math.round(wanted)
        : snapped(edge + Math.round(wanted), lines, 7 / props.pace);
      const by = ownFrames(props.row, to - edge);
      const next = { ...s };
      if (part === 'out') {
        next.length = Math.max(1, s.length + by);
      } else {
        const cut = Math.min(s.length - 1, by);
        next.in = s.in + cut;
        next.length = s.length - cut;
        next.offset = s.offset + cut;
      }
      own.value = next;
      if (next.in === s.in && next.length === s.length) return undefined;
      return stretch
        ? { edit: { kind: 'stretch', layer: props.row.layer.id, length: next.length } }
        : shot.field(props.row.layer.id, 'span', next);
    },
    () => (own.value = undefined),
  );
}

/** Whether another layer gives way to this one while it arrives. */
const passes = computed(() => props.row.layer.arrive?.pass);
const passTitle = computed(
  () => `Pass from ${shot.find(passes.value?.from)?.name ?? ''}. Drag for its length`,
);

function ramped(e: PointerEvent, way: Way) {
  if (!sole(e)) return;
  const now = props.row.layer[way];
  if (!now) return;
  drag(
    e,
    way === 'arrive' ? 'Length of the arrival' : 'Length of the departure',
    (wanted) => {
      const by = ownFrames(props.row, way === 'arrive' ? wanted : -wanted);
      // An overlap lies about its cut: its other end goes the other way.
      const both = passes.value && way === 'arrive' ? 2 : 1;
      const length = Math.max(1, Math.min(props.row.layer.span.length - 1, now.length + both * by));
      ramp.value = { way, length };
      if (length === now.length) return undefined;
      return both === 2
        ? { edit: { kind: 'set-pass-length', layer: props.row.layer.id, length } }
        : shot.field(props.row.layer.id, `${way}/length`, length);
    },
    () => (ramp.value = undefined),
  );
}
</script>

<template>
  <div
    class="bar"
    :class="{ chosen: view.layers.includes(row.layer.id), off: row.layer.hidden }"
    :style="{ left: `${left}px`, width: `${width}px` }"
    :title="`${row.layer.name}: frames ${Math.round(shown[0])} to ${Math.round(shown[1]) - 1}`"
    :data-testid="`bar-${row.layer.name}`"
    @pointerdown="slide"
  >
    <svg class="ramps" :class="{ backwards: row.step < 0 }" width="100%" height="22" aria-hidden="true">
      <path v-if="wave" :d="wave" class="wave" />
      <path v-if="reveal" :d="reveal" class="reveal" :data-testid="`reveal-${row.layer.name}`" />
      <g
        v-for="r in ramps"
        :key="r.way"
        :class="{ edited: view.stance === r.way && row.layer.id === view.layer }"
      >
        <rect
          v-if="r.delay > 0"
          :x="r.way === 'arrive' ? 0 : r.to"
          y="0"
          :width="r.delay * each"
          height="22"
          class="waits"
        />
        <rect :x="r.from" y="0" :width="r.to - r.from" height="22" class="ground" />
        <path :d="r.path" class="ramp" />
        <path
          v-if="r.way === 'arrive' && passes"
          :d="r.path"
          class="ramp goes"
          :style="{ transformOrigin: '0 11px' }"
        />
      </g>
    </svg>
    <span
      v-for="r in ramps"
      :key="r.way"
      class="grip"
      :style="{ left: `${r.way === 'arrive' ? r.to : r.from}px` }"
      :class="{ pass: r.way === 'arrive' && passes }"
      :title="
        r.way === 'arrive' && passes
          ? passTitle
          : `${r.way === 'arrive' ? 'Arrives' : 'Leaves'}: ${r.label}. Drag for its length`
      "
      :data-testid="`ramp-${r.way}-${row.layer.name}`"
      @pointerdown.stop="ramped($event, r.way)"
    ></span>
    <SureCurves v-if="row.tracks.length" :tracks="row.tracks" :each="each" />
    <StrokePieces
      v-if="row.layer.id === view.layer && row.layer.ink && row.layer.arrive && row.step > 0"
      :layer="row.layer.id"
      :length="row.layer.arrive.length"
      :each="each"
      :start="row.layer.arrive.delay * each"
      :locked="row.layer.locked"
    />
    <span class="edge in" @pointerdown.stop="end($event, 'in')"></span>
    <span class="note">{{ note }}</span>
    <svg
      v-if="dots.length"
      class="dots"
      :class="{ backwards: row.step < 0 }"
      width="100%"
      height="22"
      aria-hidden="true"
    >
      <path :d="roundDots(dots.map((d) => [d * each, 11]))" />
    </svg>
    <span class="edge out" @pointerdown.stop="end($event, 'out')"></span>
  </div>
</template>

<style scoped>
.bar {
  position: absolute;
  top: 5px;
  height: 22px;
  box-sizing: border-box;
  border-radius: 2px;
  background: #4b4b4b;
  cursor: grab;
  touch-action: none;
}
.bar.chosen {
  background: #41665d;
  box-shadow: inset 0 0 0 1px var(--accent);
}
.bar.off {
  opacity: 0.45;
}
.ramps {
  position: absolute;
  inset: 0;
  pointer-events: none;
  overflow: hidden;
}
.wave {
  fill: #b9b9b9;
}
.reveal {
  fill: #ffffff24;
}
/* Inside a group that runs backwards. */
.backwards {
  transform: scaleX(-1);
}
/* Not to be seen yet, or no more: as dark as if there were no bar. */
.waits {
  fill: #262626;
  stroke: #6a6a6a;
  stroke-dasharray: 2 3;
}
.ground {
  fill: #00000052;
}
.ramp {
  fill: none;
  stroke: #d8d8d8;
  stroke-width: 1.5;
}
/* The layer that gives way meanwhile. */
.goes {
  stroke-dasharray: 3 3;
  transform: scaleY(-1);
}
.grip.pass {
  border-left-style: solid;
}
.edited .ramp {
  stroke: #fff;
  stroke-width: 2.5;
}
.edited .ground {
  fill: #0000008c;
}
.grip {
  position: absolute;
  top: 3px;
  bottom: 3px;
  width: 7px;
  margin-left: -3px;
  border-left: 2px dotted #e8e8e8;
  box-sizing: border-box;
  cursor: col-resize;
}
.edge {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 7px;
  cursor: ew-resize;
}
.edge.in {
  left: 0;
}
.edge.out {
  right: 0;
}
.edge:hover {
  background: #ffffff40;
}
.note {
  position: relative;
  padding-left: 10px;
  color: #cfcfcf;
  font-size: 11px;
  line-height: 22px;
  white-space: nowrap;
  pointer-events: none;
}
.dots {
  position: absolute;
  inset: 0;
  overflow: visible;
  pointer-events: none;
  stroke: #f4f4f4;
  stroke-width: 6;
  stroke-linecap: round;
}
</style>
