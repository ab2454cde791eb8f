<script setup lang="ts">
import { computed } from 'vue';
import type { Handles, MarksNow } from '../lib/answers';
import type { Pair } from '../lib/affine';
import { useFollowing, type Track } from '../stores/following';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** The marks of a clip on the Picture, the way that each goes, and what is being followed as far as it has come. */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const shot = useShot();
const following = useFollowing();
const { px, follow } = useOnPicture();

const tracks = computed(() => props.handles.tracks);
const isChosen = (t: MarksNow) => following.chosen === t.id || tracks.value.length === 1;
const line = (points: Pair[]) => points.map((p) => p.join(',')).join(' ');
const name = (t: MarksNow) => trackOf(t.id)?.name ?? '';

function trackOf(id: string): Track | undefined {
  const c = shot.find(props.handles.layer)?.content;
  return c?.kind === 'footage' ? c.tracks.find((t) => t.id === id) : undefined;
}

function move(e: PointerEvent, t: MarksNow, mark: number) {
  following.chosen = t.id;
  if (props.locked) return;
  const edit = { kind: 'move-mark', layer: props.handles.layer, track: t.id, mark, frame: view.frame };
  follow(e, 'Move mark', (to) => ({ edit: { ...edit, to } }));
}

/** A mark is moved by a pixel, with Shift by ten. */
function nudge(e: KeyboardEvent, t: MarksNow, mark: number) {
  const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
  const at = t.marks[mark];
  if (!by || !at || props.locked) return;
  e.preventDefault();
  e.stopPropagation();
  const far = e.shiftKey ? 10 : 1;
  const to = [at[0] + (by[0] ?? 0) * far, at[1] + (by[1] ?? 0) * far];
  void shot.edit('Move mark', {
    edit: { kind: 'move-mark', layer: props.handles.layer, track: t.id, mark, frame: view.frame, to },
  });
}

/** What is being followed, as a line for each mark, in pixels of the shot. */
const live = computed(() => {
  const f = following.live;
  const t = f && f.layer === props.handles.layer ? trackOf(f.track) : undefined;
  if (!f?.path || !t) return [];
  const [a = 1, b = 0, c = 0, d = 1, e = 0, g = 0] = props.handles.toShot;
  const count = t.marks.length;
  const ways: Pair[][] = Array.from({ length: count }, () => []);
  for (const step of f.path.steps) {
    for (let m = 0; m < count; m++) {
      const x = (step[2 + 2 * m] ?? 0) - t.clip.width / 2;
      const y = (step[3 + 2 * m] ?? 0) - t.clip.height / 2;
      ways[m]?.push([a * x + c * y + e, b * x + d * y + g]);
    }
  }
  return ways;
});
</script>

<template>
  <g class="marks">
    <template v-for="t in tracks" :key="t.id">
      <g :class="{ chosen: isChosen(t), lost: t.by === 'guessed' || t.sure === undefined }">
        <polyline
          v-for="(w, i) in t.way"
          :key="`w${i}`"
          class="way"
          :points="line(w)"
          :stroke-width="px(1)"
        />
        <polygon v-if="t.marks.length === 4" class="quad" :points="line(t.marks)" :stroke-width="px(1.25)" />
        <line
          v-if="t.marks.length === 2"
          class="quad"
          :x1="t.marks[0]![0]"
          :y1="t.marks[0]![1]"
          :x2="t.marks[1]![0]"
          :y2="t.marks[1]![1]"
          :stroke-width="px(1.25)"
        />
        <g
          v-for="(m, i) in t.marks"
          :key="i"
          class="mark"
          tabindex="0"
          role="button"
          :aria-label="`${name(t)}, mark ${i + 1}`"
          :data-testid="`mark-of-${name(t)}-${i}`"
          @pointerdown.stop="move($event, t, i)"
          @keydown="nudge($event, t, i)"
        >
          <template v-if="isChosen(t)">
            <rect
              class="reach"
              :x="m[0] - t.patch / 2 - t.reach"
              :y="m[1] - t.patch / 2 - t.reach"
              :width="t.patch + 2 * t.reach"
              :height="t.patch + 2 * t.reach"
              :stroke-width="px(1)"
              :stroke-dasharray="`${px(2)} ${px(5)}`"
            />
            <rect
              class="patch"
              :x="m[0] - t.patch / 2"
              :y="m[1] - t.patch / 2"
              :width="t.patch"
              :height="t.patch"
              :stroke-width="px(1.25)"
            />
          </template>
          <path
            class="cross"
            :d="`M${m[0] - px(9)} ${m[1]}h${px(6)}m${px(6)} 0h${px(6)}M${m[0]} ${m[1] - px(9)}v${px(6)}m0 ${px(6)}v${px(6)}`"
            :stroke-width="px(1.5)"
          />
          <circle :cx="m[0]" :cy="m[1]" :r="px(10)" class="hold" />
          <title>{{ name(t) }}: drag it where it belongs on this frame</title>
        </g>
      </g>
    </template>
    <polyline
      v-for="(w, i) in live"
      :key="`l${i}`"
      class="live"
      :points="line(w)"
      :stroke-width="px(2)"
      data-testid="followed-so-far"
    />
  </g>
</template>

<style scoped>
.marks {
  fill: none;
}
.way {
  stroke: #ffffff59;
  pointer-events: none;
}
.quad,
.patch,
.cross {
  stroke: #f4d35e;
}
.quad,
.patch,
.reach {
  pointer-events: none;
}
.lost .quad,
.lost .patch,
.lost .cross {
  stroke: #ff8a65;
}
.reach {
  stroke: #ffffff59;
}
.hold {
  fill: transparent;
  cursor: move;
}
.mark:focus-visible {
  outline: none;
}
.mark:focus-visible .hold {
  stroke: var(--accent);
}
.live {
  stroke: var(--accent);
  pointer-events: none;
}
</style>
