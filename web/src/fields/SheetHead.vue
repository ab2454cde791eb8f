<script setup lang="ts">
/** The head of a part of the Sheet: what it is, and at its end what can be done to it. */
defineProps<{ title: string }>();
</script>

<template>
  <h4>
    <span :title="title">{{ title }}</span>
    <slot></slot>
  </h4>
</template>

<style scoped>
h4 {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin: 10px 0 2px;
  font-size: 13px;
  font-weight: 600;
  color: var(--text);
}
h4 > span:first-child {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
