<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';

/** Layers that behave like one. */
const props = defineProps<{ layer: Layer }>();
const count = computed(() => (props.layer.content.kind === 'group' ? props.layer.content.layers.length : 0));
</script>

<template>
  <p class="why">
    A group of {{ count }} {{ count === 1 ? 'layer' : 'layers' }}. Open it in its row to see
    {{ count === 1 ? 'it' : 'them' }}.
  </p>
</template>

<style scoped>
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
