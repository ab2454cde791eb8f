<script setup lang="ts">
import { Button } from 'ant-design-vue';
import { HistoryOutlined, RedoOutlined, UndoOutlined } from '@ant-design/icons-vue';
import { computed } from 'vue';
import { framesPerSecond } from '../lib/timecode';
import { useFrames } from '../stores/frames';
import { useNesting } from '../stores/nesting';
import { useProject } from '../stores/project';
import { useProof } from '../stores/proof';
import { useShot } from '../stores/shot';
import { useView } from '../stores/view';
import Wordmark from './Wordmark.vue';

const emit = defineEmits<{ settings: [] }>();
const view = useView();
const shot = useShot();
const frames = useFrames();
const project = useProject();
const proof = useProof();
const nesting = useNesting();

const format = computed(() => {
  const s = shot.shot;
  if (!s) return '';
  const seconds = Number((s.length / framesPerSecond(s.format.rate)).toFixed(2));
  return `${s.format.width} × ${s.format.height} · ${s.format.rate} · ${seconds} s`;
});
const state = computed(() => (!frames.connected ? 'connecting…' : shot.waiting > 0 ? 'saving…' : 'saved'));
</script>

<template>
  <header class="bar">
    <Wordmark />
    <span class="path">
      <RouterLink to="/">{{ shot.view?.projectName }}</RouterLink>
      <span class="quiet">›</span>
      <template v-for="(s, i) in nesting.trail" :key="s.shot">
        <button class="bare outer" :title="`Back to ${s.name}`" @click="nesting.back(i)">{{ s.name }}</button>
        <span class="quiet">›</span>
      </template>
      <strong>{{ shot.shot?.name }}</strong>
    </span>
    <button class="bare format" title="Name, size, rate and length of the shot" @click="emit('settings')">
      {{ format }}
    </button>
    <span class="spring"></span>
    <button
      class="bare"
      :disabled="!shot.view?.undo"
      :title="shot.view?.undo ? `Undo: ${shot.view.undo}` : 'Nothing to undo'"
      aria-label="Undo"
      @click="shot.undo()"
    >
      <UndoOutlined />
    </button>
    <button
      class="bare"
      :disabled="!shot.view?.redo"
      :title="shot.view?.redo ? `Redo: ${shot.view.redo}` : 'Nothing to redo'"
      aria-label="Redo"
      @click="shot.redo()"
    >
      <RedoOutlined />
    </button>
    <button
      class="bare"
      aria-label="Undo list"
      title="Undo list: every step, with its time"
      @click="view.toggle('states')"
    >
      <HistoryOutlined />
    </button>
    <span class="quiet state" role="status">{{ state }}</span>
    <Button
      :class="{ found: proof.open.length > 0 }"
      title="What can be measured wrong in this shot"
      data-testid="proof"
      @click="view.toggle('proof')"
      >Proof{{ proof.open.length ? ` ${proof.open.length}` : '' }}</Button
    >
    <Button @click="view.toggle('media')">Media</Button>
    <Button type="primary" @click="view.toggle('renders')">
      Render{{ project.busy.length ? ` · ${project.busy.length} at work` : '' }}
    </Button>
  </header>
</template>

<style scoped>
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
  height: 42px;
  padding: 0 14px;
  background: #1b1b1b;
  border-bottom: 1px solid #0c0c0c;
}
.path {
  display: flex;
  align-items: center;
  gap: 7px;
  margin-left: 10px;
  white-space: nowrap;
}
.path a {
  color: var(--quiet);
}
.outer {
  padding: 0;
  color: var(--quiet);
}
.format {
  padding: 1px 10px;
  border: 1px solid #454545;
  border-radius: 11px;
  font-size: 12px;
  color: #cfcfcf;
  white-space: nowrap;
}
.found {
  border-color: var(--warn);
}
.spring {
  flex: 1;
}
.quiet {
  color: var(--quiet);
}
.state {
  min-width: 72px;
  font-size: 12px;
}
</style>
