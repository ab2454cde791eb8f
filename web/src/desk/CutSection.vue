<script setup lang="ts">
import { Checkbox, Segmented, Select } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import type { Layer } from '../api/client';
import ToneCurveField from '../fields/ToneCurveField.vue';
import SheetLine from '../fields/SheetLine.vue';
import type { CurvePoint } from '../lib/toneCurve';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useShot } from '../stores/shot';
import MaskSection from './MaskSection.vue';
import PropertyRow from './PropertyRow.vue';
import WindowSection from './WindowSection.vue';
import { useContent } from './sheet/useContent';

/** What is visible of the layer: what it is cut by, and its masks. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const desk = useDesk();
const frames = useFrames();
const { properties, of } = useContent();

const cutters = computed(() => [
  { value: '', label: 'nothing' },
  ...shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id)
    .map((l) => ({ value: l.id, label: l.name })),
]);
/** What a layer does with what lies below it in its group. */
const JOINS = [
  { value: 'over', label: 'lies under it' },
  { value: 'stay-inside', label: 'holds it (it stays inside)' },
  { value: 'keep-below', label: 'is kept inside it' },
  { value: 'knock-out-below', label: 'is knocked out by it' },
];
/** Whether anything is done to the matte. */
const toned = computed(
  () => of('cut').some((p) => !p.neutral) || (props.layer.cut?.tone.curve.length ?? 0) > 0,
);
const shown = ref(false);
/** The layer that `shown` was last decided for: once for each, then it is the designer's to open and close. */
let decided = '';
watch(
  () => [props.layer.id, properties.value.length > 0] as const,
  ([id, known], before) => {
    if (decided === id) return;
    if (before?.[0] !== id) shown.value = false;
    if (!known) return;
    decided = id;
    if (toned.value) shown.value = true;
  },
  { immediate: true },
);
const curved = (points: CurvePoint[]) => shot.field(props.layer.id, 'cut/tone/curve', points);
const cuts = computed(() => shot.everyLayer().filter((l) => l.cut?.by === props.layer.id));

function setCut(part: Partial<NonNullable<Layer['cut']>>) {
  const next = { by: '', with: 'shape', keep: 'inside', ...(props.layer.cut ?? {}), ...part };
  void shot.setField(props.layer.id, 'cut', next.by ? next : null, 'Cut by');
}
</script>

<template>
  <SheetLine label="Cut by">
    <Select
      size="small"
      class="grow"
      aria-label="Cut by"
      :disabled="locked"
      :value="layer.cut?.by ?? ''"
      :options="cutters"
      @change="(v) => setCut({ by: String(v ?? '') })"
    />
  </SheetLine>
  <template v-if="layer.cut">
    <SheetLine label="its">
      <Segmented
        size="small"
        :disabled="locked"
        :value="layer.cut.with"
        :options="['shape', 'brightness']"
        @change="(v) => setCut({ with: v as 'shape' })"
      />
    </SheetLine>
    <SheetLine label="keep the">
      <Segmented
        size="small"
        :disabled="locked"
        :value="layer.cut.keep"
        :options="['inside', 'outside']"
        @change="(v) => setCut({ keep: v as 'inside' })"
      />
    </SheetLine>
    <details class="tone" :open="shown" @toggle="(e) => (shown = (e.target as HTMLDetailsElement).open)">
      <summary>The matte that is taken from it</summary>
      <template v-for="p in of('cut')" :key="p.name">
        <PropertyRow :property="p" :locked="locked" />
        <ToneCurveField
          v-if="p.name === 'cut.gamma'"
          :points="layer.cut.tone?.curve ?? []"
          :drawn="frames.handles?.curve ?? []"
          :disabled="locked"
          @draft="(c) => desk.draft(curved(c))"
          @commit="(c) => desk.commit('Curve of the cut', curved(c))"
          @drop="desk.drop()"
        />
      </template>
    </details>
  </template>
  <SheetLine label="Below">
    <Select
      size="small"
      class="grow"
      aria-label="What it does with what lies below"
      :disabled="locked"
      :value="layer.join"
      :options="JOINS"
      @change="(v) => shot.setField(layer.id, 'join', v, 'Join')"
    />
  </SheetLine>
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
  <WindowSection :layer="layer" :locked="locked" />
  <MaskSection :layer="layer" :properties="properties" :locked="locked" />
</template>

<style scoped>
.grow {
  min-width: 0;
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
.tone {
  margin-top: 2px;
}
.tone summary {
  color: var(--quiet);
  cursor: pointer;
}
.tone[open] {
  padding-bottom: 4px;
}
</style>
