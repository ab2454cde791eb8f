<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { useProject } from '../../stores/project';
import FigureRows from './FigureRows.vue';
import PropertyRows from './PropertyRows.vue';
import TrackRows from './TrackRows.vue';

/** A clip or a still: where it comes from, and how it is tamed. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const project = useProject();
const media = computed(() => {
  const c = props.layer.content;
  return c.kind === 'footage' || c.kind === 'still' ? project.find(c.media) : undefined;
});
</script>

<template>
  <template v-if="media">
    <img class="thumb" :src="`/api/media/${media.id}/thumbnail.png`" :alt="media.name" />
    <dl>
      <dt>From</dt>
      <dd>{{ media.name }}</dd>
      <dt>Size</dt>
      <dd>{{ media.width }} × {{ media.height }}{{ media.alpha ? ' with alpha' : '' }}</dd>
      <template v-if="media.kind === 'VIDEO'">
        <dt>Length</dt>
        <dd>{{ media.frames }} frames at {{ media.rate }}</dd>
      </template>
    </dl>
  </template>
  <PropertyRows :section="['look']" part="" :locked="locked" />
  <template v-if="layer.content.kind === 'footage'">
    <FigureRows :layer="layer" :locked="locked" />
    <TrackRows :layer="layer" :locked="locked" />
  </template>
</template>

<style scoped>
.thumb {
  width: 100%;
  display: block;
  margin-bottom: 8px;
  background: #000;
}
dl {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 4px 6px;
  margin: 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
</style>
