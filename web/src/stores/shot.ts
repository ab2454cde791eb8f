import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, Problem, type Change, type Layer, type ShotView } from '../api/client';
import { rows } from '../lib/layers';

/** The shot on the desk: its newest document, and the way changes go to the server one after the other. */
export const useShot = defineStore('shot', () => {
  const view = shallowRef<ShotView>();
  const problem = ref('');
  const waiting = ref(0);
  const opened = ref<Set<string>>(new Set());
  let line: Promise<unknown> = Promise.resolve();

  const shot = computed(() => view.value?.shot);
  const list = computed(() => (shot.value ? rows(shot.value, (id) => opened.value.has(id)) : []));

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
    const fields = ('edit' in change ? change.edit : {}) as { layer?: unknown; layers?: unknown };
    const called = said(label, fields.layers ?? fields.layer);
    return enqueue((v) => api.edit(v.id, v.revision, called, change));
  };
  const undo = () => enqueue((v) => (v.undo ? api.undo(v.id, v.revision) : Promise.resolve(v)));
  const redo = () => enqueue((v) => (v.redo ? api.redo(v.id, v.revision) : Promise.resolve(v)));

  const jump = (edit: number | null) => enqueue((v) => api.jump(v.id, v.revision, edit));

  /** Another window, or the end of our own edit, has brought a new revision. */
  async function announced(revision: number) {
    await line;
    if (view.value && view.value.revision < revision) await load(view.value.id);
  }

  function find(id: string | undefined): Layer | undefined {
    return id === undefined ? undefined : within(shot.value?.layers as Layer[] | undefined, id);
  }

  function within(layers: Layer[] | undefined, id: string): Layer | undefined {
    for (const l of layers ?? []) {
      if (l.id === id) return l;
      const inside = l.content.kind === 'group' ? within(l.content.layers as Layer[], id) : undefined;
      if (inside) return inside;
    }
    return undefined;
  }

  const row = (id: string | undefined) => list.value.find((r) => r.layer.id === id);

  function everyLayer(): Layer[] {
    const all: Layer[] = [];
    const walk = (layers: Layer[]) =>
      layers.forEach((l) => {
        all.push(l);
        if (l.content.kind === 'group') walk(l.content.layers as Layer[]);
      });
    walk((shot.value?.layers ?? []) as Layer[]);
    return all;
  }

  /** Replaces a field of a layer. */
  function setField(id: string, field: string, value: unknown, label: string) {
    const r = row(id);
    if (!r) return Promise.resolve(false);
    return edit(said(label, id), { patch: [{ op: 'add', path: `${r.pointer}/${field}`, value }] });
  }

  return {
    view,
    shot,
    list,
    opened,
    problem,
    waiting,
    load,
    edit,
    undo,
    redo,
    jump,
    announced,
    find,
    row,
    everyLayer,
    setField,
  };
});
