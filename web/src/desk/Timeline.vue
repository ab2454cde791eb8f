<script setup lang="ts">
import { Dropdown, Menu, MenuDivider, MenuItem, SubMenu } from 'ant-design-vue';
import { PlusOutlined } from '@ant-design/icons-vue';
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { follow } from '../lib/drag';
import { frameOf, type MovingProperty, type Row } from '../lib/layers';
import { snapped } from '../lib/snap';
import { MEDIA, useAdding } from '../stores/adding';
import { useTyping } from '../stores/typing';
import { useProject } from '../stores/project';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView, type KeyName } from '../stores/view';
import CurvesView from './CurvesView.vue';
import CutBrackets from './CutBrackets.vue';
import TimelineBar from './TimelineBar.vue';
import TimelineKeys from './TimelineKeys.vue';
import TimelineName from './TimelineName.vue';
import TimelinePlayhead from './TimelinePlayhead.vue';
import TimelineRuler from './TimelineRuler.vue';

/** One row a layer: its name at the left, its bar at the right; below an opened row a line of keys a property. */
const shot = useShot();
const view = useView();
const adding = useAdding();
const recipes = useRecipes();
const typing = useTyping();
const project = useProject();
/** What can be shown here: every other shot of the project. */
const others = computed(() => project.shots.filter((s) => s.id !== shot.view?.id));
const timing = useTiming();

const FIGURES = [
  { tool: 'pen', label: 'point by point' },
  { tool: 'rectangle', label: 'rectangle' },
  { tool: 'rounded', label: 'rounded rectangle' },
  { tool: 'ellipse', label: 'ellipse' },
  { tool: 'polygon', label: 'polygon' },
  { tool: 'star', label: 'star' },
] as const;
const NAMES = 304;
const PAD = 12;
/** How high a row of a layer and one of a property are, with the line under them. */
const ROW = 33;
const THIN = 23;
/** Always the same, so that bars aren't drawn anew with the rows. */
const NO_KEYS: MovingProperty[] = [];
const room = ref(900);
const scroller = ref<HTMLElement>();
const body = ref<HTMLElement>();
let watcher: ResizeObserver | undefined;

const range = computed(() => view.range ?? { from: 0, to: timing.length });
/** Pixels a frame takes. */
const pace = computed(() =>
  Math.max(0.02, (room.value - NAMES - 2 * PAD) / (range.value.to - range.value.from)),
);
/** Where frame 0 lies. */
const pad = computed(() => PAD - range.value.from * pace.value);
const x = (frame: number) => pad.value + frame * pace.value;

interface Line {
  row: Row;
  keys: MovingProperty[];
  property?: MovingProperty;
  top: number;
}
const lines = computed<Line[]>(() => {
  const all: Line[] = [];
  let top = 0;
  for (const row of shot.list) {
    const keys = row.moving;
    all.push({ row, keys, top });
    top += ROW;
    if (!view.unfolded.has(row.layer.id)) continue;
    for (const property of keys) {
      all.push({ row, keys, property, top });
      top += THIN;
    }
  }
  return all;
});

/** The group that the chosen layer lies in, from the shot inwards. */
const path = computed(() => {
  const names: { id?: string; name: string }[] = [];
  let row = shot.row(view.layer);
  while (row?.group) {
    const group: Row | undefined = shot.row(row.group);
    if (group) names.unshift({ id: group.layer.id, name: group.layer.name });
    row = group;
  }
  return names;
});

/** Keys in a rectangle, which may go over layers and properties. */
const box = ref<{ left: number; top: number; width: number; height: number }>();
function within(left: number, right: number, top: number, bottom: number): KeyName[] {
  return lines.value.flatMap((l) => {
    const high = l.property ? THIN : ROW;
    if (l.top + high <= top || l.top >= bottom) return [];
    const closed = !l.property && !view.unfolded.has(l.row.layer.id);
    const properties = l.property ? [l.property] : closed ? l.keys : [];
    return properties.flatMap((p) =>
      p.keys
        .filter((k) => {
          const at = x(frameOf(l.row, k.at));
          return at >= left && at <= right;
        })
        .map((k) => ({ layer: l.row.layer.id, property: p.name, at: k.at })),
    );
  });
}

