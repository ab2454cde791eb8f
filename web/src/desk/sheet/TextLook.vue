<script setup lang="ts">
import { message, Segmented, Textarea } from 'ant-design-vue';
import { computed, nextTick, ref, watch } from 'vue';
import type { Layer } from '../../api/client';
import { reworded } from '../../lib/words';
import { useDesk } from '../../stores/desk';
import { useView } from '../../stores/view';
import FontPicker from '../FontPicker.vue';
import { textArea } from './textArea';
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
  void desk.commit('Words', reworded(props.layer, words.value));
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

const field = ref<InstanceType<typeof Textarea>>();
/** New words: the cursor is in them, and what was typed while they were being added is there. */
watch(
  () => [view.fresh, field.value, content.value] as const,
  ([fresh, f, c]) => {
    if (!fresh || !f || !c) return;
    view.fresh = undefined;
    const begun = fresh.typed;
    void nextTick(() => {
      const area = textArea(field.value);
      if (!area) return;
      area.focus();
      if (begun === undefined) {
        area.select();
        return;
      }
      words.value = begun;
      desk.draft(reworded(props.layer, words.value));
      void nextTick(() => area.setSelectionRange(begun.length, begun.length));
    });
  },
  { flush: 'post', immediate: true },
);
</script>

<template>
  <template v-if="content">
    <Textarea
      ref="field"
      v-model:value="words"
      :rows="2"
      :disabled="locked"
      aria-label="Words"
      title="Escape takes back what was typed; a click elsewhere keeps it"
      @keydown.stop="wordsKey"
      @input="desk.draft(reworded(layer, words))"
      @blur="commitWords"
    />
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
    <PropertyRows :section="['look']" :locked="locked" />
  </template>
</template>
