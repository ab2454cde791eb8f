<script setup lang="ts">
import { Input, Select } from 'ant-design-vue';
import { DeleteOutlined } from '@ant-design/icons-vue';
import SheetHead from '../fields/SheetHead.vue';
import type { Content } from '../api/client';
import { freshId } from '../lib/layers';
import type { PaintNow, PropertyNow } from '../lib/answers';
import { linesOf } from '../lib/paints';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import DrawTools from './DrawTools.vue';
import PointTools from './PointTools.vue';
import PropertyRow from './PropertyRow.vue';
import PaintRows from './sheet/PaintRows.vue';

/** The paths of a shape and the coats of paint on them, the uppermost first. */
type Shape = Extract<Content, { kind: 'shape' }>;
const props = defineProps<{
  shape: Shape;
  properties: PropertyNow[];
  paints: PaintNow[];
  locked: boolean;
}>();
const shot = useShot();
const view = useView();

const CAPS = ['butt', 'round', 'square'].map((value) => ({ value, label: `${value} end` }));
const CORNERS = ['mitre', 'round', 'bevel'].map((value) => ({ value, label: value }));
const of = (coat: string) =>
  linesOf(
    props.properties.filter((p) => p.name.startsWith(`coat.${coat}.`)),
    props.paints,
  );

function patch(label: string, op: 'add' | 'remove' | 'move', path: string, more: object = {}) {
  return shot.edit(label, { layer: view.layer, patch: [{ op, path: `/content/${path}`, ...more }] });
}

function add(kind: 'fill' | 'stroke') {
  const coat = { kind, id: freshId(), colour: '#ffffff', ...(kind === 'stroke' ? { width: 6 } : {}) };
  void patch(`Add ${kind}`, 'add', 'coats/0', { value: coat });
}

const move = (index: number, by: number) =>
  patch('Order of paint', 'move', `coats/${index + by}`, { from: `/content/coats/${index}` });

/** Lengths of lines and gaps, in pixels, parted by spaces or commas. */
function dash(index: number, e: Event) {
  const text = (e.target as HTMLInputElement).value;
  const value = (text.match(/[\d.]+/g) ?? []).map(Number).filter((n) => Number.isFinite(n));
  void patch('Dash', 'add', `coats/${index}/dash`, { value });
}

function removePath(index: number) {
  view.choosePath(undefined);
  void patch('Remove path', 'remove', `paths/${index}`);
}
</script>

<template>
  <SheetHead title="Paths" />
  <div
    v-for="(p, i) in shape.paths"
    v-show="shape.paths.length <= 12 || view.path === `path.${p.id}`"
    :key="p.id"
    class="part"
    :class="{ chosen: view.path === `path.${p.id}` }"
    :data-testid="`shape-path-${i}`"
    @pointerdown="view.choosePath(`path.${p.id}`)"
  >
    <div v-for="q in properties.filter((x) => x.name === `path.${p.id}`)" :key="q.name" class="with">
      <div><PropertyRow :property="q" :locked="locked" /></div>
      <button class="bare" :disabled="locked" :aria-label="`Remove ${p.name}`" @click.stop="removePath(i)">
        <DeleteOutlined />
      </button>
    </div>
    <PointTools v-if="view.path === `path.${p.id}`" :locked="locked" />
  </div>
  <p v-if="shape.paths.length > 12" class="why">{{ shape.paths.length }} paths; choose one on the Picture.</p>
  <DrawTools becomes="path" :locked="locked" />

  <SheetHead title="Paint">
    <span>
      <button class="bare link" :disabled="locked" @click="add('fill')">+ fill</button>
      <button class="bare link" :disabled="locked" @click="add('stroke')">+ stroke</button>
    </span>
  </SheetHead>
  <div v-for="(c, i) in shape.coats" :key="c.id" class="part" :data-testid="`coat-${i}`">
    <div class="head">
      <strong>{{ c.kind === 'fill' ? 'Fill' : 'Stroke' }}</strong>
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
        :disabled="locked || i === shape.coats.length - 1"
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
        @change="(v) => patch('Ends', 'add', `coats/${i}/cap`, { value: v })"
      />
      <Select
        size="small"
        aria-label="Corners"
        :disabled="locked"
        :value="c.corner"
        :options="CORNERS"
        @change="(v) => patch('Corners', 'add', `coats/${i}/corner`, { value: v })"
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
    <template v-for="line in of(c.id)" :key="'paint' in line ? line.paint.name : line.property.name">
      <PaintRows v-if="'paint' in line" :paint="line.paint" :properties="line.properties" :locked="locked" />
      <PropertyRow v-else :property="line.property" :locked="locked" />
    </template>
  </div>
  <p v-if="shape.coats.length === 0" class="why">Nothing is painted: add a fill or a stroke.</p>
</template>

<style scoped>
.part {
  margin: 4px -8px;
  padding: 2px 8px 4px;
  border-left: 2px solid transparent;
  background: var(--panel-2);
}
.part.chosen {
  border-left-color: var(--accent);
}
.with {
  display: grid;
  grid-template-columns: 1fr 20px;
  gap: 4px;
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
.link {
  margin-left: 8px;
  color: var(--accent);
}
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
</style>
