import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, type EffectCost, type EffectView, type KeptChain, type LayerEffect } from '../api/client';
import { freshId, type Recipe } from '../lib/layers';
import { useDesk } from './desk';
import { useFrames } from './frames';
import { useProject } from './project';
import { useRecipes } from './recipes';
import { useShot } from './shot';
import { useView } from './view';

/** What waits before costs are measured, so that nobody waits for them. */
const QUIET = 700;

/** The chain of effects of the chosen layer: which one is looked at, what each costs, what is copied and kept of it. */
export const useChain = defineStore('chain', () => {
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  const desk = useDesk();
  const recipes = useRecipes();
  const project = useProject();

  const chosen = ref<string>();
  const costs = shallowRef<EffectCost[]>([]);
  const copied = shallowRef<LayerEffect[]>([]);
  const kept = shallowRef<KeptChain[]>([]);
  /** Whether the costs are to be seen: the section is open. */
  const measured = ref(false);

  const effects = computed<LayerEffect[]>(() => shot.find(view.layer)?.effects ?? []);
  const at = computed(() => effects.value.find((e) => e.id === chosen.value) ?? effects.value[0]);

  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work();
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e));
      return undefined;
    }
  }

  /** Lays an effect on each chosen layer, at the station where it belongs. */
  async function add(e: EffectView) {
    const link = (id: string) => ({ id, effect: { kind: e.descriptor.kind }, station: e.station });
    const layers = desk.free();
    if (!layers.length) return;
    const id = freshId();
    const patch = [{ op: 'add' as const, path: '/effects/-', value: link(id) }];
    const change = layers.length === 1 ? { layer: layers[0], patch } : { layers, patch };
    if (await shot.edit(`Add ${e.descriptor.label.toLowerCase()}`, change)) chosen.value = id;
  }

  /** Lays a whole chain behind what each chosen layer has, with ids of its own. */
  async function lay(name: string, chain: LayerEffect[]) {
    const layers = desk.free();
    const known = new Set(shot.everyLayer().map((l) => l.id));
    const patch = chain.map((e) => ({
      op: 'add' as const,
      path: '/effects/-',
      // What weighs an effect by a layer of another shot would weigh it by nothing here.
      value: { ...e, id: freshId(), where: e.where && known.has(e.where.by) ? e.where : null },
    }));
    if (!patch.length || !layers.length) return;
    await shot.edit(`Lay on ${name}`, layers.length === 1 ? { layer: layers[0], patch } : { layers, patch });
  }

  function copy() {
    copied.value = effects.value;
    void message.success(
      `${copied.value.length} ${copied.value.length === 1 ? 'effect is' : 'effects are'} copied; choose layers and paste them there.`,
    );
  }
  const paste = () => lay('the copied chain', copied.value);

  const load = () =>
    attempt(async () => {
      kept.value = project.id ? await api.chains(project.id) : [];
    });
  watch(() => project.id, load, { immediate: true });

  const keep = (name: string) =>
    attempt(async () => {
      const one = await api.keepChain(project.id, name, effects.value);
      kept.value = [...kept.value, one];
      void message.success(`“${one.name}” is kept among the chains of this project.`);
    });
  const forget = (id: string) =>
    attempt(async () => {
      await api.removeChain(id);
      kept.value = kept.value.filter((k) => k.id !== id);
    });

  let waiting: ReturnType<typeof setTimeout> | undefined;
  async function measure() {
    const { id } = shot.view ?? {};
    const { layer, frame, scale } = view;
    if (!measured.value || !id || !layer || view.playing || !effects.value.length) return;
    if (frames.awaited || view.scrubbing) {
      waiting = setTimeout(() => void measure(), QUIET);
      return;
    }
    try {
      const all = await api.costs(id, layer, frame, scale);
      if (layer === view.layer) costs.value = all;
    } catch {
      // Costs are only told; where they can't be measured the picture says what is wrong.
      costs.value = [];
    }
  }
  watch(
    () => [shot.view?.revision, view.layer, view.frame, view.scale, measured.value] as const,
    ([, layer], before) => {
      if (before[1] !== layer) costs.value = [];
      clearTimeout(waiting);
      waiting = setTimeout(() => void measure(), QUIET);
    },
  );
  const costOf = (id: string) => costs.value.find((c) => c.effect === id)?.ms;
  const slowest = computed(() =>
    costs.value.length > 1 ? costs.value.reduce((a, b) => (b.ms > a.ms ? b : a)).effect : undefined,
  );

  /** Looks at the picture without the chosen effect, or only as far as it; until it is let go. */
  function peek(upTo: boolean | undefined) {
    const effect = at.value?.id;
    const next =
      upTo === undefined || !effect || !view.layer ? undefined : { layer: view.layer, effect, upTo };
    if (JSON.stringify(next) !== JSON.stringify(view.peek)) view.peek = next;
  }

  const label = (e: LayerEffect) =>
    recipes.effect((e.effect as Recipe).kind)?.descriptor.label ?? (e.effect as Recipe).kind;

  return {
    chosen,
    at,
    effects,
    copied,
    kept,
    measured,
    costs,
    costOf,
    slowest,
    add,
    lay,
    copy,
    paste,
    keep,
    forget,
    peek,
    label,
  };
});
