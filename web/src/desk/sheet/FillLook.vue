<script setup lang="ts">
import type { Layer } from '../../api/client';
import PropertyRows from './PropertyRows.vue';

/** A rectangle with a colour or a gradient. */
defineProps<{ layer: Layer; locked: boolean }>();
</script>

<template>
  <PropertyRows :section="['look']" :locked="locked" />
</template>
