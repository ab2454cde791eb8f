<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import { Checkbox, Input, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { Content } from '../../api/client';
import SheetHead from '../../fields/SheetHead.vue';
import SheetLine from '../../fields/SheetLine.vue';
import type { PaintNow, PropertyNow } from '../../lib/answers';
import { freshId } from '../../lib/layers';
import { linesOf } from '../../lib/paints';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import PropertyRow from '../PropertyRow.vue';
import PaintRows from './PaintRows.vue';

/** Coats of paint on paths, the uppermost first. */
type Coat = Extract<Content, { kind: 'shape' }>['coats'][number];
type Stroke = Extract<Coat, { kind: 'stroke' }>;
const props = defineProps<{
  coats: Coat[];
  properties: PropertyNow[];
  paints: PaintNow[];
  locked: boolean;
}>();
const shot = useShot();
const view = useView();

const CAPS = ['butt', 'round', 'square'].map((value) => ({ value, label: `${value} end` }));
const CORNERS = ['mitre', 'round', 'bevel'].map((value) => ({ value, label: value }));
const TURNS = [
  { value: 'together', label: 'all together' },
  { value: 'even', label: 'each in its own time' },
  { value: 'in-turn', label: 'one after another' },
  { value: 'on-one', label: 'only one of them' },
];
const ORDERS = [
  { value: 'drawn', label: 'as drawn' },
  { value: 'across', label: 'left to right' },
  { value: 'down', label: 'top to bottom' },
  { value: 'shortest', label: 'shortest first' },
  { value: 'longest', label: 'longest first' },
  { value: 'random', label: 'at random' },
];

/** What of a stroke is folded away while it does nothing. */
const FOLDS = [
  { name: 'light', label: 'Light', measures: ['softness', 'halo', 'haloLight'] },
  { name: 'head', label: 'Head', measures: ['head', 'headColour', 'headGlow', 'headTail', 'headFade'] },
] as const;
const opened = ref(new Set<string>());

const property = (coat: Coat, measure: string) =>
  props.properties.find((p) => p.name === `coat.${coat.id}.${measure}`);
const idle = (coat: Coat, measure: string) => property(coat, measure)?.neutral ?? true;
function isOpen(coat: Coat, fold: (typeof FOLDS)[number]) {
  const works = fold.name === 'light' ? ['softness', 'halo'] : ['head'];
  return opened.value.has(`${coat.id}.${fold.name}`) || works.some((m) => !idle(coat, m));
}
function flip(coat: Coat, fold: string) {
  const name = `${coat.id}.${fold}`;
  const next = new Set(opened.value);
  if (!next.delete(name)) next.add(name);
  opened.value = next;
}

/** What a coat has beyond its folds. */
function linesIn(coat: Coat) {
  const folded = FOLDS.flatMap((f) => f.measures.map((m) => `coat.${coat.id}.${m}`));
  const stroke = coat.kind === 'stroke' ? coat : undefined;
  if (stroke?.corner !== 'mitre') folded.push(`coat.${coat.id}.mitreLimit`);
  if (!stroke?.dash?.length) folded.push(`coat.${coat.id}.dashOffset`);
  return linesOf(
    props.properties.filter((p) => p.name.startsWith(`coat.${coat.id}.`) && !folded.includes(p.name)),
    props.paints,
  );
}
const inFold = (coat: Coat, fold: (typeof FOLDS)[number]) =>
  fold.measures.map((m) => property(coat, m)).filter((p): p is PropertyNow => !!p);

function patch(label: string, op: 'add' | 'remove' | 'move', path: string, more: object = {}) {
  return shot.edit(label, { layer: view.layer, patch: [{ op, path: `/content/${path}`, ...more }] });
}
const set = (label: string, index: number, field: string, value: unknown) =>
  patch(label, 'add', `coats/${index}/${field}`, { value });

const NEW = {
  fill: { kind: 'fill', colour: '#ffffff' },
  stroke: { kind: 'stroke', colour: '#ffffff', width: 6 },
  thread: {
    kind: 'stroke',
    colour: '#ffd9a0',
    width: 3,
    cap: 'round',
    corner: 'round',
    softness: 1,
    halo: 60,
    haloLight: 0.5,
  },
};
function add(kind: keyof typeof NEW) {
  void patch(`Add ${kind}`, 'add', 'coats/0', { value: { id: freshId(), ...NEW[kind] } });
}

const move = (index: number, by: number) =>
  patch('Order of paint', 'move', `coats/${index + by}`, { from: `/content/coats/${index}` });

/** A dot, or another layer that has a picture. */
const riders = computed(() => [
  { value: '', label: 'a dot' },
  ...shot
    .everyLayer()
    .filter((l) => l.id !== view.layer && !['adjustment', 'sound'].includes(l.content.kind))
    .map((l) => ({ value: l.id, label: l.name })),
]);
/** A layer that runs at the end shows nowhere else; where there was no dot, it gets a size. */
function ride(coat: Stroke, index: number, layer: string) {
  const path = `/content/coats/${index}`;
  const value = layer ? { ...coat.headLayer, layer } : undefined;
  void shot.edit('What runs at the end', {
    layer: view.layer,
    patch: [
      value ? { op: 'add', path: `${path}/headLayer`, value } : { op: 'remove', path: `${path}/headLayer` },
      ...(value && idle(coat, 'head') ? [{ op: 'add' as const, path: `${path}/head`, value: 48 }] : []),
    ],
  });
}

/** Lengths of lines and gaps, in pixels, parted by spaces or commas. */
function dash(index: number, e: Event) {
  const text = (e.target as HTMLInputElement).value;
  const value = (text.match(/[\d.]+/g) ?? []).map(Number).filter((n) => Number.isFinite(n));
  void set('Dash', index, 'dash', value);
}

const ordered = (c: Stroke) => c.turns === 'in-turn' || c.turns === 'on-one';
const title = (c: Coat) => (c.kind === 'fill' ? 'Fill' : idle(c, 'halo') ? 'Stroke' : 'Thread');
</script>

<template>
  <SheetHead title="Paint">
    <span>
      <button class="bare link" :disabled="locked" @click="add('fill')">+ fill</button>
      <button class="bare link" :disabled="locked" @click="add('stroke')">+ stroke</button>
      <button class="bare link" :disabled="locked" title="A line of light" @click="add('thread')">
        + thread
      </button>
    </span>
  </SheetHead>
  <div v-for="(c, i) in coats" :key="c.id" class="part" :data-testid="`coat-${i}`">
    <div class="head">
      <strong>{{ title(c) }}</strong>
      <button
        class="bare"
        :disabled="locked || i === 0"
        :aria-label="`${c.kind} ${i + 1} higher`"
        @click="move(i, -1)"
      >
        ↑
      </button>
      <button
        class="bare"
        :disabled="locked || i === coats.length - 1"
        :aria-label="`${c.kind} ${i + 1} lower`"
        @click="move(i, 1)"
      >
        ↓
      </button>
      <button
        class="bare"
        :disabled="locked"
        :aria-label="`Remove ${c.kind} ${i + 1}`"
        @click="patch(`Remove ${c.kind}`, 'remove', `coats/${i}`)"
      >
        <DeleteOutlined />
      </button>
    </div>
    <div v-if="c.kind === 'stroke'" class="ends">
      <Select
        size="small"
        aria-label="Ends"
        :disabled="locked"
        :value="c.cap"
        :options="CAPS"
        @change="(v) => set('Ends', i, 'cap', v)"
      />
      <Select
        size="small"
        aria-label="Corners"
        :disabled="locked"
        :value="c.corner"
        :options="CORNERS"
        @change="(v) => set('Corners', i, 'corner', v)"
      />
      <Input
        size="small"
        aria-label="Dash: lines and gaps in pixels"
        placeholder="dash 24 12"
        :disabled="locked"
        :default-value="(c.dash ?? []).join(' ')"
        @keydown.stop
        @press-enter="($event.target as HTMLInputElement).blur()"
        @blur="dash(i, $event)"
      />
    </div>
    <template v-for="line in linesIn(c)" :key="'paint' in line ? line.paint.name : line.property.name">
      <PaintRows v-if="'paint' in line" :paint="line.paint" :properties="line.properties" :locked="locked" />
      <PropertyRow v-else :property="line.property" :locked="locked" />
    </template>
    <template v-if="c.kind === 'stroke'">
      <SheetLine label="Several paths">
        <Select
          size="small"
          aria-label="Several paths"
          :disabled="locked"
          :value="c.turns"
          :options="TURNS"
          @change="(v) => set('Several paths', i, 'turns', v)"
        />
      </SheetLine>
      <SheetLine v-if="ordered(c)" label="In the order">
        <Select
          size="small"
          aria-label="In the order"
          :disabled="locked"
          :value="c.order"
          :options="ORDERS"
          @change="(v) => set('Order of paths', i, 'order', v)"
        />
      </SheetLine>
      <div v-for="fold in FOLDS" :key="fold.name">
        <button class="bare fold" :aria-expanded="isOpen(c, fold)" @click="flip(c, fold.name)">
          {{ isOpen(c, fold) ? '▾' : '▸' }} {{ fold.label }}
        </button>
        <template v-if="isOpen(c, fold)">
          <SheetLine v-if="fold.name === 'head'" label="What runs">
            <Select
              size="small"
              aria-label="What runs at the end"
              :disabled="locked"
              :value="c.headLayer?.layer ?? ''"
              :options="riders"
              @change="(v) => ride(c, i, v as string)"
            />
          </SheetLine>
          <SheetLine v-if="fold.name === 'head' && c.headLayer" label="">
            <Checkbox
              :disabled="locked"
              :checked="c.headLayer.turns"
              @change="set('Head turns', i, 'headLayer', { ...c.headLayer, turns: !c.headLayer.turns })"
            >
              turns with the line
            </Checkbox>
          </SheetLine>
          <PropertyRow v-for="p in inFold(c, fold)" :key="p.name" :property="p" :locked="locked" />
        </template>
      </div>
    </template>
  </div>
  <p v-if="coats.length === 0" class="why">Nothing is painted: add a fill, a stroke or a thread of light.</p>
</template>

<style scoped>
.part {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.head {
  display: flex;
  align-items: center;
  gap: 2px;
}
.head strong {
  flex: 1;
  font-weight: 600;
}
.ends {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 4px;
  margin: 2px 0;
}
.fold {
  margin-top: 2px;
  color: var(--quiet);
}
.link {
  margin-left: 8px;
  color: var(--accent);
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
</style>
