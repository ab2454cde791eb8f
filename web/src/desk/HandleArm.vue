<script setup lang="ts">
import { computed } from 'vue';
import type { Pair } from '../lib/affine';
import { useOnPicture } from './onPicture';

/** A handle of a point: what is taken hold of, on a line from the point. One that lies on its point isn't seen. */
const props = defineProps<{ from: Pair; to: Pair; testId: string }>();
const emit = defineEmits<{ press: [e: PointerEvent] }>();
const { px } = useOnPicture();
const away = computed(() => Math.hypot(props.to[0] - props.from[0], props.to[1] - props.from[1]) > px(2));
</script>

<template>
  <template v-if="away">
    <line :x1="from[0]" :y1="from[1]" :x2="to[0]" :y2="to[1]" :stroke-width="px(1)" class="arm" />
    <circle
      :cx="to[0]"
      :cy="to[1]"
      :r="px(3.8)"
      class="pull"
      :data-testid="testId"
      @pointerdown.stop="emit('press', $event)"
    />
  </template>
</template>

<style scoped>
.arm {
  stroke: #f4f4f499;
  pointer-events: none;
}
.pull {
  fill: #f4f4f4;
  cursor: move;
}
</style>
