// White that stands far from the light, and two lights in one frame.
import type { WhitePoint } from '../colour/temperature';
import { whiteByHand } from '../setting/white';
import { nominalKelvin } from '../units/ladders';
import type { Remedy, RemedyAction, RemedyCheck, Situation } from './situation';

/** Whites farther apart than this are plainly different, mired (practice: 10 is just seen). */
const WHITE_MIRED = 40;
const miredOf = ({ kelvin }: WhitePoint) => 1e6 / kelvin;
const near = (a: WhitePoint, b: WhitePoint) => Math.abs(miredOf(a) - miredOf(b)) <= WHITE_MIRED;
const takeWhite = (light: WhitePoint): RemedyAction => ({
  label: `White ${nominalKelvin(light.kelvin)} K`,
  changes: [{ setting: 'white', value: whiteByHand(light) }],
});

/** White set by hand for another light than the one that is measured. */
function whiteFarOff({ white }: Situation): Remedy | null {
  if (!white?.byHand || !white.measured || white.mixed) return null;
  const { stands, measured } = white;
  if (near(stands, measured)) return null;
  const cooler = miredOf(measured) > miredOf(stands) ? 'warmer' : 'cooler';
  const says = `White is set for ${nominalKelvin(stands.kelvin)} K; the light is ${cooler}, ${nominalKelvin(measured.kelvin)} K`;
  const automatic = {
    label: 'White automatic',
    changes: [{ setting: 'white', value: { auto: true } }],
  } as const;
  return { kind: 'white', says, actions: [takeWhite(measured), automatic] };
}

/** Two lights, and white set for neither. */
function twoLights({ white }: Situation): Remedy | null {
  if (!white?.mixed) return null;
  const { warmer, cooler } = white.mixed;
  if (white.byHand && (near(white.stands, warmer) || near(white.stands, cooler))) return null;
  const [w, c] = [warmer, cooler].map(({ kelvin }) => nominalKelvin(kelvin));
  const says = `It looks lit by two lights, ${w} and ${c} K: white is right for one at most`;
  return { kind: 'lights', says, actions: [takeWhite(warmer), takeWhite(cooler)] };
}

export const WHITE_CHECKS: readonly RemedyCheck[] = [whiteFarOff, twoLights];
