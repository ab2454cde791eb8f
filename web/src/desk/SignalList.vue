<script setup lang="ts">
import { CloseOutlined } from '@ant-design/icons-vue';
import { computed, ref, watch } from 'vue';
import RecipeFields from '../fields/RecipeFields.vue';
import type { Recipe } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** The signals of one property, each with what it adds over the shot as a faint curve. */
const props = defineProps<{ property: string; label: string; locked: boolean }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const desk = useDesk();
const timing = useTiming();
const recipes = useRecipes();

const W = 120;
const H = 24;
const curves = ref<number[][][]>([]);
const signals = computed<Recipe[]>(() => {
  return shot.row(view.layer)?.moving.find((p) => p.name === props.property)?.signals ?? [];
});

watch(
  () => [shot.view?.revision, view.layer, props.property],
  async () => {
    if (!view.layer || signals.value.length === 0) return;
    const [answer] = await frames.askCurves([{ layer: view.layer, property: props.property }]);
    curves.value = answer?.channels.map((c) => c.signals ?? []) ?? [];
  },
  { immediate: true },
);

function faint(index: number): string[] {
  return curves.value.map((channel) => {
    const values = channel[index] ?? [];
    const least = Math.min(...values);
    const most = Math.max(...values);
    const room = most - least || 1;
    return values
      .map(
        (v, i) =>
          `${i === 0 ? 'M' : 'L'}${((i / Math.max(1, values.length - 1)) * W).toFixed(1)} ${(H - 3 - ((v - least) / room) * (H - 6)).toFixed(1)}`,
      )
      .join('');
  });
}

function change(next: Recipe[]) {
  return { edit: { kind: 'set-signals', layer: view.layer, property: props.property, signals: next } };
}
/** What the kind of signal asks for; a single number has no directions to choose from. */
function described(kind: string) {
  const d = recipes.signal(kind);
  if (!d || curves.value.length > 1) return d;
  return { ...d, parameters: d.parameters.filter((p) => p.name !== 'axis') };
}
const withOne = (index: number, one: Recipe) => signals.value.map((s, i) => (i === index ? one : s));
/** What of a layer can be followed, by its id. */
const followable = ref<Record<string, { value: string; label: string }[]>>({});
const followed = computed(() => signals.value.flatMap((s) => (typeof s.layer === 'string' ? [s.layer] : [])));
watch(
  () => [shot.view?.revision, followed.value.join()],
  async () => {
    const all = await Promise.all(followed.value.map(async (id) => [id, await shot.numbers(id)] as const));
    followable.value = Object.fromEntries(
      all.map(([id, found]) => [id, found.map((p) => ({ value: p.name, label: p.label }))]),
    );
  },
  { immediate: true },
);
</script>

<template>
  <div v-for="(s, i) in signals" :key="i" class="signal" :data-testid="`signal-${s.kind}`">
    <div class="head">
      <span>{{ recipes.signal(s.kind)?.label ?? s.kind }}</span>
      <svg :viewBox="`0 0 ${W} ${H}`" class="faint" aria-hidden="true">
        <path v-for="(d, c) in faint(i)" :key="c" :d="d" :stroke-dasharray="c === 1 ? '3 2' : ''" />
      </svg>
      <button
        class="bare"
        :disabled="locked"
        :aria-label="`Remove ${s.kind} of ${label}`"
        @click="desk.commit('Remove signal', change(signals.filter((_, j) => j !== i)))"
      >
        <CloseOutlined />
      </button>
    </div>
    <RecipeFields
      v-if="described(s.kind)"
      :descriptor="described(s.kind)!"
      :recipe="s"
      :disabled="locked"
      :properties="followable[s.layer as string]"
      @draft="(r) => desk.draft(change(withOne(i, r)))"
      @commit="(r) => desk.commit('Signal', change(withOne(i, r)))"
    />
  </div>
  <button
    v-if="signals.length"
    class="bare link"
    :disabled="locked"
    title="Write what keys and signals do as a key on each frame"
    @click="timing.edit('Unpack signals', 'unpack', { layer: view.layer, property })"
  >
    Unpack into keys
  </button>
</template>

<style scoped>
.signal {
  margin: 2px 0 4px 10px;
  padding-left: 8px;
  border-left: 2px solid #4d4d4d;
}
.head {
  display: flex;
  align-items: center;
  gap: 8px;
}
.head > span {
  width: 64px;
}
.faint {
  flex: 1;
  height: 24px;
  opacity: 0.75;
}
.faint path {
  fill: none;
  stroke: #d8d8d8;
  stroke-width: 1;
}
.link {
  color: var(--accent);
  padding-left: 18px;
}
</style>
