// Settings that stand on a ladder of clicks: their words, and which clicks an optic offers.
import type { Optic } from '../body/body';
import type { Control } from '../exposure/control';
import { stepOf, type Ladder } from '../units/ladders';

/** Ends of a span are met exactly but for rounding. */
const SLACK = 1e-6;

export interface Steps {
  readonly ladder: Ladder;
  /** How many of the whole ladder's first steps are left out. */
  readonly skipped: number;
}

/** Steps of a ladder between the ends that the optic has for a setting; all of them where the optic names no ends. */
export function stepsOn(ladder: Ladder, key: string, { can }: Pick<Optic, 'can'>): Steps {
  const span = can[key];
  if (!span) return { ladder, skipped: 0 };
  const least = span.low - SLACK * Math.abs(span.low);
  const most = span.high + SLACK * Math.abs(span.high);
  const inside = ladder.map(({ exact }) => exact >= least && exact <= most);
  const first = inside.indexOf(true);
  return first < 0
    ? { ladder: [], skipped: 0 }
    : { ladder: ladder.slice(first, inside.lastIndexOf(true) + 1), skipped: first };
}

export function controlWords(ladder: Ladder, { auto, exact }: Control): string {
  return auto ? 'automatic' : stepOf(ladder, exact).label;
}

export function settledOn(ladder: Ladder, { auto, exact }: Control): Control {
  return { auto, exact: stepOf(ladder, exact).exact };
}

export function byHand(exact: number): Control {
  return { auto: false, exact };
}
