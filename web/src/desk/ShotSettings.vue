<script setup lang="ts">
import { Input, message, Modal } from 'ant-design-vue';
import { ref } from 'vue';
import { typedTime } from '../lib/timecode';
import { useShot } from '../stores/shot';

/** Name, size, rate and length of the shot. Layers stay where they are; one change, one undo step. */
const emit = defineEmits<{ close: [] }>();
const shot = useShot();
const now = shot.shot;

const name = ref(now?.name ?? '');
const width = ref(String(now?.format.width ?? 1920));
const height = ref(String(now?.format.height ?? 1080));
const rate = ref(now?.format.rate ?? '24');
const length = ref(String(now?.length ?? 120));

async function save() {
  const frames = typedTime(length.value, rate.value, now?.length ?? 0);
  if (frames === undefined) {
    void message.error('The length is a frame number, seconds such as 5s, or a timecode.');
    return;
  }
  const format = { width: Number(width.value), height: Number(height.value), rate: rate.value };
  const done = await shot.edit('Shot settings', {
    patch: [
      { op: 'replace', path: '/name', value: name.value },
      { op: 'replace', path: '/format', value: format },
      { op: 'replace', path: '/length', value: frames },
    ],
  });
  if (done) emit('close');
}
</script>

<template>
  <Modal open title="This shot" ok-text="Save" @ok="save" @cancel="emit('close')">
    <div class="form">
      <label for="settings-name">Name</label>
      <Input id="settings-name" v-model:value="name" />
      <span>Size</span>
      <span class="pair">
        <Input v-model:value="width" aria-label="Width" /> ×
        <Input v-model:value="height" aria-label="Height" /> px
      </span>
      <label for="settings-rate">Frames a second</label>
      <Input id="settings-rate" v-model:value="rate" placeholder="24 or 30000/1001" />
      <label for="settings-length">Length</label>
      <Input id="settings-length" v-model:value="length" placeholder="120, 5s, 00:00:05:00, +12" />
    </div>
  </Modal>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 120px 1fr;
  gap: 10px;
  align-items: center;
}
.pair {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