function boxed(e: PointerEvent, row?: Row) {
  if (e.button !== 0 || !body.value) return;
  e.preventDefault();
  const frame = body.value.getBoundingClientRect();
  const from = { x: e.clientX - frame.left, y: e.clientY - frame.top };
  const before = e.shiftKey ? [...view.keys] : [];
  follow({
    move: (m) => {
      const to = { x: m.clientX - frame.left, y: m.clientY - frame.top };
      if (!box.value && Math.hypot(to.x - from.x, to.y - from.y) < 4) return;
      box.value = {
        left: Math.max(NAMES, Math.min(from.x, to.x)),
        top: Math.min(from.y, to.y),
        width: Math.abs(to.x - from.x),
        height: Math.abs(to.y - from.y),
      };
    },
    end: () => {
      const b = box.value;
      box.value = undefined;
      if (!b) {
        if (row && !e.shiftKey) view.choose(row.layer.id);
        view.keys = [];
        return;
      }
      const found = within(b.left - NAMES, b.left + b.width - NAMES, b.top, b.top + b.height);
      const layers = [...new Set([...before, ...found].map((k) => k.layer))];
      if (layers.length) view.chooseAll(layers);
      view.keys = [...before, ...found];
    },
    cancel: () => (box.value = undefined),
  });
}

/** The frame under the pointer, and the row, while something is dragged over the rows. */
const over = ref<{ frame: number; above?: string }>();
function dragOver(e: DragEvent) {
  const types = e.dataTransfer?.types ?? [];
  const frame = body.value?.getBoundingClientRect();
  if (!frame || !(types.includes('Files') || types.includes(MEDIA))) return;
  e.preventDefault();
  const at = Math.round((e.clientX - frame.left - NAMES - pad.value) / pace.value);
  const down = e.clientY - frame.top;
  const under = lines.value.filter((l) => !l.property && l.row.depth === 0 && l.top <= down).pop();
  over.value = {
    frame: Math.min(timing.length - 1, Math.max(0, snapped(at, timing.lines(), 7 / pace.value))),
    above: under?.row.layer.id,
  };
}
function drop(e: DragEvent) {
  const where = over.value;
  if (!where) return;
  e.preventDefault();
  over.value = undefined;
  void adding.dropped(e.dataTransfer, where);
}

/** With Ctrl closer or farther about the pointer; sideways, or with Shift, along. */
function wheel(e: WheelEvent) {
  const along = e.shiftKey ? e.deltaY : e.deltaX;
  if (!e.ctrlKey && along === 0) return;
  e.preventDefault();
  const { from, to } = range.value;
  const long = to - from;
  if (e.ctrlKey && scroller.value) {
    const at = from + (e.clientX - scroller.value.getBoundingClientRect().left - NAMES - PAD) / pace.value;
    const next = Math.min(timing.length, Math.max(8, long * Math.exp(e.deltaY / 300)));
    const begin = Math.min(timing.length - next, Math.max(0, at - ((at - from) * next) / long));
    view.range = next >= timing.length ? undefined : { from: begin, to: begin + next };
  } else if (view.range) {
    const begin = Math.min(timing.length - long, Math.max(0, from + along / pace.value));
    view.range = { from: begin, to: begin + long };
  }
}

onMounted(() => {
  watcher = new ResizeObserver(([entry]) => {
    if (entry) room.value = entry.contentRect.width;
  });
  if (scroller.value) watcher.observe(scroller.value);
});
onBeforeUnmount(() => watcher?.disconnect());
</script>

