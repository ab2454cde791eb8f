<script setup lang="ts">
import { Segmented } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import type { Change, Ease } from '../api/client';
import { follow } from '../lib/drag';
import { curveOf, type Curve } from '../lib/ease';
import { frameOf, ownFrames, type Key, type MovingProperty, type Row } from '../lib/layers';
import { useDesk } from '../stores/desk';
import type { CurveOf } from '../lib/answers';
import { useFrames } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** The chosen properties over time: their values, or their speeds. Keys and the handles of their eases are dragged. */
const props = defineProps<{ pace: number; pad: number; names: number }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const desk = useDesk();
const timing = useTiming();

const HIGH = 200;
const PAD = 14;
/** Dashes tell curves apart where colours can't. */
const STYLES = [
  { dash: '', tone: '#63c7ad' },
  { dash: '7 4', tone: '#e6c27a' },
  { dash: '2 4', tone: '#d9d9d9' },
  { dash: '10 3 2 3', tone: '#e09a86' },
  { dash: '4 2', tone: '#a9b8e8' },
];
const what = ref<'value' | 'speed'>('value');
const off = ref<Set<string>>(new Set());
const curves = ref<CurveOf[]>([]);

interface Line {
  id: string;
  row: Row;
  property: MovingProperty;
  channel: number;
  channels: number;
  label: string;
}
const candidates = computed(() => {
  const ids = view.layers.length ? view.layers : shot.list.map((r) => r.layer.id);
  return ids.flatMap((id) => {
    const row = shot.row(id);
    return row
      ? row.moving
          .filter((p) => p.kind === 'number' || p.kind === 'point')
          .map((property) => ({ row, property }))
      : [];
  });
});

const lines = computed<Line[]>(() =>
  candidates.value.flatMap(({ row, property }) => {
    const found = curves.value.find((c) => c.layer === row.layer.id && c.property === property.name);
    const channels = found?.channels.length ?? 1;
    return Array.from({ length: channels }, (_, channel) => ({
      id: `${row.layer.id} ${property.name} ${channel}`,
      row,
      property,
      channel,
      channels,
      label: `${view.layers.length === 1 ? '' : `${row.layer.name}: `}${property.label}${
        channels === 2 ? (channel === 0 ? ' across' : ' down') : ''
      }`,
    }));
  }),
);
const seen = computed(() => lines.value.filter((l) => !off.value.has(l.id)));
const style = (l: Line) => STYLES[lines.value.indexOf(l) % STYLES.length] ?? STYLES[0];

let asked = 0;
async function ask(draft?: Change) {
  const of = candidates.value.map((c) => ({ layer: c.row.layer.id, property: c.property.name }));
  const mine = ++asked;
  if (of.length === 0) {
    curves.value = [];
    return;
  }
  const answer = await frames.askCurves(of, draft);
  if (mine === asked) curves.value = answer;
}
watch(
  () => [
    shot.view?.revision,
    frames.connected,
    candidates.value.map((c) => c.row.layer.id + c.property.name).join(),
  ],
  () => void ask(),
  { immediate: true },
);

const channelOf = (l: Line) =>
  curves.value.find((c) => c.layer === l.row.layer.id && c.property === l.property.name)?.channels[l.channel];
function numbers(l: Line): number[] {
  const c = channelOf(l);
  return what.value === 'speed' ? (c?.speeds ?? []) : (c?.moved ?? c?.values ?? []);
}

/** Kept while a handle is dragged, so that the ground doesn't move under the hand. */
const held = ref<{ least: number; most: number }>();
const fit = computed(() => {
  if (held.value) return held.value;
  let least = Infinity;
  let most = -Infinity;
  for (const l of seen.value) {
    for (const v of numbers(l)) {
      least = Math.min(least, v);
      most = Math.max(most, v);
    }
  }
  if (!(most > least))
    return { least: (Number.isFinite(least) ? least : 0) - 1, most: (Number.isFinite(most) ? most : 0) + 1 };
  return { least, most };
});
const x = (frame: number) => props.pad + frame * props.pace;
const y = (v: number) =>
  HIGH - PAD - ((v - fit.value.least) / (fit.value.most - fit.value.least)) * (HIGH - 2 * PAD);
const back = (py: number) =>
  fit.value.least + ((HIGH - PAD - py) / (HIGH - 2 * PAD)) * (fit.value.most - fit.value.least);

function path(values: number[]): string {
  return values.map((v, f) => `${f === 0 ? 'M' : 'L'}${x(f).toFixed(1)} ${y(v).toFixed(1)}`).join('');
}
const grid = computed(() => {
  const { least, most } = fit.value;
  const rough = (most - least) / 4;
  const unit = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((m) => m * unit).find((s) => s >= rough) ?? unit;
  const all: number[] = [];
  for (let v = Math.ceil(least / step) * step; v <= most; v += step) all.push(Number(v.toPrecision(10)));
  return all;
});

