<script setup lang="ts">
import { message, Segmented, Textarea } from 'ant-design-vue';
import { computed, ref, watch } from 'vue';
import type { Layer } from '../../api/client';
import { reworded } from '../../lib/words';
import { useDesk } from '../../stores/desk';
import { useView } from '../../stores/view';
import FontPicker from '../FontPicker.vue';
import LetterRows from './LetterRows.vue';
import PropertyRows from './PropertyRows.vue';
import SheetLine from '../../fields/SheetLine.vue';
import { useContent } from './useContent';

/** Words, and how they are set. */
const props = defineProps<{ layer: Layer; locked: boolean }>();
const view = useView();
const desk = useDesk();
const sheet = useContent();

const content = computed(() => (props.layer.content.kind === 'text' ? props.layer.content : undefined));
const words = ref('');
watch(
  content,
  (c) => {
    words.value = c?.words ?? '';
  },
  { immediate: true },
);

function commitWords() {
  if (!content.value || content.value.words === words.value) return;
  void desk.commit('Words', reworded(props.layer.id, words.value));
}

/** Escape takes back what was typed since the words were last kept. */
function wordsKey(e: KeyboardEvent) {
  if (e.key !== 'Escape' || !content.value) return;
  if (words.value !== content.value.words) {
    words.value = content.value.words;
    desk.drop();
    void message.info('Words taken back.');
  }
  (e.target as HTMLTextAreaElement).blur();
}

/** Letters that are chosen among the words can look different. */
function choseLetters(e: Event) {
  const { selectionStart: from, selectionEnd: to } = e.target as HTMLTextAreaElement;
  view.letters = from < to ? { from, to } : undefined;
}

const runs = computed(() => content.value?.runs ?? []);
const title = (from: number, to: number) =>
  `‘${content.value?.words.slice(from, to).replace(/\n/g, ' ').trim() ?? ''}’`;
/** Only what is there can be chosen. */
const letters = computed(() => {
  const l = view.letters;
  return l && l.to <= (content.value?.words.length ?? 0) ? l : undefined;
});
</script>

<template>
  <template v-if="content">
    <Textarea
      v-model:value="words"
      :rows="2"
      :disabled="locked"
      aria-label="Words"
      title="Choose some letters to give them a look of their own. Escape takes back what was typed"
      @keydown.stop="wordsKey"
      @select="choseLetters"
      @keyup="choseLetters"
      @mouseup="choseLetters"
      @input="desk.draft(reworded(layer.id, words))"
      @blur="commitWords"
    />
    <div v-if="runs.length" class="runs">
      <button
        v-for="r in runs"
        :key="r.id"
        class="bare run"
        :class="{ on: letters?.from === r.from && letters.to === r.to }"
        :title="`The look of ${title(r.from, r.to)}`"
        @click="view.letters = { from: r.from, to: r.to }"
      >
        {{ title(r.from, r.to) }}
      </button>
    </div>
    <LetterRows v-if="letters" :text="content" :letters="letters" :locked="locked" />
    <template v-else>
      <SheetLine label="Font">
        <FontPicker :value="content.font" :disabled="locked" @choose="(f) => sheet.set('font', f, 'Font')" />
      </SheetLine>
      <SheetLine label="Aligned">
        <Segmented
          :value="content.align"
          :options="['left', 'centre', 'right']"
          size="small"
          :disabled="locked"
          @change="(v) => sheet.set('align', v, 'Align')"
        />
      </SheetLine>
      <PropertyRows :section="['look']" part="" :locked="locked" />
    </template>
  </template>
</template>

<style scoped>
.runs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin: 4px 0;
}
.run {
  max-width: 120px;
  padding: 1px 7px;
  border-radius: 9px;
  background: var(--field);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.run.on {
  background: var(--accent-dim);
}
</style>
