<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import { useShot } from '../../stores/shot';

/** A group that is shown once more. */
const props = defineProps<{ layer: Layer }>();
const shot = useShot();
const name = computed(() =>
  props.layer.content.kind === 'again' ? shot.find(props.layer.content.group)?.name : undefined,
);
</script>

<template>
  <p class="why">What lies in “{{ name }}”, once more. Whatever is changed there is changed here.</p>
</template>

<style scoped>
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
