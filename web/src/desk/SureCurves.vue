<script setup lang="ts">
import { computed } from 'vue';
import type { SureTrack } from '../lib/layers';
import { useFollowing } from '../stores/following';

/** How sure the tracks of a clip are, over time: a quiet line each, broken where nothing is known. */
const props = defineProps<{ tracks: SureTrack[]; each: number }>();
const following = useFollowing();

const TOP = 3;
const HIGH = 16;
const lines = computed(() =>
  props.tracks.map((t) => {
    let d = '';
    t.sure.forEach((s, i) => {
      if (s < 0) return;
      const x = ((i + 0.5) * props.each).toFixed(1);
      const y = (TOP + HIGH * (1 - s / 1000)).toFixed(1);
      d += `${(t.sure[i - 1] ?? -1) < 0 ? 'M' : 'L'}${x} ${y}`;
    });
    return { ...t, d };
  }),
);
</script>

<template>
  <svg class="sure" width="100%" height="22" aria-hidden="true">
    <g v-for="l in lines" :key="l.id" :class="{ chosen: l.id === following.chosen }">
      <path :d="l.d" :data-testid="`sure-${l.name}`" />
      <circle v-for="f in l.fixed" :key="f" :cx="(f + 0.5) * each" cy="3" r="2" />
    </g>
  </svg>
</template>

<style scoped>
.sure {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.sure path {
  fill: none;
  stroke: #f4d35e80;
  stroke-width: 1;
}
.sure circle {
  fill: #f4d35e;
}
.sure .chosen path {
  stroke: #f4d35e;
}
</style>
