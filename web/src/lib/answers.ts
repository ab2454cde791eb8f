import type { Pair } from './affine';
import { Points } from './paths';

/** One property of the chosen layer, as the engine sees it on the frame that is shown. */
export interface PropertyNow {
  name: string;
  /** For who sees the part that it belongs to, and for who doesn't. */
  label: string;
  title: string;
  /** The part of the layer that it belongs to; empty for the layer itself. */
  part: string;
  /** The section of the Sheet that it stands in. */
  section: 'look' | 'place' | 'whole' | 'mask' | 'window' | 'effects' | 'cut' | 'arrive' | 'leave';
  kind: 'number' | 'point' | 'colour' | 'path' | 'curve';
  unit: string;
  /** What the unit means, where it isn't plain. */
  unitSays?: string;
  least: number;
  most: number;
  /** Whether it changes nothing, at any time. */
  neutral: boolean;
  keyed: boolean;
  keyHere: boolean;
  /** How many signals it has. */
  signals: number;
  /** Whether the chosen layers have different values. */
  mixed?: boolean;
  value?: number | Pair | string | number[];
  /** What a curve of values gives from 0 to 1, in even steps. */
  drawn?: number[];
}

/** A path by its property; the feathers of its points are in pixels of the path, `scale` each. */
export interface PathNow {
  property: string;
  mask: boolean;
  closed: boolean;
  scale: number;
  points: Points;
}

/** A pen stroke: from when to when it is written, and whether that is a time of its own. */
export interface StrokeNow {
  id: string;
  from: number;
  to: number;
  own: boolean;
}

/** What something is painted with. */
export type PaintForm = 'solid' | 'linear' | 'radial' | 'conic';

/** A stop of a gradient; its place on the Picture, and the properties that are its place and its colour. */
export interface StopNow {
  id: string;
  at: number;
  colour: string;
  point: Pair;
  properties: [string, string];
}

/** A part of the chosen layer that is painted: the colour, or what says where the gradient lies. */
export interface PaintNow {
  name: string;
  label: string;
  part: string;
  form: PaintForm;
  properties: string[];
  from?: Pair;
  to?: Pair;
  stops: StopNow[];
}

/** A point or a direction of an effect or a texture, by its property: where its handle lies. */
export interface SpotNow {
  property: string;
  /** The effect that it belongs to; empty for the layer's texture. */
  effect: string;
  label: string;
  /** Whether it is the end of an arm that turns about `base`. */
  turns: boolean;
  base: Pair;
  at: Pair;
}

/** Where a cursor stands between two letters: its upper and its lower end. */
export type Caret = [number, number, number, number];

/** The marks of a track on the frame that is shown, in pixels of the shot. */
export interface MarksNow {
  id: string;
  marks: Pair[];
  /** Where each goes before and after. */
  way: Pair[][];
  /** The frame of the clip, and the first and last one on which the marks are known. */
  frame: number;
  first: number;
  last: number;
  patch: number;
  reach: number;
  /** How sure the step of this frame is, and how it came about; none where there is no step. */
  sure?: number;
  by?: 'found' | 'guessed' | 'hand' | 'left-out';
}

/** A figure that is cut out of a clip, on the frame that is shown. */
export interface FigureNow {
  /** Of the clip. */
  frame: number;
  /** From its pixels to those of the shot. */
  fromClip: number[];
  /** How sure the figure is here; nothing where it isn't known. */
  sure?: number;
  strokes: { inside: boolean; radius: number; path: Pair[] }[];
}

/** A figure that is being carried, as far as it has come; outlines in pixels of the clip. */
export interface CuttingNow {
  layer: string;
  frame: number;
  done: number;
  total: number;
  outlines: Pair[][];
}

/** A track that is being followed, as far as that has come; frames are the clip's. */
export interface FollowingNow {
  layer: string;
  track: string;
  frame?: number;
  done?: number;
  total?: number;
  /** Of each step how sure it is, how it came about, and its places in pixels of the clip. */
  path?: { first: number; steps: number[][] };
  ended?: boolean;
}

export interface Handles {
  /** Whether they are those of a change that isn't kept yet. */
  draft: boolean;
  layer: string;
  exists: boolean;
  ownFrame: number;
  corners: Pair[];
  /** The corners as the layer rests, where it is on its way. */
  resting: Pair[];
  anchor: Pair;
  /** The paths of its shape and its masks. */
  paths: PathNow[];
  /** When its pen strokes are written, as shares of its arrival, where they were set by hand. */
  strokes: StrokeNow[];
  /** From the layer's own pixels to those of the shot, as the six numbers of a matrix of SVG. */
  toShot: number[];
  /** The frame of its content. */
  contentFrame: number;
  properties: PropertyNow[];
  /** The curve of the values of its cut, from 0 to 1 in even steps; none without a cut. */
  curve: number[];
  paints: PaintNow[];
  /** Of a text: before each letter, and after the last. */
  carets: Caret[];
  /** The points and directions of its effects and its texture. */
  spots: SpotNow[];
  /** The marks of a clip. */
  tracks: MarksNow[];
  /** The figure that is cut out of a clip. */
  figure?: FigureNow;
  /** What the shot that it shows is like, and which of its frames is seen. */
  inside: { name?: string; width?: number; height?: number; rate?: string; length?: number; frame?: number };
  /** The way of its position: a dot for each frame, and the keys with their handles. */
  path: { dots: Pair[]; keys: { at: number; loose: boolean; point: Pair; in: Pair; out: Pair }[] };
}

