<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import { Input, Popconfirm } from 'ant-design-vue';
import { computed, nextTick, onMounted, ref } from 'vue';
import type { EffectView } from '../api/client';
import { PURPOSES } from '../lib/purposes';
import { useChain } from '../stores/chain';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import MovingPreview from './MovingPreview.vue';
import SidePanel from './SidePanel.vue';

/** Every effect, coming and going on the chosen layer itself; and the chains that are kept. */
const shot = useShot();
const view = useView();
const recipes = useRecipes();
const chain = useChain();

const wanted = ref('');
const field = ref<HTMLElement>();
const cards = ref<HTMLElement>();
onMounted(() => void nextTick(() => field.value?.querySelector('input')?.focus({ preventScroll: true })));

const layer = computed(() => shot.find(view.layer));
const fits = (text: string) => text.toLowerCase().includes(wanted.value.trim().toLowerCase());
const found = (e: EffectView) => [e.descriptor.label, e.descriptor.summary, PURPOSES[e.purpose]].some(fits);
const groups = computed(() =>
  Object.entries(PURPOSES)
    .map(([purpose, title]) => ({
      title,
      effects: recipes.effects.filter((e) => e.purpose === purpose && found(e)),
    }))
    .filter((g) => g.effects.length),
);
const kept = computed(() => chain.kept.filter((k) => fits(k.name)));
const first = computed(() => groups.value[0]?.effects[0]);
const url = (kind: string) =>
  `/api/shots/${shot.view?.id}/effect-previews/${kind}.png?layer=${view.layer}&r=${shot.view?.revision}`;

/** Arrows lead from card to card, and back into the field. */
function onKey(e: KeyboardEvent) {
  const by = { ArrowDown: 1, ArrowUp: -1 }[e.key];
  if (by === undefined) return;
  const all = [...(cards.value?.querySelectorAll<HTMLElement>('.card') ?? [])];
  const at = all.indexOf(document.activeElement as HTMLElement);
  const next = all[at + by];
  if (next) next.focus();
  else if (at + by < 0) field.value?.querySelector('input')?.focus();
  e.preventDefault();
  e.stopPropagation();
}
</script>

<template>
  <SidePanel title="Effects">
    <div ref="field" class="search" @keydown="onKey">
      <Input
        v-model:value="wanted"
        size="small"
        allow-clear
        placeholder="Search: blur, light, edge …"
        aria-label="Search effects"
        @press-enter="first && layer && chain.add(first)"
      />
    </div>
    <p v-if="!layer" class="quiet none">Effects are tried on a layer of your own: choose one.</p>
    <div v-else ref="cards" class="cards" @keydown="onKey">
      <template v-for="g in groups" :key="g.title">
        <h4>{{ g.title }}</h4>
        <button
          v-for="e in g.effects"
          :key="e.descriptor.kind"
          class="card"
          :data-testid="`add-${e.descriptor.kind}`"
          @click="chain.add(e)"
        >
          <MovingPreview :url="url(e.descriptor.kind)" />
          <span class="text">
            <strong>{{ e.descriptor.label }}</strong>
            <span class="quiet">{{ e.descriptor.summary }}</span>
          </span>
        </button>
      </template>
      <template v-if="kept.length">
        <h4>Kept chains</h4>
        <div v-for="k in kept" :key="k.id" class="own">
          <button
            class="card"
            :aria-label="`Lay on ${k.name}`"
            :data-testid="`chain-${k.name}`"
            @click="chain.lay(k.name, k.effects)"
          >
            <span class="text">
              <strong>{{ k.name }}</strong>
              <span class="quiet">{{ k.effects.map((e) => chain.label(e)).join(' ▸ ') }}</span>
            </span>
          </button>
          <Popconfirm
            v-if="!k.shipped"
            :title="`Forget “${k.name}”? Layers that have it keep it.`"
            ok-text="Forget"
            @confirm="chain.forget(k.id)"
          >
            <button class="bare" :aria-label="`Forget ${k.name}`"><DeleteOutlined /></button>
          </Popconfirm>
        </div>
      </template>
      <p v-if="!groups.length && !kept.length" class="quiet none">Nothing is called that.</p>
    </div>
  </SidePanel>
</template>

<style scoped>
.search {
  position: sticky;
  z-index: 1;
  top: 0;
  padding: 0 12px 8px;
  background: var(--panel);
}
.none {
  margin: 4px 12px;
}
.cards {
  display: flex;
  flex-direction: column;
  padding: 0 6px 12px;
}
h4 {
  margin: 10px 6px 2px;
  font-size: 13px;
  font-weight: 600;
}
.card {
  display: flex;
  flex: 1;
  min-width: 0;
  align-items: center;
  gap: 9px;
  padding: 5px 6px;
  border: 1px solid transparent;
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.card:hover,
.card:focus-visible {
  background: #292929;
}
.own {
  display: flex;
  align-items: center;
}
.text {
  display: flex;
  flex: 1;
  min-width: 0;
  flex-direction: column;
  line-height: 1.3;
}
.quiet {
  color: var(--quiet);
  font-size: 12px;
}
</style>
