<script setup lang="ts">
import { KINDS, type ContentKind } from './sheet/kinds';

/** Kinds of layers are told apart by shape, not by colour. */
defineProps<{ kind: ContentKind }>();
</script>

<template>
  <svg class="glyph" viewBox="0 0 16 16" width="15" height="15" aria-hidden="true">
    <path :d="KINDS[kind].glyph" />
  </svg>
</template>

<style scoped>
.glyph {
  flex: none;
  fill: none;
  stroke: currentColor;
  stroke-width: 1.3;
}
</style>
