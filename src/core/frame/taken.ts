// How a frame of ours was taken, for taking another like it: as it came out, or as it was set.
import type { SetupValues } from '../setup/setup';
import { setupParts } from '../setup/setup';
import { asTaken, type Taken } from '../setup/as-taken';
import { isUnknown, known } from '../units/known';
import type { FrameRecord } from './record';

export function takenOf({ exposure, focusM, kelvin, tint }: FrameRecord): Taken {
  const { shutterS, iso, apertureN, compensationEv } = exposure;
  const [s, i, n, k] = [shutterS, iso, apertureN, kelvin].map((value) => known(value));
  return {
    compensationEv,
    ...(s !== undefined && { shutterS: s }),
    ...(i !== undefined && { iso: i }),
    ...(n !== undefined && { apertureN: n }),
    ...(!isUnknown(focusM) && { focusM: focusM ?? Infinity }),
    ...(k !== undefined && { white: { kelvin: k, tint: tint ?? 0 } }),
  };
}

/** Every value by hand as it came out, and what else was set as it was. */
export function asItCameOut(record: FrameRecord): Partial<SetupValues> {
  return { ...asItWasSet(record), ...asTaken(takenOf(record)) };
}

/** What the person had set, automatic where it was automatic: in other light it comes out otherwise. */
export function asItWasSet({ set }: FrameRecord): Partial<SetupValues> {
  const parts: readonly string[] = setupParts();
  return Object.fromEntries(Object.entries(set).filter(([key]) => parts.includes(key)));
}
