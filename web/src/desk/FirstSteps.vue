<script setup lang="ts">
import { Button } from 'ant-design-vue';
import { onMounted, ref } from 'vue';
import { api, type Project } from '../api/client';
import { useTyping } from '../stores/typing';
import { useShot } from '../stores/shot';

/** What to do first in a shot that holds nothing, with the means to do it. */
const emit = defineEmits<{ dropped: [files: File[]] }>();
const typing = useTyping();
const shot = useShot();
const chooser = ref<HTMLInputElement>();
/** A project of the demo's, to look at how things are made. */
const demo = ref<Project>();

function bring(e: Event) {
  const input = e.target as HTMLInputElement;
  const files = [...(input.files ?? [])];
  input.value = '';
  if (files.length) emit('dropped', files);
}

onMounted(async () => {
  const all = await api.projects().catch(() => []);
  demo.value = all.find((p) => p.id !== shot.view?.projectId && p.shots.length > 0);
});
</script>

<template>
  <div class="first">
    <p>The plate first, then the words:</p>
    <Button type="primary" @click="chooser?.click()">Bring a clip or a still…</Button>
    <Button @click="typing.begin()">Type words (A)</Button>
    <input ref="chooser" type="file" multiple hidden @change="bring" />
    <p class="quiet">
      Files can be dropped here, too.
      <RouterLink v-if="demo" :to="`/shots/${demo.shots[0]?.id}`"
        >Or look at a finished shot: “{{ demo.shots[0]?.name }}”.</RouterLink
      >
    </p>
  </div>
</template>

<style scoped>
.first {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: center;
  justify-content: center;
  pointer-events: none;
}
.first > * {
  pointer-events: auto;
}
p {
  margin: 0;
}
.quiet {
  color: var(--quiet);
}
.quiet a {
  color: var(--accent);
}
</style>
