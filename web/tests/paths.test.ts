import { describe, expect, it } from 'vitest';
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
