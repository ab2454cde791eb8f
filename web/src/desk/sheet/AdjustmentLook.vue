<script setup lang="ts">
/** A layer without content. */
</script>

<template>
  <p class="why">
    It has no picture of its own: what is done to it is done to all that lies below it in its group.
  </p>
</template>

<style scoped>
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
