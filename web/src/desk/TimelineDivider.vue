<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue';
import { follow } from '../lib/drag';
import { useView } from '../stores/view';

/** Divides the height between the Timeline and what stands above it: dragged, or moved by the arrow keys. */
const STEP = 33;
const view = useView();
const most = ref(600);

function measure() {
  most.value = view.tallest();
  view.setTimeline(view.timeline);
}

function drag(e: PointerEvent) {
  if (e.button !== 0) return;
  e.preventDefault();
  const from = view.timeline + e.clientY;
  const before = view.timeline;
  follow({
    move: (m) => view.setTimeline(from - m.clientY),
    end: () => undefined,
    cancel: () => view.setTimeline(before),
  });
}

function key(e: KeyboardEvent) {
  const by = { ArrowUp: STEP, ArrowDown: -STEP, PageUp: 4 * STEP, PageDown: -4 * STEP }[e.key];
  if (by === undefined && e.key !== 'Home' && e.key !== 'End') return;
  e.preventDefault();
  e.stopPropagation();
  view.setTimeline(by === undefined ? (e.key === 'Home' ? 0 : 1e6) : view.timeline + by);
}

onMounted(() => {
  measure();
  addEventListener('resize', measure);
});
onBeforeUnmount(() => removeEventListener('resize', measure));
</script>

<template>
  <div
    class="divider"
    role="separator"
    aria-orientation="horizontal"
    aria-label="Height of the Timeline"
    :aria-valuenow="view.timeline"
    :aria-valuemin="view.shortest"
    :aria-valuemax="most"
    tabindex="0"
    title="Drag to make the Timeline taller; ↑ ↓ by keyboard, double click for its usual height"
    @pointerdown="drag"
    @keydown="key"
    @dblclick="view.setTimeline(undefined)"
  ></div>
</template>

<style scoped>
.divider {
  position: relative;
  z-index: 4;
  height: 7px;
  margin: -3px 0;
  cursor: row-resize;
  touch-action: none;
}
.divider::after {
  position: absolute;
  top: 2px;
  left: calc(50% - 16px);
  width: 32px;
  height: 3px;
  border-radius: 2px;
  background: #5a5a5a;
  content: '';
}
.divider:hover,
.divider:focus-visible {
  background: var(--accent);
  outline: none;
}
</style>
