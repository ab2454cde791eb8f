<script setup lang="ts">
import { Modal } from 'ant-design-vue';

const open = defineModel<boolean>('open', { required: true });
const KEYS: [string, string][] = [
  ['Space', 'play and pause'],
  ['← →', 'one frame; with Shift ten'],
  ['Home, End', 'first and last frame'],
  ['L', 'loop'],
  ['1, 2, 4', 'quality full, ½, ¼'],
  ['S', 'see as: the next way'],
  ['T', 'title safe'],
  ['↑ ↓', 'the layer above, below'],
  ['A', 'add text'],
  ['Ctrl D', 'duplicate the layer'],
  ['Delete', 'delete the chosen keys, or the layer'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['?', 'these keys'],
];
</script>

<template>
  <Modal v-model:open="open" title="Keys" :footer="null">
    <dl>
      <template v-for="[k, what] in KEYS" :key="k">
        <dt>{{ k }}</dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <p>
      While dragging on the Picture: Shift moves straight, scales freely, turns in steps; Alt lifts the snap;
      Escape takes the drag back.
    </p>
  </Modal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 4px;
}
dt {
  color: var(--accent);
}
dd {
  margin: 0;
}
</style>
