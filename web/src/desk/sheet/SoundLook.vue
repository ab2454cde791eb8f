<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { useProject } from '../../stores/project';
import PropertyRows from './PropertyRows.vue';

/** What is heard. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const project = useProject();
const name = computed(() =>
  props.layer.content.kind === 'sound' ? project.find(props.layer.content.media)?.name : undefined,
);
</script>

<template>
  <p class="why">{{ name }}: heard, not seen. Space plays it with the picture.</p>
  <PropertyRows :section="['look']" :locked="locked" />
</template>

<style scoped>
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
