import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { api, type Layer } from '../api/client';
import { freshId } from '../lib/layers';
import { useShot } from './shot';
import { useTiming } from './timing';
import { useView } from './view';

const COPIED = 'aperta.copied-layers';
interface Copied {
  layers: Layer[];
  chosen: string[];
}

/** Keys are copied where keys are chosen, else layers; layers stay copied in every window of this browser. */
export const useClipboard = defineStore('clipboard', () => {
  const shot = useShot();
  const view = useView();
  const timing = useTiming();
  let last: 'keys' | 'layers' | undefined;

  async function copy(): Promise<boolean> {
    if (view.keys.length) {
      last = 'keys';
      return timing.copyKeys();
    }
    const chosen = [...view.layers];
    if (!chosen.length || !shot.view) {
      void message.info('Choose keys or layers to copy first.');
      return false;
    }
    try {
      const layers = await api.copiedLayers(shot.view.id, chosen);
      localStorage.setItem(COPIED, JSON.stringify({ layers, chosen } satisfies Copied));
      last = 'layers';
      const along =
        layers.length > chosen.length ? `, with ${layers.length - chosen.length} that they refer to` : '';
      void message.info(`${chosen.length === 1 ? 'One layer' : `${chosen.length} layers`} copied${along}.`);
      return true;
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
      return false;
    }
  }

  async function cut() {
    if (view.keys.length) {
      last = 'keys';
      await timing.cutKeys();
    } else if (await copy()) {
      await shot.edit('Cut layers', { edit: { kind: 'delete', layers: timing.free } });
      view.choose(undefined);
    }
  }

  async function paste() {
    const kept = localStorage.getItem(COPIED);
    if (last === 'keys' || !kept) return timing.pasteKeys();
    const { layers, chosen } = JSON.parse(kept) as Copied;
    const newId = freshId();
    const above = view.layer ?? null;
    const what =
      chosen.length === 1 ? layers.find((l) => l.id === chosen[0])?.name : `${chosen.length} layers`;
    if (await shot.paste(`Paste ${what}`, { layers, chosen, newId, above })) {
      const pasted = shot
        .everyLayer()
        .filter(
          (l) =>
            l.id.startsWith(`${newId}-`) && shot.row(l.id)?.group === shot.row(above ?? undefined)?.group,
        );
      view.chooseAll(pasted.map((l) => l.id).reverse());
    }
  }

  return { copy, cut, paste };
});
