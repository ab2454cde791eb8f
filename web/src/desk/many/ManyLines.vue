<script setup lang="ts">
import { Segmented } from 'ant-design-vue';
import { computed, ref } from 'vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';

/** Brings chosen layers into line: with each other, with the frame, or with title safe. */
const shot = useShot();
const view = useView();
const desk = useDesk();

const to = ref<'each-other' | 'frame' | 'title-safe'>('each-other');
const TO = [
  { value: 'each-other', label: 'each other' },
  { value: 'frame', label: 'frame' },
  { value: 'title-safe', label: 'title safe' },
];
/** What a line of each is brought onto, drawn on 16 × 16 pixels: two boxes and the line. */
const LINES = [
  { line: 'left', label: 'Left edges', glyph: 'M2.5 1v14M4.5 3.5h9v3h-9zM4.5 9.5h6v3h-6z' },
  { line: 'centre', label: 'Middles across', glyph: 'M8 1v14M3.5 3.5h9v3h-9zM5 9.5h6v3H5z' },
  { line: 'right', label: 'Right edges', glyph: 'M13.5 1v14M2.5 3.5h9v3h-9zM5.5 9.5h6v3h-6z' },
  { line: 'top', label: 'Top edges', glyph: 'M1 2.5h14M3.5 4.5h3v9h-3zM9.5 4.5h3v6h-3z' },
  { line: 'middle', label: 'Middles down', glyph: 'M1 8h14M3.5 3.5h3v9h-3zM9.5 5h3v6h-3z' },
  { line: 'bottom', label: 'Bottom edges', glyph: 'M1 13.5h14M3.5 2.5h3v9h-3zM9.5 5.5h3v6h-3z' },
];
const across = [
  { line: 'left', label: 'left edges' },
  { line: 'centre', label: 'middles' },
  { line: 'right', label: 'right edges' },
  { line: null, label: 'gaps' },
];
const down = [
  { line: 'top', label: 'top edges' },
  { line: 'middle', label: 'middles' },
  { line: 'bottom', label: 'bottom edges' },
  { line: null, label: 'gaps' },
];
const least = computed(() => (to.value === 'each-other' ? 3 : 2));
const few = computed(() => desk.free().length < least.value);

function align(line: string) {
  const fields = { layers: desk.free(), frame: view.frame, line, to: to.value };
  void shot.edit('Align', { edit: { kind: 'align', ...fields } });
}
function distribute(downwards: boolean, line: string | null) {
  const fields = { layers: desk.free(), frame: view.frame, down: downwards, line, to: to.value };
  void shot.edit('Spread evenly', { edit: { kind: 'distribute', ...fields } });
}
</script>

<template>
  <h5>In line with</h5>
  <Segmented v-model:value="to" block size="small" :options="TO" aria-label="In line with" />
  <div class="lines">
    <button
      v-for="l in LINES"
      :key="l.line"
      class="bare"
      :aria-label="l.label"
      :title="l.label"
      @click="align(l.line)"
    >
      <svg viewBox="0 0 16 16" width="20" height="20"><path :d="l.glyph" /></svg>
    </button>
  </div>
  <h5>Spread evenly</h5>
  <SheetLine label="Across by">
    <span class="words">
      <button
        v-for="a in across"
        :key="a.label"
        class="bare link"
        :disabled="few"
        :aria-label="`Spread across by ${a.label}`"
        @click="distribute(false, a.line)"
      >
        {{ a.label }}
      </button>
    </span>
  </SheetLine>
  <SheetLine label="Down by">
    <span class="words">
      <button
        v-for="d in down"
        :key="d.label"
        class="bare link"
        :disabled="few"
        :aria-label="`Spread down by ${d.label}`"
        @click="distribute(true, d.line)"
      >
        {{ d.label }}
      </button>
    </span>
  </SheetLine>
  <p v-if="few" class="why">Between each other it takes three layers or more.</p>
</template>

<style scoped>
h5 {
  margin: 12px 0 4px;
  font-size: 13px;
  font-weight: 400;
  color: var(--quiet);
}
.lines {
  display: flex;
  justify-content: space-between;
  margin-top: 6px;
}
.lines path {
  fill: none;
  stroke: currentColor;
}
.words {
  display: flex;
  flex-wrap: wrap;
}
.words button {
  padding: 2px 6px 2px 0;
}
.link {
  color: var(--accent);
}
.link:disabled {
  color: #777;
}
.why {
  margin: 4px 0;
  color: var(--quiet);
}
</style>
