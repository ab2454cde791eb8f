import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Media } from '../api/client';
import { freshId } from '../lib/layers';
import { framesPerSecond } from '../lib/timecode';
import { useShot } from './shot';
import { useView } from './view';

/** New layers, each as one would expect it: in the middle, as long as the shot or the clip, above what is chosen. */
export const useAdding = defineStore('adding', () => {
  const shot = useShot();
  const view = useView();

  async function add(name: string, content: object, length?: number, from = 0) {
    const s = shot.shot;
    if (!s) return;
    const id = freshId();
    const layer = {
      id,
      name,
      content,
      span: { in: from, length: length ?? s.length },
      place: { position: [s.format.width / 2, s.format.height / 2] },
    };
    const above = shot.row(view.layer)?.depth === 0 ? view.layer : undefined;
    const done = await shot.edit(`Add ${name}`, { edit: { kind: 'add', layer, above: above ?? null } });
    if (done) view.choose(id);
  }

  /** Words that are being added: they can be typed over before the shot has them. */
  const words = ref<string>();

  async function text() {
    if (words.value !== undefined) return;
    const height = shot.shot?.format.height ?? 1080;
    words.value = 'New words';
    await add('New words', {
      kind: 'text',
      words: 'New words',
      font: 'anton',
      size: Math.round(height / 5),
    });
    const typed = words.value;
    words.value = undefined;
    view.fresh = typed === 'New words' ? {} : { typed };
  }

  function fill(kind: 'solid' | 'linear' | 'radial') {
    const { width = 1920, height = 1080 } = shot.shot?.format ?? {};
    const stops = [
      { at: 0, colour: '#ffffff' },
      { at: 1, colour: '#000000' },
    ];
    const paints = {
      solid: { kind, colour: '#2f6f62' },
      linear: { kind, from: [0, -height / 2], to: [0, height / 2], stops },
      radial: { kind, centre: [0, 0], radius: height / 2, stops },
    };
    const names = { solid: 'Colour', linear: 'Linear gradient', radial: 'Radial gradient' };
    return add(names[kind], { kind: 'fill', size: [width, height], paint: paints[kind] });
  }

  function media(m: Media) {
    const s = shot.shot;
    if (!s || m.kind === 'FONT') return Promise.resolve();
    if (m.kind === 'SOUND') {
      const seconds = m.frames / Number(m.rate);
      const length = Math.max(1, Math.ceil(seconds * framesPerSecond(s.format.rate)));
      return add(
        m.name.replace(/\.[^.]+$/, ''),
        { kind: 'sound', media: m.id },
        Math.min(length, s.length - view.frame),
        view.frame,
      );
    }
    const still = m.kind === 'STILL';
    const name = m.name.replace(/\.[^.]+$/, '');
    const [up = '24', down = '1'] = s.format.rate.split('/');
    const [clipUp = '24', clipDown = '1'] = m.rate.split('/');
    const frames = Math.max(
      1,
      Math.floor((m.frames * Number(up) * Number(clipDown)) / Number(down) / Number(clipUp)),
    );
    return add(
      name,
      { kind: still ? 'still' : 'footage', media: m.id },
      still ? s.length : Math.min(frames, s.length),
    );
  }

  return { text, words, fill, media };
});
