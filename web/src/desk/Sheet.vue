<script setup lang="ts">
import { Input, Segmented } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import { useShot } from '../stores/shot';
import { useTiming } from '../stores/timing';
import { useView, type Stance } from '../stores/view';
import CutSection from './CutSection.vue';
import EaseEditor from './EaseEditor.vue';
import KindGlyph from './KindGlyph.vue';
import ManySheet from './ManySheet.vue';
import PassageSheet from './PassageSheet.vue';
import BlendSection from './sheet/BlendSection.vue';
import EffectsSection from './sheet/EffectsSection.vue';
import { KINDS } from './sheet/kinds';
import PlaceSection from './sheet/PlaceSection.vue';
import TimeSection from './TimeSection.vue';

/** All that can be set of the chosen layer. */
const shot = useShot();
const view = useView();
const timing = useTiming();

const STANCES = [
  { value: 'rest', label: 'Rest' },
  { value: 'arrive', label: 'Arrive' },
  { value: 'leave', label: 'Leave' },
];

/** The sections, and whether what is only heard has them. */
const SECTIONS = [
  { name: 'Look', heard: true },
  { name: 'Place', heard: false },
  { name: 'Cut', heard: false },
  { name: 'Effects', heard: false },
  { name: 'Time', heard: true },
  { name: 'Blend', heard: false },
] as const;
const section = ref<(typeof SECTIONS)[number]['name']>('Look');
const layer = computed(() => shot.find(view.layer));
const seen = computed(() => layer.value?.content.kind !== 'sound');
const sections = computed(() => SECTIONS.filter((s) => seen.value || s.heard).map((s) => s.name));
const body = computed(() => {
  const l = layer.value;
  if (!l) return undefined;
  const all = {
    Look: KINDS[l.content.kind].look,
    Place: PlaceSection,
    Cut: CutSection,
    Effects: EffectsSection,
    Time: TimeSection,
    Blend: BlendSection,
  };
  return all[sections.value.includes(section.value) ? section.value : 'Look'];
});
const locked = computed(() => layer.value?.locked ?? false);
const name = ref('');
watch(
  layer,
  (l) => {
    name.value = l?.name ?? '';
  },
  { immediate: true },
);

// New words come with their look.
watch(
  () => view.typing,
  (now) => {
    if (now) section.value = 'Look';
  },
);
const chosenKey = computed(() => view.keys[0]);
</script>

<template>
  <section class="sheet" aria-label="Sheet of the layer">
    <p v-if="view.typing && !layer" class="why typing">
      Type on the Picture. Ctrl+Enter, or a click elsewhere, keeps the words; Escape takes them back.
    </p>
    <ManySheet v-else-if="view.layers.length > 1 && !chosenKey" />
    <template v-else-if="layer">
      <Segmented
        v-if="seen"
        :value="view.stance"
        block
        :options="STANCES"
        class="stances"
        aria-label="The pose that is edited"
        @change="(v) => timing.take(v as Stance)"
      />
      <div class="head">
        <KindGlyph :kind="layer.content.kind" />
        <Input
          v-model:value="name"
          class="name"
          :bordered="false"
          aria-label="Name of the layer"
          @keydown.stop
          @press-enter="($event.target as HTMLInputElement).blur()"
          @blur="name && name !== layer.name && shot.setField(layer.id, 'name', name, 'Rename')"
        />
      </div>
      <p v-if="locked" class="why">Locked: unlock it in its row to change it.</p>
      <div v-if="view.stance !== 'rest'" class="body">
        <PassageSheet :layer="layer" :arriving="view.stance === 'arrive'" :locked="locked" />
      </div>
      <template v-else>
        <Segmented v-model:value="section" block size="small" :options="sections" class="sections" />
        <div class="body">
          <component :is="body" :layer="layer" :locked="locked" />
          <EaseEditor v-if="chosenKey" />
        </div>
      </template>
    </template>
    <div v-else class="empty">
      <template v-if="shot.list.length">
        <p>Choose a layer in the rows below or on the Picture.</p>
      </template>
      <p v-else>Nothing in this shot yet: begin on the Picture.</p>
    </div>
  </section>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  min-height: 0;
  background: var(--panel);
  border-right: 1px solid #0c0c0c;
}
.head {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 9px 12px 5px;
}
.name {
  font-weight: 600;
  padding-left: 2px;
}
.stances {
  margin: 8px 12px 0;
}
.sections {
  margin: 0 12px 8px;
}
/* Six names side by side, each as wide as it is. */
.sections :deep(.ant-segmented-item) {
  flex: 1 1 auto;
}
.sections :deep(.ant-segmented-item-label) {
  padding: 0 3px;
}
/* Shadows at the ends tell that there is more: they scroll away with what covers them. */
.body {
  flex: 1;
  overflow: auto;
  background:
    linear-gradient(var(--panel) 40%, transparent) top / 100% 28px no-repeat local,
    linear-gradient(transparent, var(--panel) 60%) bottom / 100% 28px no-repeat local,
    linear-gradient(#0009, transparent) top / 100% 10px no-repeat scroll,
    linear-gradient(transparent, #0009) bottom / 100% 10px no-repeat scroll;
  padding: 0 12px 12px;
}
.why {
  margin: 0 12px 8px;
  color: var(--quiet);
}
.body .why {
  margin: 4px 0;
}
.typing {
  margin-top: 12px;
}
.empty {
  padding: 16px 4px;
}
.empty p {
  margin: 0 12px 10px;
}
</style>
