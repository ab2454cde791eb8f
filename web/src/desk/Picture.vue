<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { follow } from '../lib/drag';
import { pixelAt, type PixelNow } from '../lib/measure';
import { isPlanes, type Shown } from '../lib/answers';
import { useAdding } from '../stores/adding';
import { useFrames } from '../stores/frames';
import { useLooking } from '../stores/looking';
import { useProof } from '../stores/proof';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import FirstSteps from './FirstSteps.vue';
import PictureGuides from './PictureGuides.vue';
import PictureHandles from './PictureHandles.vue';
import PictureMeasures from './PictureMeasures.vue';

/** The place where the shot is shown and handled. */
const shot = useShot();
const view = useView();
const frames = useFrames();

const looking = useLooking();
const proof = useProof();
const adding = useAdding();
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

function paintOn(c: HTMLCanvasElement, image: Shown) {
  if (c.width !== image.width || c.height !== image.height) {
    c.width = image.width;
    c.height = image.height;
  }
  const context = c.getContext('2d');
  if (!isPlanes(image)) {
    context?.putImageData(image, 0, 0);
    return;
  }
  const frame = new VideoFrame(image.planes, {
    format: 'I420',
    codedWidth: image.width,
    codedHeight: image.height,
    timestamp: 0,
    colorSpace: { matrix: 'bt709', primaries: 'bt709', transfer: 'bt709', fullRange: false },
  });
  context?.drawImage(frame, 0, 0);
  frame.close();
}

function paint() {
  if (frames.shown && canvas.value) paintOn(canvas.value, frames.shown);
}

watch(() => frames.shown, paint, { flush: 'sync' });
// Shown larger than it is, the preview's pixels would be seen.
watch(zoom, (z) => (view.close = z > 1), { immediate: true });

const aside = ref<HTMLCanvasElement>();
watch(
  () => [looking.before, aside.value] as const,
  ([image, c]) => {
    if (!image || !c) return;
    paintOn(c, image);
  },
  { flush: 'post' },
);

/** The pixel under the pointer, while its values are asked for. */
const pixel = ref<PixelNow>();
function point(e: PointerEvent) {
  const r = canvas.value?.getBoundingClientRect();
  const f = shot.shot?.format;
  if (!looking.values || !r || !f || !frames.shown || isPlanes(frames.shown)) return;
  const [across, down] = [(e.clientX - r.left) / r.width, (e.clientY - r.top) / r.height];
  const found = pixelAt(frames.shown, across, down);
  // Its place is said in pixels of the shot, whatever the quality is.
  pixel.value = found && { ...found, x: Math.floor(across * f.width), y: Math.floor(down * f.height) };
}

/** With Ctrl closer or farther, about the pointer. */
function wheel(e: WheelEvent) {
  const s = stage.value;
  const c = canvas.value?.getBoundingClientRect();
  if (!e.ctrlKey || !s || !c) return;
  e.preventDefault();
  const at = [(e.clientX - c.left) / zoom.value, (e.clientY - c.top) / zoom.value] as const;
  view.zoom = Math.min(16, Math.max(0.05, zoom.value * Math.exp(-e.deltaY / 240)));
  void nextTick(() => {
    const now = canvas.value?.getBoundingClientRect();
    if (!now) return;
    s.scrollLeft += now.left + at[0] * zoom.value - e.clientX;
    s.scrollTop += now.top + at[1] * zoom.value - e.clientY;
  });
}

/** The middle button takes hold of the sheet and moves it. */
function pan(e: PointerEvent) {
  const s = stage.value;
  if (e.button !== 1 || !s) return;
  e.preventDefault();
  e.stopPropagation();
  const from = [e.clientX + s.scrollLeft, e.clientY + s.scrollTop] as const;
  follow({
    move: (m) => {
      s.scrollLeft = from[0] - m.clientX;
      s.scrollTop = from[1] - m.clientY;
    },
    end: () => undefined,
    cancel: () => undefined,
  });
}

function splitting(e: PointerEvent) {
  e.preventDefault();
  follow({
    move: (m) => {
      const r = canvas.value?.getBoundingClientRect();
      if (r) looking.split = Math.min(1, Math.max(0, (m.clientX - r.left) / r.width));
    },
    end: () => undefined,
    cancel: () => undefined,
  });
}

