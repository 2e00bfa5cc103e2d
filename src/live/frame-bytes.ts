// How large the next frame will be in the store, by what is set and what the roll's last frames were.
import { frameBytes, type FrameBytes } from '../core/setting/file-bytes';
import type { FileChoice } from '../core/setting/files';
import type { FrameRecord } from '../core/frame/record';
import { known } from '../core/units/known';
import { knownFrames, useRoll } from '../library/roll';
import { bodyWith } from './camera';
import { useDesk } from './desk';

const NONE: readonly FrameRecord[] = [];

function of(optic: string, files: FileChoice, kept: readonly FrameRecord[]): FrameBytes {
  const { name, typicalFrameBytes: rawBytes, megapixels, evidence } = bodyWith(optic);
  const sensor = known(megapixels);
  if (evidence !== 'raw' || sensor === undefined) return { bytes: rawBytes, from: 0 };
  return frameBytes(files, { name, rawBytes, megapixels: sensor }, kept);
}

/** Of one frame as the desk stands. */
export function nextFrameBytes(): number {
  const { optic, settings } = useDesk.getState();
  return of(optic, settings.files, knownFrames()).bytes;
}

export function useFrameBytes(): FrameBytes {
  const optic = useDesk((d) => d.optic);
  const files = useDesk((d) => d.settings.files);
  return of(optic, files, useRoll().data?.frames ?? NONE);
}
