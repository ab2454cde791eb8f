<script setup lang="ts">
import { Button, CheckboxGroup, Modal, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
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
  { value: 'blend', label: 'blend and motion blur' },
];
const parts = ref<string[]>(['arrival', 'departure']);
const to = ref<string[]>(view.layers.filter((id) => id !== timing.look));
const others = computed(() =>
  shot.list
    .filter((r) => r.layer.id !== timing.look && !r.layer.locked)
    .map((r) => ({ value: r.layer.id, label: r.layer.name })),
);

async function copy() {
  const done = await timing.edit('Copy parts of a look', 'copy-parts', {
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
  <Modal
    open
    :title="`Parts of ${shot.find(timing.look)?.name}`"
    :footer="null"
    @cancel="timing.look = undefined"
  >
    <CheckboxGroup v-model:value="parts" class="parts" :options="PARTS" />
    <div class="line">
      <span class="quiet">Copy to</span>
      <Select
        v-model:value="to"
        mode="multiple"
        aria-label="Layers to copy to"
        placeholder="layers"
        placement="topLeft"
        :options="others"
      />
    </div>
    <div class="buttons">
      <Button danger :disabled="parts.length === 0" @click="remove"
        >Remove from {{ view.layers.length > 1 ? `${view.layers.length} layers` : 'it' }}</Button
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
.quiet {
  color: var(--quiet);
}
.buttons {
  display: flex;
  justify-content: space-between;
}
</style>
