import { message } from 'ant-design-vue';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import { api, type Content, type Layer } from '../api/client';
import type { Pair } from '../lib/affine';
import { freshId } from '../lib/layers';
import { useFrames } from './frames';
import { useProject } from './project';
import { useShot } from './shot';
import { useView } from './view';

type Footage = Extract<Content, { kind: 'footage' }>;

/** The figure that is cut out of the clip of a layer. */
export function cutOutOf(layer: Layer | undefined): NonNullable<Footage['cutOut']> | undefined {
  return layer?.content.kind === 'footage' ? (layer.content.cutOut ?? undefined) : undefined;
}

/** Cutting figures out of clips: the brush, what it finds at once, and the carrying through the clip. */
export const useCuttingOut = defineStore('cuttingOut', () => {
  const shot = useShot();
  const view = useView();
  const frames = useFrames();
  const project = useProject();

  /** Whether the brush says what belongs to the figure, or what doesn't. */
  const inside = ref(true);
  /** Of the brush, in pixels of the shot. */
  const radius = ref(18);
  /** What was found on a frame of a layer's clip at once, in pixels of the clip. */
  const found = shallowRef<{ layer: string; frame: number; outlines: Pair[][] }>();
  const looking = ref(false);
  /** The job that carries a figure, by its layer. */
  const jobs = ref<Record<string, string>>({});
  let asked = 0;

  const brushing = computed(() => view.tool === 'brush');

  /** Takes the brush up, or lays it down. */
  function take(side: boolean) {
    if (brushing.value && inside.value === side) {
      view.tool = 'choose';
      return;
    }
    inside.value = side;
    view.tool = 'brush';
  }

  /** Brushes of a usable size for any shot. */
  function size(by: number) {
    radius.value = Math.min(300, Math.max(2, Math.round(radius.value * by)));
  }

  /** A layer above a clip that shows one figure of it alone. */
  async function begin(layer: string) {
    const newId = freshId();
    if (await shot.edit('Cut out a figure', { edit: { kind: 'add-cut-out', layer, newId } })) {
      view.choose(newId);
      inside.value = true;
      view.tool = 'brush';
      // Before anything is brushed, so that what is needed for it is there by then.
      await look(newId, 0);
    }
  }

  async function stroke(layer: string, path: Pair[], clipFrame: number | undefined) {
    const edit = {
      kind: 'brush-figure',
      layer,
      inside: inside.value,
      radius: radius.value,
      path,
      frame: view.frame,
    };
    if (!(await shot.edit(inside.value ? 'Brush inside' : 'Brush outside', { edit }))) return;
    if (clipFrame !== undefined) await look(layer, clipFrame);
  }

  /** What the strokes of a frame find, at once. */
  async function look(layer: string, clipFrame: number) {
    const mine = ++asked;
    looking.value = true;
    try {
      const seen = await api.figureOn(shot.view?.id ?? '', layer, clipFrame);
      if (mine === asked) found.value = { layer, frame: seen.frame, outlines: seen.outlines as Pair[][] };
    } catch (e) {
      if (mine === asked) void message.error(e instanceof Error ? e.message : String(e), 6);
    } finally {
      if (mine === asked) looking.value = false;
    }
  }

  function unbrush(layer: string, clipFrame: number) {
    found.value = undefined;
    return shot.edit('Take the strokes away', { edit: { kind: 'unbrush-figure', layer, clipFrame } });
  }

  async function carry(layer: string, range: { from?: number; to?: number }) {
    try {
      const { job } = await api.carry(shot.view?.id ?? '', layer, range);
      jobs.value = { ...jobs.value, [layer]: job };
      found.value = undefined;
      view.tool = 'choose';
      await project.refresh();
    } catch (e) {
      void message.error(e instanceof Error ? e.message : String(e), 6);
    }
  }

  const job = (layer: string) => project.jobs.find((j) => j.id === jobs.value[layer]);

  /** The job that carries a figure, while it does. */
  function working(layer: string) {
    const j = job(layer);
    return j && (j.state === 'WAITING' || j.state === 'RUNNING') ? j : undefined;
  }

  /** Why the last carrying came to no good end. */
  function why(layer: string) {
    const j = job(layer);
    return j?.state === 'FAILED' ? j.message : '';
  }

  async function stop(layer: string) {
    const j = jobs.value[layer];
    if (j) await api.cancel(j);
    await project.refresh();
  }

  /** Every figure of the shot. */
  const all = computed(() => shot.everyLayer().filter((l) => cutOutOf(l)));

  function putBehind(layer: string, figure: string) {
    return shot.edit('Put behind', { edit: { kind: 'put-behind', layer, figure } });
  }

  /** A figure that is being carried, as far as it has come. */
  const live = computed(() => frames.cutting);

  return {
    inside,
    radius,
    found,
    looking,
    brushing,
    take,
    size,
    begin,
    stroke,
    look,
    unbrush,
    carry,
    working,
    why,
    stop,
    all,
    putBehind,
    live,
  };
});
