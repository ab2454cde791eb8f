<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Ease } from '../api/client';
import EaseField from '../fields/EaseField.vue';
import TimeField from '../fields/TimeField.vue';
import SheetLine from '../fields/SheetLine.vue';
import { frameOf, type Beyond } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

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

function change(ease: Ease) {
  return { edit: { kind: 'set-ease', keys: view.keys, ease } };
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
    <h5>On to the next</h5>
    <EaseField
      :ease="found.key.ease"
      :disabled="locked"
      @draft="(e) => desk.draft(change(e))"
      @commit="(e) => desk.commit('Ease', change(e))"
      @drop="desk.drop()"
    />
    <div class="buttons">
      <button class="bare link" title="Copy this ease" @click="copied = found.key.ease">Copy ease</button>
      <button
        class="bare link"
        :disabled="!copied || locked"
        title="Give the chosen keys the copied ease"
        @click="copied && desk.commit('Ease', change(copied))"
      >
        Same as copied
      </button>
      <button class="bare link" :disabled="locked || view.keys.length < 2" @click="timing.reverse()">
        Reverse
      </button>
    </div>
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
