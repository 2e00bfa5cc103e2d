// Distances in words, in metres or in feet by choice. Everything is computed in metres.
import { FAR_M } from './ladders';

export const LENGTH_UNITS = ['m', 'ft'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

/** The international foot, m (1959: exactly). */
export const FOOT_M = 0.3048;

/** Three figures where they matter; what lies so far that nothing differs beyond is ∞. */
export function lengthWords(metres: number, unit: LengthUnit = 'm'): string {
  const figure = lengthFigure(metres, unit);
  return figure === FAR ? figure : `${figure} ${unit}`;
}

const FAR = '∞';

/** The figure alone, where the unit stands elsewhere. */
export function lengthFigure(metres: number, unit: LengthUnit = 'm'): string {
  if (!(metres < FAR_M / 4)) return FAR;
  const v = unit === 'm' ? metres : metres / FOOT_M;
  return v >= 10 ? v.toFixed(0) : v >= 1 ? v.toFixed(1) : v.toFixed(2);
}
