<script setup lang="ts">
import { Dropdown, Input, Menu, MenuItem } from 'ant-design-vue';
import { computed, ref } from 'vue';
import { follow } from '../lib/drag';
import { snapped } from '../lib/snap';
import { framesPerSecond, timecode } from '../lib/timecode';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** Time: ticks, the work range, markers, the span of the chosen keys to stretch them by, what is kept, the playhead. */
const props = defineProps<{ pace: number; pad: number }>();
const shot = useShot();
const view = useView();
const desk = useDesk();
const frames = useFrames();
const timing = useTiming();

const rate = computed(() => shot.shot?.format.rate ?? '24');
const x = (frame: number) => props.pad + frame * props.pace;
const reach = computed(() => 7 / props.pace);

const ticks = computed(() => {
  const fps = framesPerSecond(rate.value);
  const seconds = [0.25, 0.5, 1, 2, 5, 10, 30, 60, 300].find((s) => s * fps * props.pace > 64) ?? 600;
  const count = Math.floor(timing.length / (seconds * fps));
  return Array.from({ length: count + 1 }, (_, i) => ({
    frame: Math.round(i * seconds * fps),
    label: seconds < 1 ? timecode(Math.round(i * seconds * fps), rate.value).slice(3) : `${i * seconds} s`,
  }));
});

/** Runs of frames that are kept. */
const runs = computed(() => {
  const all: { from: number; to: number }[] = [];
  for (let f = 0; f < timing.length; f++) {
    if (!frames.ready.has(f)) continue;
    const last = all[all.length - 1];
    if (last && last.to === f) last.to = f + 1;
    else all.push({ from: f, to: f + 1 });
  }
  return all;
});

function scrub(e: PointerEvent) {
  const ruler = e.currentTarget as HTMLElement;
  view.playing = false;
  const lines = timing.lines();
  lines.delete(view.frame);
  const go = (m: PointerEvent) => {
    const frame = Math.floor((m.clientX - ruler.getBoundingClientRect().left - props.pad) / props.pace);
    desk.go(m.shiftKey ? snapped(frame, lines, reach.value) : frame);
  };
  go(e);
  const end = () => (view.scrubbing = false);
  follow({ move: (m) => ((view.scrubbing = true), go(m)), end, cancel: end });
}

// The work range.
const range = ref<{ from: number; to: number }>();
const work = computed(() => range.value ?? timing.work);
function dragWork(e: PointerEvent, part: 'from' | 'to' | 'all') {
  const now = timing.work;
  if (!now) return;
  const from = e.clientX;
  const lines = timing.lines();
  follow({
    move: (m) => {
      const by = Math.round((m.clientX - from) / props.pace);
      const fit = (f: number) => Math.min(timing.length, Math.max(0, f));
      const to = (f: number) => fit(m.altKey ? f : snapped(f, lines, reach.value));
      if (part === 'from') range.value = { from: Math.min(to(now.from + by), now.to - 1), to: now.to };
      else if (part === 'to') range.value = { from: now.from, to: Math.max(to(now.to + by), now.from + 1) };
      else {
        const moved = Math.max(-now.from, Math.min(timing.length - now.to, by));
        range.value = { from: now.from + moved, to: now.to + moved };
      }
    },
    end: () => {
      if (range.value) void timing.setWork(range.value).then(() => (range.value = undefined));
    },
    cancel: () => (range.value = undefined),
  });
}

// Markers.
const moving = ref<{ index: number; at: number }>();
const naming = ref<number>();
const name = ref('');
/** Up to the next marker. */
const roomAfter = (index: number) =>
  Math.max(
    0,
    ((timing.markers[index + 1]?.at ?? Infinity) - (timing.markers[index]?.at ?? 0)) * props.pace - 12,
  );