/** What several chosen layers have together on the frame that is shown. */
export interface Together {
  layers: string[];
  /** Left, top, right, bottom of the box around all. */
  box: [number, number, number, number];
  each: { layer: string; corners: Pair[] }[];
  /** The properties that all of them have. */
  properties: PropertyNow[];
}

/** A property over time; each channel a number on each frame of the shot. */
export interface CurveOf {
  layer: string;
  property: string;
  channels: {
    values: number[];
    speeds: number[];
    moved?: number[];
    signals?: number[][];
  }[];
}

/** Something that was measured wrong; `place` is left, top, right, bottom in pixels of the shot. */
export interface Finding {
  check: string;
  label: string;
  /** What it is about, the foremost first; none where it is about the whole picture. */
  layers: string[];
  from: number;
  to: number;
  place: [number, number, number, number];
  says: string;
}

/** What was measured wrong in a revision. */
export interface Proof {
  revision: number;
  findings: Finding[];
}

/** As it is sent: how many points it has, whose numbers follow the header. */
type PathSent = Omit<PathNow, 'points'> & { points: number };

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** What has not changed stays the same object, so that nothing is drawn anew for it. */
function unchanged<T>(before: T[] | undefined, now: T[]): T[] {
  if (!before) return now;
  const all = now.map((n, i) => {
    const old = before[i];
    return old !== undefined && same(old, n) ? old : n;
  });
  return all.length === before.length && all.every((n, i) => n === before[i]) ? before : all;
}

/** The handles that a header brings, with the points that follow it. */
export function handlesNow(
  { handles: sent, draft }: Header,
  numbers: Int32Array,
  before: Handles | undefined,
): Handles | undefined {
  if (!sent) return undefined;
  const all = Points.several(
    numbers,
    sent.paths.map((p) => p.points),
  ).map((points, i) => {
    const old = before?.paths[i]?.points;
    return old?.equals(points) ? old : points;
  });
  return {
    ...sent,
    draft,
    paths: sent.paths.map((p, i) => ({ ...p, points: all[i] ?? new Points(new Int32Array()) })),
    properties: unchanged(before?.properties, sent.properties),
    curve: unchanged(before?.curve, sent.curve),
    paints: unchanged(before?.paints, sent.paints),
  };
}

/** What comes before a picture. */
export interface Header {
  seq: number;
  revision: number;
  frame: number;
  key: string;
  width: number;
  height: number;
  draft: boolean;
  /** Whether the picture comes as planes. */
  planes: boolean;
  ahead: boolean;
  ms: number;
  /** How many whole numbers of four bytes lie between header and picture. */
  numbers: number;
  safe: [number, number, number, number];
  snap?: { x?: number; y?: number };
  together?: Together;
  /** The corners of the group that is worked in. */
  group?: Pair[];
  handles?: Omit<Handles, 'paths' | 'draft'> & { paths: PathSent[] };
}

/** A frame that goes by: Y′, Cb and Cr of 4:2:0 by ITU-R BT.709 in three eighths of the room. */
export interface Planes {
  planes: Uint8Array;
  width: number;
  height: number;
}
export type Shown = ImageData | Planes;
export const isPlanes = (shown: Shown): shown is Planes => 'planes' in shown;
export const sizeOf = (shown: Shown) => (isPlanes(shown) ? shown.planes.length : shown.data.length);

/** A frame as it comes: four bytes of the header's length, the header, the numbers of points, the picture. */
export function read(data: ArrayBuffer) {
  const length = new DataView(data).getUint32(0);
  const header = JSON.parse(new TextDecoder().decode(new Uint8Array(data, 4, length))) as Header;
  const end = 4 + length + 4 * header.numbers;
  const numbers = new Int32Array(data.slice(4 + length, end));
  const picture = data.byteLength > end ? pictureOf(header, data, end) : undefined;
  return { header, numbers, picture };
}

function pictureOf(header: Header, data: ArrayBuffer, from: number): Shown {
  const { width, height, planes } = header;
  return planes
    ? { planes: new Uint8Array(data, from), width, height }
    : new ImageData(new Uint8ClampedArray(data, from), width, height);
}
