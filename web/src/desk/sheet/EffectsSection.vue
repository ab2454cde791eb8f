<script setup lang="ts">
import {
  CopyOutlined,
  DeleteOutlined,
  EyeInvisibleOutlined,
  EyeOutlined,
  HolderOutlined,
  PlusOutlined,
  UndoOutlined,
} from '@ant-design/icons-vue';
import { Button, Dropdown, Menu, MenuItem, Popover, Segmented, Select } from 'ant-design-vue';
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import type { Layer, LayerEffect } from '../../api/client';
import NumberField from '../../fields/NumberField.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { follow } from '../../lib/drag';
import type { Recipe } from '../../lib/layers';
import { useChain } from '../../stores/chain';
import { useRecipes } from '../../stores/recipes';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import PropertyRow from '../PropertyRow.vue';
import RecipeRows from './RecipeRows.vue';
import { useContent } from './useContent';

/** What changes the layer's picture, in the order in which it does; the masks and the cut stand between. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const view = useView();
const recipes = useRecipes();
const chain = useChain();
const { of } = useContent();

type Station = LayerEffect['station'];
const STATIONS: Station[] = ['before-masks', 'before-cut', 'behind-cut'];
/** What stands behind each of them. */
const LINES: Partial<Record<Station, string>> = { 'before-masks': 'masks', 'before-cut': 'cut' };

onMounted(() => (chain.measured = true));
onBeforeUnmount(() => (chain.measured = false));

const closed = ref(new Set<string>());
const at = (station: Station) => props.layer.effects.filter((e) => e.station === station);
const recipe = (e: LayerEffect) => e.effect as Recipe;
const known = (e: LayerEffect) => recipes.effect(recipe(e).kind);
const label = (e: LayerEffect) => chain.label(e);
const amount = (e: LayerEffect) => of('effects').filter((p) => p.name === `chain.${e.id}.amount`);
const others = computed(() => [
  { value: '', label: 'everywhere' },
  ...(passages.value.length ? [{ value: NEAR, label: 'near the edge of its opening' }] : []),
  ...shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id)
    .map((l) => ({ value: l.id, label: l.name })),
]);
/** Stands for the edge of the layer's opening among layers. */
const NEAR = ' near';
const passages = computed(() => [props.layer.arrive, props.layer.leave].filter((p) => p?.opening));
const where = (e: LayerEffect) => e.where?.by ?? (e.near ? NEAR : '');

const set = (says: string, effects: LayerEffect[]) => shot.setField(props.layer.id, 'effects', effects, says);
const replaced = (e: LayerEffect) => props.layer.effects.map((o) => (o.id === e.id ? e : o));

function put(e: LayerEffect, field: 'effect' | 'border' | 'near', value: unknown, says: string) {
  const path = `/effects/${props.layer.effects.indexOf(e)}/${field}`;
  void shot.edit(says, { layer: props.layer.id, patch: [{ op: 'replace', path, value }] });
}

const remove = (e: LayerEffect) =>
  void set(
    `No ${label(e).toLowerCase()}`,
    props.layer.effects.filter((o) => o.id !== e.id),
  );
const turn = (e: LayerEffect) =>
  void set(`${label(e)} ${e.on ? 'off' : 'on'}`, replaced({ ...e, on: !e.on }));
const reset = (e: LayerEffect) => put(e, 'effect', { kind: recipe(e).kind }, `${label(e)} as new`);

function weigh(e: LayerEffect, part: Partial<NonNullable<LayerEffect['where']>>) {
  const near = part.by === NEAR ? { lead: 0, ahead: 60, behind: 160 } : null;
  const now = { by: '', with: 'shape' as const, keep: 'inside' as const, ...(e.where ?? {}), ...part };
  const layer = now.by && now.by !== NEAR ? now : null;
  void set(`Where ${label(e).toLowerCase()} works`, replaced({ ...e, where: layer, near }));
}

const NEARS = [
  { name: 'lead', label: 'Behind the edge by', least: -10000 },
  { name: 'ahead', label: 'Begins ahead by', least: 0 },
  { name: 'behind', label: 'Ends behind by', least: 0 },
] as const;
const BORDERS = [
  { value: '', label: 'as usual' },
  { value: 'empty', label: 'empty' },
  { value: 'repeat', label: 'repeated' },
  { value: 'reflect', label: 'reflected' },
];

/** The chain as one list: the effects, and the lines between the stations. */
const list = computed(() =>
  STATIONS.flatMap((station) => [
    ...at(station).map((effect) => ({ key: effect.id, effect, line: undefined })),
    ...(LINES[station] ? [{ key: LINES[station], effect: undefined, line: LINES[station] }] : []),
  ]),
);

