<script setup lang="ts">
import { computed, nextTick, ref } from 'vue';
import type { Change } from '../api/client';
import { freshId } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useFrames, type Pair } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** The handles above the picture. Where they lie comes from the engine; every drag is a draft until it ends. */
const props = defineProps<{ zoom: number }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const desk = useDesk();
const timing = useTiming();

const svg = ref<SVGSVGElement>();
const drawn = ref<{ from: Pair; to: Pair }>();
const area = ref<HTMLTextAreaElement>();
const words = ref('');

const format = computed(() => shot.shot?.format ?? { width: 1, height: 1 });
const h = computed(() =>
  frames.handles?.layer === view.layer && !view.playing ? frames.handles : undefined,
);
/** Sounds have no place on the Picture. */
const seen = computed(() => shot.find(view.layer)?.content.kind !== 'sound');
const locked = computed(() => shot.find(view.layer)?.locked ?? false);
const corners = computed(() => h.value?.corners ?? []);
const outline = computed(() => corners.value.map((c) => c.join(',')).join(' '));
/** A length on the screen, in pixels of the shot. */
const px = (n: number) => n / props.zoom;

const turner = computed<Pair | undefined>(() => {
  const [a, b, , d] = corners.value;
  if (!a || !b || !d) return undefined;
  const top: Pair = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const up = [a[0] - d[0], a[1] - d[1]] as Pair;
  const length = Math.hypot(up[0], up[1]) || 1;
  return [top[0] + (up[0] / length) * px(26), top[1] + (up[1] / length) * px(26)];
});
const box = computed(() => {
  const xs = corners.value.map((c) => c[0]);
  const ys = corners.value.map((c) => c[1]);
  return {
    x: Math.min(...xs),
    y: Math.min(...ys),
    width: Math.max(...xs) - Math.min(...xs),
    height: Math.max(...ys) - Math.min(...ys),
  };
});

const labels = computed(() => {
  const what = { rest: '', arrive: ' the arrival', leave: ' the departure' }[view.stance];
  return { move: `Move${what}`, scale: `Scale${what}`, turn: `Turn${what}` };
});

function at(e: PointerEvent | MouseEvent): Pair {
  const r = svg.value?.getBoundingClientRect();
  return r ? [(e.clientX - r.left) / props.zoom, (e.clientY - r.top) / props.zoom] : [0, 0];
}

/** Follows the pointer: drafts on the way, one kept change at the end; Escape takes it all back. */
function follow(e: PointerEvent, label: string, change: (to: Pair, e: PointerEvent) => Change | undefined) {
  e.preventDefault();
  const start = [e.clientX, e.clientY];
  let last: Change | undefined;
  const stop = () => {
    removeEventListener('pointermove', move);
    removeEventListener('pointerup', up);
    removeEventListener('keydown', escape, true);
    drawn.value = undefined;
  };
  const move = (m: PointerEvent) => {
    if (!last && Math.hypot(m.clientX - (start[0] ?? 0), m.clientY - (start[1] ?? 0)) < 3) return;
    last = change(at(m), m);
    if (last) desk.draft(last);
  };
  const up = () => {
    stop();
    if (last) void desk.commit(label, last);
  };
  const escape = (k: KeyboardEvent) => {
    if (k.key === 'Escape') {
      k.stopPropagation();
      stop();
      desk.drop();
    }
  };
  addEventListener('pointermove', move);
  addEventListener('pointerup', up);
  addEventListener('keydown', escape, true);
}

function move(e: PointerEvent) {
  const from = at(e);
  const layer = view.layer;
  follow(e, labels.value.move, (to, m) =>
    desk.keyedToo('place.position', {
      kind: 'move',
      layer,
      frame: view.frame,
      by: m.shiftKey ? straight(from, to) : [to[0] - from[0], to[1] - from[1]],
      snap: !m.altKey,
      stance: view.stance,
    }),
  );
}

function straight(from: Pair, to: Pair): Pair {
  const dx = to[0] - from[0];
  const dy = to[1] - from[1];
  return Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
}

function scale(e: PointerEvent) {
  const from = at(e);
  const layer = view.layer;
  follow(e, labels.value.scale, (to, m) =>
    desk.keyedToo('place.scale', {
      kind: 'scale',
      layer,
      frame: view.frame,
      from,
      to,
      even: !m.shiftKey,
      stance: view.stance,
    }),
  );
}

function turn(e: PointerEvent) {
  const from = at(e);
  const layer = view.layer;
  follow(e, labels.value.turn, (to, m) =>
    desk.keyedToo('place.rotation', {
      kind: 'turn',
      layer,
      frame: view.frame,
      from,
      to,
      steps: m.shiftKey,
      stance: view.stance,
    }),
  );
}