const part = (v: unknown, channel: number) => (Array.isArray(v) ? (v as number[])[channel] : v) as number;

/** The keys of the curves, each with the handles of the ease towards the next. */
const keys = computed(() =>
  what.value === 'speed'
    ? []
    : seen.value.flatMap((l) =>
        l.property.keys.map((k, i) => {
          const name = { layer: l.row.layer.id, property: l.property.name, at: k.at };
          const next = l.property.keys[i + 1];
          // A chosen key shows how the value arrives, too.
          const nextChosen = next !== undefined && timing.isChosen({ ...name, at: next.at });
          const shown = timing.isChosen(name) || nextChosen;
          return {
            line: l,
            key: k,
            next,
            name,
            id: `${l.id} ${k.at}`,
            x: x(timing.shownAt(name)),
            y: y(part(k.value, l.channel)),
            chosen: timing.isChosen(name),
            handles: shown && next ? handles(l, k, next) : undefined,
          };
        }),
      ),
);
function handles(l: Line, k: Key, next: Key) {
  const curve = eased.value?.at === k.at ? eased.value.curve : curveOf(k.ease);
  const from = part(k.value, l.channel);
  const to = part(next.value, l.channel);
  if (!curve || from === to || k.loose || next.loose) return undefined;
  const px = (t: number) => x(frameOf(l.row, k.at + (next.at - k.at) * t));
  const py = (v: number) => y(from + (to - from) * v);
  return { curve, ax: px(curve[0]), ay: py(curve[1]), bx: px(curve[2]), by: py(curve[3]) };
}
const eased = ref<{ at: number; curve: Curve }>();

function dragKey(e: PointerEvent, k: (typeof keys.value)[number]) {
  if (e.button !== 0) return;
  e.preventDefault();
  if (e.shiftKey) {
    view.keys = k.chosen
      ? view.keys.filter((n) => JSON.stringify(n) !== JSON.stringify(k.name))
      : [...view.keys, k.name];
    return;
  }
  if (!k.chosen) view.keys = [k.name];
  if (k.line.row.layer.locked) return;
  held.value = { ...fit.value };
  const from = { x: e.clientX, y: e.clientY };
  const value = part(k.key.value, k.line.channel);
  let last: Change | undefined;
  let by = 0;
  follow({
    move: (m) => {
      by = ownFrames(k.line.row, (m.clientX - from.x) / props.pace);
      const up = back(k.y + m.clientY - from.y) - value;
      const level = Math.abs(m.clientY - from.y) < 3;
      const still = Math.abs(m.clientX - from.x) < 3;
      const now = k.key.value;
      const next = value + (level ? 0 : up);
      const whole = Array.isArray(now)
        ? (now as number[]).map((v, c) => (c === k.line.channel ? next : v))
        : next;
      const set = {
        kind: 'set-value',
        layer: k.name.layer,
        property: k.name.property,
        frame: frameOf(k.line.row, k.key.at),
        value: whole,
        key: true,
      };
      const move = { kind: 'move-keys', keys: view.keys, by: still ? 0 : by };
      last = { edit: { kind: 'several', edits: level ? [move] : [set, move] } };
      if (still) by = 0;
      desk.draft(last);
      void ask(last);
    },
    end: () => {
      held.value = undefined;
      if (!last) return;
      void desk.commit('Move keys', last).then((done) => {
        if (done) view.keys = view.keys.map((n) => ({ ...n, at: n.at + by }));
      });
    },
    cancel: () => {
      held.value = undefined;
      desk.drop();
      void ask();
    },
  });
}

