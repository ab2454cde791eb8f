import type { Pair } from '../stores/frames';

/** A point and the ends of its two handles. */
export type KnotAt = [Pair, Pair, Pair];

const same = (a: Pair, b: Pair) => a[0] === b[0] && a[1] === b[1];

/** The places of those knots that lie so far from the one before, along a path of very many. */
export function spaced(knots: KnotAt[], least: number): Pair[] {
  let last: Pair | undefined;
  return knots
    .map((k) => k[0])
    .filter((p) => {
      if (last && Math.hypot(p[0] - last[0], p[1] - last[1]) < least) return false;
      last = p;
      return true;
    });
}

/** A path through knots, for SVG. Straight steps shorter than `least` are drawn together with those that follow. */
export function pathOf(knots: KnotAt[], closed: boolean, least = 0): string {
  const first = knots[0];
  if (!first) return '';
  const parts = [`M${first[0].join(' ')}`];
  const ends = closed ? [...knots.slice(1), first] : knots.slice(1);
  let drawn = first[0];
  ends.forEach((next, i) => {
    const from = knots[i] ?? first;
    const [x, y] = next[0];
    if (!same(from[2], from[0]) || !same(next[1], next[0])) {
      if (!same(drawn, from[0])) parts.push(`L${from[0].join(' ')}`);
      parts.push(`C${from[2].join(' ')} ${next[1].join(' ')} ${x} ${y}`);
    } else if (i < ends.length - 1 && Math.hypot(x - drawn[0], y - drawn[1]) < least) {
      return;
    } else {
      parts.push(`L${x} ${y}`);
    }
    drawn = next[0];
  });
  return parts.join('') + (closed ? 'Z' : '');
}

/** The box round points: left, top, right, bottom. */
export function boxOf(points: Pair[]): [number, number, number, number] {
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
}

/** The direction away from a path at one of its knots, one long: at right angles to the line between its neighbours. */
export function away(knots: KnotAt[], index: number): Pair {
  const n = knots.length;
  const before = knots[(index + n - 1) % n]?.[0] ?? [0, 0];
  const after = knots[(index + 1) % n]?.[0] ?? [0, 0];
  const [dx, dy] = [after[0] - before[0], after[1] - before[1]];
  const length = Math.hypot(dx, dy) || 1;
  // Twice the area, signed: what is drawn the other way round has its outside on the other side.
  const area = knots.reduce((sum, k, i) => {
    const next = knots[(i + 1) % n]?.[0] ?? k[0];
    return sum + k[0][0] * next[1] - next[0] * k[0][1];
  }, 0);
  const side = area >= 0 ? 1 : -1;
  return [(side * dy) / length, (-side * dx) / length];
}
