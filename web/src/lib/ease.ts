import type { Ease } from '../api/client';

export type Curve = [number, number, number, number];

/** Which part of an ease is meant: how it sets out, how it comes in. */
export type Half = 'start' | 'end' | 'both';

/** The curves of the names of CSS Easing Functions Level 1. */
export const CURVES: Record<string, Curve> = {
  linear: [0, 0, 1, 1],
  ease: [0.25, 0.1, 0.25, 1],
  'ease-in': [0.42, 0, 1, 1],
  'ease-out': [0, 0, 0.58, 1],
  'ease-in-out': [0.42, 0, 0.58, 1],
};

/** Eases of ours, by name. */
export const LANDINGS: { name: string; ease: Ease }[] = [
  { name: 'soft landing', ease: [0.16, 0.84, 0.3, 1] },
  { name: 'late start', ease: [0.7, 0, 0.84, 0.16] },
  { name: 'slight overshoot', ease: [0.3, 1.4, 0.6, 1] },
];

/** The four numbers of an ease; nothing for hold and spring. */
export function curveOf(ease: Ease): Curve | undefined {
  return Array.isArray(ease) ? ease : typeof ease === 'string' ? CURVES[ease] : undefined;
}

export function nameOf(ease: Ease): string {
  if (typeof ease === 'string') return ease;
  if (!Array.isArray(ease)) return 'spring';
  return LANDINGS.find((l) => JSON.stringify(l.ease) === JSON.stringify(ease))?.name ?? 'cubic-bezier';
}

/**
 * An ease as an SVG path from 0,0 to 1,1 put through x and y. The picture is the engine's; this only shows its shape: a
 * spring is drawn as the damped swing that it is named after.
 */
export function drawn(ease: Ease, x: (t: number) => number, y: (way: number) => number): string {
  const c = curveOf(ease);
  if (c) return `M${x(0)} ${y(0)}C${x(c[0])} ${y(c[1])} ${x(c[2])} ${y(c[3])} ${x(1)} ${y(1)}`;
  if (ease === 'hold') return `M${x(0)} ${y(0)}H${x(1)}V${y(1)}`;
  const swings = typeof ease === 'object' && 'spring' in ease ? ease.spring : 1;
  const points = Array.from({ length: 49 }, (_, i) => {
    const t = i / 48;
    return `${x(t)} ${y(1 - Math.exp(-6.9 * t) * Math.cos(Math.PI * swings * t))}`;
  });
  return `M${points.join('L')}`;
}
