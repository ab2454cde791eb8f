<script setup lang="ts">
import { computed } from 'vue';
import type { PropertyNow } from '../../lib/answers';
import PropertyRow from '../PropertyRow.vue';
import { useContent } from './useContent';

/** The properties of the chosen layer that stand in a section. */
const props = defineProps<{ section: PropertyNow['section'][]; locked: boolean }>();
const content = useContent();
const rows = computed(() => props.section.flatMap((s) => content.of(s)));
</script>

<template>
  <PropertyRow v-for="p in rows" :key="p.name" :property="p" :locked="locked" />
</template>
