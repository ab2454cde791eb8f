<script setup lang="ts">
import { Dropdown, Menu, MenuDivider, MenuItem, MenuItemGroup } from 'ant-design-vue';
import { computed } from 'vue';
import type { Change } from '../api/client';
import ColourField from '../fields/ColourField.vue';
import NumberField from '../fields/NumberField.vue';
import ToneCurveField from '../fields/ToneCurveField.vue';
import type { CurvePoint } from '../lib/toneCurve';
import { dragStep, shownTimes } from '../lib/numbers';
import { useDesk } from '../stores/desk';
import type { PropertyNow } from '../lib/answers';
import { useRecipes } from '../stores/recipes';
import { usePicking } from '../stores/picking';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import SignalList from './SignalList.vue';

/** One animatable property of the chosen layer: its key on this frame, and its value. */
const props = defineProps<{ property: PropertyNow; label?: string; locked: boolean }>();
const desk = useDesk();
const shot = useShot();
const view = useView();
const picking = usePicking();
const recipes = useRecipes();
const numeric = computed(() => props.property.kind === 'number' || props.property.kind === 'point');

const percent = computed(() => props.property.unit === '%');
const factor = computed(() => shownTimes(props.property.unit));
const step = computed(() => dragStep(props.property));
const name = computed(() => props.label ?? props.property.label);
const pair = computed(() =>
  props.property.kind === 'point' ? (props.property.value as [number, number]) : undefined,
);
const colour = computed(() => props.property.value as unknown as string);
/** A scale keeps its proportion while both directions are alike. */
const even = computed(() => percent.value && !props.property.mixed && pair.value?.[0] === pair.value?.[1]);

function change(value: unknown) {
  return desk.setValue(props.property.name, value);
}

/** One of two numbers; of several layers each keeps its other one. */
function changePart(index: 0 | 1, value: number) {
  if (view.layers.length === 1 || even.value) return change(withPart(index, value));
  const { name: property } = props.property;
  const { frame, autoKey: key } = view;
  return desk.ofEach((layer) => ({
    kind: 'set-part',
    layer,
    property,
    frame,
    channel: index,
    value: value / factor.value,
    key,
  }));
}

function withPart(index: 0 | 1, value: number): [number, number] {
  const v = value / factor.value;
  const [x, y] = pair.value ?? [0, 0];
  if (even.value) return [v, v];
  return index === 0 ? [v, y] : [x, v];
}

// The engine adds the value to the label.
const commit = (what: Change) => void desk.commit(`${name.value} of ${who.value}`.slice(0, 160), what);
const who = computed(() =>
  view.layers.length > 1 ? `${desk.free().length} layers` : (shot.find(view.layer)?.name ?? ''),
);
const draft = (value: unknown) => desk.draft(change(value));

function removeKeys() {
  const names = desk.free().flatMap((layer) => {
    const keys = shot.row(layer)?.moving.find((p) => p.name === props.property.name)?.keys ?? [];
    return keys.map((k) => ({ layer, property: props.property.name, at: k.at }));
  });
  view.keys = [];
  void shot.edit(`Remove keys: ${name.value}`, { edit: { kind: 'remove-keys', keys: names } });
}

function addSignal(kind: string) {
  const row = shot.row(view.layer);
  if (!row) return;
  const { layer } = row;
  const signals = row.moving.find((p) => p.name === props.property.name)?.signals ?? [];
  const other = shot.everyLayer().find((l) => l.id !== layer.id) ?? layer;
  const followed = kind === 'follow' ? { layer: other.id, property: 'place.rotation', part: 'same' } : {};
  void shot.edit(`Add ${kind}`, {
    edit: {
      kind: 'set-signals',
      layer: layer.id,
      property: props.property.name,
      signals: [...signals, { kind, ...followed }],
    },
  });
}

function toggleKey() {
  const property = props.property.name;
  if (props.property.keyHere) {
    const keys = desk.free().map((layer) => ({ layer, property, at: desk.ownFrame(layer) }));
    void shot.edit(`Remove key: ${name.value}`, { edit: { kind: 'remove-keys', keys } });
  } else {
    const add = desk.ofEach((layer) => ({ kind: 'add-key', layer, property, frame: view.frame }));
    void shot.edit(`Add key: ${name.value}`, add);
  }
}
</script>

