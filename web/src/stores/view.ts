import { defineStore } from 'pinia';
import { ref } from 'vue';

export type See = 'picture' | 'on-black' | 'on-checker' | 'matte';
export type Tool = 'choose' | 'mask-rectangle' | 'mask-ellipse' | 'anchor';
export interface KeyName {
  layer: string;
  property: string;
  at: number;
}

/** How one looks at the shot, and what is chosen. Nothing of this is kept with the shot. */
export const useView = defineStore('view', () => {
  const frame = ref(0);
  const playing = ref(false);
  const loop = ref(true);
  const scale = ref(0.5);
  const see = ref<See>('picture');
  const zoom = ref<number | 'fit'>('fit');
  const safe = ref(true);
  const layer = ref<string>();
  const mask = ref<string>();
  const keys = ref<KeyName[]>([]);
  const tool = ref<Tool>('choose');
  const typing = ref(false);

  function choose(id: string | undefined) {
    if (layer.value !== id) {
      layer.value = id;
      mask.value = undefined;
      keys.value = [];
      tool.value = 'choose';
      typing.value = false;
    }
  }

  return { frame, playing, loop, scale, see, zoom, safe, layer, mask, keys, tool, typing, choose };
});
