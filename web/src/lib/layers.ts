import type { Ease, Layer, Shot } from '../api/client';

export type Beyond = 'hold' | 'continue' | 'loop' | 'there-and-back';

/** Something described, with a value for each of its parameters: a signal or an opening. */
export interface Recipe {
  kind: string;
  [parameter: string]: unknown;
}

export interface Key {
  at: number;
  ease: Ease;
  loose: boolean;
  /** Paths are too long to be told. */
  value?: unknown;
  in?: unknown;
  out?: unknown;
}

/** A property that has keys or signals, as the server tells it. */
export interface MovingProperty {
  name: string;
  label: string;
  kind: 'number' | 'point' | 'colour' | 'path' | 'curve';
  keys: Key[];
  before: Beyond;
  after: Beyond;
  signals: Recipe[];
}

/** What moves in a layer; its own time 0 lies on the shot's frame `start`, its next frame `step` frames later. */
export interface LayerAnimation {
  start: number;
  step: number;
  properties: MovingProperty[];
  tracks?: SureTrack[];
}

/** How sure a track is on each frame of its layer, in thousandths; −1 where it isn't known. */
export interface SureTrack {
  id: string;
  name: string;
  sure: number[];
  /** Frames that were set by hand. */
  fixed: number[];
}

/** A layer as a row: how deep it lies, and how its own time lies in the shot's. */
export interface Row {
  layer: Layer;
  depth: number;
  /** Its place among its neighbours, and how many they are. */
  index: number;
  siblings: number;
  /** The group that it lies in. */
  group?: string;
  start: number;
  step: number;
  moving: MovingProperty[];
  tracks: SureTrack[];
}

/** Every layer from the top, those of groups below their group. */
export function rows(shot: Shot, animation: Record<string, LayerAnimation>): Row[] {
  const all: Row[] = [];
  const walk = (layers: Layer[], depth: number, group?: string) => {
    layers.forEach((layer, index) => {
      const { start = 0, step = 1, properties = [], tracks = [] } = animation[layer.id] ?? {};
      all.push({
        layer,
        depth,
        index,
        siblings: layers.length,
        group,
        start,
        step,
        moving: properties,
        tracks,
      });
      if (layer.content.kind === 'group') walk(layer.content.layers as Layer[], depth + 1, layer.id);
    });
  };
  walk(shot.layers as Layer[], 0);
  return all;
}

/** Those of them that are seen where only some groups are opened. */
export function unfolded(all: Row[], opened: (id: string) => boolean): Row[] {
  const seen = new Set<string>();
  return all.filter((row) => {
    const there = row.group === undefined || (seen.has(row.group) && opened(row.group));
    if (there) seen.add(row.layer.id);
    return there;
  });
}

/** The frame of the shot on which a frame of the layer's own time lies. */
export const frameOf = (row: Row, own: number) => row.start + row.step * own;

/** The frame of the layer's own time at a frame of the shot. */
export const ownFrame = (row: Row, frame: number) => Math.floor((frame - row.start) / row.step);

/** As many frames of the layer's own time as there are frames of the shot. */
export const ownFrames = (row: Row, frames: number) => Math.round(frames / row.step);

/** Where a layer begins and ends, in frames of the shot. */
export function ends(row: Row, span = row.layer.span): [number, number] {
  const a = frameOf(row, span.offset);
  const b = frameOf(row, span.offset + span.length);
  return row.step > 0 ? [a, b] : [b - row.step, a - row.step];
}

/** A short name that no layer of the shot has. */
export function freshId(): string {
  return crypto.randomUUID().slice(0, 13);
}
