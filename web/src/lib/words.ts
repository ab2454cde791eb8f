import type { Change } from '../api/client';
import type { Caret } from './answers';

/** The change that gives a text other words. */
export const reworded = (layer: string, words: string): Change => ({
  edit: { kind: 'set-words', layer, words },
});

/** The value that something that changes over time rests at. */
export function resting(value: unknown): unknown {
  return typeof value === 'object' && value !== null && 'rest' in value ? value.rest : value;
}

/** The letter before which a cursor stands that is nearest to a point. */
export function nearest(carets: readonly Caret[], [x, y]: readonly [number, number]): number {
  let best = 0;
  let least = Infinity;
  carets.forEach(([ax, ay, bx, by], i) => {
    const dx = bx - ax;
    const dy = by - ay;
    const share = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    // Lines count more than places in them: one means the line that one points at.
    const along = Math.hypot(ax + share * dx - x, ay + share * dy - y);
    const off =
      Math.abs((x - ax) * dx + (y - ay) * dy - share * (dx * dx + dy * dy)) / (Math.hypot(dx, dy) || 1);
    const far = along + off * 4;
    if (far < least) {
      least = far;
      best = i;
    }
  });
  return best;
}

/** The outlines of chosen letters: a parallelogram for each, none for line breaks. */
export function marked(carets: readonly Caret[], words: string, from: number, to: number): string {
  let all = '';
  for (let i = from; i < to; i++) {
    const a = carets[i];
    const b = carets[i + 1];
    if (!a || !b || words[i] === '\n') continue;
    all += `M${a[0]} ${a[1]}L${b[0]} ${b[1]}L${b[2]} ${b[3]}L${a[2]} ${a[3]}Z`;
  }
  return all;
}
