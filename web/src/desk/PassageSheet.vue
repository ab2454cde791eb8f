<script setup lang="ts">
import { Button, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer, Parameter } from '../api/client';
import EaseField from '../fields/EaseField.vue';
import NumberField from '../fields/NumberField.vue';
import RecipeFields from '../fields/RecipeFields.vue';
import TimeField from '../fields/TimeField.vue';
import SheetLine from '../fields/SheetLine.vue';
import type { Recipe } from '../lib/layers';
import { shownTimes } from '../lib/numbers';
import { useDesk } from '../stores/desk';
import { useKeptOpenings } from '../stores/keptOpenings';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';
import InkStrokes from './InkStrokes.vue';
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

/** What a pose is made of; only words have tracking. */
const parameters = computed(() =>
  (recipes.pose?.parameters ?? []).filter((p) => p.name !== 'tracking' || text.value),
);
const numbers = computed(() => parameters.value.filter((p) => p.kind !== 'POINT'));
const points = computed(() => parameters.value.filter((p) => p.kind === 'POINT'));
const numberOf = (p: Parameter) => (passage.value?.pose[p.name as keyof Pose] ?? p.standard) as number;
const pairOf = (p: Parameter) => (passage.value?.pose[p.name as keyof Pose] ?? [0, 0]) as [number, number];
/** A scale keeps its proportion while both directions are alike. */
function withPart(p: Parameter, index: 0 | 1, shown: number): [number, number] {
  const value = shown / shownTimes(p.unit);
  const next: [number, number] = [...pairOf(p)];
  if (p.unit === '%' && next[0] === next[1]) return [value, value];
  next[index] = value;
  return next;
}

const pass = computed(() => (props.arriving ? passage.value?.pass : undefined) ?? undefined);
/** The layers that can give way to this one. */
const others = computed(() => timing.passable(props.layer.id));
const going = computed(() => shot.find(pass.value?.from)?.leave?.opening?.kind);

const endPass = () => timing.edit('No pass', 'remove-pass', { layer: props.layer.id });

function leaveBy(kind: string) {
  const from = pass.value?.from;
  if (from === undefined) return;
  if (kind) void timing.pass(props.layer.id, from, { kind });
  else
    void timing.edit('It stays until it is covered', 'remove-passage', { layers: [from], arriving: false });
}

function setLength(length: number) {
  if (pass.value)
    void timing.edit('Length of the pass', 'set-pass-length', { layer: props.layer.id, length });
  else commit(noun.value, 'length', length);
}

function begin() {
  void timing.setOpening(null);
}
function remove() {
  if (pass.value) {
    void endPass();
    return;
  }
  void timing.edit(`No ${noun.value.toLowerCase()}`, 'remove-passage', {
    layers: timing.free,
    arriving: props.arriving,
  });
}
function keep() {
  if (passage.value) {
    void kept.keep(`${props.layer.name} ${props.arriving ? 'arriving' : 'leaving'}`.slice(0, 80), {
      ...passage.value,
      pass: null,
    });
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
    <Button
      v-if="arriving && others[0]"
      :disabled="locked"
      title="The one before gives way to this one while they overlap"
      @click="timing.pass(layer.id)"
      >Pass from “{{ others[0].name }}”</Button
    >
  </div>
  <template v-else>
    <SheetLine label="Opening">
      <button class="bare opening" :disabled="locked" data-testid="opening" @click="view.drawer = 'openings'">
        {{ descriptor?.label ?? 'none; by its pose' }}<span class="quiet"> change…</span>
      </button>
    </SheetLine>
    <template v-if="arriving && (pass || others.length)">
      <SheetLine label="Pass from">
        <Select
          size="small"
          aria-label="Pass from"
          :disabled="locked"
          :value="pass?.from ?? ''"
          :options="[
            { value: '', label: 'no other layer' },
            ...others.map((l) => ({ value: l.id, label: l.name })),
          ]"
          @change="(v) => (v ? timing.pass(layer.id, String(v)) : endPass())"
        />
      </SheetLine>
      <SheetLine v-if="pass" label="which leaves">
        <Select
          size="small"
          aria-label="How the other one leaves"
          :disabled="locked"
          :value="going ?? ''"
          :options="[
            { value: '', label: 'by being covered' },
            ...recipes.openings.map((o) => ({ value: o.kind, label: o.label })),
          ]"
          @change="(v) => leaveBy(String(v ?? ''))"
        />
      </SheetLine>
    </template>
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
    <InkStrokes v-if="opening?.kind === 'ink'" :layer="layer" :locked="locked" />
    <SheetLine label="Length">
      <TimeField
        :value="passage.length"
        :label="`Length of the ${noun.toLowerCase()}`"
        :least="1"
        :disabled="locked"
        @commit="setLength"
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
    <SheetLine v-for="p in points" :key="p.name" :label="p.label">
      <span class="pair">
        <NumberField
          v-for="i in [0, 1] as const"
          :key="i"
          :value="pairOf(p)[i] * shownTimes(p.unit)"
          :label="`${p.label} ${i === 0 ? 'across' : 'down'}`"
          :unit="p.unit"
          :least="p.least * shownTimes(p.unit)"
          :most="p.most * shownTimes(p.unit)"
          :decimals="1"
          :disabled="locked"
          @draft="(v) => desk.draft(change(`pose/${p.name}`, withPart(p, i, v)))"
          @commit="(v) => commit('Pose', `pose/${p.name}`, withPart(p, i, v))"
        />
      </span>
    </SheetLine>
    <SheetLine v-for="p in numbers" :key="p.name" :label="p.label">
      <NumberField
        :value="numberOf(p) * shownTimes(p.unit)"
        :label="`Pose: ${p.label}`"
        :unit="p.unit"
        :least="p.least * shownTimes(p.unit)"
        :most="p.most * shownTimes(p.unit)"
        :disabled="locked"
        @draft="(v) => desk.draft(change(`pose/${p.name}`, v / shownTimes(p.unit)))"
        @commit="(v) => commit('Pose', `pose/${p.name}`, v / shownTimes(p.unit))"
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
