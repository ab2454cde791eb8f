/** Value in, value out; both 0 to 1. */
export type CurvePoint = [number, number];

/** As near as points of a curve may come to one another. */
const APART = 0.01;
export const MOST_POINTS = 16;
const ENDS: CurvePoint[] = [
  [0, 0],
  [1, 1],
];

const within = (v: number, least: number, most: number) => Math.min(most, Math.max(least, v));
const rounded = (v: number) => Number(v.toFixed(3));

/** The points that are handled: those of the curve, or the ends of the straight line. */
export const handled = (points: CurvePoint[]): CurvePoint[] => (points.length ? points : ENDS);

/** A point moved, kept between its neighbours. */
export function moved(points: CurvePoint[], index: number, to: CurvePoint): CurvePoint[] {
  const least = index === 0 ? 0 : (points[index - 1]?.[0] ?? 0) + APART;
  const most = index === points.length - 1 ? 1 : (points[index + 1]?.[0] ?? 1) - APART;
  return points.map((p, i) =>
    i === index ? [rounded(within(to[0], least, most)), rounded(within(to[1], 0, 1))] : p,
  );
}

/** One point more; nothing where there is no room for it. */
export function added(
  points: CurvePoint[],
  at: CurvePoint,
): { points: CurvePoint[]; index: number } | undefined {
  if (points.length >= MOST_POINTS || points.some((p) => Math.abs(p[0] - at[0]) < APART)) return undefined;
  const index = points.filter((p) => p[0] < at[0]).length;
  const next: CurvePoint = [rounded(within(at[0], 0, 1)), rounded(within(at[1], 0, 1))];
  return { points: [...points.slice(0, index), next, ...points.slice(index)], index };
}

/** Without a point; the straight line where fewer than two would be left. */
export function removed(points: CurvePoint[], index: number): CurvePoint[] {
  const left = points.filter((_, i) => i !== index);
  return left.length < 2 ? [] : left;
}
