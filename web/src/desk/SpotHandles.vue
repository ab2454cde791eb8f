<script setup lang="ts">
import { computed } from 'vue';
import type { Handles, SpotNow } from '../lib/answers';
import { useChain } from '../stores/chain';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** The points and directions of the chosen effect, or of a texture, on the Picture. */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const chain = useChain();
const { px, follow } = useOnPicture();

const spots = computed(() => props.handles.spots.filter((s) => s.effect === '' || s.effect === chain.at?.id));
/** Corners that are pinned are joined by lines. */
const corners = computed(() => spots.value.filter((s) => /(top|bottom)(Left|Right)$/.test(s.property)));
const outline = computed(() => corners.value.map((s) => s.at.join(',')).join(' '));

function move(e: PointerEvent, spot: SpotNow) {
  if (props.locked) return;
  const { layer, frame, autoKey: key } = view;
  follow(e, spot.label, (to) => ({
    edit: { kind: 'move-handle', layer, property: spot.property, frame, to, key },
  }));
}
</script>

<template>
  <g v-if="spots.length" class="spots" data-testid="spots">
    <polygon v-if="corners.length === 4" :points="outline" :stroke-width="px(1.25)" />
    <template v-for="s in spots" :key="s.property">
      <line
        v-if="s.turns"
        :x1="s.base[0]"
        :y1="s.base[1]"
        :x2="s.at[0]"
        :y2="s.at[1]"
        :stroke-width="px(1.25)"
      />
      <g :data-testid="`spot-${s.property}`" class="spot" @pointerdown.stop="move($event, s)">
        <circle :cx="s.at[0]" :cy="s.at[1]" :r="px(7)" :stroke-width="px(1.5)" />
        <path
          v-if="!s.turns"
          :d="`M${s.at[0] - px(11)} ${s.at[1]}h${px(22)}M${s.at[0]} ${s.at[1] - px(11)}v${px(22)}`"
          :stroke-width="px(1.25)"
        />
        <title>{{ s.label }}: move it</title>
      </g>
    </template>
  </g>
</template>

<style scoped>
line,
polygon {
  fill: none;
  stroke: var(--accent);
  stroke-dasharray: 4 3;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}
.spot {
  cursor: move;
}
.spot circle {
  fill: #1c1c1c99;
  stroke: var(--accent);
}
.spot path {
  stroke: var(--accent);
  pointer-events: none;
}
</style>
