<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { api, type State } from '../api/client';
import { useShot } from '../stores/shot';
import SidePanel from './SidePanel.vue';

/** Every state that undo and redo lead through, with its time; any of them can be gone to. */
const shot = useShot();
const states = ref<State[]>([]);
const problem = ref('');
const present = computed(() => states.value.find((s) => s.done));

watch(
  () => shot.view?.revision,
  async () => {
    if (!shot.view) return;
    try {
      states.value = await api.states(shot.view.id);
      problem.value = '';
    } catch (e) {
      problem.value = e instanceof Error ? e.message : String(e);
    }
  },
  { immediate: true },
);
const time = (at: string) => new Date(at).toLocaleTimeString([], { hour12: false });
</script>

<template>
  <SidePanel title="Undo list">
    <p v-if="problem" role="alert">{{ problem }}</p>
    <ol>
      <li v-for="s in states" :key="s.edit ?? 0">
        <button
          :class="{ present: s === present, undone: !s.done }"
          :aria-current="s === present"
          @click="shot.jump(s.edit ?? null)"
        >
          <span class="mark" aria-hidden="true">{{ s === present ? '▸' : s.done ? '' : '↷' }}</span>
          <span class="label">{{ s.label }}</span>
          <time>{{ time(s.at) }}</time>
        </button>
      </li>
    </ol>
  </SidePanel>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
button {
  display: flex;
  gap: 6px;
  width: 100%;
  padding: 4px 6px;
  border: 0;
  border-radius: 3px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
button:hover,
button:focus-visible {
  background: #2d2d2d;
}
.present {
  background: #2c3634;
  font-weight: 600;
}
.undone {
  color: var(--quiet);
  font-style: italic;
}
.mark {
  width: 12px;
  color: var(--accent);
}
.label {
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
time {
  color: var(--quiet);
  font-variant-numeric: tabular-nums;
}
</style>
