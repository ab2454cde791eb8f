<script setup lang="ts">
import { computed, ref } from 'vue';
import { follow as followPointer } from '../lib/drag';
import { freshId } from '../lib/layers';
import { nearest } from '../lib/words';
import { useDesk } from '../stores/desk';
import type { Pair } from '../lib/affine';
import { useFrames } from '../stores/frames';
import { useFollowing } from '../stores/following';
import { useLooking } from '../stores/looking';
import { useNesting } from '../stores/nesting';
import { usePicking } from '../stores/picking';
import { useShot } from '../stores/shot';
import { useTyping } from '../stores/typing';
import { useView } from '../stores/view';
import FigureBrush from './FigureBrush.vue';
import MarkHandles from './MarkHandles.vue';
import GradientHandles from './GradientHandles.vue';
import SpotHandles from './SpotHandles.vue';
import PathHandles from './PathHandles.vue';
import { ifStill, provideOnPicture } from './onPicture';
import PenPath from './PenPath.vue';
import DrawingPen from './DrawingPen.vue';
import StrokePen from './StrokePen.vue';
import TypingOnPicture from './TypingOnPicture.vue';
import TogetherHandles from './TogetherHandles.vue';
import WayHandles from './WayHandles.vue';

/** The handles above the picture. Where they lie comes from the engine; every drag is a draft until it ends. */
const props = defineProps<{ zoom: number }>();
const shot = useShot();
const view = useView();
const looking = useLooking();
const frames = useFrames();
const desk = useDesk();
const typing = useTyping();
const nesting = useNesting();
const following = useFollowing();
const picking = usePicking();

const svg = ref<SVGSVGElement>();
const pen = ref<InstanceType<typeof PenPath>>();
const strokePen = ref<InstanceType<typeof StrokePen>>();
const drawingPen = ref<InstanceType<typeof DrawingPen>>();
/** Whether the chosen layer is drawn frame by frame. */
const isDrawn = computed(() => shot.find(view.layer)?.content.kind === 'drawings');
const drawn = ref<{ from: Pair; to: Pair }>();

const format = computed(() => shot.shot?.format ?? { width: 1, height: 1 });
const h = computed(() =>
  frames.handles?.layer === view.layer && !view.playing ? frames.handles : undefined,
);
/** Sounds have no place on the Picture. */
const seen = computed(() => shot.find(view.layer)?.content.kind !== 'sound');
const locked = computed(() => shot.find(view.layer)?.locked ?? false);
const corners = computed(() => h.value?.corners ?? []);
const outline = computed(() => corners.value.map((c) => c.join(',')).join(' '));
const { at, px, follow } = provideOnPicture(
  svg,
  () => props.zoom,
  () => (drawn.value = undefined),
);

const turner = computed<Pair | undefined>(() => {
  const [a, b, , d] = corners.value;
  if (!a || !b || !d) return undefined;
  const top: Pair = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const up = [a[0] - d[0], a[1] - d[1]] as Pair;
  const length = Math.hypot(up[0], up[1]) || 1;
  return [top[0] + (up[0] / length) * px(26), top[1] + (up[1] / length) * px(26)];
});
const labels = computed(() => {
  const what = { rest: '', arrive: ' the arrival', leave: ' the departure' }[view.stance];
  const name = (shot.find(view.layer)?.name ?? '').slice(0, 120);
  return { move: `Move ${name}${what}`, scale: `Scale ${name}${what}`, turn: `Turn ${name}${what}` };
});

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
      guides: looking.lines(),
      stance: view.stance,
    }),
  );
}

/**
 * What is chosen is moved. A press that moves nothing chooses what lies uppermost there, with Shift one more; with Ctrl a box
 * is drawn.
 */
