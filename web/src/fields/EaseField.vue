<script setup lang="ts">
import { Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Ease } from '../api/client';
import { follow } from '../lib/drag';
import { curveOf, drawn, LANDINGS, nameOf, type Curve, type Half } from '../lib/ease';
import NumberField from './NumberField.vue';

/**
 * An ease: a name, a curve with two handles, or a spring. Dragging a handle says which half of the curve it changes; the end
 * at the key that is looked at is marked.
 */
const props = defineProps<{ ease: Ease; disabled?: boolean; label?: string; at?: 'start' | 'end' }>();
const emit = defineEmits<{
  draft: [ease: Ease, half: Half];
  commit: [ease: Ease, half: Half];
  drop: [];
}>();

const W = 240;
const H = 92;
const PAD = 18;
const NAMES = ['hold', 'linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out'];
const options = [...NAMES, ...LANDINGS.map((l) => l.name), 'spring'].map((v) => ({
  value: v,
  label: v.replace(/-/g, ' '),
}));

const dragged = ref<Curve>();
const shown = computed<Ease>(() => dragged.value ?? props.ease);
const curve = computed(() => curveOf(shown.value));
const name = computed(() => nameOf(shown.value));
const swings = computed(() =>
  typeof props.ease === 'object' && !Array.isArray(props.ease) ? props.ease.spring : 0,
);

const x = (v: number) => PAD + v * (W - 2 * PAD);
const y = (v: number) => H - PAD - v * (H - 2 * PAD);

function choose(v: unknown) {
  const landing = LANDINGS.find((l) => l.name === v);
  emit('commit', landing ? landing.ease : v === 'spring' ? { spring: 3 } : (v as Ease), 'both');
}

function drag(e: PointerEvent, which: 0 | 1) {
  const svg = (e.currentTarget as SVGElement).ownerSVGElement;
  if (!svg || !curve.value || props.disabled) return;
  const start = [...curve.value] as Curve;
  const half = which === 0 ? 'start' : 'end';
  follow({
    move: (m) => {
      const box = svg.getBoundingClientRect();
      const vx = Math.min(1, Math.max(0, ((m.clientX - box.left) * (W / box.width) - PAD) / (W - 2 * PAD)));
      const vy = Math.min(
        2,
        Math.max(-1, (H - PAD - (m.clientY - box.top) * (H / box.height)) / (H - 2 * PAD)),
      );
      const next = [...start] as Curve;
      next[which * 2] = Number(vx.toFixed(3));
      next[which * 2 + 1] = Number(vy.toFixed(3));
      dragged.value = next;
      emit('draft', next, half);
    },
    end: () => {
      if (dragged.value) emit('commit', dragged.value, half);
      dragged.value = undefined;
    },
    cancel: () => {
      dragged.value = undefined;
      emit('drop');
    },
  });
}
</script>

<template>
  <Select
    size="small"
    class="names"
    :aria-label="label ?? 'Ease'"
    :value="name"
    :options="options"
    :disabled="disabled"
    @change="choose"
  />
  <NumberField
    v-if="swings"
    class="swings"
    :value="swings"
    label="Swings"
    unit="swings"
    :least="1"
    :most="20"
    :step="0.1"
    :decimals="0"
    :disabled="disabled"
    @draft="(v) => emit('draft', { spring: Math.round(v) }, 'both')"
    @commit="(v) => emit('commit', { spring: Math.round(v) }, 'both')"
  />
  <svg :viewBox="`0 0 ${W} ${H}`" class="curve" role="img" :aria-label="`Ease ${name}`">
    <path :d="`M${x(0)} ${y(0)}H${x(1)}M${x(0)} ${y(1)}H${x(1)}`" class="grid" />
    <path :d="drawn(shown, x, y)" class="way" />
    <circle v-if="at" :cx="x(at === 'start' ? 0 : 1)" :cy="y(at === 'start' ? 0 : 1)" r="5" class="key" />
    <template v-if="curve">
      <path
        :d="`M${x(0)} ${y(0)}L${x(curve[0])} ${y(curve[1])}M${x(1)} ${y(1)}L${x(curve[2])} ${y(curve[3])}`"
        class="arm"
      />
      <circle
        :cx="x(curve[0])"
        :cy="y(curve[1])"
        r="5"
        class="handle"
        @pointerdown.prevent="drag($event, 0)"
      />
      <circle
        :cx="x(curve[2])"
        :cy="y(curve[3])"
        r="5"
        class="handle"
        @pointerdown.prevent="drag($event, 1)"
      />
    </template>
  </svg>
</template>

<style scoped>
.names {
  width: 100%;
}
.swings {
  margin-top: 6px;
}
.curve {
  display: block;
  width: 100%;
  margin-top: 6px;
  background: var(--field);
  border-radius: 4px;
  overflow: visible;
}
.grid {
  stroke: #444;
}
.way {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.arm {
  stroke: #888;
}
.key {
  fill: var(--accent);
}
.handle {
  fill: #f2f2f2;
  cursor: move;
  touch-action: none;
}
</style>