function dragMarker(e: PointerEvent, index: number) {
  const now = timing.markers[index];
  if (!now || e.button !== 0) return;
  const from = e.clientX;
  follow({
    move: (m) => {
      const at = Math.round(now.at + (m.clientX - from) / props.pace);
      moving.value = { index, at: Math.min(timing.length - 1, Math.max(0, at)) };
    },
    end: () => {
      const to = moving.value;
      if (!to) {
        desk.go(now.at);
        return;
      }
      const next = timing.markers.map((m, i) => (i === index ? { ...m, at: to.at } : m));
      void timing.setMarkers('Move marker', next).then(() => (moving.value = undefined));
    },
    cancel: () => (moving.value = undefined),
  });
}
function rename(index: number) {
  name.value = timing.markers[index]?.name ?? '';
  naming.value = index;
}
function named() {
  const index = naming.value;
  naming.value = undefined;
  const now = timing.markers[index ?? -1];
  if (!now || !name.value || name.value === now.name) return;
  void timing.setMarkers(
    'Rename marker',
    timing.markers.map((m, i) => (i === index ? { ...m, name: name.value } : m)),
  );
}
function removeMarker(index: number) {
  void timing.setMarkers(
    'Remove marker',
    timing.markers.filter((_, i) => i !== index),
  );
}

// The chosen keys, to be stretched by their ends.
const band = computed(() => {
  const at = view.keys.map((k) => timing.shownAt(k));
  const from = Math.min(...at);
  const to = Math.max(...at);
  return view.keys.length > 1 && to > from ? { from, to } : undefined;
});
function stretch(e: PointerEvent, end: 'from' | 'to') {
  const now = band.value;
  if (!now) return;
  const keys = [...view.keys];
  const pivot = end === 'from' ? now.to : now.from;
  const lines = timing.lines({ keys });
  const start = e.clientX;
  let factor = 1;
  const change = () => ({ edit: { kind: 'stretch-keys', keys, pivot, factor } });
  follow({
    move: (m) => {
      const wanted = Math.round(now[end] + (m.clientX - start) / props.pace);
      const to = m.altKey ? wanted : snapped(wanted, lines, reach.value);
      factor = Math.max(1 / (now.to - now.from), (to - pivot) / (now[end] - pivot));
      timing.dragged = { kind: 'stretch', pivot, factor };
      desk.draft(change());
    },
    end: () => {
      const moved = keys.map((k) => {
        const row = shot.row(k.layer);
        return row ? { ...k, at: Math.round((timing.shownAt(k) - row.start) / row.step) } : k;
      });
      if (factor === 1) {
        timing.dragged = undefined;
        return;
      }
      void desk.commit('Stretch keys', change()).then((done) => {
        timing.dragged = undefined;
        if (done) view.keys = moved;
      });
    },
    cancel: () => {
      timing.dragged = undefined;
      desk.drop();
    },
  });
}
</script>