function dragHandle(e: PointerEvent, k: (typeof keys.value)[number], which: 0 | 1) {
  const next = k.next;
  const h = k.handles;
  const box = (e.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect();
  if (!next || !h || !box) return;
  e.preventDefault();
  held.value = { ...fit.value };
  const from = part(k.key.value, k.line.channel);
  const to = part(next.value, k.line.channel);
  const s = x(frameOf(k.line.row, k.key.at));
  const long = (next.at - k.key.at) * k.line.row.step * props.pace;
  let last: Change | undefined;
  follow({
    move: (m) => {
      const t = Math.min(1, Math.max(0, (m.clientX - box.left - s) / long));
      const v = Math.min(4, Math.max(-3, (back(m.clientY - box.top) - from) / (to - from)));
      const curve = [...h.curve] as Curve;
      curve[which * 2] = Number(t.toFixed(3));
      curve[which * 2 + 1] = Number(v.toFixed(3));
      eased.value = { at: k.key.at, curve };
      last = {
        edit: { kind: 'set-ease', keys: [k.name], ease: curve as Ease, half: which === 0 ? 'start' : 'end' },
      };
      desk.draft(last);
      void ask(last);
    },
    end: () => {
      held.value = undefined;
      if (last) void desk.commit('Ease', last).then(() => (eased.value = undefined));
    },
    cancel: () => {
      held.value = undefined;
      eased.value = undefined;
      desk.drop();
      void ask();
    },
  });
}

function toggle(id: string) {
  const next = new Set(off.value);
  if (!next.delete(id)) next.add(id);
  off.value = next;
}
const shownValue = (l: Line) => {
  const v = numbers(l)[view.frame];
  return v === undefined ? '' : Number(v.toFixed(2));
};
</script>

<template>
  <div class="curves">
    <div class="list">
      <Segmented
        v-model:value="what"
        size="small"
        :options="[
          { value: 'value', label: 'Values' },
          { value: 'speed', label: 'Speeds, a second' },
        ]"
      />
      <label v-for="l in lines" :key="l.id" class="entry">
        <input type="checkbox" :checked="!off.has(l.id)" @change="toggle(l.id)" />
        <svg width="22" height="8" aria-hidden="true">
          <path d="M0 4H22" :stroke="style(l)?.tone" :stroke-dasharray="style(l)?.dash" stroke-width="2" />
        </svg>
        <span class="grow">{{ l.label }}</span>
        <span class="now">{{ shownValue(l) }}</span>
      </label>
      <p v-if="lines.length === 0" class="quiet">
        Nothing with keys or signals is chosen. A dot beside a value in the Sheet puts the first key.
      </p>
    </div>
    <svg class="graph" width="100%" :height="HIGH" data-testid="curves">
      <g v-for="v in grid" :key="v">
        <path :d="`M0 ${y(v)}H4000`" class="level" />
        <text x="6" :y="y(v) - 3">{{ v }}</text>
      </g>
      <path :d="`M${x(view.frame)} 0V${HIGH}`" class="head" />
      <template v-for="l in seen" :key="l.id">
        <template v-if="what === 'value' && channelOf(l)?.moved">
          <path :d="path(channelOf(l)?.values ?? [])" class="faint" :stroke="style(l)?.tone" />
        </template>
        <path
          :d="path(numbers(l))"
          class="curve"
          :stroke="style(l)?.tone"
          :stroke-dasharray="style(l)?.dash"
          :data-testid="`curve-${l.property.name}-${l.channel}`"
        />
      </template>
      <template v-for="k in keys" :key="k.id">
        <template v-if="k.handles">
          <path
            :d="`M${k.x} ${k.y}L${k.handles.ax} ${k.handles.ay}M${x(frameOf(k.line.row, k.next?.at ?? 0))} ${y(part(k.next?.value, k.line.channel))}L${k.handles.bx} ${k.handles.by}`"
            class="arm"
          />
          <circle
            v-for="w in [0, 1] as const"
            :key="w"
            :cx="w === 0 ? k.handles.ax : k.handles.bx"
            :cy="w === 0 ? k.handles.ay : k.handles.by"
            r="4.5"
            class="handle"
            :data-testid="`curve-handle-${w}${k.chosen ? '' : '-before'}`"
            @pointerdown="dragHandle($event, k, w)"
          />
        </template>
        <circle
          :cx="k.x"
          :cy="k.y"
          :r="k.chosen ? 6 : 4.5"
          class="key"
          :class="{ chosen: k.chosen }"
          :data-testid="`curve-key-${k.name.property}-${k.line.channel}-${k.key.at}`"
          @pointerdown="dragKey($event, k)"
        />
      </template>
    </svg>
  </div>
</template>

<style scoped>
input[type='checkbox'] {
  accent-color: var(--accent);
}
.curves {
  display: flex;
}
.list {
  display: flex;
  flex-direction: column;
  gap: 2px;
  flex: none;
  width: 304px;
  padding: 8px 12px;
  box-sizing: border-box;
  border-right: 1px solid #0c0c0c;
  overflow: auto;
  max-height: 200px;
}
.entry {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 22px;
  font-size: 12px;
}
.grow {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.now {
  font-variant-numeric: tabular-nums;
  color: var(--quiet);
}
.quiet {
  color: var(--quiet);
}
.graph {
  flex: 1;
  min-width: 0;
  background: #1c1c1c;
  touch-action: none;
}
.level {
  stroke: #333;
}
text {
  fill: var(--quiet);
  font-size: 10px;
}
.head {
  stroke: #f4f4f4;
}
.curve,
.faint,
.arm {
  fill: none;
  stroke-width: 1.75;
}
.faint {
  stroke-width: 1;
  opacity: 0.5;
}
.arm {
  stroke: #8a8a8a;
  stroke-width: 1;
}
.handle {
  fill: #1c1c1c;
  stroke: #f2f2f2;
  stroke-width: 1.5;
  cursor: move;
}
.key {
  fill: #e8e8e8;
  cursor: move;
}
.key.chosen {
  fill: var(--accent);
  stroke: #f4f4f4;
  stroke-width: 2;
}
</style>
