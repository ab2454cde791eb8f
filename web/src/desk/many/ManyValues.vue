<script setup lang="ts">
import { computed } from 'vue';
import { useFrames } from '../../stores/frames';
import { useView } from '../../stores/view';
import PropertyRow from '../PropertyRow.vue';

/** The properties that all chosen layers have; a change is one of all. */
const frames = useFrames();
const view = useView();
const rows = computed(() =>
  frames.together?.layers.join() === view.layers.join() ? frames.together.properties : [],
);
</script>

<template>
  <PropertyRow v-for="p in rows" :key="p.name" :property="p" :label="p.title" :locked="false" />
  <p v-if="rows.length === 0" class="why">These layers have no property in common.</p>
</template>

<style scoped>
.why {
  color: var(--quiet);
}
</style>
