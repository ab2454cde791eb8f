<script setup lang="ts">
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import PropertyRows from './PropertyRows.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useContent } from './useContent';

/** A rectangle with a colour or a gradient. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const content = useContent();
const paint = computed(() => (props.layer.content.kind === 'fill' ? props.layer.content.paint : undefined));
const KINDS = { solid: 'one colour', linear: 'linear gradient', radial: 'radial gradient' };
const stops = computed(() => (paint.value && paint.value.kind !== 'solid' ? paint.value.stops : []));

function recolour(stop: number, e: Event) {
  content.set(`paint/stops/${stop}/colour`, (e.target as HTMLInputElement).value, 'Gradient');
}
</script>

<template>
  <SheetLine v-if="paint" label="Kind">
    <span>{{ KINDS[paint.kind] }}</span>
  </SheetLine>
  <PropertyRows :section="['look']" :locked="locked" />
  <SheetLine v-for="(s, i) in stops" :key="i" :label="`At ${Math.round(s.at * 100)} %`">
    <input
      type="color"
      :aria-label="`Colour of stop ${i + 1}`"
      :value="typeof s.colour === 'string' ? s.colour.slice(0, 7) : '#ffffff'"
      :disabled="locked"
      @change="recolour(i, $event)"
    />
  </SheetLine>
</template>
