<script setup lang="ts">
import { Button } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../api/client';
import EaseField from '../fields/EaseField.vue';
import NumberField from '../fields/NumberField.vue';
import RecipeFields from '../fields/RecipeFields.vue';
import TimeField from '../fields/TimeField.vue';
import SheetLine from '../fields/SheetLine.vue';
import type { Recipe } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useKeptOpenings } from '../stores/keptOpenings';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';
import PropertyRow from './PropertyRow.vue';
import { useContent } from './sheet/useContent';

/** How the layer arrives or leaves: by an opening, by a pose it comes from or goes to, or by both. */
const props = defineProps<{ layer: Layer; arriving: boolean; locked: boolean }>();
const shot = useShot();
const view = useView();
const desk = useDesk();
const timing = useTiming();
const recipes = useRecipes();
const kept = useKeptOpenings();
const { of } = useContent();

type Passage = NonNullable<Layer['arrive']>;
type Pose = Passage['pose'];
const way = computed(() => (props.arriving ? ('arrive' as const) : ('leave' as const)));
const passage = computed(() => props.layer[way.value] ?? undefined);
const opening = computed(() => passage.value?.opening as Recipe | null | undefined);
const descriptor = computed(() => recipes.opening(opening.value?.kind));
const noun = computed(() => (props.arriving ? 'Arrival' : 'Departure'));
/** What of the opening can be keyed, by the name of its parameter. */
const rows = computed(() => new Map(of(way.value).map((p) => [p.name.slice(way.value.length + 1), p])));
const text = computed(() => props.layer.content.kind === 'text');

const change = (field: string, value: unknown) => shot.field(props.layer.id, `${way.value}/${field}`, value);
const commit = (label: string, field: string, value: unknown) =>
  void desk.commit(label, change(field, value));

const NUMBERS: {
  field: keyof Pose;
  label: string;
  unit: string;
  least: number;
  most: number;
  factor: number;
  text?: boolean;
}[] = [
  { field: 'turn', label: 'Turned', unit: '°', least: -3600, most: 3600, factor: 1 },
  { field: 'opacity', label: 'Opacity', unit: '%', least: 0, most: 100, factor: 100 },
  { field: 'blur', label: 'Blurred', unit: 'px', least: 0, most: 1000, factor: 1 },
  { field: 'tracking', label: 'Tracking', unit: '‰ em', least: -10000, most: 10000, factor: 1, text: true },
];
const numbers = computed(() => NUMBERS.filter((n) => !n.text || text.value));
const pair = (field: 'shift' | 'scale', index: 0 | 1, value: number) => {
  const now = [...(passage.value?.pose[field] ?? [0, 0])] as [number, number];
  if (field === 'scale' && now[0] === now[1]) return [value, value];
  now[index] = value;
  return now;
};

function begin() {
  void timing.setOpening(null);
}
function remove() {
  void timing.edit(`No ${noun.value.toLowerCase()}`, 'remove-passage', {
    layers: timing.free,
    arriving: props.arriving,
  });
}
function keep() {
  if (passage.value) {
    void kept.keep(
      `${props.layer.name} ${props.arriving ? 'arriving' : 'leaving'}`.slice(0, 80),
      passage.value,
    );
    view.drawer = 'openings';
  }
}
function unpack() {
  void timing
    .edit(`${noun.value} into keys`, 'unpack-passage', { layer: props.layer.id, arriving: props.arriving })
    .then((done) => {
      if (done) view.unfolded = new Set([...view.unfolded, props.layer.id]);
    });
}
</script>

