<script setup lang="ts">
import { Checkbox, Segmented, Select } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import type { Layer } from '../api/client';
import type { PropertyNow } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import PropertyRow from './PropertyRow.vue';

/** What is visible of the layer: what it is cut by, and its masks. */
const props = defineProps<{ layer: Layer; properties: PropertyNow[]; locked: boolean }>();
const shot = useShot();
const view = useView();

const cutters = computed(() => [
  { value: '', label: 'nothing' },
  ...shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id)
    .map((l) => ({ value: l.id, label: l.name })),
]);
const cuts = computed(() => shot.everyLayer().filter((l) => l.cut?.by === props.layer.id));

function setCut(part: Partial<NonNullable<Layer['cut']>>) {
  const next = { by: '', with: 'shape', keep: 'inside', ...(props.layer.cut ?? {}), ...part };
  void shot.setField(props.layer.id, 'cut', next.by ? next : null, 'Cut by');
}

function setMask(index: number, field: string, value: unknown, label: string) {
  void shot.setField(props.layer.id, `masks/${index}/${field}`, value, label);
}

function removeMask(index: number) {
  const pointer = shot.row(props.layer.id)?.pointer;
  void shot.edit('Remove mask', { patch: [{ op: 'remove', path: `${pointer}/masks/${index}` }] });
}
</script>

<template>
  <div class="line">
    <span class="label">Cut by</span>
    <Select
      size="small"
      class="grow"
      aria-label="Cut by"
      :disabled="locked"
      :value="layer.cut?.by ?? ''"
      :options="cutters"
      @change="(v) => setCut({ by: String(v ?? '') })"
    />
  </div>
  <template v-if="layer.cut">
    <div class="line">
      <span class="label">its</span>
      <Segmented
        size="small"
        :disabled="locked"
        :value="layer.cut.with"
        :options="['shape', 'brightness']"
        @change="(v) => setCut({ with: v as 'shape' })"
      />
    </div>
    <div class="line">
      <span class="label">keep the</span>
      <Segmented
        size="small"
        :disabled="locked"
        :value="layer.cut.keep"
        :options="['inside', 'outside']"
        @change="(v) => setCut({ keep: v as 'inside' })"
      />
    </div>
  </template>
  <p v-if="cuts.length" class="why">
    Cuts {{ cuts.map((l) => l.name).join(', ') }}.
    <Checkbox
      :checked="layer.alsoShown"
      :disabled="locked"
      @change="shot.setField(layer.id, 'alsoShown', !layer.alsoShown, 'Also shown')"
    >
      Show it by itself too
    </Checkbox>
  </p>
  <h4>Masks</h4>
  <p v-if="layer.masks.length === 0" class="why">None: all of the layer shows.</p>
  <div
    v-for="(m, i) in layer.masks"
    :key="m.id"
    class="mask"
    :class="{ chosen: view.mask === m.id }"
    @pointerdown="view.mask = m.id"
  >
    <div class="line">
      <strong>{{ m.name }}</strong>
      <span class="tools">
        <Select
          size="small"
          :aria-label="`How ${m.name} works`"
          :disabled="locked"
          :value="m.mode"
          :options="['add', 'subtract', 'intersect', 'exclude'].map((v) => ({ value: v, label: v }))"
          @change="(v) => setMask(i, 'mode', v, 'Mask')"
        />
        <Checkbox
          :checked="m.inverted"
          :disabled="locked"
          @change="setMask(i, 'inverted', !m.inverted, 'Invert mask')"
          >inverted</Checkbox
        >
        <button class="bare" :disabled="locked" :aria-label="`Remove ${m.name}`" @click.stop="removeMask(i)">
          <DeleteOutlined />
        </button>
      </span>
    </div>
    <PropertyRow
      v-for="p in properties.filter((q) => q.name.startsWith(`mask.${m.id}.`))"
      :key="p.name"
      :property="p"
      :label="
        p.name
          .split('.')
          .pop()!
          .replace(/^./, (c) => c.toUpperCase())
      "
      :locked="locked"
    />
  </div>
  <div class="draw">
    <button
      class="bare link"
      :disabled="locked"
      :aria-pressed="view.tool === 'mask-rectangle'"
      @click="view.tool = 'mask-rectangle'"
    >
      + Four points
    </button>
    <button
      class="bare link"
      :disabled="locked"
      :aria-pressed="view.tool === 'mask-ellipse'"
      @click="view.tool = 'mask-ellipse'"
    >
      + Ellipse
    </button>
    <span v-if="view.tool.startsWith('mask')" class="why">Drag over the Picture.</span>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 6px;
  align-items: center;
  min-height: 30px;
}
.label {
  color: var(--quiet);
}
.grow {
  min-width: 0;
}
h4 {
  margin: 10px 0 2px;
  font-size: 13px;
  font-weight: 600;
  color: var(--text);
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
.mask {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.mask.chosen {
  border-left-color: var(--accent);
}
.tools {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: flex-end;
  white-space: nowrap;
}
.link {
  color: var(--accent);
}
.draw {
  display: flex;
  align-items: center;
  gap: 6px;
}
</style>
