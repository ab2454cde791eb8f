<script setup lang="ts">
import { DeleteOutlined } from '@ant-design/icons-vue';
import { Button, Popconfirm, Segmented } from 'ant-design-vue';
import { computed } from 'vue';
import type { KeptOpening } from '../api/client';
import { useTyping } from '../stores/typing';
import { useKeptOpenings } from '../stores/keptOpenings';
import { useRecipes } from '../stores/recipes';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView } from '../stores/view';
import KindGlyph from './KindGlyph.vue';
import MovingPreview from './MovingPreview.vue';
import SidePanel from './SidePanel.vue';

/** Every opening, moving on the chosen layer itself. */
const shot = useShot();
const view = useView();
const timing = useTiming();
const recipes = useRecipes();
const kept = useKeptOpenings();
const typing = useTyping();

const arriving = computed(() => view.stance !== 'leave');
const layer = computed(() => shot.find(view.layer));
/** What can arrive: sounds aren't seen. */
const candidates = computed(() => shot.everyLayer().filter((l) => l.content.kind !== 'sound'));
/** What it is made of, in a few words. */
function says(k: KeptOpening): string {
  const opening = recipes.opening(k.passage.opening?.kind)?.label ?? 'a pose';
  return `${opening}, ${k.passage.length} frames`;
}
const now = computed(() => layer.value?.[arriving.value ? 'arrive' : 'leave']?.opening?.kind);
const url = (kind: string) =>
  `/api/shots/${shot.view?.id}/previews/${kind}.png?layer=${view.layer}&arriving=${arriving.value}&r=${shot.view?.revision}`;

const keptUrl = (id: string) =>
  `/api/shots/${shot.view?.id}/kept-previews/${id}.png?layer=${view.layer}&arriving=${arriving.value}&r=${shot.view?.revision}`;

async function lay(k: KeptOpening) {
  if (view.stance === 'rest') view.stance = 'arrive';
  if (await timing.setPassage(k.passage)) timing.take(view.stance);
}
const sameAs = (k: KeptOpening) => {
  const own = layer.value?.[arriving.value ? 'arrive' : 'leave'];
  return JSON.stringify(own && { ...own, pass: null }) === JSON.stringify({ ...k.passage, pass: null });
};

async function choose(kind: string) {
  if (view.stance === 'rest') view.stance = 'arrive';
  if (await timing.setOpening(kind)) timing.take(view.stance);
}
</script>

<template>
  <SidePanel title="Openings">
    <div class="ways">
      <Segmented
        block
        :value="arriving ? 'arrive' : 'leave'"
        :options="[
          { value: 'arrive', label: 'As it arrives' },
          { value: 'leave', label: 'As it leaves' },
        ]"
        @change="(v) => timing.take(v as 'arrive' | 'leave')"
      />
    </div>
    <div v-if="!layer" class="none">
      <p class="quiet">
        Openings are tried on a layer of your own. Which one is to {{ arriving ? 'arrive' : 'leave' }}?
      </p>
      <ul v-if="candidates.length">
        <li v-for="l in candidates" :key="l.id">
          <button class="bare" @click="view.choose(l.id)">
            <KindGlyph :kind="l.content.kind" /> {{ l.name }}
          </button>
        </li>
      </ul>
      <template v-else>
        <p class="quiet">There is none yet.</p>
        <Button size="small" @click="typing.begin()">Type words</Button>
      </template>
    </div>
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
        <MovingPreview :url="url(o.kind)" />
        <span class="text">
          <strong>{{ o.label }}</strong>
          <span class="quiet">{{ o.summary }}</span>
        </span>
      </button>
      <template v-if="kept.all.length">
        <h4>Kept in this project</h4>
        <div v-for="k in kept.all" :key="k.id" class="own">
          <button
            class="card"
            :class="{ chosen: sameAs(k) }"
            :data-testid="`kept-${k.name}`"
            :aria-label="`Kept opening ${k.name}`"
            @click="lay(k)"
          >
            <MovingPreview :url="keptUrl(k.id)" />
          </button>
          <span class="text">
            <input
              class="name"
              :value="k.name"
              :aria-label="`Name of ${k.name}`"
              maxlength="80"
              @keydown.stop="(e) => e.key === 'Enter' && (e.target as HTMLInputElement).blur()"
              @change="(e) => kept.rename(k.id, (e.target as HTMLInputElement).value)"
            />
            <span class="quiet">{{ says(k) }}</span>
          </span>
          <Popconfirm
            :title="`Forget “${k.name}”? Layers that have it keep it.`"
            ok-text="Forget"
            @confirm="kept.remove(k.id)"
          >
            <button class="bare" :aria-label="`Forget ${k.name}`"><DeleteOutlined /></button>
          </Popconfirm>
        </div>
      </template>
    </div>
  </SidePanel>
</template>

<style scoped>
.ways {
  padding: 0 12px 8px;
}
.none {
  padding: 0 12px;
}
.none ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.cards {
  display: flex;
  flex-direction: column;
  padding: 0 6px 12px;
}
.card {
  display: flex;
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
.text {
  display: flex;
  flex: 1;
  min-width: 0;
  flex-direction: column;
  line-height: 1.3;
}
h4 {
  margin: 10px 6px 2px;
  font-size: 13px;
  font-weight: 600;
}
.own {
  display: flex;
  align-items: center;
  padding-right: 6px;
}
.name {
  border: 0;
  border-bottom: 1px solid transparent;
  background: none;
  color: var(--text);
  font: inherit;
  font-weight: 600;
  min-width: 0;
}
.name:focus {
  border-bottom-color: var(--accent);
  outline: none;
}
.card.chosen {
  border-color: var(--accent);
  box-shadow: inset 0 0 0 1px var(--accent);
}
.card:hover,
.card:focus-visible {
  background: #292929;
}
.quiet {
  color: var(--quiet);
  font-size: 12px;
}
</style>
