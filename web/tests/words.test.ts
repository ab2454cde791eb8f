import { describe, expect, it } from 'vitest';
import type { Caret, PaintNow, PropertyNow, StopNow } from '../src/lib/answers';
import { linesOf, rampCss, shareAlong, shareRound } from '../src/lib/paints';
import { marked, nearest, resting } from '../src/lib/words';

/** Two lines of three letters each, twenty high, ten wide; the line break is the fourth. */
const CARETS: Caret[] = [0, 1].flatMap((line) =>
  [0, 10, 20, 30].map((x): Caret => [x, line * 30, x, line * 30 + 20]),
);

describe('words on the Picture', () => {
  it('put the cursor before the letter that is nearest, in the line that is pointed at', () => {
    expect(nearest(CARETS, [11, 8])).toBe(1);
    expect(nearest(CARETS, [16, 8])).toBe(2);
    expect(nearest(CARETS, [300, 8])).toBe(3);
    expect(nearest(CARETS, [11, 44])).toBe(5);
    expect(nearest([], [0, 0])).toBe(0);
  });

  it('mark each chosen letter, but no line break', () => {
    const path = marked(CARETS, 'ABC\nDEF', 2, 5);
    expect(path.match(/M/g)).toHaveLength(2);
    expect(path).toBe('M20 0L30 0L30 20L20 20ZM0 30L10 30L10 50L0 50Z');
  });

  it('give the next ones the resting values of their look', () => {
    expect(resting(3)).toBe(3);
    expect(resting({ rest: '#fff', keys: [] })).toBe('#fff');
    expect(resting({ kind: 'linear' })).toEqual({ kind: 'linear' });
  });
});

describe('what is painted', () => {
  const stop = (id: string, at: number, colour: string): StopNow => ({
    id,
    at,
    colour,
    point: [0, 0],
    properties: [`fill.stop.${id}.at`, `fill.stop.${id}.colour`],
  });
  const property = (name: string) => ({ name, part: '' }) as PropertyNow;

  it('stands together where the first of its properties stands', () => {
    const paint: PaintNow = {
      name: 'fill',
      label: 'Colour',
      part: '',
      form: 'linear',
      properties: ['fill.from', 'fill.to'],
      stops: [stop('a', 0, '#000000')],
    };
    const names = ['fill.size', 'fill.from', 'fill.to', 'fill.stop.a.at', 'fill.stop.a.colour', 'blur'];
    const lines = linesOf(names.map(property), [paint]);
    expect(lines).toHaveLength(3);
    const painted = lines[1];
    expect(painted && 'paint' in painted && painted.properties.map((p) => p.name)).toEqual(names.slice(1, 5));
  });

  it('is drawn as the engine draws it: stops in the order of their places', () => {
    expect(rampCss([stop('a', 0.5, '#ff0000'), stop('b', 0, '#00ff00'), stop('c', 0.5, '#0000ff')])).toBe(
      'linear-gradient(90deg, #00ff00 0.00%, #ff0000 50.00%, #0000ff 50.00%)',
    );
  });

  it('takes a stop along its line, and round its centre', () => {
    expect(shareAlong([0, 0], [10, 0], [4, 77])).toBeCloseTo(0.4);
    expect(shareAlong([0, 0], [10, 0], [-4, 0])).toBe(0);
    expect(shareAlong([3, 3], [3, 3], [9, 9])).toBeLessThanOrEqual(1);
    expect(shareRound([0, 0], [10, 0], [0, 5])).toBeCloseTo(0.25);
    expect(shareRound([0, 0], [0, 10], [10, 0])).toBeCloseTo(0.75);
  });
});
