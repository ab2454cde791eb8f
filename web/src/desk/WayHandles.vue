<script setup lang="ts">
import { roundDots } from '../lib/paths';
import { useDesk } from '../stores/desk';
import type { Handles } from '../lib/answers';
import type { Pair } from '../lib/affine';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';
import HandleArm from './HandleArm.vue';
import { useOnPicture } from './onPicture';

/** The way that a layer's position takes through its keys, with a dot for each frame. */
defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const desk = useDesk();
const timing = useTiming();
const { px, follow } = useOnPicture();

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
</script>

<template>
  <g class="way" data-testid="way">
    <path :d="roundDots(handles.path.dots)" class="step" :stroke-width="px(3.2)" data-testid="way-dots" />
    <template v-for="(k, i) in handles.path.keys" :key="k.at">
      <HandleArm
        v-for="part in ['in', 'out'] as const"
        :key="part"
        :from="k.point"
        :to="k[part]"
        :test-id="`way-${part}-${k.at}`"
        @press="(e) => locked || way(e, k.at, part)"
      />
      <circle
        :cx="k.point[0]"
        :cy="k.point[1]"
        :r="px(4.5)"
        class="stop"
        :class="{
          loose: k.loose,
          chosen: timing.isChosen({ layer: handles.layer, property: 'place.position', at: k.at }),
        }"
        :stroke-width="px(1.5)"
        :data-testid="`way-at-${k.at}`"
        @pointerdown.stop="locked || way($event, k.at, 'at')"
        @dblclick.stop="locked || bend(k.at, k.point, handles.path.keys[i + 1]?.point)"
      >
        <title>Key of the position. Double click bends the way here</title>
      </circle>
    </template>
  </g>
</template>

<style scoped>
.step {
  fill: none;
  stroke: #f4f4f4d9;
  stroke-linecap: round;
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
.stop.loose {
  fill: none;
  stroke-dasharray: 2 2;
}
</style>
