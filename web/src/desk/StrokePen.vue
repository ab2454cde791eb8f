<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Pair } from '../lib/affine';
import { follow } from '../lib/drag';
import { useDesk } from '../stores/desk';
import { useView } from '../stores/view';
import { useOnPicture } from './onPicture';

/** A stroke that is drawn by hand over the letters: where the pen goes, as wide as it is pressed. */
const view = useView();
const desk = useDesk();
const { at, px } = useOnPicture();

interface Place {
  at: Pair;
  width: number;
}
const places = ref<Place[]>([]);
const line = computed(() => places.value.map((p) => p.at.join(',')).join(' '));

/** A mouse has no pressure and says one half. */
const place = (e: PointerEvent): Place => ({ at: at(e), width: view.nib * 2 * (e.pressure || 0.5) });

function down(e: PointerEvent) {
  places.value = [place(e)];
  follow({
    move: (m) => {
      const all = m.getCoalescedEvents?.() ?? [];
      places.value = [...places.value, ...(all.length ? all : [m]).map(place)];
    },
    end: () => {
      const drawn = places.value;
      places.value = [];
      if (drawn.length < 2) return;
      const edit = { kind: 'draw-stroke', layer: view.layer, frame: view.frame, places: drawn };
      void desk.commit('Draw stroke', { edit });
    },
    cancel: () => (places.value = []),
  });
}
defineExpose({ down });
</script>

<template>
  <polyline class="stroke" :points="line" :stroke-width="px(2)" data-testid="drawn-stroke" />
</template>

<style scoped>
.stroke {
  fill: none;
  stroke: var(--accent);
  stroke-linecap: round;
  stroke-linejoin: round;
  pointer-events: none;
}
</style>
