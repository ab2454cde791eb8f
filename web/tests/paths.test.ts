import { describe, expect, it } from 'vitest';
import { away, boxOf, pathOf, type KnotAt } from '../src/lib/paths';

const corner = (x: number, y: number): KnotAt => [
  [x, y],
  [x, y],
  [x, y],
];
const square = [corner(0, 0), corner(10, 0), corner(10, 10), corner(0, 10)];

describe('paths', () => {
  it('are written for SVG, open and closed', () => {
    expect(pathOf([], true)).toBe('');
    expect(pathOf([corner(1, 2), corner(3, 4)], false)).toBe('M1 2C1 2 3 4 3 4');
    expect(pathOf(square, true).match(/C/g)).toHaveLength(4);
    expect(pathOf(square, true).endsWith('C0 10 0 0 0 0Z')).toBe(true);
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
