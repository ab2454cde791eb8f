<script setup lang="ts">
import { Drawer, Segmented } from 'ant-design-vue';
import { computed } from 'vue';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';

/** Every opening, moving on the chosen layer itself. */
const shot = useShot();
const view = useView();
const timing = useTiming();
const recipes = useRecipes();

const arriving = computed(() => view.stance !== 'leave');
const layer = computed(() => shot.find(view.layer));
const now = computed(() => layer.value?.[arriving.value ? 'arrive' : 'leave']?.opening?.kind);
const url = (kind: string) =>
  `/api/shots/${shot.view?.id}/previews/${kind}.png?layer=${view.layer}&arriving=${arriving.value}&r=${shot.view?.revision}`;

async function choose(kind: string) {
  if (view.stance === 'rest') view.stance = 'arrive';
  if (await timing.setOpening(kind)) timing.take(view.stance);
}
</script>

<template>
  <Drawer
    :open="view.drawer === 'openings'"
    title="Openings"
    :width="472"
    :mask="false"
    @close="view.drawer = undefined"
  >
    <Segmented
      block
      :value="arriving ? 'arrive' : 'leave'"
      :options="[
        { value: 'arrive', label: 'As it arrives' },
        { value: 'leave', label: 'As it leaves' },
      ]"
      @change="(v) => timing.take(v as 'arrive' | 'leave')"
    />
    <p v-if="!layer" class="quiet">Choose a layer to see how it would arrive and leave.</p>
    <div v-else class="cards">
      <button
        v-for="o in recipes.openings"
        :key="o.kind"
        class="card"
        :class="{ chosen: now === o.kind }"
        :aria-pressed="now === o.kind"
        :data-testid="`opening-${o.kind}`"
        @click="choose(o.kind)"
      >
        <span class="moving" :style="{ backgroundImage: `url('${url(o.kind)}')` }"></span>
        <strong>{{ o.label }}</strong>
        <span class="quiet">{{ o.summary }}</span>
      </button>
    </div>
  </Drawer>
</template>

<style scoped>
.cards {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 14px;
}
.card {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1px;
  padding: 6px 6px 8px;
  border: 1px solid #3d3d3d;
  border-radius: 4px;
  background: #1f1f1f;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.card.chosen {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 1px var(--accent);
}
.card:hover,
.card:focus-visible {
  background: #292929;
}
.moving {
  width: 200px;
  height: 96px;
  margin-bottom: 5px;
  background-color: #141414;
  background-size: 200px 2304px;
  animation: move 2.2s steps(1) infinite;
}
.quiet {
  color: var(--quiet);
  font-size: 12px;
}
@keyframes move {
  0% {
    background-position: 0 0;
  }
  3% {
    background-position: 0 -96px;
  }
  6% {
    background-position: 0 -192px;
  }
  9% {
    background-position: 0 -288px;
  }
  12% {
    background-position: 0 -384px;
  }
  15% {
    background-position: 0 -480px;
  }
  18% {
    background-position: 0 -576px;
  }
  21% {
    background-position: 0 -576px;
  }
  24% {
    background-position: 0 -768px;
  }
  27% {
    background-position: 0 -864px;
  }
  30% {
    background-position: 0 -960px;
  }
  33% {
    background-position: 0 -1056px;
  }
  36% {
    background-position: 0 -1152px;
  }
  39% {
    background-position: 0 -1248px;
  }
  42% {
    background-position: 0 -1152px;
  }
  45% {
    background-position: 0 -1440px;
  }
  48% {
    background-position: 0 -1536px;
  }
  51% {
    background-position: 0 -1632px;
  }
  54% {
    background-position: 0 -1728px;
  }
  57%,
  100% {
    background-position: 0 -2208px;
  }
}
@media (prefers-reduced-motion: reduce) {
  .moving {
    animation: none;
    background-position: 0 -768px;
  }
}
</style>