/** A key of the way, or one of its handles; with Alt the other handle stays as it is. */
function way(e: PointerEvent, at_: number, part: 'at' | 'in' | 'out') {
  const layer = view.layer;
  if (!layer) return;
  view.keys = [{ layer, property: 'place.position', at: at_ }];
  follow(e, part === 'at' ? 'Move key' : 'Bend the way', (to, m) => ({
    edit: { kind: 'move-path', layer, frame: view.frame, at: at_, part, to, both: !m.altKey },
  }));
}

/** Draws out a pair of handles where a key has none yet. */
function bend(at_: number, point: Pair, next: Pair | undefined) {
  const to: Pair = next
    ? [point[0] + (next[0] - point[0]) / 3, point[1] + (next[1] - point[1]) / 3 - px(30)]
    : [point[0] + px(60), point[1]];
  void desk.commit('Bend the way', {
    edit: { kind: 'move-path', layer: view.layer, frame: view.frame, at: at_, part: 'out', to, both: true },
  });
}

function knot(e: PointerEvent, mask: string, index: number, part: 'at' | 'in' | 'out') {
  view.mask = mask;
  const layer = view.layer;
  follow(e, 'Move mask point', (to) =>
    desk.keyedToo(`mask.${mask}.path`, {
      kind: 'move-mask-point',
      layer,
      mask,
      frame: view.frame,
      index,
      part,
      to,
    }),
  );
}

function moveMask(e: PointerEvent, mask: string) {
  view.mask = mask;
  const from = at(e);
  const layer = view.layer;
  follow(e, 'Move mask', (to) =>
    desk.keyedToo(`mask.${mask}.path`, {
      kind: 'move-mask',
      layer,
      mask,
      frame: view.frame,
      by: [to[0] - from[0], to[1] - from[1]],
    }),
  );
}

function draw(e: PointerEvent) {
  const from = at(e);
  const layer = view.layer;
  const newId = freshId();
  const shape = view.tool === 'mask-ellipse' ? 'ellipse' : 'rectangle';
  view.mask = newId;
  follow(e, 'Draw mask', (to) => {
    drawn.value = { from, to };
    view.tool = 'choose';
    if (Math.abs(to[0] - from[0]) < 2 || Math.abs(to[1] - from[1]) < 2) return undefined;
    return { edit: { kind: 'add-mask', layer, newId, frame: view.frame, shape, from, to } };
  });
}

async function down(e: PointerEvent) {
  if (e.button !== 0 || !shot.shot) return;
  if (view.tool === 'anchor' && view.layer) {
    view.tool = 'choose';
    void shot.edit('Move anchor', {
      edit: { kind: 'move-anchor', layer: view.layer, frame: view.frame, to: at(e) },
    });
    return;
  }
  if (view.tool.startsWith('mask') && view.layer) {
    draw(e);
    return;
  }
  const [x, y] = at(e);
  const found = await frames.pick(x, y, view.frame);
  view.choose(found);
}

async function type() {
  const layer = shot.find(view.layer);
  if (layer?.content.kind !== 'text' || locked.value) return;
  words.value = layer.content.words;
  view.typing = true;
  await nextTick();
  area.value?.focus();
  area.value?.select();
}

function typed() {
  const pointer = shot.row(view.layer)?.pointer;
  return { patch: [{ op: 'add' as const, path: `${pointer}/content/words`, value: words.value }] };
}

function endTyping() {
  if (!view.typing) return;
  view.typing = false;
  const layer = shot.find(view.layer);
  if (layer?.content.kind !== 'text' || layer.content.words === words.value) return;
  const change: { patch: { op: 'add'; path: string; value: string }[] } = typed();
  if (layer.name === layer.content.words.replace(/\n/g, ' ') && words.value.trim()) {
    change.patch.push({
      op: 'add',
      path: `${shot.row(view.layer)?.pointer}/name`,
      value: words.value.replace(/\n/g, ' '),
    });
  }
  void desk.commit('Words', change);
}

function maskPath(knots: [Pair, Pair, Pair][]): string {
  return (
    knots
      .map((k, i) => {
        const next = knots[(i + 1) % knots.length] ?? k;
        return `${i === 0 ? `M${k[0].join(' ')}` : ''}C${k[2].join(' ')} ${next[1].join(' ')} ${next[0].join(' ')}`;
      })
      .join('') + 'Z'
  );
}

