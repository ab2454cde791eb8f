<script setup lang="ts">
import NumberField from '../fields/NumberField.vue';
import { useView, type Becomes, type Drawn } from '../stores/view';

/** The tools that draw on the Picture: point by point, or figures dragged over it. */
const props = defineProps<{ becomes: Becomes; locked: boolean }>();
const view = useView();

const TOOLS: { tool: Drawn; label: string; icon: string }[] = [
  { tool: 'pen', label: 'Point by point', icon: 'M3 14L7 5 14 9 9 14Z' },
  { tool: 'rectangle', label: 'Four points', icon: 'M3 4H15V14H3Z' },
  {
    tool: 'rounded',
    label: 'Rounded rectangle',
    icon: 'M6 4H12A3 3 0 0115 7V11A3 3 0 0112 14H6A3 3 0 013 11V7A3 3 0 016 4Z',
  },
  { tool: 'ellipse', label: 'Ellipse', icon: 'M3 9A6 5 0 1015 9 6 5 0 103 9Z' },
  { tool: 'polygon', label: 'Polygon', icon: 'M9 3L15 7.5 12.7 14.5H5.3L3 7.5Z' },
  {
    tool: 'star',
    label: 'Star',
    icon: 'M9 2.5L11 7 15.5 7.3 12 10.3 13.2 15 9 12.4 4.8 15 6 10.3 2.5 7.3 7 7Z',
  },
];

const on = (tool: Drawn) => view.tool === tool && view.becomes === props.becomes;
</script>

<template>
  <div
    class="draw"
    role="toolbar"
    :aria-label="{ mask: 'Draw a mask', path: 'Draw one more path', shape: 'Draw a shape' }[becomes]"
  >
    <button
      v-for="t in TOOLS"
      :key="t.tool"
      class="bare tool"
      :class="{ on: on(t.tool) }"
      :disabled="locked"
      :aria-label="t.label"
      :title="t.label"
      :aria-pressed="on(t.tool)"
      @click="view.draw(t.tool, becomes)"
    >
      <svg viewBox="0 0 18 18" width="18" height="18">
        <path :d="t.icon" fill="none" stroke="currentColor" stroke-width="1.4" stroke-linejoin="round" />
        <template v-if="t.tool === 'pen'">
          <circle
            v-for="[x, y] in [
              [3, 14],
              [7, 5],
              [14, 9],
            ]"
            :key="x"
            :cx="x"
            :cy="y"
            r="1.8"
            fill="currentColor"
          />
        </template>
      </svg>
    </button>
    <NumberField
      v-if="on('polygon') || on('star')"
      class="count"
      :value="view.figure.points"
      label="Points of the figure"
      unit="points"
      :least="3"
      :most="200"
      :decimals="0"
      @commit="(v) => (view.figure = { points: Math.round(v) })"
    />
  </div>
  <p v-if="on('pen')" class="why">
    {{
      becomes === 'mask'
        ? 'Press for corners, drag for curves. The first point or Enter closes it.'
        : 'Press for corners, drag for curves. The first point closes it, Enter ends an open line.'
    }}
  </p>
  <p v-else-if="TOOLS.some((t) => on(t.tool))" class="why">Drag over the Picture.</p>
</template>

<style scoped>
.why {
  margin: 2px 0 6px;
  color: var(--quiet);
}
.draw {
  display: flex;
  align-items: center;
  gap: 2px;
  margin-top: 6px;
}
.tool {
  padding: 4px;
  color: var(--text);
  line-height: 0;
}
.tool.on {
  color: var(--accent);
  background: #ffffff14;
  border-radius: 4px;
}
.count {
  margin-left: auto;
  width: 110px;
}
</style>
