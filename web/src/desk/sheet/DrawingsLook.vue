<script setup lang="ts">
import { Button, Segmented, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Content, Layer } from '../../api/client';
import ColourField from '../../fields/ColourField.vue';
import NumberField from '../../fields/NumberField.vue';
import SheetHead from '../../fields/SheetHead.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useFrames } from '../../stores/frames';
import { usePen } from '../../stores/pen';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';

/** A layer that is drawn frame by frame: the pen, what shows through, and the drawings in their order. */
type Drawings = Extract<Content, { kind: 'drawings' }>;
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const pen = usePen();
const all = computed(() => (props.layer.content as Drawings).drawings);
const now = computed(() => {
  const frame = frames.handles?.layer === props.layer.id ? frames.handles.contentFrame : -1;
  let found = -1;
  all.value.forEach((d, i) => (found = d.at <= frame ? i : found));
  return found;
});
const here = computed(() => all.value[now.value]);
const held = computed(() => {
  const next = all.value[now.value + 1];
  const d = here.value;
  return d && next ? next.at - d.at : undefined;
});
const RUBS = [
  { value: 'all', label: 'all under it' },
  { value: 'one-line', label: 'of one line' },
  { value: 'whole-lines', label: 'whole lines' },
];
const perFrame = ref(60);
const ofLast = ref(false);
const NIBS = ['round', 'broad'].map((value) => ({ value, label: `${value} nib` }));

const edit = (label: string, kind: string, more: object = {}) =>
  shot.edit(label, { edit: { kind, layer: props.layer.id, ...more } });
const onFrame = (label: string, kind: string, more: object = {}) =>
  edit(label, kind, { frame: view.frame, ...more });

const tool = computed(() => (view.tool === 'draw' || view.tool === 'rub' ? view.tool : 'choose'));
function take(wanted: string) {
  view.tool = wanted as 'draw';
}
/** Goes to a drawing, in frames of the shot where the layer isn't stretched. */
function go(at: number) {
  const { in: start, offset } = props.layer.span;
  view.frame = Math.max(0, at - offset + start);
}
async function erase() {
  await onFrame('Erase backwards', 'erase-backwards', {
    every: pen.every,
    length: perFrame.value,
    line: ofLast.value ? (here.value?.parts.at(-1)?.line ?? null) : null,
  });
}
</script>

