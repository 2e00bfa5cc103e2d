import type { FrameRecord } from '../core/frame/record';

export function isRecord(value: unknown): value is FrameRecord;
