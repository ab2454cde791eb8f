<script setup lang="ts">
import { Input, message, Modal, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import { typedTime } from '../lib/timecode';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';

/** Name, size, rate, length, shutter and light of the shot. */
const emit = defineEmits<{ close: [] }>();
const shot = useShot();
const project = useProject();
const now = shot.shot;

const name = ref(now?.name ?? '');
const width = ref(String(now?.format.width ?? 1920));
const height = ref(String(now?.format.height ?? 1080));
const rate = ref(now?.format.rate ?? '24');
const length = ref(String(now?.length ?? 120));
const inside = ref<'stays' | 'ends' | 'stretches'>('ends');
const angle = ref(now?.shutter.angle ?? 180);
const phase = ref(now?.shutter.phase ?? 0);
const light = ref(now?.format.light ?? 'display');
const lights = [
  { value: 'display', label: 'by what the display is told, as the web does' },
  { value: 'linear-srgb', label: 'by light, through the sRGB curve' },
  { value: 'linear-bt709', label: 'by light, through the BT.709 curve' },
];

const clips = computed(() => project.media.filter((m) => m.kind === 'VIDEO' && m.state === 'READY'));

function like(id: string) {
  const clip = project.find(id);
  if (!clip) return;
  width.value = String(clip.width);
  height.value = String(clip.height);
  rate.value = clip.rate;
  length.value = String(clip.frames);
}

async function save() {
  const frames = typedTime(length.value, rate.value, now?.length ?? 0);
  if (frames === undefined) {
    void message.error('The length is a frame number, seconds such as 5s, or a timecode.');
    return;
  }
  const format = {
    width: Number(width.value),
    height: Number(height.value),
    rate: rate.value,
    light: light.value,
  };
  const settings = {
    kind: 'settings',
    name: name.value,
    format,
    shutter: { angle: Number(angle.value), phase: Number(phase.value) },
  };
  const relength = { kind: 'relength', length: frames, inside: inside.value };
  const edits = frames === now?.length ? [settings] : [relength, settings];
  const done = await shot.edit('Shot settings', { edit: { kind: 'several', edits } });
  if (done) emit('close');
}
</script>

<template>
  <Modal open title="This shot" ok-text="Save" @ok="save" @cancel="emit('close')">
    <div class="form">
      <label for="settings-name">Name</label>
      <Input id="settings-name" v-model:value="name" />
      <template v-if="clips.length">
        <span>Like a clip</span>
        <Select
          aria-label="Like a clip"
          placeholder="size, rate and length of…"
          :options="clips.map((c) => ({ value: c.id, label: c.name }))"
          @change="(id) => like(String(id))"
        />
      </template>
      <span>Size</span>
      <span class="pair">
        <Input v-model:value="width" aria-label="Width" /> ×
        <Input v-model:value="height" aria-label="Height" /> px
      </span>
      <label for="settings-rate">Frames a second</label>
      <Input id="settings-rate" v-model:value="rate" placeholder="24 or 30000/1001" />
      <label for="settings-length">Length</label>
      <Input id="settings-length" v-model:value="length" placeholder="120, 5s, 00:00:05:00, +12" />
      <span>What is in it</span>
      <Select
        v-model:value="inside"
        aria-label="What becomes of the layers"
        :options="[
          { value: 'ends', label: 'layers that end with the shot end with it still' },
          { value: 'stretches', label: 'is stretched with the shot' },
          { value: 'stays', label: 'stays as it is' },
        ]"
      />
      <span>Shutter</span>
      <span class="pair">
        <Input v-model:value="angle" aria-label="Shutter angle" /> ° open, from
        <Input v-model:value="phase" aria-label="Shutter phase" /> °
      </span>
      <span>Layers are mixed</span>
      <Select v-model:value="light" aria-label="Layers are mixed" :options="lights" />
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
  white-space: nowrap;
}
</style>
