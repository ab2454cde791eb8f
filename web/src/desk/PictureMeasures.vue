<script setup lang="ts">
import { computed } from 'vue';
import { histogram, type PixelNow } from '../lib/measure';
import { isPlanes } from '../lib/answers';
import { useFrames } from '../stores/frames';
import { useLooking } from '../stores/looking';

/** Numbers about the picture as it is shown: the pixel under the pointer, and how often values occur. */
defineProps<{ pixel?: PixelNow }>();
const frames = useFrames();
const looking = useLooking();

const share = (v: number) => (v / 255).toFixed(3);
const CURVES = ['#e07a6e', '#7fb98a', '#7f9fd0', '#e8e8e8'];
/** Red, green, blue and luma as lines; roots of the counts, so that what is rare is seen beside what is frequent. */
const lines = computed(() => {
  if (!looking.histogram || !frames.shown || isPlanes(frames.shown)) return [];
  const counts = histogram(frames.shown);
  const most = Math.sqrt(Math.max(1, ...counts.flatMap((c) => [...c.slice(1, 255)])));
  return counts.map((c) =>
    [...c].map((n, v) => `${v},${(60 - Math.min(1, Math.sqrt(n) / most) * 58).toFixed(1)}`).join(' '),
  );
});
</script>

<template>
  <div v-if="looking.values || looking.histogram" class="measures">
    <svg
      v-if="lines.length"
      viewBox="0 0 256 60"
      width="256"
      height="60"
      role="img"
      aria-label="Histogram"
      data-testid="histogram"
    >
      <polyline v-for="(l, i) in lines" :key="i" :points="l" :stroke="CURVES[i]" />
    </svg>
    <div v-if="looking.values" class="values" data-testid="values">
      <template v-if="pixel">
        <span class="quiet">x {{ pixel.x }} y {{ pixel.y }}</span>
        <span>{{ pixel.rgba.slice(0, 3).join(' ') }}</span>
        <span>{{ pixel.rgba.slice(0, 3).map(share).join(' ') }}</span>
        <span>α {{ share(pixel.rgba[3]) }}</span>
        <span>luma {{ pixel.luma.toFixed(3) }}</span>
      </template>
      <span v-else class="quiet">values under the pointer</span>
    </div>
  </div>
</template>

<style scoped>
.measures {
  position: absolute;
  left: 8px;
  bottom: 8px;
  z-index: 3;
  padding: 4px 8px;
  border-radius: 4px;
  background: #111111d9;
  pointer-events: none;
  font-variant-numeric: tabular-nums;
  font-size: 12px;
}
.values {
  display: flex;
  gap: 12px;
  white-space: nowrap;
}
.quiet {
  color: var(--quiet);
}
polyline {
  fill: none;
  stroke-width: 1;
}
</style>
