// Moves the exposure that stands, which is the middle of a bracket, to where a set asks for it.
import { carrierOf } from '../core/exposure/automatic';
import type { ExposureSettings } from '../core/exposure/settings';
import { COMPENSATION_LADDER, ISO_LADDER, nearestStep, SHUTTER_LADDER } from '../core/units/ladders';
import { hasIris } from '../core/body/body';
import { opticWith } from './camera';
import { useDesk } from './desk';

/**
 * Through what carries exposure; farther than compensation reaches the time is set by hand, and ISO held where it stands.
 * @param stands what the finder shows
 */
export function moveMiddle(stands: ExposureSettings, thirds: number): void {
  const { settings, optic, nudge, set } = useDesk.getState();
  const by = carrierOf(settings, hasIris(opticWith(optic)));
  const last = COMPENSATION_LADDER[COMPENSATION_LADDER.length - 1]!.exact;
  if (by === 'shutter' || Math.abs(settings.compensationEv + thirds / 3) <= last) {
    nudge(thirds);
    return;
  }
  set('iso', nearestStep(ISO_LADDER, stands.iso));
  set('shutter', nearestStep(SHUTTER_LADDER, stands.shutterS * 2 ** (thirds / 3)));
}
