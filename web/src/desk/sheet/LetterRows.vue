<script setup lang="ts">
import { CloseOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import SheetHead from '../../fields/SheetHead.vue';
import type { Change, Content } from '../../api/client';
import ColourField from '../../fields/ColourField.vue';
import NumberField from '../../fields/NumberField.vue';
import SheetLine from '../../fields/SheetLine.vue';
import type { PropertyNow } from '../../lib/answers';
import { linesOf } from '../../lib/paints';
import { shownTimes } from '../../lib/numbers';
import { useDesk } from '../../stores/desk';
import { useShot } from '../../stores/shot';
import { useView } from '../../stores/view';
import FontPicker from '../FontPicker.vue';
import PropertyRow from '../PropertyRow.vue';
import PaintRows from './PaintRows.vue';
import { useContent } from './useContent';

/** How the chosen letters of a text look: what they have of their own, and what they have from the rest. */
type Text = Extract<Content, { kind: 'text' }>;
const props = defineProps<{ text: Text; letters: { from: number; to: number }; locked: boolean }>();
const shot = useShot();
const view = useView();
const desk = useDesk();
const { properties, paints } = useContent();

const chosen = computed(() => props.letters);
const runs = computed(() => props.text.runs ?? []);
/** The run of the first chosen letter, and the one whose letters are the chosen ones. */
const first = computed(() => runs.value.find((r) => r.from <= chosen.value.from && r.to > chosen.value.from));
const own = computed(() => {
  const run = first.value;
  return run && run.from === chosen.value.from && run.to === chosen.value.to ? run : undefined;
});
const title = computed(
  () => `‘${props.text.words.slice(chosen.value.from, chosen.value.to).replace(/\n/g, ' ').trim()}’`,
);

/** A part of the look: what all letters have, what those of the run have. */
interface Part {
  word: string;
  all: PropertyNow;
  here?: PropertyNow;
}
const parts = computed<Part[]>(() =>
  properties.value
    .filter((p) => p.part === '' && p.name.startsWith('text.') && !isGradient(p.name))
    .map((all) => {
      const word = all.name.slice('text.'.length);
      const here = first.value && properties.value.find((p) => p.name === `run.${first.value?.id}.${word}`);
      return { word, all, ...(here ? { here } : {}) };
    }),
);
const isGradient = (name: string) =>
  paints.value.some((p) => p.form !== 'solid' && name.startsWith(`${p.name}.`));
/** The lines of what the run that is chosen has of its own, by the word of the part. */
const ownLines = computed(() => {
  const run = own.value;
  if (!run) return new Map<string, ReturnType<typeof linesOf>>();
  const prefix = `run.${run.id}.`;
  const lines = linesOf(
    properties.value.filter((p) => p.name.startsWith(prefix)),
    paints.value,
  );
  const map = new Map<string, ReturnType<typeof linesOf>>();
  for (const l of lines) {
    const word = ('paint' in l ? l.paint.name : l.property.name).slice(prefix.length);
    map.set(word, [...(map.get(word) ?? []), l]);
  }
  return map;
});
const words = computed(() => {
  const all = parts.value.map((p) => p.word);
  // Where all letters have a gradient, these may have a fill of their own all the same.
  return all.includes('fill') ? all : [...all.slice(0, 3), 'fill', ...all.slice(3)];
});
const partOf = (word: string) => parts.value.find((p) => p.word === word);

const style = (look: object): Change => ({
  edit: { kind: 'style-letters', layer: view.layer, ...chosen.value, look },
});
const commit = (label: string, look: object) => void desk.commit(`${label} of ${title.value}`, style(look));

function plain(word: string) {
  void shot.edit(`${title.value} as the rest`, {
    edit: { kind: 'plain-letters', layer: view.layer, ...chosen.value, parts: [word] },
  });
}

const font = computed(() => first.value?.look.font ?? props.text.font);
const number = (word: string) => {
  const p = partOf(word);
  return (p?.here ?? p?.all)?.value as number;
};
const colour = (word: string) => {
  const p = partOf(word);
  return ((p?.here ?? p?.all)?.value as string | undefined) ?? '#ffffff';
};
</script>

<template>
  <div class="letters" data-testid="letters">
    <SheetHead :title="`Only ${title}`">
      <button class="bare link" @click="view.letters = undefined">all letters</button>
    </SheetHead>
    <SheetLine label="Font">
      <span class="with">
        <FontPicker :value="font" :disabled="locked" @choose="(f) => commit('Font', { font: f })" />
        <button
          v-if="first?.look.font"
          class="bare"
          :disabled="locked"
          aria-label="Font as the rest"
          title="As the rest"
          @click="plain('font')"
        >
          <CloseOutlined />
        </button>
      </span>
    </SheetLine>
    <template v-for="word in words" :key="word">
      <div v-if="ownLines.has(word)" class="own">
        <div>
          <template
            v-for="line in ownLines.get(word)"
            :key="'paint' in line ? line.paint.name : line.property.name"
          >
            <PaintRows
              v-if="'paint' in line"
              :paint="line.paint"
              :properties="line.properties"
              :locked="locked"
            />
            <PropertyRow v-else :property="line.property" :locked="locked" />
          </template>
        </div>
        <button
          class="bare"
          :disabled="locked"
          :aria-label="`${partOf(word)?.all.label ?? 'Fill'} as the rest`"
          title="As the rest"
          @click="plain(word)"
        >
          <CloseOutlined />
        </button>
      </div>
      <SheetLine v-else :label="partOf(word)?.all.label ?? 'Fill'">
        <ColourField
          v-if="word === 'fill' || word === 'edge'"
          :value="colour(word)"
          :label="partOf(word)?.all.label ?? 'Fill'"
          @draft="(v) => desk.draft(style({ [word]: v }))"
          @commit="(v) => commit(partOf(word)?.all.label ?? 'Fill', { [word]: v })"
        />
        <NumberField
          v-else-if="partOf(word)"
          :value="number(word) * shownTimes(partOf(word)?.all.unit ?? '')"
          :label="partOf(word)?.all.label ?? ''"
          :unit="partOf(word)?.all.unit ?? ''"
          :least="(partOf(word)?.all.least ?? 0) * shownTimes(partOf(word)?.all.unit ?? '')"
          :most="(partOf(word)?.all.most ?? 0) * shownTimes(partOf(word)?.all.unit ?? '')"
          :disabled="locked"
          @draft="(v) => desk.draft(style({ [word]: v / shownTimes(partOf(word)?.all.unit ?? '') }))"
          @commit="
            (v) =>
              commit(partOf(word)?.all.label ?? '', { [word]: v / shownTimes(partOf(word)?.all.unit ?? '') })
          "
        />
      </SheetLine>
    </template>
  </div>
</template>

<style scoped>
.letters {
  margin: 4px -8px;
  padding: 0 8px 6px;
  border-left: 2px solid var(--accent);
  background: var(--panel-2);
}
.own {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 18px;
  align-items: center;
}
.with {
  display: flex;
  gap: 4px;
}
.with > :first-child {
  flex: 1;
}
.link {
  flex: none;
  margin-left: 8px;
  color: var(--accent);
  font-weight: 400;
}
</style>
