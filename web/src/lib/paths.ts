import type { Affine, Pair } from './affine';

/** A point and the ends of its two handles. */
export type KnotAt = [Pair, Pair, Pair];

/** Numbers of a point. */
const SIZE = 7;

/**
 * The points of a path, of which there may be thousands: for each its place, its two handles as they lie from there, and its
 * feather, all in hundredths of a pixel.
 */
export class Points {
  readonly length: number;

  constructor(readonly numbers: Int32Array) {
    this.length = numbers.length / SIZE;
  }

  static of(knots: KnotAt[]): Points {
    const all = knots.flatMap(([at, before, after]) => [
      ...at,
      before[0] - at[0],
      before[1] - at[1],
      after[0] - at[0],
      after[1] - at[1],
      0,
    ]);
    return new Points(Int32Array.from(all, (n) => Math.round(n * 100)));
  }

  /** The points of several paths that follow each other. */
  static several(numbers: Int32Array, lengths: number[]): Points[] {
    let from = 0;
    return lengths.map((n) => new Points(numbers.subarray(from, (from += n * SIZE))));
  }

  private number(index: number, which: number): number {
    return this.numbers[index * SIZE + which] ?? 0;
  }

  x(index: number): number {
    return this.number(index, 0) / 100;
  }

  y(index: number): number {
    return this.number(index, 1) / 100;
  }

  place(index: number): Pair {
    return [this.x(index), this.y(index)];
  }

  /** The end of the handle towards the point before (1) or after it (2). */
  handle(index: number, part: 1 | 2): Pair {
    return [
      (this.number(index, 0) + this.number(index, 2 * part)) / 100,
      (this.number(index, 1) + this.number(index, 2 * part + 1)) / 100,
    ];
  }

  hasHandle(index: number, part: 1 | 2): boolean {
    return this.number(index, 2 * part) !== 0 || this.number(index, 2 * part + 1) !== 0;
  }

  knot(index: number): KnotAt {
    return [this.place(index), this.handle(index, 1), this.handle(index, 2)];
  }

  feather(index: number): number {
    return this.number(index, 6) / 100;
  }

  /** With some of them mapped, or all where none are named; their feathers stay. */
  mapped([a, b, c, d, e, f]: Affine, some: number[]): Points {
    const next = this.numbers.slice();
    const map = (index: number) => {
      for (let i = index * SIZE; i < index * SIZE + 6; i += 2) {
        const [x, y] = [this.numbers[i] ?? 0, this.numbers[i + 1] ?? 0];
        // Handles are told as they lie from their point.
        const own = i === index * SIZE ? 100 : 0;
        next[i] = Math.round(a * x + c * y + own * e);
        next[i + 1] = Math.round(b * x + d * y + own * f);
      }
    };
    if (some.length) some.forEach(map);
    else for (let i = 0; i < this.length; i++) map(i);
    return new Points(next);
  }

  equals(other: Points): boolean {
    return (
      this.numbers.length === other.numbers.length && this.numbers.every((n, i) => n === other.numbers[i])
    );
  }
}

/** The places of those points that lie so far from the one before, along a path of very many. */
export function spaced(points: Points, least: number): Pair[] {
  const all: Pair[] = [];
  let [x, y] = [Infinity, Infinity];
  for (let i = 0; i < points.length; i++) {
    if (Math.hypot(points.x(i) - x, points.y(i) - y) < least) continue;
    [x, y] = points.place(i);
    all.push([x, y]);
  }
  return all;
}

/** A path through points, for SVG. Straight steps shorter than `least` are drawn together with those that follow. */
export function pathOf(points: Points, closed: boolean, least = 0): string {
  if (!points.length) return '';
  let path = `M${points.x(0)} ${points.y(0)}`;
  let drawn = 0;
  const ends = points.length - (closed ? 0 : 1);
  for (let i = 0; i < ends; i++) {
    const next = (i + 1) % points.length;
    const [x, y] = [points.x(next), points.y(next)];
    if (points.hasHandle(i, 2) || points.hasHandle(next, 1)) {
      if (drawn !== i) path += `L${points.x(i)} ${points.y(i)}`;
      path += `C${points.handle(i, 2).join(' ')} ${points.handle(next, 1).join(' ')} ${x} ${y}`;
    } else if (i < ends - 1 && Math.hypot(x - points.x(drawn), y - points.y(drawn)) < least) {
      continue;
    } else {
      path += `L${x} ${y}`;
    }
    drawn = next;
  }
  return path + (closed ? 'Z' : '');
}

/** A dot at each place, for a line with round ends: one element for all, however many there are. */
export function roundDots(places: Pair[]): string {
  return places.map(([x, y]) => `M${x} ${y}h0`).join('');
}

/** The box round some points, or round all: left, top, right, bottom. */
export function boxOf(points: Points, some: number[] = []): [number, number, number, number] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (i: number) => {
    x0 = Math.min(x0, points.x(i));
    y0 = Math.min(y0, points.y(i));
    x1 = Math.max(x1, points.x(i));
    y1 = Math.max(y1, points.y(i));
  };
  if (some.length) some.forEach(take);
  else for (let i = 0; i < points.length; i++) take(i);
  return [x0, y0, x1, y1];
}

/** The direction away from a path at one of its points, one long: at right angles to the line between its neighbours. */
export function away(points: Points, index: number): Pair {
  const n = points.length;
  const [before, after] = [(index + n - 1) % n, (index + 1) % n];
  const [dx, dy] = [points.x(after) - points.x(before), points.y(after) - points.y(before)];
  const length = Math.hypot(dx, dy) || 1;
  // Twice the area, signed: what is drawn the other way round has its outside on the other side.
  let area = 0;
  for (let i = 0; i < n; i++) {
    const next = (i + 1) % n;
    area += points.x(i) * points.y(next) - points.x(next) * points.y(i);
  }
  const side = area >= 0 ? 1 : -1;
  return [(side * dy) / length, (-side * dx) / length];
}
