<script setup lang="ts">
import { computed, ref } from 'vue';
import type { KeyedProperty, Row } from '../lib/layers';
import { useDesk } from '../stores/desk';
import { useView, type KeyName } from '../stores/view';

/** The keys of one property: a dot; a slim diagonal when it goes on evenly; a flat bar while it is held. */
const props = defineProps<{ row: Row; property: KeyedProperty; pace: number; pad: number }>();
const view = useView();
const desk = useDesk();

const by = ref(0);
const moving = ref<number[]>([]);
const names = computed(() =>
  view.keys.filter((k) => k.layer === props.row.layer.id && k.property === props.property.name),
);
const start = computed(() => props.row.shift + props.row.layer.span.in - props.row.layer.span.offset);
const x = (at: number) => props.pad + (start.value + at) * props.pace;
const shown = (at: number) => (moving.value.includes(at) ? at + by.value : at);
const chosen = (at: number) => names.value.some((k) => k.at === at);

function nameOf(at: number): KeyName {
  return { layer: props.row.layer.id, property: props.property.name, at };
}

function down(e: PointerEvent, at: number) {
  e.preventDefault();
  view.choose(props.row.layer.id);
  if (e.shiftKey) {
    view.keys = chosen(at)
      ? view.keys.filter((k) => k.at !== at || k.property !== props.property.name)
      : [...view.keys, nameOf(at)];
    return;
  }
  if (!chosen(at)) view.keys = [nameOf(at)];
  if (props.row.layer.locked) return;
  const keys = [...view.keys];
  const from = e.clientX;
  const change = () => ({ edit: { kind: 'move-keys', keys, by: by.value } });
  const move = (m: PointerEvent) => {
    const next = Math.round((m.clientX - from) / props.pace);
    if (next === by.value) return;
    moving.value = names.value.map((k) => k.at);
    by.value = next;
    desk.draft(change());
  };
  const up = () => {
    removeEventListener('pointermove', move);
    const moved = by.value;
    const end = () => {
      moving.value = [];
      by.value = 0;
    };
    if (moved === 0) {
      if (moving.value.length) desk.drop();
      end();
      return;
    }
    void desk.commit(keys.length > 1 ? 'Move keys' : 'Move key', change()).then((done) => {
      if (done) view.keys = keys.map((k) => ({ ...k, at: k.at + moved }));
      end();
    });
  };
  addEventListener('pointermove', move);
  addEventListener('pointerup', up, { once: true });
}

const spans = computed(() =>
  props.property.keys.slice(0, -1).map((k, i) => ({
    at: k.at,
    ease: k.ease,
    from: x(shown(k.at)),
    to: x(shown(props.property.keys[i + 1]?.at ?? k.at)),
  })),
);
</script>

<template>
  <svg class="keys" width="100%" height="22">
    <template v-for="s in spans" :key="s.at">
      <rect
        v-if="s.ease === 'hold'"
        :x="s.from"
        y="9"
        :width="Math.max(0, s.to - s.from)"
        height="4"
        class="hold"
      />
      <path v-else :d="`M${s.from} 11H${s.to}`" class="way" />
    </template>
  </svg>
  <button
    v-for="k in property.keys"
    :key="k.at"
    class="key"
    :class="{ chosen: chosen(k.at), linear: k.ease === 'linear', hold: k.ease === 'hold' }"
    :style="{ left: `${x(shown(k.at))}px` }"
    :aria-label="`Key of ${property.label} at ${k.at}`"
    :data-testid="`key-${property.name}-${k.at}`"
    @pointerdown="down($event, k.at)"
    @dblclick="desk.go(start + k.at)"
  ></button>
</template>

<style scoped>
.keys {
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
.key.chosen {
  background: var(--accent);
  box-shadow: 0 0 0 2px #12121299;
}
</style>
