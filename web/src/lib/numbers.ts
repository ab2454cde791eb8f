/** What a number is multiplied by to be shown: a share is shown in per cent. */
export const shownTimes = (unit: string) => (unit === '%' ? 100 : 1);

/** How far one pixel of dragging goes: a hundredth in a small range, else one. */
export function dragStep({ unit, least, most }: { unit: string; least: number; most: number }): number {
  return unit === '×' || (most - least) * shownTimes(unit) <= 20 ? 0.01 : 1;
}