<template>
  <section
    ref="scroller"
    class="timeline"
    aria-label="Timeline"
    @wheel="wheel"
    @dragover="dragOver"
    @dragleave.self="over = undefined"
    @drop="drop"
  >
    <div class="ruler-row">
      <div class="corner">
        <Dropdown :trigger="['click']" @open-change="(now) => now && project.lookAtShots()">
          <button class="bare" aria-label="Add a layer"><PlusOutlined /> Add</button>
          <template #overlay>
            <Menu>
              <MenuItem key="text" @click="typing.begin()">Text</MenuItem>
              <MenuItem key="text-at" @click="view.tool = 'text'">Text where you click</MenuItem>
              <MenuItem key="media" @click="view.drawer = 'media'">Clip, still or sound…</MenuItem>
              <SubMenu key="shot" title="Another shot" :disabled="others.length === 0">
                <MenuItem v-for="s in others" :key="s.id" @click="adding.nested(s)">{{ s.name }}</MenuItem>
              </SubMenu>
              <MenuDivider />
              <MenuItem
                v-for="f in FIGURES"
                :key="f.tool"
                :aria-label="`Shape: ${f.label}`"
                @click="view.draw(f.tool, 'shape')"
                >Shape: {{ f.label }}</MenuItem
              >
              <MenuItem key="drawn" title="Drawn by hand, frame after frame" @click="adding.drawnFrames()"
                >Drawings</MenuItem
              >
              <MenuDivider />
              <MenuItem key="solid" @click="adding.fill('solid')">One colour</MenuItem>
              <MenuItem key="linear" @click="adding.fill('linear')">Linear gradient</MenuItem>
              <MenuItem key="radial" @click="adding.fill('radial')">Radial gradient</MenuItem>
              <MenuItem key="conic" @click="adding.fill('conic')">Conic gradient</MenuItem>
              <MenuDivider />
              <MenuItem
                v-for="t in recipes.textures"
                :key="t.kind"
                :title="t.summary"
                @click="adding.texture(t.kind, t.label)"
                >{{ t.label }}</MenuItem
              >
              <MenuDivider />
              <MenuItem
                key="adjustment"
                title="A layer without a picture of its own: its effects work on all that lies below it"
                @click="adding.adjustment()"
                >Adjustment</MenuItem
              >
            </Menu>
          </template>
        </Dropdown>
        <span v-if="path.length" class="within">
          <template v-for="p in path" :key="p.id"
            ><button class="bare" @click="view.choose(p.id)">{{ p.name }}</button> ›
          </template>
          {{ shot.find(view.layer)?.name }}
        </span>
        <span v-else class="quiet"
          >{{ shot.list.length }} {{ shot.list.length === 1 ? 'layer' : 'layers' }}</span
        >
        <button
          class="bare"
          :class="{ set: view.curves }"
          :aria-pressed="view.curves"
          title="Curves of the chosen properties (C)"
          @click="view.curves = !view.curves"
        >
          Curves
        </button>
      </div>
      <TimelineRuler :pace="pace" :pad="pad" />
    </div>
    <CurvesView v-if="view.curves" :pace="pace" :pad="pad" :names="NAMES" />
    <div v-else ref="body" class="rows">
      <CutBrackets :lines="lines" />
      <div
        v-for="l in lines"
        :key="l.row.layer.id + (l.property?.name ?? '')"
        class="line"
        :class="{ chosen: !l.property && view.layers.includes(l.row.layer.id), thin: l.property }"
      >
        <TimelineName v-if="!l.property" :row="l.row" :folds="l.keys.length > 0" />
        <div v-else class="property" :style="{ paddingLeft: `${62 + l.row.depth * 14}px` }">
          <button
            class="bare"
            :title="`Choose all keys of ${l.property.label}`"
            @click="
              view.chooseAll([l.row.layer.id]);
              view.keys = l.property.keys.map((k) => ({
                layer: l.row.layer.id,
                property: l.property?.name ?? '',
                at: k.at,
              }));
            "
          >
            {{ l.property.label }}
          </button>
          <span v-if="l.property.signals.length" class="quiet">
            ∿ {{ l.property.signals.map((s) => s.kind).join(', ') }}</span
          >
        </div>
        <div class="lane" @pointerdown.self="boxed($event, l.row)">
          <TimelineBar
            v-if="!l.property"
            :row="l.row"
            :pace="pace"
            :pad="pad"
            :keys="view.unfolded.has(l.row.layer.id) ? NO_KEYS : l.keys"
          />
          <TimelineKeys v-else :row="l.row" :property="l.property" :pace="pace" :pad="pad" />
        </div>
      </div>
      <div class="rest" @pointerdown.self="boxed($event)"></div>
      <div
        v-if="box"
        class="box"
        :style="{
          left: `${box.left}px`,
          top: `${box.top}px`,
          width: `${box.width}px`,
          height: `${box.height}px`,
        }"
      ></div>
      <div v-if="over" class="here" data-testid="drop-here" :style="{ left: `${NAMES + x(over.frame)}px` }">
        <span>from frame {{ over.frame }}</span>
      </div>
      <p v-if="shot.list.length === 0" class="nothing">
        Nothing here yet. “Add” puts the first layer in; clips can be dropped here and on the Picture.
      </p>
      <TimelinePlayhead v-else :pace="pace" :pad="NAMES + pad" />
    </div>
  </section>
