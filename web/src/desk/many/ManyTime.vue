<script setup lang="ts">
import { Button, Segmented } from 'ant-design-vue';
import { ref } from 'vue';
import NumberField from '../../fields/NumberField.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useTiming } from '../../stores/timing';
import { useView } from '../../stores/view';

/** The chosen layers in time, and what is done with them as a whole. */
const shot = useShot();
const view = useView();
const desk = useDesk();
const timing = useTiming();
const by = ref(0);
const order = ref<'list' | 'reversed' | 'middle'>('list');

function change(frames: number) {
  return {
    edit: { kind: 'stagger', layers: timing.free, by: Math.round(frames), order: order.value },
  };
}
function commit(frames: number) {
  by.value = Math.round(frames);
  void desk.commit('Stagger', change(frames));
}
function reorder(v: unknown) {
  order.value = v as typeof order.value;
  if (by.value !== 0) commit(by.value);
}
</script>

<template>
  <div>
    <h5>One after another</h5>
    <SheetLine label="Apart">
      <NumberField
        :value="by"
        label="Stagger by"
        unit="fr"
        :step="0.2"
        :decimals="0"
        @draft="(v) => desk.draft(change(v))"
        @commit="commit"
      />
    </SheetLine>
    <Segmented
      block
      size="small"
      :value="order"
      :options="[
        { value: 'list', label: 'from the top' },
        { value: 'reversed', label: 'reversed' },
        { value: 'middle', label: 'from middle' },
      ]"
      @change="reorder"
    />
    <h5>Together</h5>
    <div class="buttons">
      <Button size="small" @click="view.drawer = 'openings'">Openings…</Button>
      <Button size="small" @click="timing.group()">Group</Button>
      <Button size="small" @click="timing.trim('start')">Begin here</Button>
      <Button size="small" @click="timing.trim('end')">End here</Button>
      <Button size="small" @click="timing.split()">Split</Button>
      <Button size="small" @click="timing.reverse()">Reverse keys</Button>
      <Button size="small" @click="timing.copyLook()">Looks…</Button>
      <Button
        size="small"
        danger
        @click="shot.edit('Delete', { edit: { kind: 'delete', layers: timing.free } })"
        >Delete</Button
      >
    </div>
  </div>
</template>

<style scoped>
h5 {
  margin: 12px 0 4px;
  font-size: 13px;
  font-weight: 400;
  color: var(--quiet);
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