/** Puts an effect to another place of the list, over the lines between the stations. */
function move(e: LayerEffect, to: number) {
  const left = list.value.filter((c) => c.effect?.id !== e.id);
  left.splice(Math.max(0, Math.min(left.length, to)), 0, { key: e.id, effect: e, line: undefined });
  let station = 0;
  const effects: LayerEffect[] = [];
  for (const c of left) {
    if (c.line) station++;
    else if (c.effect) effects.push({ ...c.effect, station: STATIONS[station] ?? 'behind-cut' });
  }
  void set(`Order of ${label(e).toLowerCase()}`, effects);
}

const placeOf = (e: LayerEffect) => list.value.findIndex((c) => c.effect?.id === e.id);

const element = ref<HTMLElement>();
/** Where what is dragged would go. */
const target = ref<number>();
function drag(e: PointerEvent, effect: LayerEffect) {
  if (props.locked || e.button !== 0) return;
  e.preventDefault();
  // Rows may come and go meanwhile, when the engine tells what an effect has.
  const middles = () =>
    [...(element.value?.children ?? [])]
      .map((i) => i.getBoundingClientRect())
      .map((r) => r.top + r.height / 2);
  follow({
    move: (m) => (target.value = middles().filter((y) => y < m.clientY).length),
    end: () => {
      const to = target.value;
      target.value = undefined;
      if (to === undefined) return;
      const from = placeOf(effect);
      if (to !== from && to !== from + 1) move(effect, to > from ? to - 1 : to);
    },
    cancel: () => (target.value = undefined),
  });
}

function onKey(e: KeyboardEvent, effect: LayerEffect) {
  const by = { ArrowUp: -1, ArrowDown: 1 }[e.key];
  if (by !== undefined && e.altKey) move(effect, placeOf(effect) + by);
  else if (e.key === 'Delete' || e.key === 'Backspace') remove(effect);
  else return;
  e.preventDefault();
  e.stopPropagation();
}

function fold(e: LayerEffect) {
  chain.chosen = e.id;
  const next = new Set(closed.value);
  if (!next.delete(e.id)) next.add(e.id);
  closed.value = next;
}

const name = ref('');
async function keep() {
  if (!name.value.trim()) return;
  await chain.keep(name.value.trim());
  name.value = '';
}
const cost = (e: LayerEffect) => {
  const ms = chain.costOf(e.id);
  return ms === undefined ? '' : `${ms < 10 ? ms.toFixed(1) : Math.round(ms)} ms`;
};
</script>

