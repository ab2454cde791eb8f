<script setup lang="ts">
import { computed } from 'vue';
import { follow } from '../lib/drag';
import { frameOf, ownFrames, type Key, type MovingProperty, type Row } from '../lib/layers';
import { snappedBy } from '../lib/snap';
import { useDesk } from '../stores/desk';
import { useTiming } from '../stores/timing';
import { useView, type KeyName } from '../stores/view';

/**
 * The keys of one property, told apart by their shapes: a dot eases on, a slim diagonal goes on evenly, a flat bar holds, a
 * notched dot springs, a ring has given up its time.
 */
const props = defineProps<{ row: Row; property: MovingProperty; pace: number; pad: number }>();
const view = useView();
const desk = useDesk();
const timing = useTiming();

const x = (frame: number) => props.pad + frame * props.pace;

function nameOf(at: number): KeyName {
  return { layer: props.row.layer.id, property: props.property.name, at };
}

const shape = (k: Key) =>
  k.loose ? 'loose' : typeof k.ease === 'string' ? k.ease : Array.isArray(k.ease) ? 'curve' : 'spring';
const told: Record<string, string> = {
  loose: ', time given up',
  hold: ', held',
  linear: ', even',
  spring: ', spring',
};
const named = computed(() =>
  props.property.keys.map((k) => {
    const name = nameOf(k.at);
    return { k, name, chosen: timing.isChosen(name), shape: shape(k) };
  }),
);
const anyChosen = computed(() => named.value.some((k) => k.chosen));
/** A drag that moves none of these keys draws none of them anew. */
const drag = computed(() => timing.dragOf(props.row.layer.id, anyChosen.value));
const keys = computed(() => named.value.map((k) => ({ ...k, x: x(timing.shownAt(k.name, drag.value)) })));
const ways = computed(() =>
  keys.value.slice(0, -1).map((k, i) => ({ ...k, to: keys.value[i + 1]?.x ?? k.x })),
);
/** Where the value goes on before the first key and after the last. */
const beyond = computed(() => ({
  before: props.property.before !== 'hold' && keys.value.length > 1,
  after: props.property.after !== 'hold' && keys.value.length > 1,
  first: keys.value[0]?.x ?? 0,
  last: keys.value[keys.value.length - 1]?.x ?? 0,
}));

function down(e: PointerEvent, name: KeyName) {
  if (e.button !== 0) return;
  e.preventDefault();
  if (e.shiftKey) {
    view.keys = timing.isChosen(name)
      ? view.keys.filter((k) => k.at !== name.at || k.property !== name.property || k.layer !== name.layer)
      : [...view.keys, name];
    return;
  }
  if (!timing.isChosen(name)) {
    view.choose(name.layer);
    view.keys = [name];
  }
  if (props.row.layer.locked) return;
  const moved = [...view.keys];
  const frames = moved.map(timing.frameOf);
  const lines = timing.lines({ keys: moved });
  const from = e.clientX;
  let by = 0;
  const change = () => ({ edit: { kind: 'move-keys', keys: moved, by } });
  follow({
    move: (m) => {
      const wanted = (m.clientX - from) / props.pace;
      const next = ownFrames(
        props.row,
        m.altKey ? Math.round(wanted) : snappedBy(Math.round(wanted), frames, lines, 7 / props.pace),
      );
      if (next === by) return;
      by = next;
      timing.dragged = { kind: 'keys', by };
      desk.draft(change());
    },
    end: () => {
      if (by === 0) {
        if (timing.dragged) desk.drop();
        timing.dragged = undefined;
        return;
      }
      void desk.commit(moved.length > 1 ? 'Move keys' : 'Move key', change()).then((done) => {
        timing.dragged = undefined;
        if (done) view.keys = moved.map((k) => ({ ...k, at: k.at + by }));
      });
    },
    cancel: () => {
      timing.dragged = undefined;
      desk.drop();
    },
  });
}

function toggle(name: KeyName) {
  view.choose(name.layer);
  view.keys = [name];
}
</script>

<template>
  <svg class="ways" width="100%" height="22" aria-hidden="true">
    <template v-for="w in ways" :key="w.name.at">
      <rect
        v-if="w.shape === 'hold'"
        :x="w.x"
        y="9"
        :width="Math.max(0, w.to - w.x)"
        height="4"
        class="hold"
      />
      <path v-else :d="`M${w.x} 11H${w.to}`" class="way" />
    </template>
    <path v-if="beyond.before" :d="`M0 11H${beyond.first}`" class="beyond" />
    <path v-if="beyond.after" :d="`M${beyond.last} 11H4000`" class="beyond" />
  </svg>
  <button
    v-for="k in keys"
    :key="k.name.at"
    class="key"
    :class="[k.shape, { chosen: k.chosen }]"
    :style="{ left: `${k.x}px` }"
    :aria-label="`Key of ${property.label.toLowerCase()} at ${frameOf(row, k.name.at)}${told[k.shape] ?? ''}`"
    :aria-pressed="k.chosen"
    :data-testid="`key-${property.name}-${k.name.at}`"
    @pointerdown="down($event, k.name)"
    @dblclick="desk.go(frameOf(row, k.name.at))"
    @keydown.enter.stop.prevent="toggle(k.name)"
  ></button>
</template>

<style scoped>
.ways {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.way {
  stroke: #6a6a6a;
}
.hold {
  fill: #6a6a6a;
}
.beyond {
  stroke: #6a6a6a;
  stroke-dasharray: 2 5;
}
.key {
  position: absolute;
  top: 6px;
  width: 10px;
  height: 10px;
  margin-left: -5px;
  padding: 0;
  border: 0;
  border-radius: 50%;
  background: #e8e8e8;
  cursor: pointer;
  touch-action: none;
}
.key.linear {
  width: 4px;
  height: 14px;
  top: 4px;
  margin-left: -2px;
  border-radius: 2px;
  transform: rotate(28deg);
}
.key.hold {
  width: 12px;
  height: 5px;
  top: 8px;
  margin-left: -6px;
  border-radius: 1px;
}
.key.spring {
  clip-path: polygon(0 0, 35% 0, 50% 30%, 65% 0, 100% 0, 100% 100%, 65% 100%, 50% 70%, 35% 100%, 0 100%);
}
.key.loose {
  background: transparent;
  box-shadow: inset 0 0 0 2px #e8e8e8;
}
.key.chosen {
  background: var(--accent);
  outline: 2px solid #f4f4f4;
  outline-offset: 1px;
}
.key:focus-visible {
  outline: 2px solid var(--accent);
  outline-offset: 2px;
}
</style>
