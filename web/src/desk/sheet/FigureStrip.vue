<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { cutOutOf } from '../../stores/cuttingOut';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';

/** Frames of a figure as they were found, with how sure each is; a press goes there. */
const props = defineProps<{ layer: Layer }>();
const shot = useShot();
const desk = useDesk();
const view = useView();

const CELLS = 10;
/** Below this a frame should be looked at. */
const UNSURE = 0.45;

const known = computed(() => {
  const row = shot.row(props.layer.id);
  const { in: first, length } = props.layer.span;
  const sure = row?.tracks[0]?.sure ?? [];
  return sure
    .map((s, i) => ({ frame: Math.round((row?.start ?? 0) + i * (row?.step ?? 1)), sure: s / 1000 }))
    .filter((c) => c.sure >= 0 && c.frame >= first && c.frame < first + length);
});
/** Spread evenly; the least sure frame of each stretch stands for it. */
const cells = computed(() => {
  const all = known.value;
  const n = Math.min(CELLS, all.length);
  return Array.from({ length: n }, (_, k) => {
    const stretch = all.slice(Math.floor((k * all.length) / n), Math.floor(((k + 1) * all.length) / n));
    return stretch.reduce((least, c) => (c.sure < least.sure ? c : least));
  });
});
/** All that the pictures depend on but the frame: while it is the same, they needn't be asked for again. */
const of = computed(() => {
  const { content, span, pace } = props.layer;
  const light = content.kind === 'footage' ? [content.exposure, content.saturation] : [];
  return JSON.stringify([cutOutOf(props.layer)?.carried?.media, span, pace, ...light]);
});
const picture = (frame: number) =>
  `/api/shots/${shot.view?.id}/layers/${encodeURIComponent(props.layer.id)}/figure.png?frame=${frame}&of=${encodeURIComponent(of.value)}`;
const percent = (v: number) => `${Math.round(v * 100)} %`;
</script>

<template>
  <div
    v-if="cells.length"
    class="strip"
    role="group"
    aria-label="Frames of the figure, the least sure of each stretch"
  >
    <button
      v-for="c in cells"
      :key="c.frame"
      class="cell"
      :class="{ here: view.frame === c.frame, unsure: c.sure < UNSURE }"
      :aria-label="`Frame ${c.frame}, ${percent(c.sure)} sure`"
      :title="`Frame ${c.frame}: ${percent(c.sure)} sure`"
      @click="desk.go(c.frame)"
    >
      <img :src="picture(c.frame)" alt="" loading="lazy" />
      <span class="bar"><span :style="{ width: `${100 * c.sure}%` }"></span></span>
    </button>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  gap: 3px;
  margin: 4px 0;
}
.cell {
  display: block;
  padding: 0;
  border: 1px solid transparent;
  border-radius: 3px;
  background: none;
  overflow: hidden;
  cursor: pointer;
}
.cell.here {
  border-color: var(--accent);
}
.cell img {
  display: block;
  width: 100%;
  aspect-ratio: 3 / 4;
  object-fit: cover;
}
.bar {
  display: block;
  height: 3px;
  background: #ffffff18;
}
.bar span {
  display: block;
  height: 100%;
  background: #f4d35e80;
}
.unsure .bar span {
  background: #ff8a5c;
}
</style>
