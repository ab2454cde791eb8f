<script setup lang="ts">
import type { Layer } from '../../api/client';
import ShapeSection from '../ShapeSection.vue';
import { useContent } from './useContent';

/** Paths and their coats of paint. */
defineProps<{ layer: Layer; locked: boolean }>();
const { properties, paints } = useContent();
</script>

<template>
  <ShapeSection
    v-if="layer.content.kind === 'shape'"
    :shape="layer.content"
    :properties="properties"
    :paints="paints"
    :locked="locked"
  />
</template>
