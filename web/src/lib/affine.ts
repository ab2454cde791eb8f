/** A point, or two numbers of another kind. */
export type Pair = [number, number];

/** A map of the plane as SVG writes it: x′ = a·x + c·y + e, y′ = b·x + d·y + f. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const moved = ([x, y]: Pair): Affine => [1, 0, 0, 1, x, y];

/** Scales about a point that stays, so that what lay under `from` comes under `to`; evenly in both directions where `even`. */
export function scaled(stays: Pair, from: Pair, to: Pair, even: boolean): Affine {
  const [ax, ay] = [from[0] - stays[0], from[1] - stays[1]];
  const [bx, by] = [to[0] - stays[0], to[1] - stays[1]];
  if (!even) return about(stays, ratio(bx, ax), 0, 0, ratio(by, ay));
  const f = ratio(ax * bx + ay * by, ax * ax + ay * ay);
  return about(stays, f, 0, 0, f);
}

/** Turns about a point that stays, by the angle between two others as seen from it; in steps of 15° if asked. */
export function turned(stays: Pair, from: Pair, to: Pair, steps: boolean): Affine {
  const angle = (p: Pair) => Math.atan2(p[1] - stays[1], p[0] - stays[0]);
  const step = Math.PI / 12;
  const by = angle(to) - angle(from);
  const turn = steps ? Math.round(by / step) * step : by;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  return about(stays, cos, sin, -sin, cos);
}

/** Never 0, from which nothing could lead back. */
function ratio(to: number, from: number): number {
  const r = Math.abs(from) < 1e-6 ? 1 : to / from;
  return Math.abs(r) < 1e-3 ? (r < 0 ? -1e-3 : 1e-3) : r;
}

function about([x, y]: Pair, a: number, b: number, c: number, d: number): Affine {
  return [a, b, c, d, x - a * x - c * y, y - b * x - d * y];
}
