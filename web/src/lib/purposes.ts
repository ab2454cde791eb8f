import type { EffectView } from '../api/client';

/** What effects are used for, as people look for them. */
export const PURPOSES: Record<EffectView['purpose'], string> = {
  BLUR: 'Blur',
  LIGHT: 'Light and shadow',
  BEND: 'Bend',
  EDGE: 'Edge',
  COLOUR: 'Colour',
  KEY: 'Keying',
  AGE: 'Age',
  TIME: 'Time',
};