<template>
  <div class="ruler" data-testid="ruler" @pointerdown.self="scrub">
    <span v-for="t in ticks" :key="t.frame" class="tick" :style="{ left: `${x(t.frame)}px` }">{{
      t.label
    }}</span>
    <span
      v-for="r in runs"
      :key="r.from"
      class="kept"
      role="img"
      :aria-label="`Kept: frames ${r.from} to ${r.to - 1}`"
      :style="{ left: `${x(r.from)}px`, width: `${(r.to - r.from) * pace}px` }"
    ></span>
    <div
      v-if="work"
      class="work"
      data-testid="work"
      :style="{ left: `${x(work.from)}px`, width: `${(work.to - work.from) * pace}px` }"
      :title="`Work range: ${work.from} to ${work.to - 1}`"
      @pointerdown.stop="dragWork($event, 'all')"
    >
      <span class="end from" data-testid="work-from" @pointerdown.stop="dragWork($event, 'from')"></span>
      <span class="end to" data-testid="work-to" @pointerdown.stop="dragWork($event, 'to')"></span>
    </div>
    <Dropdown v-for="(m, i) in timing.markers" :key="i" :trigger="['contextmenu']">
      <button
        class="marker"
        :style="{ left: `${x(moving?.index === i ? moving.at : m.at)}px` }"
        :title="`${m.name}: frame ${m.at}. Double click to name it`"
        :aria-label="`Marker ${m.name} at ${m.at}`"
        @pointerdown.stop="dragMarker($event, i)"
        @dblclick="rename(i)"
        @keydown.enter.stop="rename(i)"
        @keydown.delete.stop="removeMarker(i)"
      >
        <span class="flag"></span
        ><span class="said" :style="{ maxWidth: `${roomAfter(i)}px` }">{{ m.name }}</span>
      </button>
      <template #overlay>
        <Menu>
          <MenuItem key="n" @click="rename(i)">Name it</MenuItem>
          <MenuItem key="r" danger @click="removeMarker(i)">Remove</MenuItem>
        </Menu>
      </template>
    </Dropdown>
    <Input
      v-if="naming !== undefined"
      v-model:value="name"
      class="naming"
      size="small"
      autofocus
      aria-label="Name of the marker"
      :style="{ left: `${Math.max(0, x(timing.markers[naming]?.at ?? 0))}px` }"
      @keydown.stop
      @pointerdown.stop
      @press-enter="named"
      @blur="named"
    />
    <div
      v-if="band"
      class="band"
      data-testid="key-band"
      :style="{ left: `${x(band.from)}px`, width: `${(band.to - band.from) * pace}px` }"
      title="The chosen keys: drag an end to stretch them"
    >
      <span class="end from" data-testid="band-from" @pointerdown.stop="stretch($event, 'from')"></span>
      <span class="end to" data-testid="band-to" @pointerdown.stop="stretch($event, 'to')"></span>
    </div>
    <span class="head" :style="{ left: `${x(view.frame)}px` }"></span>
  </div>
</template>

<style scoped>
.ruler {
  position: relative;
  flex: 1;
  cursor: ew-resize;
  touch-action: none;
  overflow: hidden;
}
.tick {
  position: absolute;
  top: 0;
  padding-left: 4px;
  border-left: 1px solid #555;
  color: var(--quiet);
  font-size: 11px;
  line-height: 14px;
  white-space: nowrap;
  pointer-events: none;
}
.kept {
  position: absolute;
  bottom: 0;
  height: 2px;
  background: var(--accent);
  pointer-events: none;
}
.work {
  position: absolute;
  top: 0;
  height: 6px;
  background: #8d8d8d;
  cursor: grab;
}
.end {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 8px;
  background: #f4f4f4;
  cursor: col-resize;
}
.end.from {
  left: 0;
  border-radius: 0 0 6px 0;
}
.end.to {
  right: 0;
  border-radius: 0 0 0 6px;
}
.marker {
  position: absolute;
  top: 15px;
  display: flex;
  height: 13px;
  padding: 0;
  border: 0;
  background: none;
  color: #d6d6d6;
  font-size: 11px;
  line-height: 11px;
  cursor: pointer;
  touch-action: none;
}
.flag {
  width: 7px;
  height: 9px;
  margin-left: -1px;
  border-left: 1.5px solid #f4f4f4;
  background: linear-gradient(#f4f4f4 60%, transparent 60%);
}
.said {
  padding: 0 3px;
  overflow: hidden;
  text-overflow: ellipsis;
  background: #202020cc;
  white-space: nowrap;
}
.naming {
  position: absolute;
  top: 3px;
  width: 130px;
  z-index: 2;
}
.band {
  position: absolute;
  bottom: 2px;
  height: 5px;
  background: var(--accent);
}
.band .end {
  width: 6px;
  border-radius: 0;
}
.head {
  position: absolute;
  bottom: 0;
  width: 9px;
  height: 14px;
  margin-left: -4px;
  background: #f4f4f4;
  clip-path: polygon(0 0, 100% 0, 100% 60%, 50% 100%, 0 60%);
  pointer-events: none;
}
</style>