<template>
  <Segmented
    class="tools"
    size="small"
    :disabled="locked"
    :value="tool"
    :options="[
      { value: 'choose', label: 'Place' },
      { value: 'draw', label: 'Draw' },
      { value: 'rub', label: 'Rub out' },
    ]"
    @change="(v) => take(v as string)"
  />
  <SheetLine label="Colour">
    <ColourField :value="pen.colour" label="Colour of the pen" @commit="(v) => (pen.colour = v)" />
  </SheetLine>
  <SheetLine label="Width">
    <NumberField
      :value="pen.width"
      label="Width of the line"
      unit="px"
      :least="0.5"
      :most="1000"
      @commit="(v) => (pen.width = v)"
    />
  </SheetLine>
  <SheetLine label="Tip">
    <span class="pair">
      <Select v-model:value="pen.nib" size="small" aria-label="Tip of the pen" :options="NIBS" />
      <NumberField
        v-if="pen.nib === 'broad'"
        :value="pen.angle"
        label="Angle of the nib"
        unit="°"
        :least="-180"
        :most="180"
        @commit="(v) => (pen.angle = v)"
      />
    </span>
  </SheetLine>
  <SheetLine label="Steadied">
    <NumberField
      :value="pen.smooth"
      label="Steadied over"
      unit="px"
      :least="0"
      :most="500"
      @commit="(v) => (pen.smooth = v)"
    />
  </SheetLine>
  <SheetLine label="Eraser">
    <span class="pair">
      <NumberField
        :value="pen.eraser"
        label="Radius of the eraser"
        unit="px"
        :least="1"
        :most="2000"
        @commit="(v) => (pen.eraser = v)"
      />
      <Select v-model:value="pen.rubs" size="small" aria-label="What the eraser takes" :options="RUBS" />
    </span>
  </SheetLine>
  <SheetLine label="Draws on">
    <NumberField
      :value="pen.every"
      label="On each … frame"
      unit="fr"
      :least="1"
      :most="100"
      @commit="(v) => (pen.every = Math.round(v))"
    />
  </SheetLine>
  <SheetLine label="Through">
    <span class="three">
      <NumberField
        :value="pen.before"
        label="Drawings before that show through"
        unit="before"
        :least="0"
        :most="12"
        @commit="(v) => (pen.before = Math.round(v))"
      />
      <NumberField
        :value="pen.after"
        label="Drawings after that show through"
        unit="after"
        :least="0"
        :most="12"
        @commit="(v) => (pen.after = Math.round(v))"
      />
    </span>
  </SheetLine>

  <SheetHead title="Drawings">
    <span class="quiet">{{ all.length }}</span>
  </SheetHead>
  <p v-if="all.length === 0" class="quiet">Choose Draw, and draw on the Picture.</p>
  <div v-else class="strip" data-testid="drawings">
    <button
      v-for="(d, i) in all"
      :key="d.at"
      class="bare one"
      :class="{ chosen: i === now, played: d.played }"
      :title="`From frame ${d.at}: ${d.parts.length} lines`"
      :data-testid="`drawing-${i}`"
      @click="go(d.at)"
    >
      {{ d.at }}
    </button>
  </div>
  <template v-if="here">
    <SheetLine v-if="held !== undefined" label="Holds for">
      <NumberField
        :value="held"
        label="Holds for"
        unit="fr"
        :least="1"
        :most="10000"
        :disabled="locked"
        @commit="(v) => onFrame('Hold longer', 'hold-drawing', { frames: Math.round(v) - (held ?? 0) })"
      />
    </SheetLine>
    <div class="acts">
      <Button
        size="small"
        :disabled="locked"
        @click="onFrame('Undo a line', 'remove-line', { every: pen.every, line: null })"
        >Take back a line</Button
      >
      <Button
        size="small"
        :disabled="locked"
        @click="onFrame('Insert a frame', 'hold-drawing', { frames: 1 })"
        >Insert a frame</Button
      >
      <Button
        size="small"
        :disabled="locked"
        @click="onFrame('Copy the drawing', 'copy-drawing', { to: view.frame + pen.every })"
        >Copy to the next</Button
      >
      <Button size="small" :disabled="locked" @click="onFrame('Remove the drawing', 'remove-drawing')"
        >Remove it</Button
      >
      <Button
        size="small"
        :disabled="locked"
        :type="here.played ? 'primary' : 'default'"
        @click="onFrame('As the hand drew it', 'play-drawing', { played: !here.played })"
        >As the hand drew it</Button
      >
    </div>
    <SheetHead title="All of them" />
    <div class="acts">
      <Button size="small" :disabled="locked" @click="edit('Reverse the drawings', 'reverse-drawings')"
        >Reverse</Button
      >
      <Button size="small" :disabled="locked" @click="edit('Twice as fast', 'retime-drawings', { speed: 2 })"
        >Twice as fast</Button
      >
      <Button size="small" :disabled="locked" @click="edit('Half as fast', 'retime-drawings', { speed: 0.5 })"
        >Half as fast</Button
      >
    </div>
    <SheetLine label="Goes a frame">
      <span class="pair">
        <NumberField
          :value="perFrame"
          label="Length that goes on each drawn frame"
          unit="px"
          :least="1"
          :most="100000"
          :disabled="locked"
          @commit="(v) => (perFrame = v)"
        />
        <Button
          size="small"
          :disabled="locked"
          title="From this frame on the drawing is taken back, line by line; reversed, it is written"
          @click="erase"
          >Erase backwards</Button
        >
      </span>
    </SheetLine>
    <SheetLine label="Of">
      <Select
        size="small"
        aria-label="What is erased backwards"
        :value="ofLast ? 'last' : 'all'"
        :options="[
          { value: 'all', label: 'all lines' },
          { value: 'last', label: 'the last line only' },
        ]"
        @change="(v) => (ofLast = v === 'last')"
      />
    </SheetLine>
  </template>
</template>

<style scoped>
.tools {
  margin: 2px 0 6px;
}
.pair,
.three {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
  max-height: 88px;
  overflow-y: auto;
}
.one {
  min-width: 26px;
  padding: 1px 4px;
  border: 1px solid #3a3a3a;
  border-radius: 2px;
  font-variant-numeric: tabular-nums;
}
.one.chosen {
  border-color: var(--accent);
  background: #2f3b38;
}
.one.played {
  border-style: dashed;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0;
}
.quiet {
  color: var(--quiet);
}
</style>
