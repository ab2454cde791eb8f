<script setup lang="ts">
/** One line of the Sheet: what it is, and what it is set to. */
defineProps<{ label: string }>();
</script>

<template>
  <div class="line">
    <span class="label" :title="label">{{ label }}</span>
    <slot></slot>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 6px;
  align-items: center;
  min-height: 28px;
}
.label {
  color: var(--quiet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
