<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Descriptor, Parameter } from '../api/client';
import type { Recipe } from '../lib/layers';
import { dragStep, shownTimes } from '../lib/numbers';
import { useProject } from '../stores/project';
import { useShot } from '../stores/shot';
import SheetLine from './SheetLine.vue';
import NumberField from './NumberField.vue';

/** The parameters of something described, whatever it is. */
const props = defineProps<{
  descriptor: Descriptor;
  recipe: Recipe;
  disabled?: boolean;
  /** Names of the properties that can be followed, of the layer that the recipe names. */
  properties?: { value: string; label: string }[];
  /** The names of those that have a row of their own, in the slot `property`. */
  own?: string[];
}>();
const emit = defineEmits<{ draft: [recipe: Recipe]; commit: [recipe: Recipe] }>();
const shot = useShot();

const valueOf = (p: Parameter) => props.recipe[p.name] ?? p.standard;
defineSlots<{ property(of: { parameter: Parameter }): unknown }>();
const factor = (p: Parameter) => shownTimes(p.unit);
const withValue = (p: Parameter, value: unknown): Recipe => ({ ...props.recipe, [p.name]: value });
const project = useProject();
const layers = computed(() => [
  // A signal always follows something.
  ...(props.properties ? [] : [{ value: '', label: 'none' }]),
  ...shot.everyLayer().map((l) => ({ value: l.id, label: l.name })),
]);
/** The tracks of the clip that the recipe names. */
const tracks = computed(() => {
  const c = shot.find(String(props.recipe.layer ?? ''))?.content;
  return c?.kind === 'footage' ? c.tracks.map((t) => ({ value: t.id, label: t.name })) : [];
});
const tables = computed(() => [
  { value: '', label: 'none' },
  ...project.media.filter((m) => m.kind === 'TABLE').map((m) => ({ value: m.id, label: m.name })),
]);
</script>

<template>
  <template v-for="p in descriptor.parameters" :key="p.name">
    <slot v-if="own?.includes(p.name)" name="property" :parameter="p"></slot>
    <SheetLine v-else :label="p.label">
      <NumberField
        v-if="p.kind === 'NUMBER' || p.kind === 'WHOLE' || p.kind === 'ANGLE'"
        :value="(valueOf(p) as unknown as number) * factor(p)"
        :label="p.label"
        :unit="p.unit"
        :least="p.least * factor(p)"
        :most="p.most * factor(p)"
        :step="p.kind === 'WHOLE' ? 1 : dragStep(p)"
        :decimals="p.kind === 'WHOLE' ? 0 : 2"
        :disabled="disabled"
        @draft="(v) => emit('draft', withValue(p, (p.kind === 'WHOLE' ? Math.round(v) : v) / factor(p)))"
        @commit="(v) => emit('commit', withValue(p, (p.kind === 'WHOLE' ? Math.round(v) : v) / factor(p)))"
      />
      <Checkbox
        v-else-if="p.kind === 'TRUTH'"
        :checked="Boolean(valueOf(p))"
        :disabled="disabled"
        :aria-label="p.label"
        @change="(e) => emit('commit', withValue(p, e.target.checked))"
      />
      <Select
        v-else
        size="small"
        :aria-label="p.label"
        :value="String(valueOf(p) ?? '')"
        :disabled="disabled"
        :options="
          p.kind === 'LAYER'
            ? layers
            : p.kind === 'FILE'
              ? tables
              : p.kind === 'TRACK'
                ? tracks
                : p.kind === 'PROPERTY'
                  ? (properties ?? [])
                  : p.choices.map((c) => ({ value: c, label: c }))
        "
        @change="(v) => emit('commit', withValue(p, v))"
      />
    </SheetLine>
  </template>
</template>
