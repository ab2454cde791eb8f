import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Pair } from '../lib/affine';
import { isPlanes } from '../lib/answers';
import { meanAround } from '../lib/measure';
import { useDesk } from './desk';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useView } from './view';

/** Taking a colour from the Picture, for a property of the chosen layer. */
export const usePicking = defineStore('picking', () => {
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  const desk = useDesk();
  const property = ref<string>();

  /** Takes up the picker, or lays it down. The colour of a key is picked where the key isn't at work. */
  function begin(name: string) {
    if (view.tool === 'pick' && property.value === name) {
      end();
      return;
    }
    property.value = name;
    view.tool = 'pick';
    const effect = /^effect\.([^.]+)\.key$/.exec(name)?.[1];
    if (effect && view.layer) view.peek = { layer: view.layer, effect, upTo: false };
  }

  function end() {
    property.value = undefined;
    view.peek = undefined;
    view.tool = 'choose';
  }

  async function take(at: Pair) {
    const name = property.value;
    const f = shot.shot?.format;
    const shown = frames.shown;
    end();
    if (!name || !f || !shown || isPlanes(shown)) return;
    const found = meanAround(shown, at[0] / f.width, at[1] / f.height);
    if (!found) return;
    const hex = `#${found.map((v) => Math.round(v).toString(16).padStart(2, '0')).join('')}`;
    await desk.commit('Pick a colour', desk.setValue(name, hex));
  }

  return { property, begin, end, take };
});
