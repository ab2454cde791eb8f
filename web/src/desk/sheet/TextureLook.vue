<script setup lang="ts">
import { Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../../api/client';
import SheetLine from '../../fields/SheetLine.vue';
import type { Recipe } from '../../lib/layers';
import { useRecipes } from '../../stores/recipes';
import RecipeRows from './RecipeRows.vue';
import { useContent } from './useContent';

/** A picture that is computed: which texture, and its numbers. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const recipes = useRecipes();
const { of, set } = useContent();
const recipe = computed(() => (props.layer.content as unknown as { texture: Recipe }).texture);
const descriptor = computed(() => recipes.texture(recipe.value.kind));
const options = computed(() => recipes.textures.map((t) => ({ value: t.kind, label: t.label })));
const area = computed(() => of('look').filter((p) => p.name === 'texture.area'));
</script>

<template>
  <SheetLine label="Texture">
    <Select
      size="small"
      aria-label="Texture"
      :disabled="locked"
      :value="recipe.kind"
      :options="options"
      @change="(v) => set('texture', { kind: v }, 'Another texture')"
    />
  </SheetLine>
  <RecipeRows
    v-if="descriptor"
    :descriptor="descriptor"
    :recipe="recipe"
    prefix="texture."
    section="look"
    :extra="area"
    :locked="locked"
    @commit="(r, says) => set('texture', r, says)"
  />
</template>
