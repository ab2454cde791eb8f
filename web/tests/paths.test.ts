import { describe, expect, it } from 'vitest';
import { away, boxOf, pathOf, spaced, type KnotAt } from '../src/lib/paths';

const corner = (x: number, y: number): KnotAt => [
  [x, y],
  [x, y],
  [x, y],
];
const square = [corner(0, 0), corner(10, 0), corner(10, 10), corner(0, 10)];

describe('paths', () => {
  it('are written for SVG, open and closed', () => {
    expect(pathOf([], true)).toBe('');
    expect(pathOf([corner(1, 2), corner(3, 4)], false)).toBe('M1 2L3 4');
    expect(pathOf(square, true).match(/L/g)).toHaveLength(4);
    expect(pathOf(square, true).endsWith('L0 0Z')).toBe(true);
    const bent: KnotAt[] = [
      corner(0, 0),
      [
        [9, 0],
        [6, 3],
        [9, 0],
      ],
    ];
    expect(pathOf(bent, false)).toBe('M0 0C0 0 6 3 9 0');
  });

  it('show no more dots than there is room for', () => {
    const many = Array.from({ length: 100 }, (_, i) => corner(i, 0));
    expect(spaced(many, 6).map((p) => p[0])).toEqual([
      0, 6, 12, 18, 24, 30, 36, 42, 48, 54, 60, 66, 72, 78, 84, 90, 96,
    ]);
  });

  it('are drawn without steps too short to be seen, but to their ends and through their bends', () => {
    const many = Array.from({ length: 11 }, (_, i) => corner(i, 0));
    expect(pathOf(many, false, 4)).toBe('M0 0L4 0L8 0L10 0');
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
    expect(pathOf(bent, false, 4)).toBe('M0 0L1 0C1 0 3 2 5 0L7 0');
  });

  it('have a box', () => {
    expect(boxOf(square.map((k) => k[0]))).toEqual([0, 0, 10, 10]);
  });

  it('point away from their inside, whichever way round they are drawn', () => {
    const [x, y] = away(square, 1);
    expect(x).toBeCloseTo(Math.SQRT1_2);
    expect(y).toBeCloseTo(-Math.SQRT1_2);
    const round = [...square].reverse();
    const [rx, ry] = away(round, 2);
    expect(rx).toBeCloseTo(Math.SQRT1_2);
    expect(ry).toBeCloseTo(-Math.SQRT1_2);
  });
});
