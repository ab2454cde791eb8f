<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import { computed, ref } from 'vue';
import NumberField from '../fields/NumberField.vue';
import SheetHead from '../fields/SheetHead.vue';
import SheetLine from '../fields/SheetLine.vue';
import type { Layer } from '../api/client';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import PointTools from './PointTools.vue';

/** The strokes in which a layer is written: found in it, or set by hand, in their order. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();

const content = computed(() => props.layer.content);
const ink = computed(() => props.layer.ink ?? undefined);
/** Strokes that were set for other words, or in another font, stay until these come back. */
const fits = computed(() => {
  const i = ink.value;
  const c = content.value;
  return !!i && (c.kind !== 'text' || (i.words === c.words && i.font === c.font));
});
const larger = computed(() => {
  const c = content.value;
  return fits.value && c.kind === 'text' && typeof c.size === 'number' && ink.value?.size !== c.size;
});
const path = (id: string) => `stroke.${id}.path`;

const edit = (label: string, kind: string, more: object = {}) =>
  shot.edit(label, { edit: { kind, layer: props.layer.id, ...more } });
const here = () => ({ frame: view.frame });
const patch = (label: string, op: 'remove' | 'move', at: string, more: object = {}) =>
  shot.edit(label, { layer: props.layer.id, patch: [{ op, path: `/ink/strokes/${at}`, ...more }] });

function order(index: number, by: number) {
  void patch('Order of strokes', 'move', String(index + by), { from: `/ink/strokes/${index}` });
}
const chosen = computed(() => {
  const index = ink.value?.strokes.findIndex((s) => path(s.id) === view.path) ?? -1;
  const s = ink.value?.strokes[index];
  return s && { ...s, index };
});
/** A stroke that is dragged onto another takes its place. */
const dragged = ref<number>();
const over = ref<number>();
function drop(to: number) {
  const from = dragged.value;
  dragged.value = over.value = undefined;
  if (from === undefined || from === to) return;
  void patch('Order of strokes', 'move', String(to), { from: `/ink/strokes/${from}` });
}
function remove(index: number) {
  view.choosePath(undefined);
  void patch('Remove stroke', 'remove', String(index));
}
function forget() {
  view.choosePath(undefined);
  void shot.setField(props.layer.id, 'ink', null, 'Strokes as found');
}
const draw = () => (view.tool = view.tool === 'stroke' ? 'choose' : 'stroke');
</script>

<template>
  <SheetHead title="Strokes">
    <button v-if="ink" class="bare link" :disabled="locked" @click="forget">as found</button>
  </SheetHead>
  <template v-if="!fits">
    <p class="why">
      {{ ink ? 'Those set by hand are for other letters; these were found anew.' : 'They were found in it.' }}
    </p>
    <Button
      size="small"
      :disabled="locked"
      data-testid="strokes-by-hand"
      @click="edit('Strokes by hand', 'find-strokes', here())"
      >Set them by hand</Button
    >
  </template>
  <template v-else>
    <p v-if="larger" class="why">
      They were set for letters of {{ ink?.size }} px and are drawn larger or smaller.
      <button class="bare link" :disabled="locked" @click="edit('Fit strokes', 'fit-strokes', here())">
        Fit them to this size
      </button>
    </p>
    <ol>
      <li
        v-for="(s, i) in ink?.strokes"
        :key="s.id"
        :class="{ chosen: view.path === path(s.id), over: over === i && dragged !== i }"
        :data-testid="`stroke-${i}`"
        :draggable="!locked"
        title="Drag it to where it is to be written"
        @dragstart="dragged = i"
        @dragover.prevent="over = i"
        @dragend="dragged = over = undefined"
        @drop.prevent="drop(i)"
        @pointerdown="view.choosePath(path(s.id))"
      >
        <span class="number">{{ i + 1 }}</span>
        <button
          class="bare"
          :disabled="locked || i === 0"
          :aria-label="`Stroke ${i + 1} earlier`"
          @click="order(i, -1)"
        >
          ↑
        </button>
        <button
          class="bare"
          :disabled="locked || i + 1 === ink?.strokes.length"
          :aria-label="`Stroke ${i + 1} later`"
          @click="order(i, 1)"
        >
          ↓
        </button>
        <button
          class="bare"
          :disabled="locked"
          title="Turn round"
          :aria-label="`Turn stroke ${i + 1} round`"
          @click="edit('Turn stroke round', 'reverse-strokes', { strokes: [s.id] })"
        >
          ⇄
        </button>
        <span class="between"></span>
        <span v-if="s.time" class="number" title="It has a time of its own">◔</span>
        <button
          class="bare"
          :disabled="locked"
          :aria-label="`Remove stroke ${i + 1}`"
          @click.stop="remove(i)"
        >
          <DeleteOutlined />
        </button>
      </li>
    </ol>
    <p v-if="chosen" class="acts">
      <button
        v-if="chosen.index + 1 < (ink?.strokes.length ?? 0)"
        class="bare link"
        :disabled="locked"
        @click="edit('Join strokes', 'join-strokes', { stroke: chosen.id })"
      >
        join with next
      </button>
      <button
        v-if="view.points.length === 1"
        class="bare link"
        :disabled="locked"
        @click="edit('Cut stroke', 'split-stroke', { stroke: chosen.id, point: view.points[0] })"
      >
        cut here
      </button>
      <button
        class="bare link"
        :disabled="locked"
        @click="edit('Smooth stroke', 'smooth-strokes', { strokes: [chosen.id], deviation: view.nib / 2 })"
      >
        smooth
      </button>
      <button
        v-if="chosen.time"
        class="bare link"
        :disabled="locked"
        title="Written when the pen gets there"
        @click="patch('Time of stroke', 'remove', `${chosen.index}/time`)"
      >
        no time of its own
      </button>
    </p>
    <PointTools v-if="view.path?.startsWith('stroke.')" :locked="locked" />
    <SheetLine label="Tints">
      <span>
        <Switch
          v-model:checked="view.owners"
          size="small"
          aria-label="Tint what each stroke owns"
          data-testid="tint-strokes"
        />
      </span>
    </SheetLine>
    <SheetLine label="Pen">
      <span class="pen">
        <NumberField
          :value="view.nib"
          label="Width of the pen"
          unit="px"
          :least="1"
          :most="1000"
          :disabled="locked"
          @commit="(v) => (view.nib = v)"
        />
        <Button
          size="small"
          :type="view.tool === 'stroke' ? 'primary' : 'default'"
          :disabled="locked"
          data-testid="draw-stroke"
          title="Draw with the mouse or a pen over the letters; Escape ends it"
          @click="draw"
          >Draw</Button
        >
      </span>
    </SheetLine>
  </template>
</template>

<style scoped>
ol {
  max-height: 190px;
  margin: 0 0 8px;
  padding: 0;
  overflow-y: auto;
  list-style: none;
}
li {
  display: flex;
  gap: 4px;
  align-items: center;
  padding: 1px 4px;
  border-radius: 3px;
}
li.over {
  box-shadow: inset 0 2px 0 var(--accent);
}
li.chosen {
  background: var(--chosen, #2f3b38);
}
.number {
  min-width: 22px;
  color: var(--quiet, #9a9a9a);
  text-align: right;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 0 0 4px;
}
.pen {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px;
}
.between {
  flex: 1;
}
.link {
  color: var(--accent);
}
.why {
  margin: 0 0 6px;
  color: var(--quiet, #9a9a9a);
}
</style>
