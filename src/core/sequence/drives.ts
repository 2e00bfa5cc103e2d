// The list of all drives. A single frame is none of them: it is what a press takes while none is asked for.
import type { Drive } from './drive';
import { bracketDrive } from './drives/bracket';
import { burstDrive } from './drives/burst';

const LIST = [bracketDrive, burstDrive] as const;

type Listed = (typeof LIST)[number];
export type DriveId = Listed['id'];
/** The values of all drives, as the desk's settings hold them among others. */
export type DriveValues = {
  readonly [D in Listed as D['id']]: D extends Drive<string, infer T> ? T : never;
};

export const DRIVES = LIST as unknown as readonly Drive<DriveId, unknown>[];
export const DRIVE_IDS: readonly DriveId[] = LIST.map(({ id }) => id);

/** Their settings by key. */
export const DRIVE_SETTINGS = Object.fromEntries(LIST.map(({ id, setting }) => [id, setting])) as {
  readonly [D in Listed as D['id']]: D['setting'];
};
