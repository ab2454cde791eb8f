<script setup lang="ts">
import { computed } from 'vue';
import type { Descriptor } from '../../api/client';
import RecipeFields from '../../fields/RecipeFields.vue';
import type { PropertyNow } from '../../lib/answers';
import type { Recipe } from '../../lib/layers';
import PropertyRow from '../PropertyRow.vue';
import { useContent } from './useContent';

/** All of something described in the order in which it describes itself: what can be keyed as rows, the rest as fields. */
const props = defineProps<{
  descriptor: Descriptor;
  recipe: Recipe;
  /** What the names of its properties begin with. */
  prefix: string;
  section: PropertyNow['section'];
  /** Rows that stand before. */
  extra?: PropertyNow[];
  locked: boolean;
}>();
const emit = defineEmits<{ commit: [recipe: Recipe, says: string] }>();
const { of } = useContent();

const rows = computed(
  () =>
    new Map(
      of(props.section)
        .filter((p) => p.name.startsWith(props.prefix))
        .map((p) => [p.name.slice(props.prefix.length), p]),
    ),
);
const own = computed(() => [...rows.value.keys()]);
</script>

<template>
  <PropertyRow v-for="p in extra ?? []" :key="p.name" :property="p" :locked="locked" />
  <RecipeFields
    :descriptor="descriptor"
    :recipe="recipe"
    :own="own"
    :disabled="locked"
    @commit="(r) => emit('commit', r, descriptor.label)"
  >
    <template #property="{ parameter }">
      <PropertyRow
        v-if="rows.get(parameter.name)"
        :property="rows.get(parameter.name)!"
        :label="parameter.label"
        :locked="locked"
      />
    </template>
  </RecipeFields>
</template>