function pressed(e: PointerEvent) {
  if (locked.value || view.tool !== 'choose' || e.ctrlKey || e.metaKey) {
    void down(e);
    return;
  }
  const [x, y] = at(e);
  const chosen = view.layer;
  move(e);
  // Who works on a path stays with it.
  if (view.path) return;
  ifStill(e, () => {
    void frames.pick(x, y, view.frame, view.group).then((found) => {
      if (found === undefined || found === chosen || view.layer !== chosen) return;
      if (e.shiftKey) view.chooseToo(found);
      else view.choose(found);
    });
  });
}

function straight(from: Pair, to: Pair): Pair {
  const dx = to[0] - from[0];
  const dy = to[1] - from[1];
  return Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
}

/** About the anchor; with Alt about the corner across. The same rule holds for the box of a mask, about its middle. */
function scale(e: PointerEvent, corner: number) {
  const from = at(e);
  const across = corners.value[(corner + 2) % 4];
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
      pivot: m.altKey && across ? across : null,
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

function draw(e: PointerEvent) {
  const from = at(e);
  const newId = freshId();
  const figure = view.tool;
  const becomes = view.becomes;
  const more = figure === 'polygon' || figure === 'star' ? { points: view.figure.points } : {};
  const round = figure === 'rounded' ? { roundness: 0.4 } : {};
  follow(
    e,
    `Draw ${becomes}`,
    (to) => {
      drawn.value = { from, to };
      view.tool = 'choose';
      if (Math.abs(to[0] - from[0]) < 2 || Math.abs(to[1] - from[1]) < 2) return undefined;
      const drawnOn = { newId, frame: view.frame, shape: figure, from, to, ...more, ...round };
      // On several layers each gets a mask of its own, at the same place.
      return becomes === 'mask'
        ? desk.ofEach((layer) => ({ kind: 'add-mask', layer, ...drawnOn }))
        : { edit: { kind: 'add-shape', onto: becomes === 'path' ? view.layer : null, ...drawnOn } };
    },
    () => {
      if (becomes === 'shape') view.choose(newId);
      else view.choosePath(becomes === 'mask' ? `mask.${newId}.path` : `path.${newId}`);
    },
  );
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
  if (view.tool === 'text') {
    e.preventDefault();
    typing.begin(at(e));
    return;
  }
  if (view.tool === 'draw' || view.tool === 'rub') {
    drawingPen.value?.down(e);
    return;
  }
  if (view.tool === 'pick') {
    e.preventDefault();
    void picking.take(at(e));
    return;
  }
  if (view.tool === 'mark') {
    e.preventDefault();
    void following.place(at(e));
    return;
  }
  if (view.tool === 'stroke') {
    strokePen.value?.down(e);
    return;
  }
  if (view.tool === 'pen') {
    pen.value?.down(e);
    return;
  }
  if (view.tool !== 'choose' && view.tool !== 'anchor' && (view.layer || view.becomes === 'shape')) {
    draw(e);
    return;
  }
  choosing(e);
}

/** A click chooses what lies there, with Shift one more or one less; from the empty ground, or with Ctrl, a box chooses. */
function choosing(e: PointerEvent) {
  const from = at(e);
  const more = e.shiftKey;
  const boxed = e.ctrlKey || e.metaKey;
  const under = frames.pick(from[0], from[1], view.frame, view.group);
  let box: { from: Pair; to: Pair } | undefined;
  e.preventDefault();
  followPointer({
    move: (m) => {
      const to = at(m);
      if (!box && Math.hypot(to[0] - from[0], to[1] - from[1]) < px(4)) return;
      box = { from, to };
      drawn.value = box;
    },
    end: () => {
      drawn.value = undefined;
      void (async () => {
        const found = await under;
        if (box && (boxed || found === undefined)) {
          const inside = await frames.pickWithin(box.from, box.to, view.frame, view.group);
          view.chooseAll([
            ...(more ? view.layers.filter((id) => !inside.includes(id)) : []),
            ...inside.reverse(),
          ]);
        } else if (found !== undefined && more) view.chooseToo(found);
        else if (!more) view.choose(found);
      })();
    },
    cancel: () => (drawn.value = undefined),
  });
}

/** A double click goes into a group, and to what lies there in it; words are typed where they stand. */
async function inside(e: MouseEvent) {
  const layer = shot.find(view.layer);
  if (layer?.content.kind === 'shot') return nesting.into(layer);
  if (layer?.content.kind !== 'group') return type(e);
  desk.enter(layer.id);
  const [x, y] = at(e);
  const found = await frames.pick(x, y, view.frame, layer.id);
  if (found !== undefined) view.choose(found);
}

/** All but the group that is worked in. */
const outside = computed(() => {
  const c = frames.group;
  if (!view.group || !c?.length) return undefined;
  const { width, height } = format.value;
  return `M0 0H${width}V${height}H0ZM${c.map((p) => p.join(' ')).join('L')}Z`;
});

/** Words are typed where they stand, at the letter that is pointed at. */
function type(e?: MouseEvent) {
  const layer = shot.find(view.layer);
  if (layer) typing.edit(layer, e && h.value ? nearest(h.value.carets, at(e)) : undefined);
}

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
    <path v-if="outside" :d="outside" class="outside" fill-rule="evenodd" data-testid="outside" />
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
    <TogetherHandles
      v-if="view.layers.length > 1 && frames.together && frames.together.each.length && !view.playing"
      :together="frames.together"
    />
    <template v-else-if="h && h.exists && seen">
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
        @pointerdown.stop="pressed"
        @dblclick="inside"
      />
      <template v-if="!locked && view.tool === 'choose' && !view.path && !view.typing">
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
          @pointerdown.stop="scale($event, i)"
        >
          <title>
            Scale about the anchor; with Alt about the corner across, with Shift each direction by itself
          </title>
        </rect>
        <g class="anchor" :stroke-width="px(1.25)">
          <circle :cx="h.anchor[0]" :cy="h.anchor[1]" :r="px(4)" />
          <path
            :d="`M${h.anchor[0] - px(8)} ${h.anchor[1]}h${px(16)}M${h.anchor[0]} ${h.anchor[1] - px(8)}v${px(16)}`"
          />
        </g>
      </template>
      <WayHandles v-if="view.stance === 'rest' && h.path.keys.length" :handles="h" :locked="locked" />
      <SpotHandles
        v-if="view.stance === 'rest' && view.tool === 'choose' && !view.path && h.spots.length"
        :handles="h"
        :locked="locked"
      />
      <GradientHandles
        v-if="view.stance === 'rest' && view.tool === 'choose' && !view.path && h.paints.length"
        :handles="h"
        :locked="locked"
      />
      <PathHandles :handles="h" :locked="locked" />
      <MarkHandles
        v-if="view.stance === 'rest' && view.tool === 'choose' && !view.path && h.tracks.length"
        :handles="h"
        :locked="locked"
      />
    </template>
    <FigureBrush v-if="h?.figure" :handles="h" :locked="locked" />
    <g v-if="view.tool === 'mark'" class="placed">
      <circle
        v-for="(m, i) in following.placed"
        :key="i"
        :cx="m[0]"
        :cy="m[1]"
        :r="px(5)"
        :stroke-width="px(1.5)"
      />
    </g>
    <PenPath v-if="view.tool === 'pen'" ref="pen" />
    <StrokePen v-if="view.tool === 'stroke'" ref="strokePen" />
    <DrawingPen v-if="isDrawn && view.tool !== 'choose'" ref="drawingPen" />
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
  <TypingOnPicture v-if="view.typing" :zoom="zoom" :width="format.width" :height="format.height" />
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
.handles:not(.choose) {
  cursor: crosshair;
}
.safe {
  fill: none;
  stroke: #ffffff66;
  pointer-events: none;
}
.placed {
  fill: none;
  stroke: #f4d35e;
  pointer-events: none;
}
.outside {
  fill: #1219;
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
.handles:not(.choose) .outline {
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
.drawn {
  fill: none;
  stroke: var(--accent);
}
.snap {
  stroke: var(--warn);
}
</style>
