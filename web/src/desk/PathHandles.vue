<script setup lang="ts">
import type { Handles } from '../lib/answers';
import { useView } from '../stores/view';
import { provideOnPaths } from './path/onPaths';
import PathBox from './path/PathBox.vue';
import PathKnots from './path/PathKnots.vue';
import PathLines from './path/PathLines.vue';

/** The paths of a shape and of its masks, above the Picture. */
const props = defineProps<{ handles: Handles; locked: boolean }>();
const view = useView();
const { path } = provideOnPaths(
  () => props.handles,
  () => props.locked,
);
</script>

<template>
  <PathLines />
  <template v-if="path && !locked && view.tool === 'choose'">
    <PathBox />
    <PathKnots />
  </template>
</template>
