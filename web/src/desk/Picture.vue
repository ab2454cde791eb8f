<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useFrames } from '../stores/frames';
import { useProof } from '../stores/proof';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import PictureHandles from './PictureHandles.vue';

/** The place where the shot is shown and handled. */
const emit = defineEmits<{ dropped: [files: File[]] }>();
const shot = useShot();
const view = useView();
const frames = useFrames();

const proof = useProof();
/** The place of the finding that is looked at. */
const mark = computed(() => proof.marked?.place);
const stage = ref<HTMLElement>();
const canvas = ref<HTMLCanvasElement>();
const room = ref({ width: 800, height: 450 });
const over = ref(false);
let watcher: ResizeObserver | undefined;

const PAD = 14;
const zoom = computed(() => {
  const f = shot.shot?.format;
  if (!f) return 1;
  if (view.zoom !== 'fit') return view.zoom;
  return Math.min((room.value.width - 2 * PAD) / f.width, (room.value.height - 2 * PAD) / f.height);
});
const size = computed(() => ({
  width: (shot.shot?.format.width ?? 0) * zoom.value,
  height: (shot.shot?.format.height ?? 0) * zoom.value,
}));

function paint() {
  const image = frames.shown;
  const c = canvas.value;
  if (!image || !c) return;
  if (c.width !== image.width || c.height !== image.height) {
    c.width = image.width;
    c.height = image.height;
  }
  c.getContext('2d')?.putImageData(image, 0, 0);
}

watch(() => frames.shown, paint, { flush: 'sync' });

onMounted(() => {
  paint();
  watcher = new ResizeObserver(([entry]) => {
    if (entry) room.value = { width: entry.contentRect.width, height: entry.contentRect.height };
  });
  if (stage.value) watcher.observe(stage.value);
});
onBeforeUnmount(() => watcher?.disconnect());

function drop(e: DragEvent) {
  over.value = false;
  const files = [...(e.dataTransfer?.files ?? [])];
  if (files.length) emit('dropped', files);
}
</script>

<template>
  <div
    ref="stage"
    class="stage"
    :class="{ over }"
    aria-label="Picture"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
    @pointerdown.self="view.choose(undefined)"
  >
    <div v-if="shot.shot" class="sheet" :style="{ width: `${size.width}px`, height: `${size.height}px` }">
      <canvas
        ref="canvas"
        :class="{ sharp: zoom > 1.5, through: view.see === 'picture' }"
        data-testid="canvas"
        :data-frame="frames.shownFrame"
      ></canvas>
      <PictureHandles :zoom="zoom" />
      <div
        v-if="mark"
        class="mark"
        data-testid="mark"
        :style="{
          left: `${mark[0] * zoom - 6}px`,
          top: `${mark[1] * zoom - 6}px`,
          width: `${(mark[2] - mark[0]) * zoom + 8}px`,
          height: `${(mark[3] - mark[1]) * zoom + 8}px`,
        }"
      ></div>
    </div>
    <p v-if="over" class="hint">Drop clips, stills, fonts or a numbered sequence</p>
  </div>
</template>

<style scoped>
.stage {
  position: relative;
  display: flex;
  min-height: 0;
  min-width: 0;
  overflow: auto;
  background: #121212;
}
.stage.over {
  box-shadow: inset 0 0 0 2px var(--accent);
}
.sheet {
  position: relative;
  flex: none;
  margin: auto;
}
canvas {
  width: 100%;
  height: 100%;
  display: block;
}
canvas.through {
  background: #000;
}
canvas.sharp {
  image-rendering: pixelated;
}
.mark {
  position: absolute;
  border: 2px dashed var(--warn);
  border-radius: 3px;
  pointer-events: none;
}
.hint {
  position: absolute;
  bottom: 18px;
  left: 50%;
  transform: translateX(-50%);
  padding: 6px 14px;
  border-radius: 4px;
  background: #000c;
  pointer-events: none;
}
</style>
