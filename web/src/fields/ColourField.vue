<script setup lang="ts">
import { computed } from 'vue';

const props = defineProps<{ value: string | number[]; label: string; mixed?: boolean }>();
const emit = defineEmits<{ draft: [value: string]; commit: [value: string] }>();

const two = (n: number) =>
  Math.round(Math.min(1, Math.max(0, n)) * 255)
    .toString(16)
    .padStart(2, '0');
const hex = computed(() =>
  typeof props.value === 'string' ? props.value : `#${props.value.slice(0, 3).map(two).join('')}`,
);
const rgb = computed(() => hex.value.slice(0, 7));
const alpha = computed(() => hex.value.slice(7));

function typed(e: Event) {
  const text = (e.target as HTMLInputElement).value.trim();
  if (/^#?[0-9a-fA-F]{6}([0-9a-fA-F]{2})?$/.test(text))
    emit('commit', text.startsWith('#') ? text : `#${text}`);
}
</script>

<template>
  <span class="colour">
    <input
      type="color"
      :aria-label="label"
      :value="rgb"
      @input="emit('draft', ($event.target as HTMLInputElement).value + alpha)"
      @change="emit('commit', ($event.target as HTMLInputElement).value + alpha)"
    />
    <input
      class="hex"
      :aria-label="`${label} as hexadecimal`"
      :value="mixed ? '' : hex"
      :placeholder="mixed ? 'mixed' : undefined"
      @change="typed"
      @keydown.stop
      @keydown.enter="($event.target as HTMLInputElement).blur()"
    />
  </span>
</template>

<style scoped>
.colour {
  display: flex;
  flex: 1;
  min-width: 0;
  gap: 6px;
}
input[type='color'] {
  width: 34px;
  height: 24px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  cursor: pointer;
}
.hex {
  flex: 1;
  width: 0;
  min-width: 0;
  border: 0;
  border-radius: 4px;
  padding: 0 6px;
  background: var(--field);
  color: var(--text);
  font: inherit;
}
</style>
