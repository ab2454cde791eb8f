<script setup lang="ts">
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons-vue';
import { Dropdown, Menu, MenuItem, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import SheetLine from '../../fields/SheetLine.vue';
import type { PaintForm, PaintNow, PropertyNow, StopNow } from '../../lib/answers';
import { follow } from '../../lib/drag';
import { freshId } from '../../lib/layers';
import { rampCss } from '../../lib/paints';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import PropertyRow from '../PropertyRow.vue';

/** What something is painted with: a colour, or a gradient with its stops on a ramp. */
const props = defineProps<{ paint: PaintNow; properties: PropertyNow[]; locked: boolean }>();
const shot = useShot();
const view = useView();
const desk = useDesk();

const FORMS: { value: PaintForm; label: string }[] = [
  { value: 'solid', label: 'one colour' },
  { value: 'linear', label: 'linear gradient' },
  { value: 'radial', label: 'radial gradient' },
  { value: 'conic', label: 'conic gradient' },
];
const bar = ref<HTMLElement>();
const chosen = computed<StopNow | undefined>(
  () => props.paint.stops.find((s) => s.id === view.stop) ?? props.paint.stops[0],
);
const named = (names: readonly string[]) => props.properties.filter((p) => names.includes(p.name));
const percent = (at: number) => `${Math.round(at * 100)} %`;

function become(form: PaintForm) {
  view.takePaint(props.paint.name);
  void shot.edit(`${props.paint.label}: ${FORMS.find((f) => f.value === form)?.label}`, {
    edit: { kind: 'set-paint', layer: view.layer, paint: props.paint.name, frame: view.frame, form },
  });
}

function shareAt(e: PointerEvent | MouseEvent): number {
  const r = bar.value?.getBoundingClientRect();
  return r ? Math.min(1, Math.max(0, (e.clientX - r.left) / r.width)) : 0;
}

async function add(at: number) {
  const newId = freshId();
  const edit = { kind: 'add-stop', layer: view.layer, paint: props.paint.name, frame: view.frame, newId, at };
  if (await shot.edit('Add stop', { edit })) view.takePaint(props.paint.name, newId);
}

/** Into the middle of the widest gap. */
function addBetween() {
  const at = props.paint.stops.map((s) => s.at).sort((a, b) => a - b);
  const all = [0, ...at, 1];
  let best = 0;
  for (let i = 1; i < all.length; i++) {
    const gap = (all[i] ?? 0) - (all[i - 1] ?? 0);
    if (gap > (all[best + 1] ?? 0) - (all[best] ?? 0)) best = i - 1;
  }
  void add(((all[best] ?? 0) + (all[best + 1] ?? 1)) / 2);
}

function remove(stop: StopNow) {
  if (props.paint.stops.length <= 2) return;
  void shot.edit('Remove stop', {
    edit: { kind: 'remove-stop', layer: view.layer, paint: props.paint.name, stop: stop.id },
  });
}

/** A stop follows the pointer along the ramp; pulled well away from it, it is taken away. */
function drag(e: PointerEvent, stop: StopNow) {
  if (props.locked || e.button !== 0) return;
  view.takePaint(props.paint.name, stop.id);
  const start = e.clientX;
  let last: number | undefined;
  let away = false;
  follow({
    move: (m) => {
      if (last === undefined && Math.abs(m.clientX - start) < 3 && Math.abs(m.clientY - e.clientY) < 12)
        return;
      away = Math.abs(m.clientY - e.clientY) > 48;
      last = shareAt(m);
      desk.draft(desk.setValue(stop.properties[0], last));
    },
    end: () => {
      if (away && props.paint.stops.length > 2) {
        desk.drop();
        remove(stop);
      } else if (last !== undefined) void desk.commit('Stop', desk.setValue(stop.properties[0], last));
    },
    cancel: () => desk.drop(),
  });
}

function onKey(e: KeyboardEvent, stop: StopNow) {
  const by = { ArrowLeft: -0.01, ArrowRight: 0.01 }[e.key];
  if (by !== undefined) {
    const to = Math.min(1, Math.max(0, Math.round((stop.at + by * (e.shiftKey ? 10 : 1)) * 100) / 100));
    void desk.commit('Stop', desk.setValue(stop.properties[0], to));
  } else if (e.key === 'Delete' || e.key === 'Backspace') remove(stop);
  else return;
  e.preventDefault();
  e.stopPropagation();
}
</script>

<template>
  <template v-if="paint.form === 'solid'">
    <PropertyRow v-for="p in properties" :key="p.name" :property="p" :locked="locked">
      <Dropdown :trigger="['click']" :disabled="locked">
        <button class="bare into" :aria-label="`${p.label}: make it a gradient`" title="Make it a gradient">
          <span class="swatch" :style="{ background: `linear-gradient(90deg, ${p.value}, #1c1c1c)` }"></span>
        </button>
        <template #overlay>
          <Menu>
            <MenuItem v-for="f in FORMS.slice(1)" :key="f.value" @click="become(f.value)">{{
              f.label
            }}</MenuItem>
          </Menu>
        </template>
      </Dropdown>
    </PropertyRow>
  </template>
  <div
    v-else
    class="gradient"
    :data-testid="`gradient-${paint.name}`"
    @pointerdown="view.takePaint(paint.name)"
  >
    <SheetLine :label="paint.label">
      <span class="with">
        <Select
          size="small"
          class="grow"
          :aria-label="`${paint.label}: one colour or a gradient`"
          :disabled="locked"
          :value="paint.form"
          :options="FORMS"
          @change="(v) => become(v as PaintForm)"
        />
        <button
          class="bare"
          :disabled="locked"
          aria-label="Add a stop"
          title="Add a stop"
          @click="addBetween"
        >
          <PlusOutlined />
        </button>
      </span>
    </SheetLine>
    <div
      ref="bar"
      class="ramp"
      data-testid="ramp"
      title="A click adds a stop"
      @pointerdown.self="!locked && add(shareAt($event))"
    >
      <span class="colours" :style="{ background: rampCss(paint.stops) }"></span>
      <button
        v-for="(s, i) in paint.stops"
        :key="s.id"
        class="stop"
        :class="{ chosen: s === chosen }"
        :style="{ left: `${s.at * 100}%` }"
        :disabled="locked"
        :data-testid="`stop-${i}`"
        :aria-label="`Stop ${i + 1} at ${percent(s.at)}`"
        title="Move it along; pull it away, or Delete, to take it away"
        @pointerdown.stop="drag($event, s)"
        @focus="view.takePaint(paint.name, s.id)"
        @keydown="onKey($event, s)"
      >
        <span :style="{ background: s.colour }"></span>
      </button>
    </div>
    <template v-if="chosen">
      <PropertyRow
        v-for="(p, i) in named(chosen.properties)"
        :key="p.name"
        :property="p"
        :label="i === 0 ? 'Stop at' : 'Its colour'"
        :locked="locked"
      >
        <button
          v-if="i === 1 && paint.stops.length > 2"
          class="bare"
          :disabled="locked"
          aria-label="Remove the stop"
          title="Remove the stop"
          @click="remove(chosen)"
        >
          <DeleteOutlined />
        </button>
      </PropertyRow>
    </template>
    <PropertyRow v-for="p in named(paint.properties)" :key="p.name" :property="p" :locked="locked" />
  </div>
</template>

<style scoped>
.gradient {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  background: var(--panel-2);
}
.with {
  display: flex;
  gap: 4px;
  min-width: 0;
}
.grow {
  min-width: 0;
  flex: 1;
}
.into {
  flex: none;
  padding: 2px;
}
.swatch {
  display: block;
  width: 16px;
  height: 16px;
  border: 1px solid #555;
  border-radius: 3px;
}
.ramp {
  position: relative;
  height: 34px;
  margin: 4px 8px 2px;
  cursor: copy;
}
.colours {
  position: absolute;
  inset: 0 0 14px;
  border-radius: 3px;
  box-shadow: 0 0 0 1px #0008;
  pointer-events: none;
}
.stop {
  position: absolute;
  top: 14px;
  width: 15px;
  height: 19px;
  margin-left: -7.5px;
  padding: 0;
  border: 0;
  background: none;
  cursor: ew-resize;
}
.stop span {
  display: block;
  width: 13px;
  height: 13px;
  margin: 4px 1px 0;
  border: 2px solid #d8d8d8;
  border-radius: 50%;
  box-shadow: 0 0 0 1px #0009;
}
.stop.chosen span {
  border-color: var(--accent);
  box-shadow: 0 0 0 2px #f4f4f4;
}
</style>