const far = (a: Pair, b: Pair) => Math.hypot(a[0] - b[0], a[1] - b[1]) > px(2);
defineExpose({ type });
</script>

<template>
  <svg
    ref="svg"
    class="handles"
    :class="view.tool"
    :viewBox="`0 0 ${format.width} ${format.height}`"
    data-testid="handles"
    @pointerdown="down"
  >
    <rect
      v-if="view.safe && frames.safe"
      class="safe"
      :x="frames.safe[0]"
      :y="frames.safe[1]"
      :width="frames.safe[2] - frames.safe[0]"
      :height="frames.safe[3] - frames.safe[1]"
      :stroke-width="px(1)"
      :stroke-dasharray="`${px(3)} ${px(4)}`"
    />
    <template v-if="h && h.exists && seen">
      <polygon
        v-if="view.stance !== 'rest'"
        :points="h.resting.map((c) => c.join(',')).join(' ')"
        class="ghost"
        :stroke-width="px(1)"
        :stroke-dasharray="`${px(2)} ${px(4)}`"
      />
      <polygon
        :points="outline"
        class="outline"
        :class="[{ locked }, view.stance]"
        :stroke-width="px(1.25)"
        data-testid="outline"
        @pointerdown.stop="locked || view.tool !== 'choose' ? down($event) : move($event)"
        @dblclick="type"
      />
      <template v-if="!locked && view.tool === 'choose'">
        <template v-if="turner">
          <circle
            :cx="turner[0]"
            :cy="turner[1]"
            :r="px(5)"
            class="turn"
            :stroke-width="px(1.5)"
            data-testid="turn"
            @pointerdown.stop="turn"
          >
            <title>Turn; with Shift in steps of 15°</title>
          </circle>
        </template>
        <rect
          v-for="(c, i) in corners"
          :key="i"
          :x="c[0] - px(4.5)"
          :y="c[1] - px(4.5)"
          :width="px(9)"
          :height="px(9)"
          class="corner"
          :data-testid="`corner-${i}`"
          @pointerdown.stop="scale"
        >
          <title>Scale; with Shift each direction by itself</title>
        </rect>
        <g class="anchor" :stroke-width="px(1.25)">
          <circle :cx="h.anchor[0]" :cy="h.anchor[1]" :r="px(4)" />
          <path
            :d="`M${h.anchor[0] - px(8)} ${h.anchor[1]}h${px(16)}M${h.anchor[0]} ${h.anchor[1] - px(8)}v${px(16)}`"
          />
        </g>
      </template>
      <g v-if="view.stance === 'rest' && h.path.keys.length" class="way" data-testid="way">
        <circle v-for="(d, i) in h.path.dots" :key="i" :cx="d[0]" :cy="d[1]" :r="px(1.6)" class="step" />
        <template v-for="(k, i) in h.path.keys" :key="k.at">
          <template v-for="part in ['in', 'out'] as const" :key="part">
            <template v-if="far(k[part], k.point)">
              <line
                :x1="k.point[0]"
                :y1="k.point[1]"
                :x2="k[part][0]"
                :y2="k[part][1]"
                :stroke-width="px(1)"
                class="arm"
              />
              <circle
                :cx="k[part][0]"
                :cy="k[part][1]"
                :r="px(4)"
                class="bend"
                :data-testid="`way-${part}-${k.at}`"
                @pointerdown.stop="locked || way($event, k.at, part)"
              />
            </template>
          </template>
          <circle
            :cx="k.point[0]"
            :cy="k.point[1]"
            :r="px(4.5)"
            class="stop"
            :class="{
              roving: k.roving,
              chosen: timing.isChosen({ layer: h.layer, property: 'place.position', at: k.at }),
            }"
            :stroke-width="px(1.5)"
            :data-testid="`way-at-${k.at}`"
            @pointerdown.stop="locked || way($event, k.at, 'at')"
            @dblclick.stop="locked || bend(k.at, k.point, h.path.keys[i + 1]?.point)"
          >
            <title>Key of the position. Double click bends the way here</title>
          </circle>
        </template>
      </g>
      <g v-for="m in h.masks" :key="m.id" class="mask" :class="{ chosen: m.id === view.mask }">
        <path
          :d="maskPath(m.knots)"
          class="path"
          :stroke-width="px(1.5)"
          @pointerdown.stop="locked || moveMask($event, m.id)"
        />
        <template v-if="!locked">
          <template v-for="(k, i) in m.knots" :key="i">
            <template v-for="part in [1, 2] as const" :key="part">
              <template v-if="far(k[part], k[0])">
                <line
                  :x1="k[0][0]"
                  :y1="k[0][1]"
                  :x2="k[part][0]"
                  :y2="k[part][1]"
                  :stroke-width="px(1)"
                  class="arm"
                />
                <circle
                  :cx="k[part][0]"
                  :cy="k[part][1]"
                  :r="px(3.5)"
                  class="pull"
                  @pointerdown.stop="knot($event, m.id, i, part === 1 ? 'in' : 'out')"
                />
              </template>
            </template>
            <circle
              :cx="k[0][0]"
              :cy="k[0][1]"
              :r="px(5)"
              class="knot"
              :stroke-width="px(1.5)"
              :data-testid="`knot-${i}`"
              @pointerdown.stop="knot($event, m.id, i, 'at')"
            />
          </template>
        </template>
      </g>
    </template>
    <rect
      v-if="drawn"
      class="drawn"
      :x="Math.min(drawn.from[0], drawn.to[0])"
      :y="Math.min(drawn.from[1], drawn.to[1])"
      :width="Math.abs(drawn.to[0] - drawn.from[0])"
      :height="Math.abs(drawn.to[1] - drawn.from[1])"
      :stroke-width="px(1)"
    />
    <line
      v-if="frames.snap?.x !== undefined"
      class="snap"
      :x1="frames.snap.x"
      :x2="frames.snap.x"
      y1="0"
      :y2="format.height"
      :stroke-width="px(1)"
    />
    <line
      v-if="frames.snap?.y !== undefined"
      class="snap"
      :y1="frames.snap.y"
      :y2="frames.snap.y"
      x1="0"
      :x2="format.width"
      :stroke-width="px(1)"
    />
  </svg>
  <textarea
    v-if="view.typing"
    ref="area"
    v-model="words"
    class="typing"
    aria-label="Words on the Picture"
    :style="{
      left: `${box.x * zoom}px`,
      top: `${(box.y + box.height) * zoom + 8}px`,
      width: `${Math.max(220, box.width * zoom)}px`,
    }"
    rows="2"
    @input="desk.draft(typed())"
    @blur="endTyping"
    @keydown.stop="$event.key === 'Escape' && endTyping()"
  ></textarea>
