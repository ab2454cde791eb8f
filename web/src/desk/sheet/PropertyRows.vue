<script setup lang="ts">
import { computed } from 'vue';
import type { PropertyNow } from '../../lib/answers';
import { linesOf } from '../../lib/paints';
import PropertyRow from '../PropertyRow.vue';
import PaintRows from './PaintRows.vue';
import { useContent } from './useContent';

/** The properties of the chosen layer that stand in a section; `part` for those of one part of it only. */
const props = defineProps<{ section: PropertyNow['section'][]; part?: string; locked: boolean }>();
const content = useContent();
const rows = computed(() => {
  const lines = linesOf(
    props.section.flatMap((s) => content.of(s)),
    content.paints.value,
  );
  const { part } = props;
  if (part === undefined) return lines;
  return lines.filter((l) => ('paint' in l ? l.paint.part : l.property.part) === part);
});
</script>

<template>
  <template v-for="line in rows" :key="'paint' in line ? line.paint.name : line.property.name">
    <PaintRows v-if="'paint' in line" :paint="line.paint" :properties="line.properties" :locked="locked" />
    <PropertyRow v-else :property="line.property" :locked="locked" />
  </template>
</template>
