<script setup lang="ts">
/** Kinds of layers are told apart by shape, not by colour. */
defineProps<{ kind: string }>();
</script>

<template>
  <svg class="glyph" viewBox="0 0 16 16" width="15" height="15" aria-hidden="true">
    <path v-if="kind === 'text'" d="M2.5 4.5v-2h11v2M8 2.5v11M5.5 13.5h5" />
    <path v-else-if="kind === 'footage'" d="M2 3.5h12v9H2zM6.8 6l3.2 2-3.2 2z" />
    <path v-else-if="kind === 'still'" d="M2 3.5h12v9H2zM2.5 11.5l3.5-4 2.7 3 2-2 3 3" />
    <path v-else-if="kind === 'fill'" d="M3 3h10v10H3zM3 13L13 3M3 8.5L8.5 3M7.5 13L13 7.5" />
    <path v-else-if="kind === 'shape'" d="M2.5 12.5C4 4 8 12 13 4M2.5 10.8v3.4M11.4 4h3.2" />
    <path v-else-if="kind === 'again'" d="M4 6V3h4l1 1.5h5V11h-2M2 8V5.5M2 6h4.5L8 7.5h3.5V13H2z" />
    <path v-else-if="kind === 'sound'" d="M2 8h1.5M5 5v6M7.5 2.5v11M10 5v6M12.5 7v2" />
    <path v-else d="M2 5V3h5l1.5 2H14v8H2zM5 8h6M5 10.5h6" />
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
