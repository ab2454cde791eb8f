<script setup lang="ts">
/** How far a job of this layer has come, and the way to stop it; what is done by then is kept. */
defineProps<{ label: string; done?: number; total?: number }>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <div class="progress" role="status">
    <progress :value="done ?? 0" :max="total ?? 1" :aria-label="label"></progress>
    <button class="bare" @click="$emit('stop')">Stop</button>
  </div>
</template>

<style scoped>
.progress {
  display: flex;
  align-items: center;
  gap: 6px;
}
.progress progress {
  flex: 1;
  accent-color: var(--accent);
}
.progress button {
  color: var(--accent);
}
</style>
