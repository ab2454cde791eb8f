import { defineStore } from 'pinia';
import { computed, ref } from 'vue';

export type See = 'picture' | 'on-black' | 'on-white' | 'on-checker' | 'matte' | 'heat';
export const SEES: See[] = ['picture', 'on-black', 'on-white', 'on-checker', 'matte', 'heat'];
/** What is drawn by dragging over the Picture, and point by point. */
export type Drawn = 'pen' | 'rectangle' | 'rounded' | 'ellipse' | 'polygon' | 'star';
export type Tool =
  'choose' | 'anchor' | 'text' | 'stroke' | 'draw' | 'rub' | 'mark' | 'pick' | 'brush' | Drawn;
/** What becomes of it: a mask of the chosen layer, one more path of it, or a layer of its own. */
export type Becomes = 'mask' | 'path' | 'shape';
/** How the outlines of masks are drawn. */
export type MaskLines = 'clear' | 'warm' | 'faded' | 'hidden';
export const MASK_LINES: MaskLines[] = ['clear', 'warm', 'faded', 'hidden'];
/** What is asked for of each frame: its size, how it is shown, and one layer where only that is wanted. */
export interface Look {
  scale: number;
  see: See;
  alone?: string;
}
export type Stance = 'rest' | 'arrive' | 'leave';
export type Drawer = 'media' | 'renders' | 'openings' | 'effects' | 'states' | 'proof';
/** An effect of a layer without which, or as far as which, the picture is looked at for a while. */
export interface Peek {
  layer: string;
  effect: string;
  upTo: boolean;
}
export interface KeyName {
  layer: string;
  property: string;
  at: number;
}

const TIMELINE = 'aperta.timeline';
const USUAL = 244;
const SHORTEST = 100;
/** What the bars above and the Picture need. */
const ABOVE = 42 + 37 + 190;

/** How one looks at the shot, and what is chosen. Nothing of this is kept with the shot. */
export const useView = defineStore('view', () => {
  const frame = ref(0);
  const playing = ref(false);
  /** While the playhead is dragged. */
  const scrubbing = ref(false);
  const loop = ref(true);
  const scale = ref(0.5);
  const see = ref<See>('picture');
  /** Whether the chosen layer is seen without the others. */
  const alone = ref(false);
  const zoom = ref<number | 'fit'>('fit');
  const safe = ref(true);
  /** The group that one works in on the Picture. */
  const group = ref<string>();
  /** Which part of the Sheet of several layers is seen. */
  const part = ref<'Values' | 'Lines' | 'Seen' | 'Time'>('Values');
  /** Every chosen layer; the last one is the one whose Sheet is seen. */
  const layers = ref<string[]>([]);
  const layer = computed(() => layers.value[layers.value.length - 1]);
  /** The quality that plays, where not all of the frames fit at the chosen one. */
  const playScale = ref<number>();
  /** Whether the Picture is shown larger than its pixels: then all of them are made. */
  const close = ref(false);
  const look = computed<Look>(() => ({
    scale: playing.value ? (playScale.value ?? scale.value) : close.value ? 1 : scale.value,
    see: see.value,
    ...(alone.value && layer.value ? { alone: layer.value } : {}),
  }));
  /** The chosen path, by the name of its property. */
  const path = ref<string>();
  /** The chosen points of the chosen path. */
  const points = ref<number[]>([]);
  /** The chosen letters of the chosen text. */
  const letters = ref<{ from: number; to: number }>();
  /** The gradient whose handles are seen on the Picture, by what it paints, and its chosen stop. */
  const paint = ref<string>();
  const stop = ref<string>();
  const maskLines = ref<MaskLines>('clear');
  /** What the next polygon or star is like. */
  const figure = ref({ points: 5 });
  const keys = ref<KeyName[]>([]);
  const tool = ref<Tool>('choose');
  const becomes = ref<Becomes>('mask');
  /** How wide the pen is with which strokes are drawn, in pixels of the layer. */
  const nib = ref(24);
  /** Whether what each pen stroke owns is tinted on the Picture. */
  const owners = ref(false);
  const typing = ref(false);
  /** While a time is typed into the field beside the playhead's buttons. */
  const typingTime = ref(false);
  /** Which pose of the layer is being edited. */
  const stance = ref<Stance>('rest');
  /** Whether every change of a value sets a key. */
  const autoKey = ref(false);
  /** Whether curves stand in the place of the bars. */
  const curves = ref(false);
  /** The part of the shot that the Timeline shows, in frames; all of it where there is none. */
  const range = ref<{ from: number; to: number }>();
  /** What stands over the right edge. */
  const drawer = ref<Drawer>();
  const peek = ref<Peek>();
  const unfolded = ref<Set<string>>(new Set());
  /** How high the Timeline is, in pixels of the screen; remembered by the browser. */
  const timeline = ref(Number(localStorage.getItem(TIMELINE)) || USUAL);

  /** The Picture keeps enough room to be worked on. */
  const tallest = () => Math.max(SHORTEST, window.innerHeight - ABOVE);

  function setTimeline(height: number | undefined) {
    timeline.value = Math.round(Math.min(tallest(), Math.max(SHORTEST, height ?? USUAL)));
    localStorage.setItem(TIMELINE, String(timeline.value));
  }

  function reset() {
    path.value = undefined;
    points.value = [];
    letters.value = undefined;
    keys.value = [];
    tool.value = 'choose';
    typing.value = false;
    stance.value = 'rest';
  }

  function choose(id: string | undefined) {
    if (layers.value.length === 1 && layer.value === id) return;
    if (layer.value !== id) reset();
    layers.value = id === undefined ? [] : [id];
  }

  /** Chooses one more, or one less. */
  function chooseToo(id: string) {
    reset();
    layers.value = layers.value.includes(id) ? layers.value.filter((l) => l !== id) : [...layers.value, id];
  }

  function choosePath(property: string | undefined) {
    if (path.value === property) return;
    path.value = property;
    points.value = [];
  }

  function takePaint(name: string, itsStop?: string) {
    if (paint.value !== name) stop.value = undefined;
    paint.value = name;
    if (itsStop !== undefined) stop.value = itsStop;
  }

  /** Takes up a drawing tool, or lays it down again. */
  function draw(what: Drawn, to: Becomes) {
    const same = tool.value === what && becomes.value === to;
    tool.value = same ? 'choose' : what;
    becomes.value = to;
  }

  function chooseAll(ids: string[]) {
    reset();
    layers.value = ids;
  }

  function unfold(id: string) {
    const next = new Set(unfolded.value);
    if (!next.delete(id)) next.add(id);
    unfolded.value = next;
  }

  const toggle = (d: Drawer) => (drawer.value = drawer.value === d ? undefined : d);

  return {
    frame,
    playing,
    scrubbing,
    loop,
    scale,
    see,
    alone,
    playScale,
    close,
    look,
    zoom,
    safe,
    layers,
    layer,
    path,
    letters,
    paint,
    stop,
    points,
    maskLines,
    figure,
    keys,
    tool,
    becomes,
    nib,
    owners,
    typing,
    typingTime,
    stance,
    part,
    group,
    autoKey,
    curves,
    range,
    drawer,
    peek,
    unfolded,
    timeline,
    shortest: SHORTEST,
    tallest,
    setTimeline,
    choose,
    chooseToo,
    chooseAll,
    choosePath,
    takePaint,
    draw,
    unfold,
    toggle,
  };
});
