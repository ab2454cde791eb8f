<script setup lang="ts">
import { Dropdown, Menu, MenuDivider, MenuItem } from 'ant-design-vue';
import { PlusOutlined } from '@ant-design/icons-vue';
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { keyed, type KeyedProperty, type Row } from '../lib/layers';
import { framesPerSecond, timecode } from '../lib/timecode';
import { useAdding } from '../stores/adding';
import { useDesk } from '../stores/desk';
import { useFrames } from '../stores/frames';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import CutBrackets from './CutBrackets.vue';
import TimelineBar from './TimelineBar.vue';
import TimelineKeys from './TimelineKeys.vue';
import TimelineName from './TimelineName.vue';

/** One row a layer: its name at the left, its bar at the right; below an opened row a line of keys a property. */
const emit = defineEmits<{ media: [] }>();
const shot = useShot();
const view = useView();
const frames = useFrames();
const desk = useDesk();
const adding = useAdding();

const NAMES = 304;
const PAD = 12;
const unfolded = ref<Set<string>>(new Set());
const room = ref(900);
const scroller = ref<HTMLElement>();
let watcher: ResizeObserver | undefined;

const length = computed(() => shot.shot?.length ?? 1);
const rate = computed(() => shot.shot?.format.rate ?? '24');
/** Pixels a frame takes; the whole shot fits. */
const pace = computed(() => Math.max(0.02, (room.value - NAMES - 2 * PAD) / length.value));
const x = (frame: number) => PAD + frame * pace.value;

interface Line {
  row: Row;
  property?: KeyedProperty;
}
const lines = computed<Line[]>(() =>
  shot.list.flatMap((row) => [
    { row },
    ...(unfolded.value.has(row.layer.id) ? keyed(row.layer).map((property) => ({ row, property })) : []),
  ]),
);

const ticks = computed(() => {
  const fps = framesPerSecond(rate.value);
  const seconds = [0.25, 0.5, 1, 2, 5, 10, 30, 60, 300].find((s) => s * fps * pace.value > 64) ?? 600;
  const count = Math.floor(length.value / (seconds * fps));
  return Array.from({ length: count + 1 }, (_, i) => ({
    frame: Math.round(i * seconds * fps),
    label: seconds < 1 ? timecode(Math.round(i * seconds * fps), rate.value).slice(3) : `${i * seconds} s`,
  }));
});

/** Runs of frames that are kept, for the line under the ruler. */
const runs = computed(() => {
  const all: { from: number; to: number }[] = [];
  for (let f = 0; f < length.value; f++) {
    if (!frames.ready.has(f)) continue;
    const last = all[all.length - 1];
    if (last && last.to === f) last.to = f + 1;
    else all.push({ from: f, to: f + 1 });
  }
  return all;
});

function toggle(id: string) {
  const next = new Set(unfolded.value);
  if (!next.delete(id)) next.add(id);
  unfolded.value = next;
}

function scrub(e: PointerEvent) {
  const ruler = e.currentTarget as HTMLElement;
  ruler.setPointerCapture(e.pointerId);
  view.playing = false;
  const go = (m: PointerEvent) => {
    const left = ruler.getBoundingClientRect().left;
    desk.go(Math.floor((m.clientX - left - PAD) / pace.value));
  };
  go(e);
  ruler.onpointermove = go;
  ruler.onpointerup = () => (ruler.onpointermove = null);
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
  <section ref="scroller" class="timeline" aria-label="Timeline">
    <div class="ruler-row">
      <div class="corner">
        <Dropdown :trigger="['click']">
          <button class="bare" aria-label="Add a layer"><PlusOutlined /> Add</button>
          <template #overlay>
            <Menu>
              <MenuItem key="text" @click="adding.text()">Text</MenuItem>
              <MenuItem key="media" @click="emit('media')">Clip or still…</MenuItem>
              <MenuDivider />
              <MenuItem key="solid" @click="adding.fill('solid')">One colour</MenuItem>
              <MenuItem key="linear" @click="adding.fill('linear')">Linear gradient</MenuItem>
              <MenuItem key="radial" @click="adding.fill('radial')">Radial gradient</MenuItem>
            </Menu>
          </template>
        </Dropdown>
        <span class="quiet">{{ shot.list.length }} {{ shot.list.length === 1 ? 'layer' : 'layers' }}</span>
      </div>
      <div class="ruler" data-testid="ruler" @pointerdown="scrub">
        <span v-for="t in ticks" :key="t.frame" class="tick" :style="{ left: `${x(t.frame)}px` }">{{
          t.label
        }}</span>
        <span
          v-for="r in runs"
          :key="r.from"
          class="kept"
          :style="{ left: `${x(r.from)}px`, width: `${(r.to - r.from) * pace}px` }"
        ></span>
        <span class="head" :style="{ left: `${x(view.frame)}px` }"></span>
      </div>
    </div>
    <div class="rows">
      <CutBrackets :lines="lines" />
      <div
        v-for="l in lines"
        :key="l.row.layer.id + (l.property?.name ?? '')"
        class="line"
        :class="{ chosen: !l.property && l.row.layer.id === view.layer, thin: l.property }"
      >
        <TimelineName
          v-if="!l.property"
          :row="l.row"
          :unfolded="unfolded.has(l.row.layer.id)"
          @toggle="toggle(l.row.layer.id)"
        />
        <div v-else class="property">{{ l.property.label }}</div>
        <div class="lane" @pointerdown.self="view.choose(l.row.layer.id)">
          <TimelineBar
            v-if="!l.property"
            :row="l.row"
            :pace="pace"
            :pad="PAD"
            :keys="unfolded.has(l.row.layer.id) ? [] : keyed(l.row.layer)"
          />
          <TimelineKeys v-else :row="l.row" :property="l.property" :pace="pace" :pad="PAD" />
        </div>
      </div>
      <div class="playhead" :style="{ left: `${NAMES + x(view.frame)}px` }"></div>
      <p v-if="shot.list.length === 0" class="nothing">
        Nothing here yet. “Add” puts the first layer in; clips can be dropped on the Picture.
      </p>
    </div>
  </section>
</template>

<style scoped>
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
  height: 28px;
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
.ruler {
  position: relative;
  flex: 1;
  cursor: ew-resize;
  touch-action: none;
  overflow: hidden;
}
.tick {
  position: absolute;
  top: 4px;
  padding-left: 4px;
  border-left: 1px solid #555;
  color: var(--quiet);
  font-size: 11px;
  line-height: 14px;
  white-space: nowrap;
  pointer-events: none;
}
.kept {
  position: absolute;
  bottom: 0;
  height: 2px;
  background: var(--accent);
  pointer-events: none;
}
.head {
  position: absolute;
  bottom: 0;
  width: 9px;
  height: 14px;
  margin-left: -4px;
  background: #f4f4f4;
  clip-path: polygon(0 0, 100% 0, 100% 60%, 50% 100%, 0 60%);
  pointer-events: none;
}
.rows {
  position: relative;
  min-height: calc(100% - 30px);
}
.line {
  display: flex;
  height: 32px;
  border-bottom: 1px solid #1c1c1c;
}
.line.thin {
  height: 22px;
  background: #212121;
}
.line.chosen {
  background: #2c3634;
}
.property {
  flex: none;
  width: 304px;
  padding-left: 62px;
  box-sizing: border-box;
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
.playhead {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 1px;
  background: #f4f4f4;
  pointer-events: none;
  z-index: 2;
}
.nothing {
  padding: 26px 24px;
  margin: 0;
  color: var(--quiet);
}
</style>