/** A guide is dragged out of a ruler; it is there once the pointer has left the ruler. */
function fromRuler(e: PointerEvent, way: 'across' | 'down') {
  e.preventDefault();
  const at = (m: PointerEvent) => {
    const r = canvas.value?.getBoundingClientRect();
    if (!r) return 0;
    return (way === 'across' ? m.clientX - r.left : m.clientY - r.top) / zoom.value;
  };
  const index = looking.guides[way].length;
  follow({
    move: (m) => looking.moveGuide(way, index, Math.max(0, at(m))),
    end: () => undefined,
    cancel: () => looking.guides[way].length > index && looking.moveGuide(way, index, undefined),
  });
}

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
  const r = canvas.value?.getBoundingClientRect();
  const at: [number, number] | undefined = r && [
    (e.clientX - r.left) / zoom.value,
    (e.clientY - r.top) / zoom.value,
  ];
  void adding.dropped(e.dataTransfer, { at });
}
/** What each pen stroke of the chosen layer owns, where that is asked for. */
const owners = computed(() => {
  const layer = view.owners && !view.playing ? shot.find(view.layer) : undefined;
  if (!layer?.ink || !shot.view) return undefined;
  return `/api/shots/${shot.view.id}/layers/${encodeURIComponent(layer.id)}/owners.png?frame=${view.frame}&r=${shot.view.revision}`;
});
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
    @pointerdown.capture="pan"
    @pointermove="point"
    @pointerleave="pixel = undefined"
    @wheel="wheel"
  >
    <div v-if="shot.shot" class="sheet" :style="{ width: `${size.width}px`, height: `${size.height}px` }">
      <canvas
        ref="canvas"
        :class="{ sharp: zoom > 1.5, through: view.see === 'picture' }"
        data-testid="canvas"
        :data-frame="frames.shownFrame"
        :aria-busy="frames.awaited"
        :style="looking.ground && view.see === 'picture' ? { background: looking.ground } : {}"
      ></canvas>
      <template v-if="looking.before">
        <canvas
          ref="aside"
          class="aside"
          :class="{ sharp: zoom > 1.5 }"
          data-testid="before"
          :style="{ clipPath: `inset(0 ${(1 - looking.split) * 100}% 0 0)` }"
        ></canvas>
      </template>
      <PictureGuides :zoom="zoom" />
      <PictureHandles :zoom="zoom" />
      <template v-if="looking.before">
        <span class="side" :style="{ right: `${(1 - looking.split) * 100}%` }">before</span>
        <span class="side" :style="{ left: `${looking.split * 100}%` }">now</span>
      </template>
      <div
        v-if="looking.before"
        class="split"
        data-testid="split"
        title="Before at the left, now at the right"
        :style="{ left: `${looking.split * 100}%` }"
        @pointerdown.stop="splitting"
      ></div>
      <template v-if="looking.rulers">
        <div class="rule top" data-testid="rule-top" @pointerdown.stop="fromRuler($event, 'down')"></div>
        <div class="rule side" data-testid="rule-side" @pointerdown.stop="fromRuler($event, 'across')"></div>
      </template>
      <img v-if="owners" class="owners" data-testid="owners" alt="What each stroke owns" :src="owners" />
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
    <FirstSteps
      v-if="shot.shot && shot.shot.layers.length === 0 && !view.drawer"
      @dropped="(f) => void adding.brought(f)"
    />
    <div v-if="frames.finding !== undefined" class="finding" role="status">
      Finding the strokes
      <progress :value="frames.finding" aria-label="Strokes found"></progress>
    </div>
    <PictureMeasures :pixel="pixel" />
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
.owners {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.finding {
  position: absolute;
  left: 50%;
  bottom: 16px;
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 4px 10px;
  transform: translateX(-50%);
  background: var(--panel);
  color: var(--quiet);
}
.finding progress {
  width: 140px;
  accent-color: var(--accent);
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
.aside {
  position: absolute;
  inset: 0;
  background: #000;
  pointer-events: none;
}
.side {
  position: absolute;
  bottom: 6px;
  margin: 0 9px;
  padding: 0 6px;
  border-radius: 3px;
  background: #000a;
  font-size: 12px;
  pointer-events: none;
}
.split {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 11px;
  margin-left: -5px;
  cursor: ew-resize;
  background: linear-gradient(#f4f4f4, #f4f4f4) center / 1px 100% no-repeat;
}
.rule {
  position: absolute;
  background: repeating-linear-gradient(90deg, #8a8a8a 0 1px, #2a2a2a 1px 10px);
}
.rule.top {
  top: -13px;
  left: 0;
  right: 0;
  height: 9px;
  cursor: ns-resize;
}
.rule.side {
  left: -13px;
  top: 0;
  bottom: 0;
  width: 9px;
  background: repeating-linear-gradient(#8a8a8a 0 1px, #2a2a2a 1px 10px);
  cursor: ew-resize;
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
