import type { LatentFrame } from '../core/frame/latent';
import type { FrameRecord } from '../core/frame/record';

export function isRecord(value: unknown): value is FrameRecord;
export function isLatent(value: unknown): value is LatentFrame;
