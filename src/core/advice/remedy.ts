// What will go wrong with the picture as it is set, by how much, and what mends it. The worst comes first; the finder shows only that one, the list
// all of them.
import { EXPOSURE_CHECKS } from './remedy-exposure';
import { FOCUS_CHECKS, FRAMING_CHECKS } from './remedy-framing';
import { WHITE_CHECKS } from './remedy-white';
import type { Remedy, RemedyKind, Situation } from './situation';

const CHECKS = [
  ...EXPOSURE_CHECKS.worst,
  ...FOCUS_CHECKS,
  ...EXPOSURE_CHECKS.usual,
  ...WHITE_CHECKS,
  ...FRAMING_CHECKS,
];

/** All that is wrong, the worst first; kinds that the person has turned off are left out. */
export function remediesFor(situation: Situation, off: readonly RemedyKind[] = []): Remedy[] {
  return CHECKS.map((check) => check(situation)).filter(
    (r): r is Remedy => r !== null && !off.includes(r.kind),
  );
}
