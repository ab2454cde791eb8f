import type { PaintNow, PropertyNow, StopNow } from './answers';

/** A line of the Sheet: a property by itself, or something painted with all its properties. */
export type Line = { property: PropertyNow } | { paint: PaintNow; properties: PropertyNow[] };

/** Properties as lines: those of what is painted stand together, where the first of them stands. */
export function linesOf(properties: PropertyNow[], paints: PaintNow[]): Line[] {
  const all: Line[] = [];
  const taken = new Set<PaintNow>();
  for (const property of properties) {
    const paint = paints.find((p) => namesOf(p).includes(property.name));
    if (!paint) {
      all.push({ property });
    } else if (!taken.has(paint)) {
      taken.add(paint);
      const names = namesOf(paint);
      all.push({ paint, properties: properties.filter((p) => names.includes(p.name)) });
    }
  }
  return all;
}

const namesOf = (paint: PaintNow) => [...paint.properties, ...paint.stops.flatMap((s) => s.properties)];

/** A ramp of colours as CSS draws it, from the left to the right. */
export function rampCss(stops: StopNow[]): string {
  const inOrder = stops
    .map((s, i) => ({ ...s, i }))
    .sort((a, b) => a.at - b.at || a.i - b.i)
    .map((s) => `${s.colour} ${(s.at * 100).toFixed(2)}%`);
  return `linear-gradient(90deg, ${inOrder.join(', ')})`;
}

/** The share of the way from one point to another at which a point lies beside the line. */
export function shareAlong(from: readonly number[], to: readonly number[], p: readonly number[]): number {
  const [fx = 0, fy = 0] = from;
  const dx = (to[0] ?? 0) - fx;
  const dy = (to[1] ?? 0) - fy;
  const square = dx * dx + dy * dy || 1;
  const share = (((p[0] ?? 0) - fx) * dx + ((p[1] ?? 0) - fy) * dy) / square;
  return Math.min(1, Math.max(0, share));
}

/** The share of a turn, clockwise from the direction of `to`, at which a point lies round `centre`. */
export function shareRound(centre: readonly number[], to: readonly number[], p: readonly number[]): number {
  const angle = (q: readonly number[]) =>
    Math.atan2((q[1] ?? 0) - (centre[1] ?? 0), (q[0] ?? 0) - (centre[0] ?? 0));
  const turn = (angle(p) - angle(to)) / (2 * Math.PI);
  return turn - Math.floor(turn);
}
