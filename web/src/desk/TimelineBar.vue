<script setup lang="ts">
import { computed, ref } from 'vue';
import type { KeyedProperty, Row } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useProject } from '../stores/project';
import { useView } from '../stores/view';

/** A layer's span: dragged by its middle it slides, by its ends it is trimmed. */
const props = defineProps<{ row: Row; pace: number; pad: number; keys: KeyedProperty[] }>();
const view = useView();
const desk = useDesk();
const project = useProject();

type Span = Row['layer']['span'];
const dragged = ref<Span>();
const span = computed(() => dragged.value ?? props.row.layer.span);
const left = computed(() => props.pad + (span.value.in + props.row.shift) * props.pace);
const width = computed(() => span.value.length * props.pace);
const note = computed(() => {
  const c = props.row.layer.content;
  if (c.kind !== 'footage') return '';
  const clip = project.find(c.media);
  return clip ? `${span.value.offset} – ${span.value.offset + span.value.length} of ${clip.frames}` : '';
});
const dots = computed(() => {
  const all = new Set(props.keys.flatMap((p) => p.keys.map((k) => k.at)));
  return [...all].map((at) => at - span.value.offset).filter((f) => f >= 0 && f < span.value.length);
});

function change(next: Span) {
  return { patch: [{ op: 'add' as const, path: `${props.row.pointer}/span`, value: next }] };
}

function drag(e: PointerEvent, part: 'in' | 'out' | 'all') {
  view.choose(props.row.layer.id);
  if (props.row.layer.locked || e.button !== 0) return;
  e.preventDefault();
  const start = props.row.layer.span;
  const from = e.clientX;
  const move = (m: PointerEvent) => {
    const by = Math.round((m.clientX - from) / props.pace);
    const next = { ...start };
    if (part === 'all') {
      next.in = start.in + by;
    } else if (part === 'out') {
      next.length = Math.max(1, start.length + by);
    } else {
      const cut = Math.min(start.length - 1, by);
      next.in = start.in + cut;
      next.length = start.length - cut;
      next.offset = start.offset + cut;
    }
    dragged.value = next;
    desk.draft(change(next));
  };
  const up = () => {
    removeEventListener('pointermove', move);
    const next = dragged.value;
    const moved = next && JSON.stringify(next) !== JSON.stringify(start);
    if (next && moved) {
      void desk
        .commit(part === 'all' ? 'Slide' : 'Trim', change(next))
        .then(() => (dragged.value = undefined));
    } else {
      if (next) desk.drop();
      dragged.value = undefined;
    }
  };
  addEventListener('pointermove', move);
  addEventListener('pointerup', up, { once: true });
}
</script>

<template>
  <div
    class="bar"
    :class="{ chosen: row.layer.id === view.layer, off: row.layer.hidden }"
    :style="{ left: `${left}px`, width: `${width}px` }"
    :title="`${row.layer.name}: frames ${span.in} to ${span.in + span.length - 1}`"
    :data-testid="`bar-${row.layer.name}`"
    @pointerdown="drag($event, 'all')"
  >
    <span class="edge in" @pointerdown.stop="drag($event, 'in')"></span>
    <span class="note">{{ note }}</span>
    <span v-for="d in dots" :key="d" class="dot" :style="{ left: `${d * pace}px` }"></span>
    <span class="edge out" @pointerdown.stop="drag($event, 'out')"></span>
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
  padding-left: 10px;
  color: #bdbdbd;
  font-size: 11px;
  line-height: 22px;
  white-space: nowrap;
  pointer-events: none;
}
.dot {
  position: absolute;
  top: 8px;
  width: 6px;
  height: 6px;
  margin-left: -3px;
  border-radius: 50%;
  background: #f4f4f4;
  pointer-events: none;
}
</style>
