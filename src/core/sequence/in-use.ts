// The drive that a press goes by, of all settings that stand; and settings in which another one is asked for.
import type { Optic } from '../body/body';
import type { Planned, AsShown } from './drive';
import { DRIVES, type DriveId, type DriveValues } from './drives';

/** The drive that a press goes by, with its value. */
export interface DriveInUse {
  readonly id: DriveId | 'single';
  /** Frames that a press takes, or at most where it goes on for as long as the release is held. */
  readonly frames: number;
  readonly whileHeld: boolean;
  /** How much more light each frame gets than the exposure that stands, thirds of a stop, rising; null where all get the same. */
  readonly lightThirds: readonly number[] | null;
  /** Exif's ExposureMode, where not that of a single frame. */
  readonly exposureMode?: number;
  readonly words: string;
  plan(seen: AsShown): Planned;
}

const SINGLE: DriveInUse = {
  ...{ id: 'single', frames: 1, whileHeld: false, lightThirds: null, words: 'one frame' },
  plan: (seen) => ({ kind: 'fits', shots: [{ ...seen, atS: 0 }] }),
};

/**
 * @param values settings, of which those of drives are looked at; of two that ask the later of the list is taken
 * @param optic which drives there are; all of them when absent
 */
export function driveOf(values: Partial<DriveValues>, optic?: Optic): DriveInUse {
  const of = values as Readonly<Record<string, unknown>>;
  const drive = DRIVES.findLast(
    ({ id, asks, setting }) =>
      of[id] !== undefined && asks(of[id]) && (!optic || (setting.on?.(optic) ?? true)),
  );
  if (!drive) return SINGLE;
  const { id, exposureMode, setting } = drive;
  const value = of[id];
  return {
    id,
    frames: drive.frames(value),
    whileHeld: drive.whileHeld?.(value) ?? false,
    lightThirds: drive.lightThirds?.(value) ?? null,
    ...(exposureMode !== undefined && { exposureMode }),
    words: setting.words(value),
    plan: (seen) => drive.plan(value, seen),
  };
}

/** Values with that drive alone: one that was not asked for begins, every other ends. */
export function withDrive<V extends DriveValues>(values: V, chosen: DriveId | 'single'): V {
  const of = values as Readonly<Record<string, unknown>>;
  const changed = DRIVES.map(({ id, asks, begun, ended }) => [
    id,
    id !== chosen ? ended(of[id]) : asks(of[id]) ? of[id] : begun(of[id]),
  ]);
  return { ...values, ...(Object.fromEntries(changed) as DriveValues) };
}

/** Values in which one drive asks at most: what was `asked` for last ends every other. */
export function withOneDrive<V extends DriveValues>(values: V, asked: Partial<DriveValues>): V {
  const of = values as Readonly<Record<string, unknown>>;
  const asking = DRIVES.filter(({ id, asks }) => asks(of[id]));
  if (asking.length < 2) return values;
  const newest = asking.findLast(({ id }) => id in asked) ?? asking[0]!;
  return withDrive(values, newest.id);
}

/** Values of all drives by which a press takes one frame. */
export function oneFrame(): DriveValues {
  return Object.fromEntries(DRIVES.map(({ id, setting }) => [id, setting.initial])) as DriveValues;
}
