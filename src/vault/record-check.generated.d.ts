import type { LatentExposure } from '../core/frame/expose-recipe';
import type { ArchiveIndex } from '../core/frame/archive';
import type { FrameRecord } from '../core/frame/record';
import type { Roll } from '../core/frame/roll';

export function isRecord(value: unknown): value is FrameRecord;
export function isLatent(value: unknown): value is LatentExposure;
export function isRoll(value: unknown): value is Roll;
export function isArchive(value: unknown): value is ArchiveIndex;