</template>

<style scoped>
.handles {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
  touch-action: none;
}
.mask-rectangle,
.mask-ellipse,
.anchor-tool {
  cursor: crosshair;
}
.handles.anchor {
  cursor: crosshair;
}
.safe {
  fill: none;
  stroke: #ffffff66;
  pointer-events: none;
}
.outline {
  fill: transparent;
  stroke: var(--accent);
  cursor: move;
}
.outline.locked {
  stroke: #999;
  stroke-dasharray: 6 6;
  cursor: default;
}
.mask-rectangle .outline,
.mask-ellipse .outline,
.handles.anchor .outline {
  cursor: crosshair;
}
.corner {
  fill: #f4f4f4;
  cursor: nwse-resize;
}
.turn {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: grab;
}
g.anchor {
  fill: none;
  stroke: #f4f4f4;
  pointer-events: none;
}
.outline.arrive,
.outline.leave {
  stroke-dasharray: 6 4;
}
.ghost {
  fill: none;
  stroke: #f4f4f4;
  opacity: 0.6;
  pointer-events: none;
}
.step {
  fill: #f4f4f4;
  opacity: 0.85;
  pointer-events: none;
}
.stop {
  fill: #1c1c1c;
  stroke: #f4f4f4;
  cursor: move;
}
.stop.chosen {
  fill: var(--accent);
}
.stop.roving {
  fill: none;
  stroke-dasharray: 2 2;
}
.bend {
  fill: #f4f4f4;
  cursor: move;
}
.mask .path {
  fill: none;
  stroke: #f4f4f4;
  stroke-dasharray: 8 5;
  pointer-events: stroke;
  cursor: move;
}
.mask.chosen .path {
  stroke: var(--accent);
  stroke-dasharray: none;
}
.knot {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: pointer;
}
.mask.chosen .knot {
  fill: var(--accent);
}
.pull {
  fill: #f4f4f4;
  cursor: pointer;
}
.arm {
  stroke: #f4f4f499;
}
.drawn {
  fill: none;
  stroke: var(--accent);
}
.snap {
  stroke: var(--warn);
}
.typing {
  position: absolute;
  z-index: 3;
  padding: 6px 8px;
  border: 1px solid var(--accent);
  border-radius: 4px;
  background: #111d;
  color: var(--text);
  font:
    14px/1.4 Inter,
    sans-serif;
  resize: none;
}
</style>
