import { describe, expect, it } from 'vitest';
import { moved, scaled, turned, type Affine } from '../src/lib/affine';
import { away, boxOf, pathOf, Points, roundDots, spaced, type KnotAt } from '../src/lib/paths';

const corner = (x: number, y: number): KnotAt => [
  [x, y],
  [x, y],
  [x, y],
];
const square = [corner(0, 0), corner(10, 0), corner(10, 10), corner(0, 10)];
const through = (knots: KnotAt[], closed: boolean, least = 0) => pathOf(Points.of(knots), closed, least);

describe('paths', () => {
  it('are written for SVG, open and closed', () => {
    expect(through([], true)).toBe('');
    expect(through([corner(1, 2), corner(3, 4)], false)).toBe('M1 2L3 4');
    expect(through(square, true).match(/L/g)).toHaveLength(4);
    expect(through(square, true).endsWith('L0 0Z')).toBe(true);
    const bent: KnotAt[] = [
      corner(0, 0),
      [
        [9, 0],
        [6, 3],
        [9, 0],
      ],
    ];
    expect(through(bent, false)).toBe('M0 0C0 0 6 3 9 0');
  });

  it('show no more dots than there is room for', () => {
    const many = Array.from({ length: 100 }, (_, i) => corner(i, 0));
    expect(spaced(Points.of(many), 6).map((p) => p[0])).toEqual([
      0, 6, 12, 18, 24, 30, 36, 42, 48, 54, 60, 66, 72, 78, 84, 90, 96,
    ]);
  });

  it('are drawn without steps too short to be seen, but to their ends and through their bends', () => {
    const many = Array.from({ length: 11 }, (_, i) => corner(i, 0));
    expect(through(many, false, 4)).toBe('M0 0L4 0L8 0L10 0');
    const bent: KnotAt[] = [
      corner(0, 0),
      corner(1, 0),
      [
        [5, 0],
        [3, 2],
        [5, 0],
      ],
      corner(6, 0),
      corner(7, 0),
    ];
    expect(through(bent, false, 4)).toBe('M0 0L1 0C1 0 3 2 5 0L7 0');
  });

  it('come as whole numbers, one path after the other', () => {
    const sent = Int32Array.from([
      6000, 3475, 0, 0, 300, 450, 0, 10000, 3500, -150, 0, 0, 0, 750, 1, 2, 0, 0, 0, 0, 3,
    ]);
    const [two, one] = Points.several(sent, [2, 1]);
    expect(two?.length).toBe(2);
    expect(two?.knot(0)).toEqual([
      [60, 34.75],
      [60, 34.75],
      [63, 39.25],
    ]);
    expect([two?.hasHandle(0, 1), two?.hasHandle(0, 2), two?.hasHandle(1, 1)]).toEqual([false, true, true]);
    expect(two?.feather(1)).toBe(7.5);
    expect(one?.place(0)).toEqual([0.01, 0.02]);
    const bent: KnotAt = [
      [1, 2],
      [0, 2],
      [3, 2.5],
    ];
    expect(Points.of([bent]).knot(0)).toEqual(bent);
  });

  it('are mapped with their handles, all of them or some', () => {
    const bent: KnotAt = [
      [10, 20],
      [8, 20],
      [12, 26],
    ];
    const points = Points.of([bent, ...square]);
    const all = points.mapped(moved([5, -3]), []);
    expect(all.knot(0)).toEqual([
      [15, 17],
      [13, 17],
      [17, 23],
    ]);
    expect(all.place(2)).toEqual([15, -3]);
    const some = points.mapped(scaled([0, 0], [1, 1], [3, 3], true), [0, 3]);
    expect(some.knot(0)).toEqual([
      [30, 60],
      [24, 60],
      [36, 78],
    ]);
    expect([some.place(2), some.place(3)]).toEqual([
      [10, 0],
      [30, 30],
    ]);
    expect(points.knot(0)).toEqual(bent);
    expect([points.equals(Points.of([bent, ...square])), points.equals(all)]).toEqual([true, false]);
    const soft = new Points(Int32Array.from([100, 200, 0, 0, 0, 0, 750]));
    expect(soft.mapped(moved([1, 1]), []).feather(0)).toBe(7.5);
  });

  it('are dotted by one line, a dot at each place', () => {
    expect(roundDots([])).toBe('');
    expect(
      roundDots([
        [1, 2.5],
        [3, 4],
      ]),
    ).toBe('M1 2.5h0M3 4h0');
  });

  it('have a box', () => {
    expect(boxOf(Points.of(square))).toEqual([0, 0, 10, 10]);
    expect(boxOf(Points.of(square), [1, 2])).toEqual([10, 0, 10, 10]);
  });

  it('point away from their inside, whichever way round they are drawn', () => {
    const [x, y] = away(Points.of(square), 1);
    expect(x).toBeCloseTo(Math.SQRT1_2);
    expect(y).toBeCloseTo(-Math.SQRT1_2);
    const round = [...square].reverse();
    const [rx, ry] = away(Points.of(round), 2);
    expect(rx).toBeCloseTo(Math.SQRT1_2);
    expect(ry).toBeCloseTo(-Math.SQRT1_2);
  });
});

/** As SVG 2 defines matrix(a, b, c, d, e, f). */
const apply = ([a, b, c, d, e, f]: Affine, [x, y]: [number, number]) => [
  a * x + c * y + e,
  b * x + d * y + f,
];

describe('maps of the plane', () => {
  it('scale about what stays, evenly or each direction by itself', () => {
    const even = scaled([10, 20], [20, 20], [30, 25], true);
    expect(apply(even, [10, 20])).toEqual([10, 20]);
    expect(apply(even, [20, 30])).toEqual([30, 40]);
    const free = scaled([10, 20], [20, 40], [40, 30], false);
    expect(apply(free, [20, 40])).toEqual([40, 30]);
    expect(apply(free, [10, 20])).toEqual([10, 20]);
    const level = scaled([10, 20], [30, 20], [50, 90], false);
    expect(apply(level, [30, 26])).toEqual([50, 26]);
    const gone = scaled([0, 0], [10, 0], [0, 5], true);
    expect(gone[0]).toBe(1e-3);
  });

  it('turn about what stays, in steps if asked', () => {
    const quarter = turned([1, 1], [5, 1], [1, 9], false);
    const [x, y] = apply(quarter, [3, 1]);
    expect(x).toBeCloseTo(1);
    expect(y).toBeCloseTo(3);
    const step = turned([0, 0], [10, 0], [10, 2.2], true);
    expect(Math.atan2(step[1], step[0])).toBeCloseTo(Math.PI / 12);
  });
});
