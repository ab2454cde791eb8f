<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { sum } from '../lib/sum';

/** A number that is dragged sideways, typed (sums too), or stepped with the arrow keys. */
const props = withDefaults(
  defineProps<{
    value: number;
    label: string;
    unit?: string;
    /** What the unit means, where it isn't plain. */
    unitSays?: string;
    least?: number;
    most?: number;
    /** How much one pixel of dragging and one press of an arrow key count for. */
    step?: number;
    decimals?: number;
    disabled?: boolean;
    /** Whether it stands for several values that differ. */
    mixed?: boolean;
  }>(),
  {
    unit: '',
    unitSays: undefined,
    least: -Infinity,
    most: Infinity,
    step: 1,
    decimals: 2,
    disabled: false,
    mixed: false,
  },
);
const emit = defineEmits<{ draft: [value: number]; commit: [value: number] }>();

const text = ref('');
const typing = ref(false);
const dragged = ref<number>();
const field = ref<HTMLInputElement>();
let start: { x: number; value: number; moved: boolean } | undefined;

const clamp = (v: number) => Math.min(props.most, Math.max(props.least, v));
const shown = computed(() =>
  props.mixed && dragged.value === undefined
    ? ''
    : String(Number((dragged.value ?? props.value).toFixed(props.decimals))),
);

watch(
  shown,
  (s) => {
    if (!typing.value) text.value = s;
  },
  { immediate: true },
);

function down(e: PointerEvent) {
  if (props.disabled || typing.value || e.button !== 0) return;
  start = { x: e.clientX, value: props.value, moved: false };
  (e.currentTarget as HTMLElement).setPointerCapture(e.pointerId);
  e.preventDefault();
}

function move(e: PointerEvent) {
  if (!start) return;
  const by = e.clientX - start.x;
  if (!start.moved && Math.abs(by) < 3) return;
  start.moved = true;
  const pace = props.step * (e.shiftKey ? 10 : e.altKey ? 0.1 : 1);
  dragged.value = clamp(Number((start.value + by * pace).toFixed(4)));
  emit('draft', dragged.value);
}

function up() {
  if (!start) return;
  const { moved } = start;
  start = undefined;
  if (moved && dragged.value !== undefined) {
    emit('commit', dragged.value);
    dragged.value = undefined;
  } else {
    field.value?.focus();
    field.value?.select();
  }
}

function typed() {
  typing.value = false;
  const value = sum(text.value);
  if (value !== undefined && (props.mixed || clamp(value) !== Number(shown.value)))
    emit('commit', clamp(value));
  else text.value = shown.value;
}

function key(e: KeyboardEvent) {
  e.stopPropagation();
  if (e.key === 'Enter') {
    field.value?.blur();
  } else if (e.key === 'Escape') {
    text.value = shown.value;
    field.value?.blur();
  } else if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
    e.preventDefault();
    const by = props.step * (e.shiftKey ? 10 : 1) * (e.key === 'ArrowUp' ? 1 : -1);
    const value = clamp(Number(((sum(text.value) ?? props.value) + by).toFixed(4)));
    text.value = String(value);
    emit('commit', value);
  }
}
</script>

<template>
  <span
    class="number"
    :class="{ typing, disabled }"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
  >
    <input
      ref="field"
      v-model="text"
      :aria-label="label"
      :placeholder="mixed ? 'mixed' : undefined"
      :disabled="disabled"
      inputmode="decimal"
      @focus="typing = true"
      @blur="typed"
      @keydown="key"
    />
    <span v-if="unit" class="unit" :title="unitSays">{{ unit }}</span>
  </span>
</template>

<style scoped>
.number {
  display: inline-flex;
  flex: 1;
  min-width: 0;
  align-items: center;
  height: 24px;
  padding: 0 6px;
  border-radius: 4px;
  background: var(--field);
  cursor: ew-resize;
  touch-action: none;
}
.number:hover {
  background: #111;
}
.number.typing {
  cursor: text;
  box-shadow: 0 0 0 1px var(--accent);
}
.number.disabled {
  opacity: 0.5;
  cursor: default;
}
input {
  flex: 1;
  min-width: 0;
  padding: 0;
  border: 0;
  outline: 0;
  background: none;
  color: var(--text);
  font: inherit;
  cursor: inherit;
}
.number:not(.typing) input {
  pointer-events: none;
}
.unit {
  color: var(--quiet);
  font-size: 12px;
  padding-left: 4px;
}
</style>
