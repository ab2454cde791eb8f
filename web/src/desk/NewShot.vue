<script setup lang="ts">
import { Button, Input, message, Modal, Radio, RadioGroup, Select } from 'ant-design-vue';
import { onMounted, ref } from 'vue';
import { api, type Media } from '../api/client';
import { typedTime } from '../lib/timecode';

const props = defineProps<{ project: string }>();
const emit = defineEmits<{ close: []; made: [id: string] }>();

const name = ref('');
const manner = ref<'numbers' | 'clip'>('numbers');
const size = ref('1920×1080');
const width = ref('1920');
const height = ref('1080');
const rate = ref('24');
const length = ref('5s');
const clip = ref<string>();
const clips = ref<Media[]>([]);
const busy = ref(false);

const sizes = [
  { value: '1920×1080', label: '1920 × 1080  wide' },
  { value: '1080×1080', label: '1080 × 1080  square' },
  { value: '1080×1920', label: '1080 × 1920  upright' },
  { value: '3840×2160', label: '3840 × 2160  wide, four times the pixels' },
  { value: 'other', label: 'Another size' },
];
const rates = ['24000/1001', '24', '25', '30000/1001', '30', '50', '60'].map((r) => ({
  value: r,
  label: { '24000/1001': '23.976', '30000/1001': '29.97' }[r] ?? r,
}));

onMounted(async () => {
  // The dialog moves the focus into itself first.
  setTimeout(() => (document.getElementById('shot-name') as HTMLInputElement | null)?.focus(), 120);
  clips.value = (await api.media(props.project).catch(() => [])).filter(
    (m) => m.kind === 'VIDEO' && m.state === 'READY',
  );
});

const chooser = ref<HTMLInputElement>();
const bringing = ref(false);
const POLL_MS = 400;

/** A file becomes a clip of the project, and says what the shot is like. */
async function bring(e: Event) {
  const input = e.target as HTMLInputElement;
  const files = [...(input.files ?? [])];
  input.value = '';
  if (!files.length) return;
  bringing.value = true;
  try {
    const brought = await api.bring(props.project, files.slice(0, 1), rate.value);
    let now: Media | undefined = brought;
    while (now?.state === 'IMPORTING') {
      await new Promise((done) => setTimeout(done, POLL_MS));
      now = (await api.media(props.project)).find((m) => m.id === brought.id);
    }
    if (now?.state !== 'READY' || now.kind !== 'VIDEO') {
      throw new Error(now?.message || `${brought.name} is no clip.`);
    }
    clips.value = [...clips.value, now];
    clip.value = now.id;
    if (!name.value) name.value = now.name.replace(/\.[^.]+$/, '');
  } catch (problem) {
    void message.error(problem instanceof Error ? problem.message : String(problem), 8);
  } finally {
    bringing.value = false;
  }
}

function sized(value: unknown) {
  const [w, h] = String(value).split('×');
  if (w && h) {
    width.value = w;
    height.value = h;
  }
}

async function make() {
  busy.value = true;
  try {
    const frames = typedTime(length.value, rate.value, 0);
    if (manner.value === 'numbers' && frames === undefined) {
      throw new Error('The length is a frame number, seconds such as 5s, or a timecode.');
    }
    const shot = await api.createShot(
      props.project,
      manner.value === 'clip'
        ? { name: name.value, likeMedia: clip.value }
        : {
            name: name.value,
            width: Number(width.value),
            height: Number(height.value),
            rate: rate.value,
            length: frames,
          },
    );
    emit('made', shot.id);
  } catch (e) {
    void message.error(e instanceof Error ? e.message : String(e));
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <Modal
    open
    title="New shot"
    ok-text="Make the shot"
    :confirm-loading="busy"
    @ok="make"
    @cancel="emit('close')"
  >
    <div class="form">
      <label for="shot-name">Name</label>
      <Input id="shot-name" v-model:value="name" @press-enter="make" />
      <span>Format</span>
      <RadioGroup v-model:value="manner">
        <Radio value="numbers">By numbers</Radio>
        <Radio value="clip">Same as a clip</Radio>
      </RadioGroup>
      <template v-if="manner === 'clip'">
        <span>Clip</span>
        <span class="pair">
          <Select
            v-model:value="clip"
            class="grow"
            aria-label="Clip"
            placeholder="one of the project, or a file"
            :options="
              clips.map((c) => ({
                value: c.id,
                label: `${c.name}  ${c.width}×${c.height} · ${c.rate} · ${c.frames} frames`,
              }))
            "
          />
          <Button :loading="bringing" @click="chooser?.click()">A file…</Button>
          <input ref="chooser" type="file" accept="video/*" hidden data-testid="like-file" @change="bring" />
        </span>
      </template>
      <template v-else>
        <span>Size</span>
        <Select v-model:value="size" aria-label="Size" :options="sizes" @change="sized" />
        <template v-if="size === 'other'">
          <span></span>
          <span class="pair">
            <Input v-model:value="width" aria-label="Width" /> ×
            <Input v-model:value="height" aria-label="Height" /> px
          </span>
        </template>
        <span>Frames a second</span>
        <Select v-model:value="rate" aria-label="Frames a second" :options="rates" />
        <label for="shot-length">Length</label>
        <Input id="shot-length" v-model:value="length" placeholder="120, 5s or 00:00:05:00" />
      </template>
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
.grow {
  flex: 1;
  min-width: 0;
}
.pair {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
