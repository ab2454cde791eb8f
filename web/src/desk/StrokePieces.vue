<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Change } from '../api/client';
import { follow } from '../lib/drag';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useView } from '../stores/view';

/**
 * The pen strokes of a layer over its arrival, each from when to when it is written. A piece that is dragged, or one of its
 * ends, gets a time of its own.
 */
const props = defineProps<{ layer: string; length: number; each: number; start: number; locked: boolean }>();
const view = useView();
const desk = useDesk();
const frames = useFrames();

type Time = { from: number; to: number };
const moved = ref<{ id: string; time: Time }>();
const strokes = computed(() => {
  const h = frames.handles;
  return h && h.layer === props.layer ? h.strokes : [];
});
const px = computed(() => props.length * props.each);
const pieces = computed(() =>
  strokes.value.map((s, i) => {
    const t = moved.value?.id === s.id ? moved.value.time : s;
    return {
      ...s,
      index: i,
      left: props.start + t.from * px.value,
      width: Math.max(2, (t.to - t.from) * px.value - 1),
      top: i % 2 === 0 ? 12 : 16,
    };
  }),
);

const LEAST = 0.004;
function drag(e: PointerEvent, index: number, part: 'both' | 'from' | 'to') {
  const s = strokes.value[index];
  if (!s || props.locked || e.button !== 0) return;
  e.preventDefault();
  view.choosePath(`stroke.${s.id}.path`);
  const x = e.clientX;
  let last: Change | undefined;
  follow({
    move: (m) => {
      const by = (m.clientX - x) / px.value;
      const time = { from: s.from, to: s.to };
      if (part === 'both') {
        const shift = Math.max(-s.from, Math.min(1 - s.to, by));
        time.from += shift;
        time.to += shift;
      } else if (part === 'from') time.from = Math.max(0, Math.min(s.to - LEAST, s.from + by));
      else time.to = Math.min(1, Math.max(s.from + LEAST, s.to + by));
      moved.value = { id: s.id, time };
      last = {
        layer: props.layer,
        patch: [{ op: 'add', path: `/ink/strokes/${index}/time`, value: time }],
      } as Change;
      desk.draft(last);
    },
    end: () => {
      if (last) void desk.commit('Time of stroke', last).then(() => (moved.value = undefined));
      else moved.value = undefined;
    },
    cancel: () => {
      moved.value = undefined;
      desk.drop();
    },
  });
}
</script>

<template>
  <span
    v-for="p in pieces"
    :key="p.id"
    class="piece"
    :class="{ own: p.own, chosen: view.path === `stroke.${p.id}.path` }"
    :style="{ left: `${p.left}px`, width: `${p.width}px`, top: `${p.top}px` }"
    :title="`Stroke ${p.index + 1}. Drag it, or one of its ends, for a time of its own`"
    :data-testid="`piece-${p.index}`"
    @pointerdown.stop="drag($event, p.index, 'both')"
  >
    <span v-if="p.width > 9" class="end" @pointerdown.stop="drag($event, p.index, 'from')"></span>
    <span v-if="p.width > 9" class="end last" @pointerdown.stop="drag($event, p.index, 'to')"></span>
  </span>
</template>

<style scoped>
.piece {
  position: absolute;
  height: 4px;
  border-radius: 1px;
  background: #e3c06a;
  cursor: ew-resize;
}
.piece.own {
  background: #ff9f5a;
}
.piece.chosen {
  background: #fff;
}
.end {
  position: absolute;
  top: -1px;
  bottom: -1px;
  left: 0;
  width: 3px;
  cursor: col-resize;
}
.end.last {
  right: 0;
  left: auto;
}
</style>
