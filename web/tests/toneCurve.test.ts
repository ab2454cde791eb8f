import { expect, test } from 'vitest';
import { added, handled, MOST_POINTS, moved, removed, type CurvePoint } from '../src/lib/toneCurve';

const S: CurvePoint[] = [
  [0, 0],
  [0.5, 0.3],
  [1, 1],
];

test('a straight line is handled by its ends', () => {
  expect(handled([])).toEqual([
    [0, 0],
    [1, 1],
  ]);
  expect(handled(S)).toBe(S);
});

test('points stay between their neighbours and in the square', () => {
  expect(moved(S, 1, [0.2, 1.7])).toEqual([S[0], [0.2, 1], S[2]]);
  expect(moved(S, 1, [-3, 0.5])).toEqual([S[0], [0.01, 0.5], S[2]]);
  expect(moved(S, 1, [3, 0.5])).toEqual([S[0], [0.99, 0.5], S[2]]);
  expect(moved(S, 0, [0.7, -1])).toEqual([[0.49, 0], S[1], S[2]]);
  expect(moved(S, 2, [2, 0.25])).toEqual([S[0], S[1], [1, 0.25]]);
});

test('a point more goes where it was pressed, unless there is no room', () => {
  expect(added(S, [0.75, 0.2])).toEqual({ points: [S[0], S[1], [0.75, 0.2], S[2]], index: 2 });
  expect(added(S, [0.505, 0.2])).toBeUndefined();
  const full = Array.from({ length: MOST_POINTS }, (_, i): CurvePoint => [i / MOST_POINTS, 0]);
  expect(added(full, [0.99, 0])).toBeUndefined();
});

test('with fewer than two points the line is straight again', () => {
  expect(removed(S, 1)).toEqual([S[0], S[2]]);
  expect(removed(handled([]), 0)).toEqual([]);
});
