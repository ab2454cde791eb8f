import type { Layer, Shot } from '../api/client';

/** A layer as a row: where it lies in the document, how deep, and how its own time lies in the shot's. */
export interface Row {
  layer: Layer;
  /** JSON Pointer of the layer in the document. */
  pointer: string;
  depth: number;
  /** Its place among its neighbours, and how many they are. */
  index: number;
  siblings: number;
  /** What is added to a frame of the layer's holder to give a frame of the shot. */
  shift: number;
}

/** The layers from the top, those of opened groups below their group. */
export function rows(shot: Shot, opened: (id: string) => boolean): Row[] {
  const all: Row[] = [];
  const walk = (layers: Layer[], base: string, depth: number, shift: number) => {
    layers.forEach((layer, index) => {
      const pointer = `${base}/${index}`;
      all.push({ layer, pointer, depth, index, siblings: layers.length, shift });
      if (layer.content.kind === 'group' && opened(layer.id)) {
        const inside = shift + layer.span.in - layer.span.offset;
        walk(layer.content.layers as Layer[], `${pointer}/content/layers`, depth + 1, inside);
      }
    });
  };
  walk(shot.layers as Layer[], '/layers', 0, 0);
  return all;
}

export interface KeyedProperty {
  name: string;
  label: string;
  keys: { at: number; ease: unknown }[];
}

interface Animated {
  rest: unknown;
  keys: { at: number; ease: unknown }[];
}

function isAnimated(value: unknown): value is Animated {
  return (
    typeof value === 'object' && value !== null && !Array.isArray(value) && 'keys' in value && 'rest' in value
  );
}

/** The properties of a layer that have keys. */
export function keyed(layer: Layer): KeyedProperty[] {
  const found: KeyedProperty[] = [];
  const look = (holder: Record<string, unknown>, prefix: string, before = '') => {
    for (const [field, value] of Object.entries(holder)) {
      if (isAnimated(value)) {
        found.push({ name: `${prefix}.${field}`, label: before + words(field), keys: value.keys });
      }
    }
  };
  look(layer.place, 'place');
  if (layer.content.kind === 'text') look(layer.content, 'text');
  if (layer.content.kind === 'fill') {
    look(layer.content, 'fill');
    look(layer.content.paint, 'fill');
  }
  layer.masks.forEach((m) => look(m, `mask.${m.id}`, `${m.name} `));
  return found;
}

function words(field: string): string {
  return field.replace(/([A-Z])/g, ' $1').toLowerCase();
}

/** A short name that no layer of the shot has. */
export function freshId(): string {
  return crypto.randomUUID().slice(0, 13);
}
