// What the automatic may do: order and bounds.
import { DEFAULT_RULES } from '../exposure/automatic';
import { RULES, type AutomaticRules } from '../exposure/control';
import type { SettingId } from '../exposure/settings';
import {
  APERTURE_LADDER,
  formatThirds,
  ISO_LADDER,
  SHUTTER_LADDER,
  stepOf,
  type Ladder,
} from '../units/ladders';
import type { Setting } from '../define/setting';

const NAMES: Readonly<Record<SettingId, string>> = { shutter: 'shutter', iso: 'ISO', aperture: 'aperture' };

function apertureWords([narrowest, widest]: AutomaticRules['aperture']): string {
  const from = stepOf(APERTURE_LADDER, narrowest).label;
  return widest <= DEFAULT_RULES.aperture[1]
    ? `${from} and wider`
    : `${from}–${stepOf(APERTURE_LADDER, widest).label}`;
}

/** @param iris false for a lens whose aperture cannot be set */
export function rulesWords(rules: AutomaticRules, iris = true): string {
  const { steadyThirds, isoCeiling, shutter, iso, aperture } = rules;
  const order = rules.order.filter((id) => id !== 'aperture' || iris);
  const steady = steadyThirds === 0 ? '' : `, hand ${formatThirds(steadyThirds / 3)}`;
  const range = (ladder: Ladder, [a, b]: readonly [number, number]) =>
    `${stepOf(ladder, a).label}–${stepOf(ladder, b).label}`;
  return [
    order.map((id) => NAMES[id]).join(' → '),
    `ISO ceiling ${stepOf(ISO_LADDER, isoCeiling).label}${steady}`,
    range(SHUTTER_LADDER, shutter),
    `ISO ${range(ISO_LADDER, iso)}`,
    ...(iris ? [apertureWords(aperture)] : []),
  ].join(', ');
}

export const rules: Setting<AutomaticRules> = {
  name: 'Automatic rules',
  schema: RULES,
  initial: DEFAULT_RULES,
  words: (value) => rulesWords(value),
  inSetups: true,
  troubleOf: (value) => {
    for (const field of ['shutter', 'iso'] as const) {
      const [low, high] = value[field];
      if (low > high) return { field, why: `has its bounds the wrong way round: ${low} … ${high}` };
    }
    const [narrowest, widest] = value.aperture;
    return narrowest < widest
      ? { field: 'aperture', why: `names f/${narrowest} the narrowest and f/${widest} the widest` }
      : null;
  },
};