<template>
  <div class="tools">
    <Button size="small" :disabled="locked" @click="view.drawer = 'effects'"
      ><PlusOutlined /> Add an effect</Button
    >
    <Dropdown :trigger="['click']">
      <Button size="small" aria-label="The whole chain"><CopyOutlined /></Button>
      <template #overlay>
        <Menu>
          <MenuItem key="copy" :disabled="!layer.effects.length" @click="chain.copy()"
            >Copy the chain</MenuItem
          >
          <MenuItem key="paste" :disabled="locked || !chain.copied.length" @click="chain.paste()"
            >Paste the chain behind</MenuItem
          >
        </Menu>
      </template>
    </Dropdown>
    <Popover v-if="layer.effects.length" trigger="click" placement="bottomRight">
      <Button size="small">Keep…</Button>
      <template #content>
        <input
          v-model="name"
          class="keep"
          aria-label="Name of the chain"
          placeholder="Name of the chain"
          maxlength="80"
          @keydown.stop
          @keydown.enter="keep"
        />
        <Button size="small" type="primary" :disabled="!name.trim()" @click="keep">Keep</Button>
      </template>
    </Popover>
  </div>
  <div ref="element" class="chain" data-testid="chain">
    <div
      v-for="(c, i) in list"
      :key="c.key"
      :class="{ target: target === i, last: target === list.length && i === list.length - 1 }"
    >
      <p v-if="c.line" class="station">{{ c.line }}</p>
      <div
        v-else-if="c.effect"
        class="effect"
        :class="{ off: !c.effect.on, chosen: chain.at?.id === c.effect.id }"
        :data-testid="`effect-${recipe(c.effect).kind}`"
        @pointerdown="chain.chosen = c.effect.id"
        @focusin="chain.chosen = c.effect.id"
      >
        <div class="head">
          <button
            class="bare grip"
            :disabled="locked"
            :aria-label="`Move ${label(c.effect)}`"
            title="Drag it to its place; with Alt+↑ and Alt+↓ by the keyboard"
            @pointerdown="drag($event, c.effect)"
            @keydown="onKey($event, c.effect)"
          >
            <HolderOutlined />
          </button>
          <button class="bare name" :aria-expanded="!closed.has(c.effect.id)" @click="fold(c.effect)">
            {{ label(c.effect) }}
          </button>
          <span
            class="cost"
            :class="{ slowest: chain.slowest === c.effect.id }"
            title="What it costs on this frame; while 0 is held the picture is seen without it, while 9 only as far as it"
            >{{ cost(c.effect) }}</span
          >
          <button
            class="bare"
            :disabled="locked"
            :aria-label="`${c.effect.on ? 'Switch off' : 'Switch on'} ${label(c.effect)}`"
            :title="c.effect.on ? 'Switch it off' : 'Switch it on'"
            @click="turn(c.effect)"
          >
            <EyeOutlined v-if="c.effect.on" /><EyeInvisibleOutlined v-else />
          </button>
          <button
            class="bare"
            :disabled="locked"
            :aria-label="`Reset ${label(c.effect)}`"
            title="All its numbers as new"
            @click="reset(c.effect)"
          >
            <UndoOutlined />
          </button>
          <button
            class="bare"
            :disabled="locked"
            :aria-label="`Remove ${label(c.effect)}`"
            title="Remove it"
            @click="remove(c.effect)"
          >
            <DeleteOutlined />
          </button>
        </div>
        <p v-if="!known(c.effect)" class="unknown">
          This version doesn’t know it: it is kept as it is, and left out of the picture.
        </p>
        <template v-else-if="!closed.has(c.effect.id)">
          <PropertyRow v-for="p in amount(c.effect)" :key="p.name" :property="p" :locked="locked" />
          <SheetLine label="Where">
            <Select
              size="small"
              :aria-label="`Where ${label(c.effect)} works`"
              :disabled="locked"
              :value="where(c.effect)"
              :options="others"
              @change="(v) => c.effect && weigh(c.effect, { by: String(v ?? '') })"
            />
          </SheetLine>
          <SheetLine v-if="c.effect.where" label="its">
            <span class="pair">
              <Segmented
                size="small"
                :disabled="locked"
                :value="c.effect.where.with"
                :options="['shape', 'brightness']"
                @change="(v) => c.effect && weigh(c.effect, { with: v as 'shape' })"
              />
              <Segmented
                size="small"
                :disabled="locked"
                :value="c.effect.where.keep"
                :options="['inside', 'outside']"
                @change="(v) => c.effect && weigh(c.effect, { keep: v as 'inside' })"
              />
            </span>
          </SheetLine>
          <template v-if="c.effect.near">
            <SheetLine v-for="n in NEARS" :key="n.name" :label="n.label">
              <NumberField
                :value="c.effect.near[n.name]"
                :label="n.label"
                unit="px"
                :least="n.least"
                :most="10000"
                :disabled="locked"
                @commit="(v) => c.effect && put(c.effect, 'near', { ...c.effect.near, [n.name]: v }, n.label)"
              />
            </SheetLine>
          </template>
          <RecipeRows
            :descriptor="known(c.effect)!.descriptor"
            :recipe="recipe(c.effect)"
            :prefix="`chain.${c.effect.id}.`"
            section="effects"
            :locked="locked"
            @commit="(r, says) => c.effect && put(c.effect, 'effect', r, says)"
          />
          <SheetLine v-if="known(c.effect)?.readsBeyond" label="Border">
            <Select
              size="small"
              :aria-label="`Beyond the border of ${label(c.effect)}`"
              :disabled="locked"
              :value="c.effect.border ?? ''"
              :options="BORDERS"
              @change="(v) => c.effect && put(c.effect, 'border', v || null, 'Beyond the border')"
            />
          </SheetLine>
        </template>
      </div>
    </div>
  </div>
</template>

<style scoped>
.chain {
  margin-top: 8px;
}
.station {
  display: flex;
  align-items: center;
  gap: 8px;
  margin: 5px 0;
  color: var(--quiet);
  font-size: 11px;
}
.station::before,
.station::after {
  content: '';
  flex: 1;
  border-top: 1px solid #4a4a4a;
}
.tools {
  display: flex;
  gap: 6px;
}
.keep {
  width: 150px;
  margin-right: 6px;
  border: 0;
  border-bottom: 1px solid #555;
  background: none;
  color: var(--text);
  font: inherit;
}
.cost {
  color: var(--quiet);
  font-size: 11px;
  font-variant-numeric: tabular-nums;
}
.slowest {
  color: var(--accent);
}
.unknown {
  margin: 2px 0;
  color: var(--quiet);
}
.effect.chosen {
  box-shadow: inset 2px 0 0 var(--accent);
}
.effect {
  margin: 3px -8px;
  padding: 2px 8px 4px;
  background: var(--panel-2);
}
.off .name {
  color: var(--quiet);
  text-decoration: line-through;
}
.head {
  display: flex;
  align-items: center;
  gap: 4px;
}
.grip {
  cursor: grab;
  margin-left: -5px;
  touch-action: none;
}
.name {
  flex: 1;
  justify-content: flex-start;
  padding-left: 0;
  font-weight: 600;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.target {
  box-shadow: 0 -2px 0 var(--accent);
}
.last {
  box-shadow: 0 2px 0 var(--accent);
}
</style>
