<script setup lang="ts">
import { Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Ease } from '../api/client';
import { keyed } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';

/** How the chosen keys go on to the next: a name, or a curve with two handles. */
const shot = useShot();
const view = useView();
const desk = useDesk();

const W = 240;
const H = 96;
const PAD = 18;
const CURVES: Record<string, [number, number, number, number]> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};
const NAMES = ['hold', 'linear', 'ease', 'ease-in', 'ease-out', 'ease-in-out'];
const LANDS: { name: string; ease: Ease }[] = [
  { name: 'soft landing', ease: [0.16, 0.84, 0.3, 1] },
  { name: 'late start', ease: [0.7, 0, 0.84, 0.16] },
  { name: 'slight overshoot', ease: [0.3, 1.4, 0.6, 1] },
];

const key = computed(() => {
  const k = view.keys[0];
  if (!k) return undefined;
  const layer = shot.find(k.layer);
  const property = layer && keyed(layer).find((p) => p.name === k.property);
  return property?.keys.find((other) => other.at === k.at);
});
const ease = computed(() => (key.value?.ease ?? 'ease') as Ease);
const dragged = ref<[number, number, number, number]>();
const curve = computed(() => dragged.value ?? (Array.isArray(ease.value) ? ease.value : CURVES[ease.value]));
const name = computed(() => {
  if (typeof ease.value === 'string') return ease.value;
  const same = LANDS.find((l) => JSON.stringify(l.ease) === JSON.stringify(ease.value));
  return same?.name ?? 'cubic-bezier';
});
const options = [...NAMES, ...LANDS.map((l) => l.name)].map((v) => ({
  value: v,
  label: v.replace(/-/g, ' '),
}));

const x = (v: number) => PAD + v * (W - 2 * PAD);
const y = (v: number) => H - PAD - v * (H - 2 * PAD);
const path = computed(() => {
  const c = curve.value;
  if (!c) return `M${x(0)} ${y(0)}H${x(1)}V${y(1)}`;
  return `M${x(0)} ${y(0)}C${x(c[0])} ${y(c[1])} ${x(c[2])} ${y(c[3])} ${x(1)} ${y(1)}`;
});

function change(value: Ease) {
  return { edit: { kind: 'set-ease', keys: view.keys, ease: value } };
}

function choose(v: unknown) {
  const landing = LANDS.find((l) => l.name === v);
  void desk.commit('Ease', change(landing ? landing.ease : (v as Ease)));
}

function drag(e: PointerEvent, which: 0 | 1) {
  const svg = (e.currentTarget as SVGElement).ownerSVGElement;
  if (!svg || !curve.value) return;
  const start = [...curve.value] as [number, number, number, number];
  const move = (m: PointerEvent) => {
    const box = svg.getBoundingClientRect();
    const vx = Math.min(1, Math.max(0, ((m.clientX - box.left) * (W / box.width) - PAD) / (W - 2 * PAD)));
    const vy = Math.min(
      2,
      Math.max(-1, (H - PAD - (m.clientY - box.top) * (H / box.height)) / (H - 2 * PAD)),
    );
    const next = [...start] as [number, number, number, number];
    next[which * 2] = Number(vx.toFixed(3));
    next[which * 2 + 1] = Number(vy.toFixed(3));
    dragged.value = next;
    desk.draft(change(next));
  };
  const up = () => {
    removeEventListener('pointermove', move);
    const next = dragged.value;
    if (next) void desk.commit('Ease', change(next)).then(() => (dragged.value = undefined));
  };
  addEventListener('pointermove', move);
  addEventListener('pointerup', up, { once: true });
}
</script>

<template>
  <div v-if="key" class="ease">
    <h4>{{ view.keys.length > 1 ? `${view.keys.length} keys` : `Key at ${key.at}` }}: on to the next</h4>
    <Select size="small" class="names" aria-label="Ease" :value="name" :options="options" @change="choose" />
    <svg :viewBox="`0 0 ${W} ${H}`" class="curve" role="img" :aria-label="`Ease ${name}`">
      <path :d="`M${x(0)} ${y(0)}H${x(1)}M${x(0)} ${y(1)}H${x(1)}`" class="grid" />
      <path :d="path" class="way" />
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
  </div>
</template>

<style scoped>
.ease {
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--line);
}
h4 {
  margin: 0 0 6px;
  font-size: 13px;
  font-weight: 600;
  color: var(--text);
}
.names {
  width: 100%;
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
.handle {
  fill: #f2f2f2;
  cursor: move;
  touch-action: none;
}
</style>
