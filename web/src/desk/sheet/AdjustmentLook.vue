<script setup lang="ts">
/** A layer without content. */
</script>

<template>
  <p class="why">It has no picture of its own: what lies below passes through it.</p>
</template>

<style scoped>
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
