import type { Ease, Layer, Shot } from '../api/client';

/** A layer as a row: where it lies in the document, how deep, and how its own time lies in the shot's. */
export interface Row {
  layer: Layer;
  /** JSON Pointer of the layer in the document. */
  pointer: string;
  depth: number;
  /** Its place among its neighbours, and how many they are. */
  index: number;
  siblings: number;
  /** The group that it lies in. */
  group?: string;
  /** What is added to a frame of the layer's holder to give a frame of the shot. */
  shift: number;
}

/** The layers from the top, those of opened groups below their group. */
export function rows(shot: Shot, opened: (id: string) => boolean): Row[] {
  const all: Row[] = [];
  const walk = (layers: Layer[], base: string, depth: number, shift: number, group?: string) => {
    layers.forEach((layer, index) => {
      const pointer = `${base}/${index}`;
      all.push({ layer, pointer, depth, index, siblings: layers.length, shift, group });
      if (layer.content.kind === 'group' && opened(layer.id)) {
        const inside = shift + layer.span.in - layer.span.offset;
        walk(layer.content.layers as Layer[], `${pointer}/content/layers`, depth + 1, inside, layer.id);
      }
    });
  };
  walk(shot.layers as Layer[], '/layers', 0, 0);
  return all;
}

export type Beyond = 'hold' | 'continue' | 'loop' | 'there-and-back';

/** Something described, with a value for each of its parameters: a signal or an opening. */
export interface Recipe {
  kind: string;
  [parameter: string]: unknown;
}

export interface Key {
  at: number;
  value: unknown;
  ease: Ease;
  loose: boolean;
  in: unknown;
  out: unknown;
}

export interface KeyedProperty {
  name: string;
  label: string;
  keys: Key[];
  before: Beyond;
  after: Beyond;
  signals: Recipe[];
}

type Animated = Omit<KeyedProperty, 'name' | 'label'> & { rest: unknown };

function isAnimated(value: unknown): value is Animated {
  return (
    typeof value === 'object' && value !== null && !Array.isArray(value) && 'keys' in value && 'rest' in value
  );
}

/** The properties of a layer that have keys or signals. */
export function keyed(layer: Layer): KeyedProperty[] {
  const found: KeyedProperty[] = [];
  const look = (holder: Record<string, unknown>, prefix: string, before = '') => {
    for (const [field, value] of Object.entries(holder)) {
      if (isAnimated(value)) {
        found.push({ ...value, name: `${prefix}.${field}`, label: before + words(field) });
      }
    }
  };
  look(layer.place, 'place');
  if (layer.content.kind === 'text') look(layer.content, 'text');
  if (layer.content.kind === 'sound') look(layer.content, 'sound');
  if (layer.content.kind === 'footage' || layer.content.kind === 'still') look(layer.content, 'picture');
  if (layer.content.kind === 'fill') {
    look(layer.content, 'fill');
    look(layer.content.paint, 'fill');
  }
  if (layer.content.kind === 'shape') {
    for (const p of layer.content.paths) {
      if (isAnimated(p.path)) found.push({ ...p.path, name: `path.${p.id}`, label: p.name });
    }
    layer.content.coats.forEach((c) => look(c, `coat.${c.id}`, `${c.kind} `));
  }
  layer.masks.forEach((m) => look(m, `mask.${m.id}`, `${m.name} `));
  if (layer.cut) look(layer.cut.tone, 'cut', 'cut ');
  look(layer.arrive?.opening ?? {}, 'arrive', 'arrival ');
  look(layer.leave?.opening ?? {}, 'leave', 'departure ');
  return found;
}

/** The names of the properties of a layer that are numbers or points, which can be followed. */
export function numeric(layer: Layer): string[] {
  const found: string[] = [];
  const look = (holder: object, prefix: string) => {
    for (const [field, value] of Object.entries(holder)) {
      const bare: unknown = isAnimated(value) ? value.rest : value;
      const point = Array.isArray(bare) && bare.length === 2 && typeof bare[0] === 'number';
      if (typeof bare === 'number' || point) found.push(`${prefix}.${field}`);
    }
  };
  look(layer.place, 'place');
  if (layer.content.kind === 'text') look(layer.content, 'text');
  if (layer.content.kind === 'footage' || layer.content.kind === 'still') look(layer.content, 'picture');
  if (layer.content.kind === 'fill') look(layer.content, 'fill');
  if (layer.content.kind === 'shape') layer.content.coats.forEach((c) => look(c, `coat.${c.id}`));
  layer.masks.forEach((m) =>
    look({ feather: m.feather, outset: m.outset, opacity: m.opacity }, `mask.${m.id}`),
  );
  if (layer.cut) look(layer.cut.tone, 'cut');
  return found;
}

function words(field: string): string {
  return field.replace(/([A-Z])/g, ' $1').toLowerCase();
}

/** A short name that no layer of the shot has. */
export function freshId(): string {
  return crypto.randomUUID().slice(0, 13);
}

/** The frame of the shot on which the layer's own time is 0. */
export function start(row: Row): number {
  return row.shift + row.layer.span.in - row.layer.span.offset;
}
