import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Layer } from '../api/client';
import { ends, frameOf as frameIn, freshId, type Row } from '../lib/layers';
import { framesPerSecond } from '../lib/timecode';
import { useDesk } from './desk';
import { useShot } from './shot';
import { useView, type KeyName, type Stance } from './view';

/** What is being dragged: the chosen keys, or the bars of layers. */
export type Drag =
  | { kind: 'keys'; by: number }
  | { kind: 'stretch'; pivot: number; factor: number }
  | { kind: 'slide'; layers: string[]; by: number };

/** Everything one does in time: keys, bars, markers, the work range, arrivals and departures. */
export const useTiming = defineStore('timing', () => {
  const shot = useShot();
  const view = useView();
  const desk = useDesk();
  const copied = shallowRef<Promise<object[]>>(Promise.resolve([]));
  const look = ref<string>();
  /** The layer whose content is being replaced. */
  const replaced = ref<string>();

  /** What is being dragged, for those who draw it before it is kept. */
  const dragged = shallowRef<Drag>();
  const idOf = (k: KeyName) => `${k.layer} ${k.property} ${k.at}`;
  const chosenIds = computed(() => new Set(view.keys.map(idOf)));
  const isChosen = (k: KeyName) => chosenIds.value.has(idOf(k));

  /** What is being dragged, if it moves any of a layer's keys. */
  function dragOf(layer: string, chosen: boolean): Drag | undefined {
    const d = dragged.value;
    return d?.kind === 'slide' ? (d.layers.includes(layer) ? d : undefined) : chosen ? d : undefined;
  }

  /** The frame of the shot on which a key is drawn. */
  function shownAt(k: KeyName, d = dragged.value): number {
    const row = shot.row(k.layer);
    if (!row) return k.at;
    const at = frameIn(row, k.at);
    if (d?.kind === 'slide' && d.layers.includes(k.layer)) return at + d.by * row.step;
    if (!d || d.kind === 'slide' || !isChosen(k)) return at;
    return d.kind === 'keys' ? at + d.by * row.step : Math.round(d.pivot + (at - d.pivot) * d.factor);
  }

  const length = computed(() => shot.shot?.length ?? 1);
  const work = computed(() => shot.shot?.work ?? undefined);
  const markers = computed(() => shot.shot?.markers ?? []);
  /** The chosen layers that may be changed. */
  const free = computed(desk.free);

  const keysOf = (row: Row): KeyName[] =>
    row.moving.flatMap((p) => p.keys.map((k) => ({ layer: row.layer.id, property: p.name, at: k.at })));
  const frameOf = (k: KeyName) => {
    const row = shot.row(k.layer);
    return row ? frameIn(row, k.at) : k.at;
  };

  /** What dragged things cling to, without those that are dragged. */
  function lines(without: { keys?: KeyName[]; layers?: string[] } = {}): Set<number> {
    const all = new Set<number>([0, length.value, view.frame]);
    markers.value.forEach((m) => all.add(m.at));
    if (work.value) all.add(work.value.from).add(work.value.to);
    const gone = new Set((without.keys ?? []).map(idOf));
    for (const row of shot.list) {
      if (without.layers?.includes(row.layer.id)) continue;
      ends(row).forEach((f) => all.add(f));
      for (const k of keysOf(row)) {
        if (!gone.has(idOf(k))) all.add(frameIn(row, k.at));
      }
    }
    return all;
  }

  function edit(label: string, kind: string, fields: object) {
    return shot.edit(label, { edit: { kind, ...fields } });
  }

  /** The keys that are chosen, or all of the chosen layers. */
  const chosenKeys = () =>
    view.keys.length
      ? [...view.keys]
      : free.value.flatMap((id) => {
          const row = shot.row(id);
          return row ? keysOf(row) : [];
        });

  async function nudge(by: number) {
    if (view.keys.length) {
      // At once, so that the next press in quick succession moves them from where they will be.
      const keys = [...view.keys];
      view.keys = keys.map((k) => ({ ...k, at: k.at + by }));
      const done = await edit(keys.length > 1 ? 'Move keys' : 'Move key', 'move-keys', { keys, by });
      if (!done) view.keys = keys;
    } else if (free.value.length) {
      await edit('Slide', 'slide', { layers: free.value, by });
    }
  }

  async function reverse() {
    const keys = chosenKeys();
    const frames = keys.map(frameOf);
    const ends = Math.min(...frames) + Math.max(...frames);
    const turned = keys.map((k) => ({ ...k, at: k.at + ends - 2 * frameOf(k) }));
    if (keys.length && (await edit('Reverse keys', 'reverse-keys', { keys }))) view.keys = turned;
  }

  function copyKeys() {
    if (!view.keys.length) {
      void message.info('Choose the keys to copy first.');
      return false;
    }
    const before = copied.value;
    copied.value = shot.copied(view.keys).catch((e: unknown) => {
      void message.error(e instanceof Error ? e.message : String(e));
      return before;
    });
    return true;
  }

  async function cutKeys() {
    if (!copyKeys()) return;
    const keys = view.keys;
    await copied.value;
    await edit('Cut keys', 'remove-keys', { keys });
    view.keys = [];
  }

  async function pasteKeys() {
    const layers = [...free.value].sort((a, b) => (shot.row(a)?.index ?? 0) - (shot.row(b)?.index ?? 0));
    if (!layers.length) {
      void message.info('Choose the layers that the keys are to be put on.');
      return;
    }
    const frame = view.frame;
    const tracks = await copied.value;
    if (await edit('Paste keys', 'paste-keys', { tracks, layers, frame })) {
      view.unfolded = new Set([...view.unfolded, ...layers]);
    }
  }

  const trim = (end: 'start' | 'end') =>
    free.value.length && edit('Trim', 'trim', { layers: free.value, frame: view.frame, end });

  async function split() {
    const layers = free.value;
    const newIds = layers.map(freshId);
    if (layers.length && (await edit('Split', 'split', { layers, newIds, frame: view.frame }))) {
      view.chooseAll(newIds);
    }
  }

  const freeze = () =>
    free.value.length && edit('Freeze', 'freeze', { layers: free.value, frame: view.frame });

  async function group() {
    if (!view.layers.length) return;
    const newId = freshId();
    const name = view.layers.length > 1 ? 'Group' : `${shot.find(view.layer)?.name} group`;
    if (await edit('Group', 'group', { layers: view.layers, newId, name })) view.choose(newId);
  }

  function ungroup() {
    if (view.layer) void edit('Dissolve the group', 'ungroup', { group: view.layer });
  }

  function setWork(next: { from: number; to: number } | null) {
    return shot.edit(next ? 'Work range' : 'No work range', {
      patch: [{ op: 'add', path: '/work', value: next }],
    });
  }

  const workFrom = () =>
    setWork({ from: view.frame, to: Math.max(view.frame + 1, work.value?.to ?? length.value) });
  const workTo = () => setWork({ from: Math.min(view.frame, work.value?.from ?? 0), to: view.frame + 1 });

  function setMarkers(label: string, next: { at: number; name: string }[]) {
    return shot.edit(label, { patch: [{ op: 'add', path: '/markers', value: next }] });
  }

  function mark() {
    const name = `Marker ${markers.value.length + 1}`;
    return setMarkers('Add marker', [...markers.value, { at: view.frame, name }]);
  }

  /** The next thing in time, of chosen layers or markers, to step to. */
  function step(forward: boolean) {
    const all = new Set<number>(markers.value.map((m) => m.at));
    for (const id of view.layers) {
      const row = shot.row(id);
      if (!row) continue;
      keysOf(row).forEach((k) => all.add(frameIn(row, k.at)));
      const [first, out] = ends(row);
      all.add(first).add(out - 1);
    }
    const sorted = [...all].sort((a, b) => a - b);
    const next = forward ? sorted.find((f) => f > view.frame) : sorted.reverse().find((f) => f < view.frame);
    if (next !== undefined) desk.go(next);
  }

  /** Opens what copies a look; it is that of the topmost of the chosen layers, however they were chosen. */
  function copyLook() {
    look.value = shot.list.find((r) => view.layers.includes(r.layer.id))?.layer.id;
    if (!look.value) void message.info('Choose the layer whose look is to be copied first.');
  }

  /** Where the playhead was before poses were edited, and where they took it. */
  let before: { at: number; taken: number } | undefined;

  /** Edits another pose of the layer, and goes to a frame on which it is seen; back at rest, the playhead returns. */
  function take(stance: Stance) {
    const at = view.stance === 'rest' || view.frame !== before?.taken ? view.frame : before.at;
    pose(stance);
    if (stance === 'rest' && before && view.stance === 'rest') {
      desk.go(at);
      before = undefined;
    } else {
      before = { at, taken: view.frame };
    }
  }

  function pose(stance: Stance) {
    view.stance = stance;
    const row = shot.row(view.layer);
    if (!row) return;
    const { span, arrive, leave } = row.layer;
    if (stance === 'arrive') desk.go(frameIn(row, span.offset + (arrive?.delay ?? 0)));
    else if (stance === 'leave') desk.go(frameIn(row, span.offset + span.length - 1 - (leave?.delay ?? 0)));
  }

  /** The layers that can give way to one: beside it, and there before it; the one that ends where it begins first. */
  function passable(id: string) {
    const row = shot.row(id);
    if (!row) return [];
    const { in: at } = row.layer.span;
    const far = (l: Layer) => Math.abs(l.span.in + l.span.length - at);
    return shot
      .everyLayer()
      .filter(
        (l) =>
          l.id !== id && l.content.kind !== 'sound' && l.span.in < at && shot.row(l.id)?.group === row.group,
      )
      .sort((a, b) => far(a) - far(b));
  }

  /** One layer gives way to another while that one arrives: as it arrives already, or by a dissolve of a second. */
  function pass(to: string, from = passable(to)[0]?.id, going: object | null = null) {
    const layer = shot.find(to);
    if (!layer || from === undefined) {
      void message.info('Choose the layer that is to follow another one first.');
      return Promise.resolve(false);
    }
    const second = Math.round(framesPerSecond(shot.shot?.format.rate ?? '24'));
    return edit('Pass', 'make-pass', {
      from,
      to,
      length: layer.arrive?.length ?? second,
      coming: layer.arrive?.opening ?? { kind: 'fade' },
      going,
    });
  }

  function setOpening(kind: string | null, parameters: object = {}) {
    const arriving = view.stance !== 'leave';
    return edit(arriving ? 'Arrival' : 'Departure', 'set-opening', {
      layers: free.value,
      arriving,
      opening: kind === null ? null : { kind, ...parameters },
    });
  }

  /** Lays an arrival or departure that was kept on the chosen layers. */
  function setPassage(passage: object) {
    const arriving = view.stance !== 'leave';
    return edit(arriving ? 'Arrival' : 'Departure', 'set-passage', { layers: free.value, arriving, passage });
  }

  return {
    dragged,
    isChosen,
    dragOf,
    shownAt,
    copied,
    look,
    replaced,
    length,
    work,
    markers,
    free,
    keysOf,
    frameOf,
    lines,
    edit,
    nudge,
    reverse,
    copyKeys,
    cutKeys,
    pasteKeys,
    trim,
    split,
    freeze,
    group,
    ungroup,
    setWork,
    workFrom,
    workTo,
    setMarkers,
    mark,
    step,
    take,
    copyLook,
    setOpening,
    setPassage,
    passable,
    pass,
  };
});
