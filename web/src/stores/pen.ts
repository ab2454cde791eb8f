import { defineStore } from 'pinia';
import { ref } from 'vue';

/** The pen with which frames are drawn, and what of other drawings shows through. Nothing of this is kept with the shot. */
export const usePen = defineStore('pen', () => {
  const colour = ref('#ffffff');
  const width = ref(14);
  const nib = ref<'round' | 'broad'>('round');
  const angle = ref(40);
  const smooth = ref(6);
  /** On each how manieth frame is drawn. */
  const every = ref(2);
  const eraser = ref(30);
  const rubs = ref<'all' | 'one-line' | 'whole-lines'>('all');
  /** How many drawings before and after this one show through, and how strongly. */
  const before = ref(2);
  const after = ref(0);
  const strength = ref(0.35);
  /** When the last line was ended, so that the next one knows how long the pen was lifted. */
  const lifted = ref<{ layer: string; at: number }>();
  return { colour, width, nib, angle, smooth, every, eraser, rubs, before, after, strength, lifted };
});