<template>
  <div v-if="!passage" class="none">
    <p>
      It {{ arriving ? 'is there' : 'stays whole' }} {{ arriving ? 'from its first' : 'to its last' }} frame.
    </p>
    <Button type="primary" :disabled="locked" @click="view.drawer = 'openings'">Choose an opening…</Button>
    <Button :disabled="locked" @click="begin">{{ arriving ? 'Come from' : 'Go to' }} a pose</Button>
  </div>
  <template v-else>
    <SheetLine label="Opening">
      <button class="bare opening" :disabled="locked" data-testid="opening" @click="view.drawer = 'openings'">
        {{ descriptor?.label ?? 'none; by its pose' }}<span class="quiet"> change…</span>
      </button>
    </SheetLine>
    <RecipeFields
      v-if="opening && descriptor"
      :descriptor="descriptor"
      :recipe="opening"
      :own="[...rows.keys()]"
      :disabled="locked"
      @draft="(r) => desk.draft(change('opening', r))"
      @commit="(r) => commit(noun, 'opening', r)"
    >
      <template #property="{ parameter }">
        <PropertyRow
          v-for="property in [rows.get(parameter.name)].filter((p) => p !== undefined)"
          :key="property.name"
          :property="property"
          :label="parameter.label"
          :locked="locked"
        />
      </template>
    </RecipeFields>
    <SheetLine label="Length">
      <TimeField
        :value="passage.length"
        :label="`Length of the ${noun.toLowerCase()}`"
        :least="1"
        :disabled="locked"
        @commit="(f) => commit(noun, 'length', f)"
      />
    </SheetLine>
    <SheetLine label="Delay">
      <TimeField
        :value="passage.delay"
        :label="`Delay of the ${noun.toLowerCase()}`"
        :least="0"
        :disabled="locked"
        @commit="(f) => commit(noun, 'delay', f)"
      />
    </SheetLine>
    <EaseField
      :ease="passage.ease"
      :disabled="locked"
      @draft="(e) => desk.draft(change('ease', e))"
      @commit="(e) => commit('Ease', 'ease', e)"
      @drop="desk.drop()"
    />
    <h4>{{ arriving ? 'Comes from' : 'Goes to' }}</h4>
    <SheetLine
      v-for="field in ['shift', 'scale'] as const"
      :key="field"
      :label="field === 'shift' ? 'Shifted' : 'Scaled'"
    >
      <span class="pair">
        <NumberField
          v-for="i in [0, 1] as const"
          :key="i"
          :value="passage.pose[field][i] * (field === 'scale' ? 100 : 1)"
          :label="`${field === 'shift' ? 'Shifted' : 'Scaled'} ${i === 0 ? 'across' : 'down'}`"
          :unit="field === 'shift' ? 'px' : '%'"
          :decimals="1"
          :disabled="locked"
          @draft="(v) => desk.draft(change(`pose/${field}`, pair(field, i, field === 'scale' ? v / 100 : v)))"
          @commit="(v) => commit('Pose', `pose/${field}`, pair(field, i, field === 'scale' ? v / 100 : v))"
        />
      </span>
    </SheetLine>
    <SheetLine v-for="n in numbers" :key="n.field" :label="n.label">
      <NumberField
        :value="(passage.pose[n.field] as number) * n.factor"
        :label="`Pose: ${n.label}`"
        :unit="n.unit"
        :least="n.least"
        :most="n.most"
        :disabled="locked"
        @draft="(v) => desk.draft(change(`pose/${n.field}`, v / n.factor))"
        @commit="(v) => commit('Pose', `pose/${n.field}`, v / n.factor)"
      />
    </SheetLine>
    <div class="buttons">
      <button class="bare link" :disabled="locked" @click="unpack">Turn into keys</button>
      <button class="bare link" title="Among the openings of this project" @click="keep">
        Keep it by name
      </button>
      <button class="bare link" :disabled="locked" @click="remove">Remove</button>
    </div>
  </template>
</template>

<style scoped>
.none {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.none p {
  margin: 4px 0;
  color: var(--quiet);
}
.pair {
  display: flex;
  gap: 6px;
  min-width: 0;
}
.quiet {
  color: var(--quiet);
}
.opening {
  justify-content: flex-start;
  padding-left: 0;
}
h4 {
  margin: 10px 0 4px;
  font-size: 13px;
  font-weight: 600;
}
.buttons {
  display: flex;
  gap: 16px;
  margin-top: 8px;
}
.link {
  color: var(--accent);
  padding-left: 0;
}
</style>
