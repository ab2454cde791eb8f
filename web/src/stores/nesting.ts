import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, type Layer } from '../api/client';
import { freshId } from '../lib/layers';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useView } from './view';

/** A shot that one came through, and where one was in it. */
interface Stop {
  shot: string;
  name: string;
  frame: number;
  layer: string;
}

/** Shots that are shown in others: into them, and out again. */
export const useNesting = defineStore('nesting', () => {
  const router = useRouter();
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  /** The shots around the one on the desk, the outermost first. */
  const trail = ref<Stop[]>([]);
  let coming: { shot: string; frame: number; layer?: string } | undefined;

  /** Opens the shot that a layer shows, on the frame of it that is seen. */
  function into(layer: Layer) {
    const now = shot.view;
    if (layer.content.kind !== 'shot' || !now) return;
    const inner = layer.content.shot;
    const seen = frames.handles?.layer === layer.id ? frames.handles.inside.frame : undefined;
    if (seen === undefined) {
      void message.info('That shot isn’t in this project any more.');
      return;
    }
    trail.value = [...trail.value, { shot: now.id, name: now.shot.name, frame: view.frame, layer: layer.id }];
    coming = { shot: inner, frame: seen };
    void router.push(`/shots/${inner}`);
  }

  /** Back to the shot around this one, or to one further out. */
  function back(to = trail.value.length - 1): boolean {
    const stop = trail.value[to];
    if (!stop) return false;
    trail.value = trail.value.slice(0, to);
    coming = stop;
    void router.push(`/shots/${stop.shot}`);
    return true;
  }

  /** Where one begins in a shot that is opened; who came another way has no way back. */
  function arrived(id: string) {
    const at = coming?.shot === id ? coming : undefined;
    coming = undefined;
    if (!at) trail.value = [];
    return at;
  }

  /** A copy of the layer whose shot is one of its own. */
  async function duplicate(layer: Layer) {
    if (layer.content.kind !== 'shot') return;
    try {
      const own = await api.copyShot(layer.content.shot);
      const newId = freshId();
      const done = await shot.edit('Duplicate with a shot of its own', {
        edit: {
          kind: 'several',
          edits: [
            { kind: 'duplicate', layer: layer.id, newId },
            { kind: 'replace', layer: newId, content: { kind: 'shot', shot: own.id }, name: own.shot.name },
          ],
        },
      });
      if (done) view.choose(newId);
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
    }
  }

  return { trail, into, back, arrived, duplicate };
});
