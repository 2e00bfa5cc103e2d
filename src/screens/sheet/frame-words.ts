// A frame in a line: what it was exposed with.
import type { FrameRecord } from '../../core/frame/record';
import { known } from '../../core/units/known';
import { formatThirds, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../../core/units/ladders';

export function frameWords({ exposure }: Pick<FrameRecord, 'exposure'>): string {
  const { compensationEv } = exposure;
  const [shutterS, iso] = [known(exposure.shutterS), known(exposure.iso)];
  const parts = [
    shutterS === undefined ? null : stepOf(SHUTTER_LADDER, shutterS).label,
    iso === undefined ? null : `ISO ${stepOf(ISO_LADDER, iso).label}`,
    compensationEv === 0 ? null : formatThirds(compensationEv),
  ].filter((part) => part !== null);
  return parts.length > 0 ? parts.join(' · ') : 'exposure unknown';
}
