<script setup lang="ts">
import { Checkbox, Select } from 'ant-design-vue';
import { computed } from 'vue';
import type { Layer } from '../api/client';
import NumberField from '../fields/NumberField.vue';
import TimeField from '../fields/TimeField.vue';
import SheetLine from '../fields/SheetLine.vue';
import { useDesk } from '../stores/desk';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';

/** When the layer is there, and how what it shows runs. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const desk = useDesk();
const timing = useTiming();

const span = computed(() => props.layer.span);
const pace = computed(() => props.layer.pace);
const runs = computed(() => ['footage', 'group', 'sound'].includes(props.layer.content.kind));

const setSpan = (label: string, next: Layer['span']) =>
  void desk.commit(label, shot.field(props.layer.id, 'span', next));
const paced = (field: string, value: unknown) => shot.field(props.layer.id, `pace/${field}`, value);
const setPace = (label: string, field: string, value: unknown) =>
  void desk.commit(label, paced(field, value));
</script>

<template>
  <SheetLine label="From">
    <TimeField
      :value="span.in"
      label="First frame"
      :disabled="locked"
      @commit="(f) => timing.edit('Slide', 'slide', { layers: [layer.id], by: f - span.in })"
    />
  </SheetLine>
  <SheetLine label="To">
    <TimeField
      :value="span.in + span.length - 1"
      label="Last frame"
      :least="span.in"
      :disabled="locked"
      @commit="(f) => setSpan('Trim', { ...span, length: f - span.in + 1 })"
    />
  </SheetLine>
  <SheetLine label="Length">
    <TimeField
      :value="span.length"
      label="Length of the layer"
      :least="1"
      :disabled="locked"
      @commit="(f) => setSpan('Trim', { ...span, length: f })"
    />
  </SheetLine>
  <SheetLine v-if="layer.content.kind === 'footage' || layer.content.kind === 'sound'" label="Begins with">
    <TimeField
      :value="span.offset"
      label="First frame of the clip"
      :disabled="locked"
      @commit="(f) => timing.edit('Slip', 'slip', { layers: [layer.id], by: f - span.offset })"
    />
  </SheetLine>
  <template v-if="runs">
    <SheetLine label="Speed">
      <NumberField
        :value="pace.speed * 100"
        label="Speed"
        unit="%"
        :least="0.1"
        :most="100000"
        :disabled="locked"
        @draft="(v) => desk.draft(paced('speed', v / 100))"
        @commit="(v) => setPace('Speed', 'speed', v / 100)"
      />
    </SheetLine>
    <template v-if="layer.content.kind !== 'sound'">
      <SheetLine label="Each frame">
        <NumberField
          :value="pace.hold"
          label="Each frame is held"
          unit="times"
          :least="1"
          :most="1000"
          :step="0.1"
          :decimals="0"
          :disabled="locked"
          @draft="(v) => desk.draft(paced('hold', Math.round(v)))"
          @commit="(v) => setPace('Hold frames', 'hold', Math.round(v))"
        />
      </SheetLine>
      <SheetLine label="Between">
        <Select
          size="small"
          aria-label="Between two frames"
          :value="pace.mixed ? 'mixed' : 'nearest'"
          :options="[
            { value: 'nearest', label: 'the frame before' },
            { value: 'mixed', label: 'both frames mixed' },
          ]"
          :disabled="locked"
          @change="(v) => setPace('Between frames', 'mixed', v === 'mixed')"
        />
      </SheetLine>
      <Checkbox
        :checked="pace.reversed"
        :disabled="locked"
        @change="(e) => setPace('Backwards', 'reversed', e.target.checked)"
        >Runs backwards</Checkbox
      >
      <div>
        <button v-if="pace.freeze === null" class="bare link" :disabled="locked" @click="timing.freeze()">
          Freeze on this frame
        </button>
        <button v-else class="bare link" :disabled="locked" @click="setPace('Thaw', 'freeze', null)">
          Let it run again
        </button>
      </div>
    </template>
  </template>
  <Checkbox
    v-if="layer.content.kind !== 'sound'"
    :checked="layer.motionBlur"
    :disabled="locked"
    @change="(e) => shot.setField(layer.id, 'motionBlur', e.target.checked, 'Motion blur')"
    >Blurred by its motion</Checkbox
  >
</template>

<style scoped>
.link {
  color: var(--accent);
  padding-left: 0;
}
:deep(.ant-checkbox-wrapper) {
  display: flex;
  margin: 4px 0;
}
</style>
