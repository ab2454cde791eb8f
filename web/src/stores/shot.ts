import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, Problem, type Change, type Layer, type ShotView } from '../api/client';
import { rows, unfolded, type Row } from '../lib/layers';

/** The shot on the desk: its newest document, and the way changes go to the server one after the other. */
export const useShot = defineStore('shot', () => {
  const view = shallowRef<ShotView>();
  const problem = ref('');
  const waiting = ref(0);
  const opened = ref<Set<string>>(new Set());
  let line: Promise<unknown> = Promise.resolve();

  const shot = computed(() => view.value?.shot);
  /** Every layer, also those in closed groups. */
  const every = computed<Row[]>(() => (view.value ? rows(view.value.shot, view.value.animation) : []));
  const byId = computed(() => new Map(every.value.map((r) => [r.layer.id, r])));
  /** Those that are seen as rows. */
  const list = computed(() => unfolded(every.value, (id) => opened.value.has(id)));

  async function load(id: string) {
    problem.value = '';
    try {
      view.value = await api.shot(id);
    } catch (e) {
      problem.value = e instanceof Error ? e.message : String(e);
    }
  }

  /** Changes go in order, each to the revision that the one before it made. */
  function enqueue(work: (v: ShotView) => Promise<ShotView>): Promise<boolean> {
    waiting.value++;
    const done = line.then(async () => {
      try {
        if (!view.value) return false;
        view.value = await work(view.value);
        return true;
      } catch (e) {
        void message.error(e instanceof Error ? e.message : String(e));
        if (e instanceof Problem && e.status === 409 && view.value) await load(view.value.id);
        return false;
      } finally {
        waiting.value--;
      }
    });
    line = done;
    return done;
  }

  /** A label that says of which layer, for the undo list. */
  function said(label: string, ids: unknown): string {
    const all = (Array.isArray(ids) ? ids : [ids]).filter((id) => typeof id === 'string');
    const name = all.length === 1 ? find(all[0] as string)?.name : undefined;
    const of = all.length > 1 ? `${all.length} layers` : name;
    return of && !label.includes(of) ? `${label}: ${of}`.slice(0, 190) : label;
  }

  const edit = (label: string, change: Change) => {
    const fields = ('edit' in change ? change.edit : change) as { layer?: unknown; layers?: unknown };
    const called = said(label, fields.layers ?? fields.layer);
    return enqueue((v) => api.edit(v.id, v.revision, called, change));
  };
  /** Layers that were copied from here or from another shot. */
  const paste = (label: string, what: object) =>
    enqueue((v) => api.paste(v.id, v.revision, label.slice(0, 190), what));
  const undo = () => enqueue((v) => (v.undo ? api.undo(v.id, v.revision) : Promise.resolve(v)));
  const redo = () => enqueue((v) => (v.redo ? api.redo(v.id, v.revision) : Promise.resolve(v)));

  const jump = (edit: number | null) => enqueue((v) => api.jump(v.id, v.revision, edit));

  /** Another window, or the end of our own edit, has brought a new revision. */
  async function announced(revision: number) {
    await line;
    if (view.value && view.value.revision < revision) await load(view.value.id);
  }

  /** Keys with their values, once what was changed before is kept. */
  async function copied(keys: Parameters<typeof api.copiedKeys>[1]) {
    await line;
    return view.value ? (await api.copiedKeys(view.value.id, keys)).tracks : [];
  }

  /** The properties of a layer that can be followed. */
  async function numbers(layer: string) {
    if (!view.value || !find(layer)) return [];
    try {
      return await api.numbers(view.value.id, layer);
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
      return [];
    }
  }

  function find(id: string | undefined): Layer | undefined {
    return row(id)?.layer;
  }

  const row = (id: string | undefined) => (id === undefined ? undefined : byId.value.get(id));
  const everyLayer = () => every.value.map((r) => r.layer);

  /** The change that replaces a field of a layer. */
  const field = (id: string, name: string, value: unknown): Change => ({
    layer: id,
    patch: [{ op: 'add', path: `/${name}`, value }],
  });

  /** Replaces the same field of several layers. */
  const setFields = (ids: string[], name: string, value: unknown, label: string) =>
    edit(said(label, ids), { layers: ids, patch: [{ op: 'add', path: `/${name}`, value }] });

  const setField = (id: string, name: string, value: unknown, label: string) =>
    edit(label, field(id, name, value));

  return {
    view,
    shot,
    list,
    opened,
    problem,
    waiting,
    load,
    edit,
    paste,
    undo,
    redo,
    jump,
    announced,
    numbers,
    copied,
    find,
    row,
    everyLayer,
    field,
    setField,
    setFields,
  };
});
