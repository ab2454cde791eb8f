import { defineStore } from 'pinia';
import { watch } from 'vue';
import type { Change } from '../api/client';
import { ownFrame as ownFrameOf } from '../lib/layers';
import { useFrames } from './frames';
import { useShot } from './shot';
import { useView } from './view';

/** Ties the shot, the view and the frames together: what is looked at is asked for; a drag is a draft until it ends. */
export const useDesk = defineStore('desk', () => {
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  let draftWaiting: Change | undefined;
  let drafting = false;

  function ask(draft?: Change) {
    const revision = shot.view?.revision;
    const hurried = draft !== undefined || view.scrubbing;
    const { frame, look, layer } = view;
    frames.show({ frame, ...look, layer, draft, revision, hurried });
  }

  const askKeys = () => frames.askKeys(view.look, shot.shot?.length ?? 1, view.frame);

  let proofWaits = false;
  /** After the picture, which is what one waits for. */
  function askProof() {
    if (!frames.awaited) {
      frames.askProof();
    } else if (!proofWaits) {
      proofWaits = true;
      watch(
        () => frames.awaited,
        () => {
          proofWaits = false;
          frames.askProof();
        },
        { once: true },
      );
    }
  }

  function open(id: string) {
    void shot.load(id).then(() => {
      frames.connect(
        id,
        (revision) => void shot.announced(revision),
        () => {
          askKeys();
          ask();
          askProof();
        },
      );
    });
  }

  function close() {
    view.playing = false;
    frames.close();
  }

  watch(
    () => [view.frame, view.layer, view.scrubbing] as const,
    () => {
      if (!view.playing && !drafting) ask();
    },
  );
  watch(
    () => [shot.view?.revision, view.look] as const,
    () => {
      askKeys();
      ask();
    },
  );

  watch(() => shot.view?.revision, askProof);

  /** Shows a change without keeping it; at most one for each picture of the screen. */
  function draft(change: Change) {
    drafting = true;
    const first = draftWaiting === undefined;
    draftWaiting = change;
    if (first) {
      requestAnimationFrame(() => {
        if (draftWaiting) ask(draftWaiting);
        draftWaiting = undefined;
      });
    }
  }

  /** Ends a drag: the change is kept, as one step. */
  async function commit(label: string, change: Change): Promise<boolean> {
    draftWaiting = undefined;
    const done = await shot.edit(label, change);
    drafting = false;
    if (!done) ask();
    return done;
  }

  /** Ends a drag that changes nothing. */
  function drop() {
    draftWaiting = undefined;
    drafting = false;
    ask();
  }

  function setValue(property: string, value: unknown): Change {
    return {
      edit: { kind: 'set-value', layer: view.layer, property, frame: view.frame, value, key: view.autoKey },
    };
  }

  /** An edit on the Picture; where changes set keys by themselves, with a key for what it changes. */
  function keyedToo(property: string, edit: { kind: string; [field: string]: unknown }): Change {
    if (!view.autoKey || view.stance !== 'rest') return { edit };
    const key = { kind: 'add-key', layer: view.layer, property, frame: view.frame };
    return { edit: { kind: 'several', edits: [key, edit] } };
  }

  /** The chosen layer's own time on the frame that is looked at. */
  function ownFrame(): number {
    const row = shot.row(view.layer);
    return row ? ownFrameOf(row, view.frame) : view.frame;
  }

  function go(frame: number) {
    const last = (shot.shot?.length ?? 1) - 1;
    view.frame = Math.min(last, Math.max(0, Math.round(frame)));
  }

  return { open, close, ask, draft, commit, drop, setValue, keyedToo, ownFrame, go };
});
