import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { shallowRef, watch } from 'vue';
import { api, type KeptOpening, type Passage } from '../api/client';
import { useProject } from './project';

/** Arrivals and departures that are kept by name in the project. */
export const useKeptOpenings = defineStore('kept-openings', () => {
  const project = useProject();
  const all = shallowRef<KeptOpening[]>([]);

  async function attempt(work: () => Promise<unknown>) {
    try {
      await work();
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
    }
  }

  const load = () =>
    attempt(async () => {
      all.value = project.id ? await api.keptOpenings(project.id) : [];
    });
  watch(() => project.id, load, { immediate: true });

  const keep = (name: string, passage: Passage) =>
    attempt(async () => {
      const kept = await api.keepOpening(project.id, name, passage);
      all.value = [...all.value, kept];
      void message.success(`“${kept.name}” is kept among the openings of this project.`);
    });

  const rename = (id: string, name: string) =>
    attempt(async () => {
      const named = await api.renameOpening(id, name);
      all.value = all.value.map((k) => (k.id === id ? named : k));
    });

  const remove = (id: string) =>
    attempt(async () => {
      await api.removeOpening(id);
      all.value = all.value.filter((k) => k.id !== id);
    });

  return { all, keep, rename, remove };
});
