<script setup lang="ts">
import { useView } from '../stores/view';

/** Where the frame that is looked at lies; by itself, so that no row is drawn anew when it moves. */
defineProps<{ pace: number; pad: number }>();
const view = useView();
</script>

<template>
  <div class="playhead" :style="{ transform: `translateX(${pad + view.frame * pace}px)` }"></div>
</template>

<style scoped>
.playhead {
  position: absolute;
  top: 0;
  bottom: 0;
  left: 0;
  width: 1px;
  background: #f4f4f4;
  pointer-events: none;
  z-index: 2;
  will-change: transform;
}
</style>