</template>

<style scoped>
.here {
  position: absolute;
  top: 0;
  bottom: 0;
  z-index: 2;
  border-left: 2px solid var(--accent);
  pointer-events: none;
}
.here span {
  padding: 1px 6px;
  background: var(--accent);
  color: #111;
  font-size: 11px;
  white-space: nowrap;
}
.timeline {
  position: relative;
  overflow-y: auto;
  overflow-x: hidden;
  background: var(--panel);
  border-top: 1px solid #0c0c0c;
}
.ruler-row {
  position: sticky;
  top: 0;
  z-index: 3;
  display: flex;
  height: 32px;
  background: #202020;
  border-bottom: 1px solid #0c0c0c;
}
.corner {
  display: flex;
  align-items: center;
  justify-content: space-between;
  flex: none;
  width: 304px;
  padding: 0 12px 0 6px;
  box-sizing: border-box;
  border-right: 1px solid #0c0c0c;
}
.quiet {
  color: var(--quiet);
}
.rows {
  position: relative;
  display: flex;
  flex-direction: column;
  min-height: calc(100% - 34px);
}
.rest {
  flex: 1;
  min-height: 24px;
  margin-left: 304px;
}
.box {
  position: absolute;
  border: 1px solid #f4f4f4;
  background: #ffffff1f;
  pointer-events: none;
  z-index: 2;
}
.within {
  flex: 1;
  min-width: 0;
  padding: 0 6px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  font-size: 12px;
}
.set {
  color: var(--accent);
}
.line {
  display: flex;
  flex: none;
  height: 32px;
  content-visibility: auto;
  contain-intrinsic-height: 32px;
  border-bottom: 1px solid #1c1c1c;
}
.line.thin {
  height: 22px;
  contain-intrinsic-height: 22px;
  background: #212121;
}
.line.chosen {
  background: #2c3634;
}
.property {
  flex: none;
  width: 304px;
  box-sizing: border-box;
  overflow: hidden;
  white-space: nowrap;
  color: var(--quiet);
  font-size: 12px;
  line-height: 22px;
  border-right: 1px solid #0c0c0c;
}
.lane {
  position: relative;
  flex: 1;
  min-width: 0;
  overflow: hidden;
}
.nothing {
  position: absolute;
  top: 0;
  padding: 26px 24px;
  margin: 0;
  color: var(--quiet);
}
</style>
