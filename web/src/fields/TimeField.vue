<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { typedTime } from '../lib/timecode';
import { useShot } from '../stores/shot';

/** A time that is typed: 36, 1.5s, 00:00:01:12, +12. Shown in frames, with the seconds as its title. */
const props = withDefaults(
  defineProps<{ value: number; label: string; least?: number; most?: number; disabled?: boolean }>(),
  { least: -Infinity, most: Infinity, disabled: false },
);
const emit = defineEmits<{ commit: [frames: number] }>();
const shot = useShot();
const text = ref('');
const typing = ref(false);
const wrong = ref(false);
const rate = computed(() => shot.shot?.format.rate ?? '24');

watch(
  () => props.value,
  (v) => {
    if (!typing.value) text.value = String(v);
  },
  { immediate: true },
);

function done() {
  typing.value = false;
  const frames = typedTime(text.value, rate.value, props.value);
  wrong.value = frames === undefined;
  if (frames === undefined) return;
  const kept = Math.min(props.most, Math.max(props.least, frames));
  text.value = String(kept);
  if (kept !== props.value) emit('commit', kept);
}

function key(e: KeyboardEvent) {
  e.stopPropagation();
  if (e.key === 'Enter') (e.target as HTMLInputElement).blur();
  if (e.key === 'Escape') {
    text.value = String(props.value);
    (e.target as HTMLInputElement).blur();
  }
  if (e.key === 'ArrowUp' || e.key === 'ArrowDown') {
    e.preventDefault();
    const by = (e.shiftKey ? 10 : 1) * (e.key === 'ArrowUp' ? 1 : -1);
    emit('commit', Math.min(props.most, Math.max(props.least, props.value + by)));
  }
}
</script>

<template>
  <span class="time" :class="{ wrong }">
    <input
      v-model="text"
      :aria-label="label"
      :disabled="disabled"
      :title="
        wrong ? 'A time is 36, 1.5s, 00:00:01:12 or +12' : 'Frames; 1.5s, 00:00:01:12 and +12 can be typed'
      "
      @focus="
        typing = true;
        ($event.target as HTMLInputElement).select();
      "
      @blur="done"
      @keydown="key"
    />
    <span class="unit">fr</span>
  </span>
</template>

<style scoped>
.time {
  display: flex;
  align-items: center;
  min-width: 0;
  flex: 1;
  padding: 0 6px;
  background: var(--field);
  border: 1px solid transparent;
  border-radius: 3px;
}
.time:focus-within {
  border-color: var(--accent);
}
.time.wrong {
  border-color: var(--warn);
}
input {
  flex: 1;
  min-width: 0;
  width: 100%;
  padding: 2px 0;
  border: 0;
  outline: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-variant-numeric: tabular-nums;
}
.unit {
  color: var(--quiet);
  font-size: 11px;
}
</style>
