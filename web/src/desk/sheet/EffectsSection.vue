<script setup lang="ts">
import {
  DeleteOutlined,
  EyeInvisibleOutlined,
  EyeOutlined,
  HolderOutlined,
  PlusOutlined,
  UndoOutlined,
} from '@ant-design/icons-vue';
import { Button, Dropdown, Menu, MenuItem, MenuItemGroup, Segmented, Select } from 'ant-design-vue';
import { computed, ref } from 'vue';
import type { EffectView, Layer, LayerEffect } from '../../api/client';
import SheetLine from '../../fields/SheetLine.vue';
import { follow } from '../../lib/drag';
import { freshId, type Recipe } from '../../lib/layers';
import { useRecipes } from '../../stores/recipes';
import { useShot } from '../../stores/shot';
import PropertyRow from '../PropertyRow.vue';
import { useContent } from './useContent';

/** What changes the layer's picture, in the order in which it does; the masks and the cut stand between. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const shot = useShot();
const recipes = useRecipes();
const { of } = useContent();

type Station = LayerEffect['station'];
const STATIONS: Station[] = ['before-masks', 'before-cut', 'behind-cut'];
/** What stands behind each of them. */
const LINES: Partial<Record<Station, string>> = { 'before-masks': 'masks', 'before-cut': 'cut' };
const PURPOSES: Record<EffectView['purpose'], string> = {
  BLUR: 'Blur',
  LIGHT: 'Light and shadow',
  BEND: 'Bend',
  EDGE: 'Edge',
  COLOUR: 'Colour',
  AGE: 'Age',
  TIME: 'Time',
};

const closed = ref(new Set<string>());
const at = (station: Station) => props.layer.effects.filter((e) => e.station === station);
const view = (e: LayerEffect) => recipes.effect((e.effect as Recipe).kind);
const label = (e: LayerEffect) => view(e)?.descriptor.label ?? (e.effect as Recipe).kind;
const rows = (e: LayerEffect) => of('effects').filter((p) => p.name.startsWith(`chain.${e.id}.`));
const groups = computed(() =>
  Object.entries(PURPOSES)
    .map(([purpose, title]) => ({ title, effects: recipes.effects.filter((e) => e.purpose === purpose) }))
    .filter((g) => g.effects.length),
);
const others = computed(() => [
  { value: '', label: 'everywhere' },
  ...shot
    .everyLayer()
    .filter((l) => l.id !== props.layer.id)
    .map((l) => ({ value: l.id, label: l.name })),
]);

const set = (says: string, effects: LayerEffect[]) => shot.setField(props.layer.id, 'effects', effects, says);
const replaced = (e: LayerEffect) => props.layer.effects.map((o) => (o.id === e.id ? e : o));

function add(e: EffectView) {
  const link = { id: freshId(), effect: { kind: e.descriptor.kind }, station: e.station };
  void shot.edit(`Add ${e.descriptor.label.toLowerCase()}`, {
    layer: props.layer.id,
    patch: [{ op: 'add', path: '/effects/-', value: link }],
  });
}

const remove = (e: LayerEffect) =>
  void set(
    `No ${label(e).toLowerCase()}`,
    props.layer.effects.filter((o) => o.id !== e.id),
  );
const turn = (e: LayerEffect) =>
  void set(`${label(e)} ${e.on ? 'off' : 'on'}`, replaced({ ...e, on: !e.on }));
const reset = (e: LayerEffect) =>
  void shot.edit(`${label(e)} as new`, {
    layer: props.layer.id,
    patch: [
      {
        op: 'replace',
        path: `/effects/${props.layer.effects.indexOf(e)}/effect`,
        value: { kind: (e.effect as Recipe).kind },
      },
    ],
  });

function weigh(e: LayerEffect, part: Partial<NonNullable<LayerEffect['where']>>) {
  const where = { by: '', with: 'shape' as const, keep: 'inside' as const, ...(e.where ?? {}), ...part };
  void set(`Where ${label(e).toLowerCase()} works`, replaced({ ...e, where: where.by ? where : null }));
}

/** The chain as one list: the effects, and the lines between the stations. */
const chain = computed(() =>
  STATIONS.flatMap((station) => [
    ...at(station).map((effect) => ({ key: effect.id, effect, line: undefined })),
    ...(LINES[station] ? [{ key: LINES[station], effect: undefined, line: LINES[station] }] : []),
  ]),
);

/** Puts an effect to another place of the list, over the lines between the stations. */
function move(e: LayerEffect, to: number) {
  const list = chain.value.filter((c) => c.effect?.id !== e.id);
  list.splice(Math.max(0, Math.min(list.length, to)), 0, { key: e.id, effect: e, line: undefined });
  let station = 0;
  const effects: LayerEffect[] = [];
  for (const c of list) {
    if (c.line) station++;
    else if (c.effect) effects.push({ ...c.effect, station: STATIONS[station] ?? 'behind-cut' });
  }
  void set(`Order of ${label(e).toLowerCase()}`, effects);
}

const placeOf = (e: LayerEffect) => chain.value.findIndex((c) => c.effect?.id === e.id);

const list = ref<HTMLElement>();
/** Where what is dragged would go. */
const target = ref<number>();
function drag(e: PointerEvent, effect: LayerEffect) {
  if (props.locked || e.button !== 0) return;
  e.preventDefault();
  // Rows may come and go meanwhile, when the engine tells what an effect has.
  const middles = () =>
    [...(list.value?.children ?? [])].map((i) => i.getBoundingClientRect()).map((r) => r.top + r.height / 2);
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
  const next = new Set(closed.value);
  if (!next.delete(e.id)) next.add(e.id);
  closed.value = next;
}
</script>

<template>
  <Dropdown :trigger="['click']" :disabled="locked">
    <Button size="small" :disabled="locked"><PlusOutlined /> Add an effect</Button>
    <template #overlay>
      <Menu>
        <MenuItemGroup v-for="g in groups" :key="g.title" :title="g.title">
          <MenuItem
            v-for="e in g.effects"
            :key="e.descriptor.kind"
            :title="e.descriptor.summary"
            @click="add(e)"
            >{{ e.descriptor.label }}</MenuItem
          >
        </MenuItemGroup>
      </Menu>
    </template>
  </Dropdown>
  <div ref="list" class="chain" data-testid="chain">
    <div
      v-for="(c, i) in chain"
      :key="c.key"
      :class="{ target: target === i, last: target === chain.length && i === chain.length - 1 }"
    >
      <p v-if="c.line" class="station">{{ c.line }}</p>
      <div
        v-else-if="c.effect"
        class="effect"
        :class="{ off: !c.effect.on }"
        :data-testid="`effect-${(c.effect.effect as Recipe).kind}`"
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
        <template v-if="!closed.has(c.effect.id)">
          <PropertyRow v-for="p in rows(c.effect)" :key="p.name" :property="p" :locked="locked" />
          <SheetLine label="Where">
            <Select
              size="small"
              :aria-label="`Where ${label(c.effect)} works`"
              :disabled="locked"
              :value="c.effect.where?.by ?? ''"
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
