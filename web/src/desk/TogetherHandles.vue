<script setup lang="ts">
import { computed } from 'vue';
import type { Pair } from '../lib/affine';
import type { Together } from '../lib/answers';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useLooking } from '../stores/looking';
import { useView } from '../stores/view';
import { ifStill, useOnPicture } from './onPicture';

/** The box around several chosen layers: it moves, scales and turns them as one; with Alt each about its own middle. */
const props = defineProps<{ together: Together }>();
const desk = useDesk();
const view = useView();
const frames = useFrames();
const looking = useLooking();
const { at, px, follow } = useOnPicture();

const many = computed(() => `${desk.free().length} layers`);
const corners = computed<Pair[]>(() => {
  const [x0, y0, x1, y1] = props.together.box;
  return [
    [x0, y0],
    [x1, y0],
    [x1, y1],
    [x0, y1],
  ];
});
const middle = computed<Pair>(() => {
  const [x0, y0, x1, y1] = props.together.box;
  return [(x0 + x1) / 2, (y0 + y1) / 2];
});

/** A press that moves nothing chooses what lies there; with Shift one more or one less. Other tools, and a box, go on. */
function move(e: PointerEvent) {
  if (view.tool !== 'choose' || e.ctrlKey || e.metaKey || e.button !== 0) return;
  e.stopPropagation();
  const from = at(e);
  ifStill(e, () => {
    void frames.pick(from[0], from[1], view.frame, view.group).then((found) => {
      if (found === undefined) view.choose(undefined);
      else if (e.shiftKey) view.chooseToo(found);
      else view.choose(found);
    });
  });
  follow(e, `Move ${many.value}`, (to, m) => {
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const straight = Math.abs(dx) > Math.abs(dy) ? [dx, 0] : [0, dy];
    return desk.together(['place.position'], {
      kind: 'move-together',
      by: m.shiftKey ? straight : [dx, dy],
      snap: !m.altKey,
      guides: looking.lines(),
    });
  });
}

function scale(e: PointerEvent) {
  const from = at(e);
  follow(e, `Scale ${many.value}`, (to, m) =>
    desk.together(['place.position', 'place.scale'], {
      kind: 'scale-together',
      from,
      to,
      even: !m.shiftKey,
      pivot: null,
      each: m.altKey,
    }),
  );
}

function turn(e: PointerEvent) {
  const from = at(e);
  follow(e, `Turn ${many.value}`, (to, m) =>
    desk.together(['place.position', 'place.rotation'], {
      kind: 'turn-together',
      from,
      to,
      steps: m.shiftKey,
      each: m.altKey,
    }),
  );
}
</script>

<template>
  <polygon
    v-for="e in together.each"
    :key="e.layer"
    :points="e.corners.map((c) => c.join(',')).join(' ')"
    class="one"
    :stroke-width="px(1)"
    :stroke-dasharray="`${px(3)} ${px(3)}`"
  />
  <rect
    class="all"
    :x="together.box[0]"
    :y="together.box[1]"
    :width="together.box[2] - together.box[0]"
    :height="together.box[3] - together.box[1]"
    :stroke-width="px(1.25)"
    data-testid="together"
    @pointerdown="move"
  />
  <circle
    class="corner turn"
    :cx="middle[0]"
    :cy="together.box[1] - px(26)"
    :r="px(5)"
    :stroke-width="px(1.5)"
    data-testid="together-turn"
    @pointerdown.stop="turn"
  >
    <title>Turn all; with Alt each about its own middle, with Shift in steps of 15°</title>
  </circle>
  <rect
    v-for="(c, i) in corners"
    :key="i"
    class="corner"
    :x="c[0] - px(4.5)"
    :y="c[1] - px(4.5)"
    :width="px(9)"
    :height="px(9)"
    :data-testid="`together-corner-${i}`"
    @pointerdown.stop="scale"
  >
    <title>Scale all; with Alt each about its own middle, with Shift each direction by itself</title>
  </rect>
  <path
    class="cross"
    :d="`M${middle[0] - px(7)} ${middle[1]}h${px(14)}M${middle[0]} ${middle[1] - px(7)}v${px(14)}`"
    :stroke-width="px(1.25)"
  />
</template>

<style scoped>
.one {
  fill: none;
  stroke: #f4f4f4;
  opacity: 0.7;
  pointer-events: none;
}
.all {
  fill: transparent;
  stroke: var(--accent);
  cursor: move;
}
.corner {
  fill: #f4f4f4;
  stroke: #1e1e1e;
  cursor: nwse-resize;
}
.turn {
  fill: #1e1e1e;
  stroke: #f4f4f4;
  cursor: grab;
}
.cross {
  stroke: var(--accent);
  pointer-events: none;
}
</style>
