<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import SheetHead from '../fields/SheetHead.vue';
import type { Descriptor, Layer } from '../api/client';
import RecipeFields from '../fields/RecipeFields.vue';
import type { Recipe } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import InkStrokes from './InkStrokes.vue';
import PropertyRow from './PropertyRow.vue';
import { useContent } from './sheet/useContent';

/** The parts of a layer that are seen by numbers: a crop, a wipe. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const desk = useDesk();
const recipes = useRecipes();
const { of } = useContent();

const windows = computed(() =>
  (props.layer.windows as Recipe[]).flatMap((recipe) => {
    const descriptor = recipes.window(recipe.kind);
    return descriptor ? [{ recipe, descriptor }] : [];
  }),
);
const others = computed(() =>
  recipes.windows.filter((d) => !props.layer.windows.some((w) => (w as Recipe).kind === d.kind)),
);
const rows = (kind: string) =>
  new Map(
    of('window')
      .filter((p) => p.name.startsWith(`${kind}.`))
      .map((p) => [p.name.slice(kind.length + 1), p]),
  );

const withOne = (kind: string, recipe: Recipe) =>
  shot.field(
    props.layer.id,
    'windows',
    props.layer.windows.map((w) => ((w as Recipe).kind === kind ? recipe : w)),
  );
function add(d: Descriptor) {
  void shot.setField(props.layer.id, 'windows', [...props.layer.windows, { kind: d.kind }], d.label);
}
function remove(d: Descriptor) {
  const left = props.layer.windows.filter((w) => (w as Recipe).kind !== d.kind);
  void shot.setField(props.layer.id, 'windows', left, `No ${d.label.toLowerCase()}`);
}
</script>

<template>
  <div v-for="w in windows" :key="w.recipe.kind" class="window" :data-testid="`window-${w.recipe.kind}`">
    <SheetHead :title="w.descriptor.label">
      <button
        class="bare"
        :disabled="locked"
        :aria-label="`Remove ${w.descriptor.label.toLowerCase()}`"
        @click="remove(w.descriptor)"
      >
        <DeleteOutlined />
      </button>
    </SheetHead>
    <RecipeFields
      :descriptor="w.descriptor"
      :recipe="w.recipe"
      :own="[...rows(w.recipe.kind).keys()]"
      :disabled="locked"
      @draft="(r) => desk.draft(withOne(w.recipe.kind, r))"
      @commit="(r) => desk.commit(w.descriptor.label, withOne(w.recipe.kind, r))"
    >
      <template #property="{ parameter }">
        <PropertyRow
          v-for="property in [rows(w.recipe.kind).get(parameter.name)].filter((p) => p !== undefined)"
          :key="property.name"
          :property="property"
          :locked="locked"
        />
      </template>
    </RecipeFields>
    <InkStrokes v-if="w.recipe.kind === 'ink'" :layer="layer" :locked="locked" />
  </div>
  <div v-if="others.length" class="more">
    <button
      v-for="d in others"
      :key="d.kind"
      class="bare link"
      :disabled="locked"
      :title="d.summary"
      @click="add(d)"
    >
      + {{ d.label.toLowerCase() }}
    </button>
  </div>
</template>

<style scoped>
.more {
  display: flex;
  gap: 12px;
  margin-top: 6px;
}
.link {
  color: var(--accent);
  padding-left: 0;
}
</style>
