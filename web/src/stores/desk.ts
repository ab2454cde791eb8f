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
    const layers = view.layers.length > 1 ? view.layers : undefined;
    const chain = view.peek;
    frames.show({ frame, ...look, layer, layers, group: view.group, draft, revision, hurried, chain });
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
    () => [view.frame, view.layers, view.group, view.scrubbing] as const,
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

  watch(
    () => view.peek,
    () => ask(),
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

  /** The chosen layers that may be changed. */
  const free = () => view.layers.filter((id) => !shot.find(id)?.locked);

  /** An edit of each of the chosen layers, as one. */
  function ofEach(edit: (layer: string) => { kind: string; [field: string]: unknown }): Change {
    const edits = free().map(edit);
    const [only] = edits;
    return only && edits.length === 1 ? { edit: only } : { edit: { kind: 'several', edits } };
  }

  function setValue(property: string, value: unknown): Change {
    const { frame, autoKey: key } = view;
    return ofEach((layer) => ({ kind: 'set-value', layer, property, frame, value, key }));
  }

  /** An edit of all chosen layers together on the Picture, with keys for what it changes where changes set keys. */
  function together(properties: string[], edit: { kind: string; [field: string]: unknown }): Change {
    const { frame, autoKey } = view;
    const layers = free();
    const whole = { ...edit, layers, frame };
    if (!autoKey) return { edit: whole };
    const keys = layers.flatMap((layer) =>
      properties.map((property) => ({ kind: 'add-key', layer, property, frame })),
    );
    return { edit: { kind: 'several', edits: [...keys, whole] } };
  }

  /** An edit on the Picture; where changes set keys by themselves, with a key for what it changes. */
  function keyedToo(property: string, edit: { kind: string; [field: string]: unknown }): Change {
    if (!view.autoKey || view.stance !== 'rest') return { edit };
    const key = { kind: 'add-key', layer: view.layer, property, frame: view.frame };
    return { edit: { kind: 'several', edits: [key, edit] } };
  }

  /** A layer's own time on the frame that is looked at. */
  function ownFrame(layer = view.layer): number {
    const row = shot.row(layer);
    return row ? ownFrameOf(row, view.frame) : view.frame;
  }

  /** Whether a layer lies in the group that one works in. */
  function isInside(layer: string | undefined): boolean {
    if (layer === view.group) return true;
    let row = shot.row(layer);
    while (row && row.group !== view.group) row = shot.row(row.group);
    return row !== undefined;
  }

  // Who chooses something elsewhere has left the group.
  watch(
    () => [view.layer, shot.view?.revision] as const,
    ([layer]) => {
      if (view.group && (!shot.row(view.group) || (layer !== undefined && !isInside(layer)))) {
        view.group = undefined;
      }
    },
  );

  /** Into a group, where its layers are chosen and handled; nothing for out of all. */
  function enter(group: string | undefined) {
    view.group = group;
    if (group !== undefined) shot.opened = new Set([...shot.opened, group]);
  }

  /** Out of the group that one works in, which is chosen then. */
  function leave() {
    const left = view.group;
    view.group = shot.row(left)?.group;
    view.choose(left);
  }

  function go(frame: number) {
    const last = (shot.shot?.length ?? 1) - 1;
    view.frame = Math.min(last, Math.max(0, Math.round(frame)));
  }

  return {
    open,
    close,
    ask,
    draft,
    commit,
    drop,
    free,
    ofEach,
    setValue,
    together,
    keyedToo,
    ownFrame,
    enter,
    leave,
    go,
  };
});
