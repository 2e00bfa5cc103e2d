// What will go wrong with the present exposure, by how much, and one action that mends it. The worst comes first; the
// finder shows only that one.
import type { ExposureControls } from '../exposure/automatic';
import { carrierOf } from '../exposure/automatic';
import { COMPENSATION_LADDER, formatThirds, nearestStep, SHUTTER_LADDER, at } from '../units/ladders';
import { MEANINGFUL_SHARE } from '../raw/statistics';

export interface RemedyAction {
  readonly label: string;
  readonly fader: 'shutter' | 'compensation' | 'iso';
  readonly index: number | 'auto';
}

export interface Remedy {
  readonly says: string;
  readonly action: RemedyAction | null;
}

export interface Outlook {
  readonly controls: ExposureControls;
  readonly shutterS: number;
  readonly outOfRangeEv: number | null;
  readonly headroomEv: number;
  readonly clippedOfFrame: number;
  readonly largestClippedShare: number;
  readonly deviationEv: number;
}

export function firstRemedy(outlook: Outlook): Remedy | null {
  return outOfRange(outlook) ?? clipping(outlook) ?? offTheMeter(outlook);
}

function outOfRange({ outOfRangeEv, controls }: Outlook): Remedy | null {
  if (outOfRangeEv === null) return null;
  const bright = outOfRangeEv > 0;
  const says = `Out of range: too ${bright ? 'bright' : 'dark'} by ${Math.abs(outOfRangeEv).toFixed(1)} EV`;
  const held = !controls.shutter.auto ? 'shutter' : !controls.iso.auto ? 'iso' : null;
  return {
    says,
    action: held && { label: `${held === 'iso' ? 'ISO' : 'Shutter'} automatic`, fader: held, index: 'auto' },
  };
}

/** Highlights past clip: shorten, or compensate, by whole thirds until no more than 0.1 % burns. */
function clipping({
  controls,
  headroomEv,
  clippedOfFrame,
  largestClippedShare,
  shutterS,
}: Outlook): Remedy | null {
  if (largestClippedShare <= MEANINGFUL_SHARE || headroomEv >= 0) return null;
  const says = `Raw clips ${(100 * clippedOfFrame).toFixed(clippedOfFrame < 0.1 ? 1 : 0)} %, over by ${(-headroomEv).toFixed(1)} EV`;
  const thirds = Math.floor(headroomEv * 3);
  if (carrierOf(controls) === 'shutter') {
    const index = nearestStep(SHUTTER_LADDER, shutterS) + thirds;
    if (index < 0) return { says, action: null };
    return {
      says,
      action: { label: `Shorten to ${at(SHUTTER_LADDER, index).label}`, fader: 'shutter', index },
    };
  }
  const wanted = controls.compensationEv + thirds / 3;
  if (wanted < -5) return { says, action: null };
  return {
    says,
    action: {
      label: `Compensate ${formatThirds(wanted)}`,
      fader: 'compensation',
      index: nearestStep(COMPENSATION_LADDER, wanted),
    },
  };
}

/** Everything manual and a stop or more from the meter. */
function offTheMeter({ controls, deviationEv, shutterS }: Outlook): Remedy | null {
  if (controls.shutter.auto || controls.iso.auto || Math.abs(deviationEv) < 1) return null;
  const index = nearestStep(SHUTTER_LADDER, shutterS) - Math.round(deviationEv * 3);
  const reachable = index >= 0 && index < SHUTTER_LADDER.length;
  return {
    says: `${Math.abs(deviationEv).toFixed(1)} EV ${deviationEv > 0 ? 'over' : 'under'} the meter`,
    action: reachable
      ? { label: `Shutter ${at(SHUTTER_LADDER, index).label}`, fader: 'shutter', index }
      : null,
  };
}
