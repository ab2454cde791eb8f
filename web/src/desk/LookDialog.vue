<script setup lang="ts">
import { Button, CheckboxGroup, Modal, Select } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import type { Layer } from '../api/client';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** Puts chosen parts of a layer on others, or takes them off. */
const shot = useShot();
const view = useView();
const timing = useTiming();

const PARTS = [
  { value: 'transform', label: 'place and size' },
  { value: 'keys', label: 'keys and signals' },
  { value: 'masks', label: 'masks' },
  { value: 'cut', label: 'cut' },
  { value: 'arrival', label: 'arrival' },
  { value: 'departure', label: 'departure' },
  { value: 'text-style', label: 'look of the letters' },
  { value: 'coats', label: 'fills and strokes of a shape' },
  { value: 'blend', label: 'blend and motion blur' },
];
const source = computed(() => shot.find(timing.look));
/** What of a part a layer has: what is ticked at first is what there is to copy. */
function has(l: Layer, part: string): boolean {
  switch (part) {
    case 'masks':
      return l.masks.length > 0;
    case 'cut':
      return Boolean(l.cut) || l.join !== 'over';
    case 'arrival':
      return Boolean(l.arrive);
    case 'departure':
      return Boolean(l.leave);
    case 'keys':
      return (shot.row(l.id)?.moving.length ?? 0) > 0;
    case 'text-style':
      return l.content.kind === 'text';
    case 'coats':
      return l.content.kind === 'shape';
    case 'blend':
      return l.blend !== 'normal' || l.motionBlur;
    default:
      return false;
  }
}
const parts = ref<string[]>([]);
watch(
  source,
  (l) => {
    parts.value = l ? PARTS.map((p) => p.value).filter((p) => has(l, p)) : [];
    to.value = to.value.filter((id) => id !== l?.id);
  },
  { flush: 'sync' },
);
const to = ref<string[]>(view.layers.filter((id) => id !== timing.look));
if (source.value) {
  const l = source.value;
  parts.value = PARTS.map((p) => p.value).filter((p) => has(l, p));
}

const sources = computed(() => shot.list.map((r) => ({ value: r.layer.id, label: r.layer.name })));
const others = computed(() =>
  shot.list
    .filter((r) => r.layer.id !== timing.look && !r.layer.locked)
    .map((r) => ({ value: r.layer.id, label: r.layer.name })),
);
/** What the others have and would lose, since it is ticked and the source has none. */
const lost = computed(() => {
  const from = source.value;
  if (!from) return [];
  return PARTS.filter((p) => ['masks', 'cut', 'arrival', 'departure'].includes(p.value))
    .filter((p) => parts.value.includes(p.value) && !has(from, p.value))
    .flatMap((p) => {
      const names = to.value.flatMap((id) => {
        const l = shot.find(id);
        return l && has(l, p.value) ? [l.name] : [];
      });
      return names.length ? [`the ${p.label} of ${names.join(', ')}`] : [];
    });
});

async function copy() {
  const done = await timing.edit(`Copy the look of ${source.value?.name}`, 'copy-parts', {
    from: timing.look,
    to: to.value,
    parts: parts.value,
  });
  if (done) timing.look = undefined;
}
async function remove() {
  const layers = view.layers.length > 1 ? timing.free : [timing.look];
  if (await timing.edit('Remove parts of a look', 'remove-parts', { layers, parts: parts.value })) {
    timing.look = undefined;
  }
}
</script>

<template>
  <Modal open title="Copy a look" :footer="null" @cancel="timing.look = undefined">
    <div class="line">
      <span class="quiet">Of</span>
      <Select v-model:value="timing.look" aria-label="Layer to copy from" :options="sources" />
    </div>
    <CheckboxGroup v-model:value="parts" class="parts" :options="PARTS" />
    <div class="line">
      <span class="quiet">Put on</span>
      <Select
        v-model:value="to"
        mode="multiple"
        aria-label="Layers to copy to"
        placeholder="layers"
        placement="topLeft"
        :options="others"
      />
    </div>
    <p v-if="lost.length" class="warn" role="status">
      {{ source?.name }} has none of these, so they are taken away: {{ lost.join('; ') }}.
    </p>
    <div class="buttons">
      <Button danger :disabled="parts.length === 0" @click="remove"
        >Take these parts off
        {{ view.layers.length > 1 ? `${view.layers.length} layers` : source?.name }}</Button
      >
      <Button type="primary" :disabled="parts.length === 0 || to.length === 0" @click="copy">Copy</Button>
    </div>
  </Modal>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.line {
  display: grid;
  grid-template-columns: 70px 1fr;
  align-items: center;
  margin: 14px 0;
}
.warn {
  color: var(--warn);
}
.quiet {
  color: var(--quiet);
}
.buttons {
  display: flex;
  justify-content: space-between;
}
</style>
