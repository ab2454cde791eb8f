<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Ease } from '../api/client';
import EaseField from '../fields/EaseField.vue';
import TimeField from '../fields/TimeField.vue';
import SheetLine from '../fields/SheetLine.vue';
import type { Half } from '../lib/ease';
import { frameOf, type Beyond } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView, type KeyName } from '../stores/view';

/** The chosen keys: when they are, how they go on to the next, and what is before the first and after the last. */
const shot = useShot();
const view = useView();
const desk = useDesk();
const timing = useTiming();
/** An ease that was copied from a key. */
const copied = ref<Ease>();

const found = computed(() => {
  const k = view.keys[0];
  const row = shot.row(k?.layer);
  const property = row?.moving.find((p) => p.name === k?.property);
  const key = property?.keys.find((other) => other.at === k?.at);
  return k && row && property && key ? { name: k, row, property, key } : undefined;
});
const locked = computed(() => found.value?.row.layer.locked ?? false);
const first = computed(() => Math.min(...view.keys.map(timing.frameOf)));
const inner = computed(
  () =>
    found.value &&
    view.keys.length === 1 &&
    found.value.property.keys[0]?.at !== found.value.key.at &&
    found.value.property.keys[found.value.property.keys.length - 1]?.at !== found.value.key.at,
);
const sole = computed(() => new Set(view.keys.map((k) => k.layer + k.property)).size === 1);
const BEYOND: { value: Beyond; label: string }[] = [
  { value: 'hold', label: 'holds' },
  { value: 'continue', label: 'goes on' },
  { value: 'loop', label: 'loops' },
  { value: 'there-and-back', label: 'there and back' },
];

type Side = 'arriving' | 'leaving';
/** The keys that a value comes to from another, and those from which it goes on. */
const sides = computed(() => {
  const all: Record<Side, KeyName[]> = { arriving: [], leaving: [] };
  for (const k of view.keys) {
    const keys = shot.row(k.layer)?.moving.find((p) => p.name === k.property)?.keys ?? [];
    if (keys[0] && keys[0].at < k.at) all.arriving.push(k);
    if ((keys[keys.length - 1]?.at ?? k.at) > k.at) all.leaving.push(k);
  }
  return all;
});
const SAYS = { arriving: 'Arrives from the one before', leaving: 'Goes on to the next' };
/** The eases of the first of the keys on each side. */
const eases = computed(() => {
  const of = (k: KeyName | undefined, by: number) => {
    const keys = shot.row(k?.layer)?.moving.find((p) => p.name === k?.property)?.keys ?? [];
    return keys[keys.findIndex((other) => other.at === k?.at) + by]?.ease;
  };
  const arriving = of(sides.value.arriving[0], -1);
  const leaving = of(sides.value.leaving[0], 0);
  return [
    ...(arriving ? [{ side: 'arriving' as const, ease: arriving, at: 'end' as const }] : []),
    ...(leaving ? [{ side: 'leaving' as const, ease: leaving, at: 'start' as const }] : []),
  ];
});

function change(side: Side, ease: Ease, half: Half = 'both') {
  return { edit: { kind: 'set-ease', keys: sides.value[side], ease, side, half } };
}

function beyond(part: 'before' | 'after', value: unknown) {
  const f = found.value;
  if (!f) return;
  void timing.edit(part === 'before' ? 'Before the first key' : 'After the last key', 'set-beyond', {
    layer: f.name.layer,
    property: f.name.property,
    before: f.property.before,
    after: f.property.after,
    [part]: value,
  });
}

function loosen(loose: boolean) {
  void timing.edit(loose ? 'Give up the time' : 'Take up the time', 'set-loose', {
    keys: view.keys,
    loose,
  });
}
</script>

<template>
  <div v-if="found" class="ease">
    <h4>
      {{ view.keys.length > 1 ? `${view.keys.length} keys` : `Key of ${found.property.label.toLowerCase()}` }}
    </h4>
    <SheetLine :label="view.keys.length > 1 ? 'First at' : 'At frame'">
      <TimeField
        :value="first"
        label="Frame of the key"
        :disabled="locked"
        @commit="(f) => timing.nudge(f - first)"
      />
    </SheetLine>
    <section v-for="e in eases" :key="e.side" :aria-label="SAYS[e.side]">
      <h5>{{ SAYS[e.side] }}</h5>
      <EaseField
        :ease="e.ease"
        :at="e.at"
        :label="e.side === 'arriving' ? 'Ease before' : 'Ease'"
        :disabled="locked"
        @draft="(v, half) => desk.draft(change(e.side, v, half))"
        @commit="(v, half) => desk.commit('Ease', change(e.side, v, half))"
        @drop="desk.drop()"
      />
      <div class="buttons">
        <button class="bare link" title="Copy this ease" @click="copied = e.ease">Copy ease</button>
        <button
          class="bare link"
          :disabled="!copied || locked"
          title="Give the chosen keys the copied ease"
          @click="copied && desk.commit('Ease', change(e.side, copied))"
        >
          Same as copied
        </button>
      </div>
    </section>
    <button
      v-if="view.keys.length > 1"
      class="bare link"
      :disabled="locked"
      title="The first comes last"
      @click="timing.reverse()"
    >
      Reverse
    </button>
    <Checkbox
      v-if="inner || found.key.loose"
      :checked="found.key.loose"
      :disabled="locked"
      title="The key keeps its place on the way but not its time, so that the speed is even"
      @change="(e) => loosen(e.target.checked)"
      >Gives up its time for an even speed</Checkbox
    >
    <template v-if="sole">
      <SheetLine
        v-for="part in ['before', 'after'] as const"
        :key="part"
        :label="part === 'before' ? 'Before' : 'After'"
      >
        <Select
          size="small"
          :aria-label="part === 'before' ? 'Before the first key' : 'After the last key'"
          :value="found.property[part]"
          :options="BEYOND"
          :disabled="locked"
          @change="(v) => beyond(part, v)"
        />
      </SheetLine>
    </template>
    <p class="quiet">
      On {{ found.row.layer.name }}: frame {{ frameOf(found.row, found.key.at) }} of the shot, frame
      {{ found.key.at }} of the layer.
    </p>
  </div>
</template>

<style scoped>
.ease {
  margin-top: 12px;
  padding-top: 8px;
  border-top: 1px solid var(--line);
}
h4,
h5 {
  margin: 0 0 4px;
  font-size: 13px;
  font-weight: 600;
  color: var(--text);
}
h5 {
  margin-top: 6px;
  font-weight: 400;
  color: var(--quiet);
}
.quiet {
  color: var(--quiet);
  margin: 6px 0 0;
  font-size: 12px;
}
.buttons {
  display: flex;
  gap: 10px;
  margin: 4px 0;
}
.link {
  color: var(--accent);
  padding-left: 0;
}
.link:disabled {
  color: #777;
}
</style>
