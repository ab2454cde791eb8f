<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import type { Pair } from '../lib/affine';
import { follow } from '../lib/drag';
import { marked, nearest } from '../lib/words';
import { useFrames } from '../stores/frames';
import { useTyping } from '../stores/typing';

/**
 * Words are typed where they stand: the engine shows them in their look and says where their letters are, the browser brings
 * the keys, and cursor and chosen letters are drawn between.
 */
const props = defineProps<{ zoom: number; width: number; height: number }>();
const frames = useFrames();
const typing = useTyping();
const svg = ref<SVGSVGElement>();
const area = ref<HTMLTextAreaElement>();

const carets = computed(() =>
  frames.handles && frames.handles.layer === typing.layer ? frames.handles.carets : [],
);
const cursor = computed(() => carets.value[Math.min(typing.chosen[1], carets.value.length - 1)]);
const px = (n: number) => n / props.zoom;
const letters = computed(() => marked(carets.value, typing.words, ...typing.chosen));

function at(e: PointerEvent | MouseEvent): Pair {
  const r = svg.value?.getBoundingClientRect();
  return r ? [(e.clientX - r.left) / props.zoom, (e.clientY - r.top) / props.zoom] : [0, 0];
}

function setRange(from: number, to: number) {
  area.value?.setSelectionRange(Math.min(from, to), Math.max(from, to), from > to ? 'backward' : 'forward');
  chose();
}

function chose() {
  const a = area.value;
  if (a) typing.choose(a.selectionStart, a.selectionEnd);
}

/** Whether a point lies on the words, or close to them. */
function isNear([x, y]: Pair): boolean {
  const all = carets.value;
  const xs = all.flatMap((c) => [c[0], c[2]]);
  const ys = all.flatMap((c) => [c[1], c[3]]);
  const room = px(16);
  return (
    all.length > 0 &&
    x > Math.min(...xs) - room &&
    x < Math.max(...xs) + room &&
    y > Math.min(...ys) - room &&
    y < Math.max(...ys) + room
  );
}

/** A press among the letters puts the cursor there, a drag chooses letters; a press elsewhere ends typing. */
function press(e: PointerEvent) {
  e.preventDefault();
  if (e.button !== 0) return;
  const p = at(e);
  if (!isNear(p)) {
    typing.end();
    return;
  }
  const first = nearest(carets.value, p);
  const start = e.shiftKey && area.value ? area.value.selectionStart : first;
  setRange(start, first);
  follow({
    move: (m) => setRange(start, nearest(carets.value, at(m))),
    end: () => area.value?.focus(),
    cancel: () => area.value?.focus(),
  });
}

/** The word under the pointer. */
function word(e: MouseEvent) {
  const here = nearest(carets.value, at(e));
  const before = /[^\s]*$/.exec(typing.words.slice(0, here))?.[0].length ?? 0;
  const after = /^[^\s]*/.exec(typing.words.slice(here))?.[0].length ?? 0;
  setRange(here - before, here + after);
}

function onKey(e: KeyboardEvent) {
  if (e.key === 'Escape') typing.takeBack();
  else if (e.key === 'Enter' && (e.ctrlKey || e.metaKey)) typing.end();
  e.stopPropagation();
}

onMounted(() => {
  area.value?.focus();
  setRange(...typing.chosen);
});
// Letters that are chosen elsewhere are chosen here, too.
watch(
  () => typing.layer,
  () => void nextTick(() => area.value?.focus()),
);
</script>

<template>
  <svg
    ref="svg"
    class="typing"
    :viewBox="`0 0 ${width} ${height}`"
    data-testid="typing"
    @pointerdown.stop="press"
    @dblclick.stop="word"
  >
    <path :d="letters" class="chosen" />
    <path
      v-if="cursor && typing.chosen[0] === typing.chosen[1]"
      :key="`${typing.words.length}-${typing.chosen[1]}`"
      class="cursor"
      data-testid="cursor"
      :d="`M${cursor[0]} ${cursor[1]}L${cursor[2]} ${cursor[3]}h${px(2)}L${cursor[0] + px(2)} ${cursor[1]}Z`"
    />
  </svg>
  <textarea
    ref="area"
    class="keys"
    :value="typing.words"
    aria-label="Words on the Picture"
    :style="{ left: `${(cursor?.[0] ?? 0) * zoom}px`, top: `${(cursor?.[1] ?? 0) * zoom}px` }"
    @input="typing.typed(($event.target as HTMLTextAreaElement).value)"
    @select="chose"
    @keyup="chose"
    @keydown="onKey"
    @blur="typing.end()"
  ></textarea>
</template>

<style scoped>
.typing {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
  cursor: text;
  touch-action: none;
}
.chosen {
  fill: #3f8f8088;
}
.cursor {
  fill: #f4f4f4;
  mix-blend-mode: difference;
  animation: blink 1.1s step-end infinite;
}
@keyframes blink {
  50% {
    opacity: 0;
  }
}
/* Seen are the letters of the picture. */
.keys {
  position: absolute;
  width: 2px;
  height: 18px;
  padding: 0;
  border: 0;
  opacity: 0;
  resize: none;
  overflow: hidden;
  white-space: pre;
  pointer-events: none;
}
</style>
