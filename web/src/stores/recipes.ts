import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api, type Descriptor, type EffectView } from '../api/client';

/** What openings, signals, windows, effects and textures there are, as the engine describes them. */
export const useRecipes = defineStore('recipes', () => {
  const openings = shallowRef<Descriptor[]>([]);
  const signals = shallowRef<Descriptor[]>([]);
  const windows = shallowRef<Descriptor[]>([]);
  const effects = shallowRef<EffectView[]>([]);
  const textures = shallowRef<Descriptor[]>([]);
  const pose = shallowRef<Descriptor>();

  let asked = false;

  async function load() {
    if (asked) return;
    asked = true;
    try {
      const all = await api.recipes();
      openings.value = all.openings;
      signals.value = all.signals;
      windows.value = all.windows;
      effects.value = all.effects;
      textures.value = all.textures;
      pose.value = all.pose;
    } catch (e) {
      asked = false;
      void message.error(e instanceof Error ? e.message : String(e));
    }
  }

  const opening = (kind: string | undefined) => openings.value.find((d) => d.kind === kind);
  const signal = (kind: string | undefined) => signals.value.find((d) => d.kind === kind);
  const window = (kind: string | undefined) => windows.value.find((d) => d.kind === kind);
  const effect = (kind: string | undefined) => effects.value.find((e) => e.descriptor.kind === kind);
  const texture = (kind: string | undefined) => textures.value.find((d) => d.kind === kind);
  return {
    openings,
    signals,
    windows,
    effects,
    textures,
    pose,
    load,
    opening,
    signal,
    window,
    effect,
    texture,
  };
});
