/** The frame that a dragged one clings to: the nearest of the candidates within reach, or itself. */
export function snapped(frame: number, candidates: Iterable<number>, reach: number): number {
  let best = frame;
  let least = reach;
  for (const c of candidates) {
    const away = Math.abs(c - frame);
    if (away <= least) {
      least = away;
      best = c;
    }
  }
  return best;
}

/** How far a drag goes when any of the dragged frames clings to a candidate. */
export function snappedBy(
  by: number,
  dragged: number[],
  candidates: Iterable<number>,
  reach: number,
): number {
  const all = [...candidates];
  let best = by;
  let least = Infinity;
  for (const frame of dragged) {
    const to = snapped(frame + by, all, reach);
    const away = Math.abs(to - frame - by);
    if (to !== frame + by && away < least) {
      least = away;
      best = to - frame;
    }
  }
  return best;
}