<template>
  <div class="row">
    <span class="label">{{ name }}</span>
    <span v-if="property.kind === 'number'" class="fields">
      <NumberField
        :value="(property.value as number) * factor"
        :label="name"
        :unit="property.unit"
        :unit-says="property.unitSays"
        :mixed="property.mixed"
        :least="property.least * factor"
        :most="property.most * factor"
        :step="step"
        :disabled="locked"
        @draft="(v) => draft(v / factor)"
        @commit="(v) => commit(change(v / factor))"
      />
    </span>
    <span v-else-if="pair" class="fields">
      <NumberField
        v-for="i in [0, 1] as const"
        :key="i"
        :value="pair[i] * factor"
        :label="`${name} ${i === 0 ? 'across' : 'down'}`"
        :unit="property.unit"
        :unit-says="property.unitSays"
        :mixed="property.mixed"
        :least="property.least * factor"
        :most="property.most * factor"
        :disabled="locked"
        :decimals="1"
        @draft="(v) => desk.draft(changePart(i, v))"
        @commit="(v) => commit(changePart(i, v))"
      />
    </span>
    <span v-else-if="property.kind === 'colour'" class="fields">
      <ColourField
        :value="colour"
        :label="name"
        :mixed="property.mixed"
        @draft="draft"
        @commit="(v) => commit(change(v))"
      />
      <button
        v-if="!$slots.default"
        class="bare pick"
        :class="{ on: view.tool === 'pick' && picking.property === property.name }"
        :disabled="locked"
        :aria-label="`Pick ${name} from the Picture`"
        title="Pick it from the Picture"
        @click="picking.begin(property.name)"
      >
        <svg viewBox="0 0 14 14" width="13" height="13" aria-hidden="true">
          <path
            d="M2 12l1-3 5-5 2 2-5 5ZM8.5 3.5l1-1a1.4 1.4 0 012 2l-1 1Z"
            fill="none"
            stroke="currentColor"
            stroke-width="1.2"
          />
        </svg>
      </button>
      <slot />
    </span>
    <ToneCurveField
      v-else-if="property.kind === 'curve'"
      :points="property.value as unknown as CurvePoint[]"
      :drawn="property.drawn ?? []"
      :disabled="locked"
      @draft="draft"
      @commit="(v) => commit(change(v))"
      @drop="desk.drop()"
    />
    <span v-else class="fields quiet">{{ property.keyed ? 'moves by keys' : 'on the Picture' }}</span>
    <button
      class="bare key"
      :class="{ keyed: property.keyed, here: property.keyHere }"
      :disabled="locked"
      :title="property.keyHere ? 'Remove the key on this frame' : 'Put a key on this frame'"
      :aria-label="`${property.keyHere ? 'Remove key' : 'Add key'}: ${name}`"
      @click="toggleKey"
    >
      <span class="dot"></span>
    </button>
    <Dropdown :trigger="['click']" :disabled="locked">
      <button class="bare more" :aria-label="`More for ${name}`">⋮</button>
      <template #overlay>
        <Menu>
          <MenuItem v-if="property.kind === 'colour'" key="pick" @click="picking.begin(property.name)"
            >Pick from the Picture</MenuItem
          >
          <MenuItemGroup v-if="numeric && view.layers.length === 1" key="s" title="Add a signal">
            <MenuItem
              v-for="s in recipes.signals"
              :key="s.kind"
              :title="s.summary"
              @click="addSignal(s.kind)"
              >{{ s.label }}</MenuItem
            >
          </MenuItemGroup>
          <MenuItem v-if="numeric" key="c" @click="view.curves = true">Show its curve</MenuItem>
          <MenuDivider v-if="numeric" />
          <MenuItem key="r" :disabled="!property.keyed" @click="removeKeys">Remove all its keys</MenuItem>
        </Menu>
      </template>
    </Dropdown>
  </div>
  <SignalList
    v-if="property.signals && view.layers.length === 1"
    :property="property.name"
    :label="name"
    :locked="locked"
  />
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 84px 1fr 22px 14px;
  gap: 6px;
  align-items: center;
  min-height: 27px;
}
.label {
  color: var(--quiet);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.fields {
  display: flex;
  gap: 6px;
  min-width: 0;
}
.quiet {
  color: var(--quiet);
}
.key {
  padding: 5px;
}
.more {
  padding: 0 4px;
  margin-left: -6px;
  color: #8f8f8f;
}
.dot {
  width: 9px;
  height: 9px;
  border: 1.5px solid #777;
  border-radius: 50%;
}
.keyed .dot {
  border-color: var(--accent);
}
.here .dot {
  background: var(--accent);
}
.pick {
  flex: none;
  padding: 0 3px;
  color: var(--quiet);
}
.pick.on {
  color: var(--accent);
}
</style>
