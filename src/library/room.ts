// How many more frames fit. A browser tells of a quota that it does not always grant: where it once refused, there is the end.

/** Thumbnail and record, bytes as stored. */
const BESIDE_BYTES = 60_000;
/** Quota that is left alone, so that records and marks can still be written. */
const RESERVE_BYTES = 2_000_000;

/** Bytes in use when the store first refused a frame; null while it has not. */
let refusedAt: number | null = null;

type Estimate = { readonly usage: number; readonly quota: number };

async function estimate(): Promise<Estimate | undefined> {
  const found = await navigator.storage?.estimate?.().catch(() => undefined);
  if (found?.quota === undefined || found.usage === undefined) return undefined;
  return { usage: found.usage, quota: found.quota };
}

/** Whole frames that fit. @param refused bytes that were in use when the store refused one, or null */
export function framesThatFit(
  { usage, quota }: Estimate,
  typicalFrameBytes: number,
  refused: number | null,
): number {
  const frame = typicalFrameBytes + BESIDE_BYTES;
  // What was refused was one frame too many.
  const granted =
    refused === null ? quota - RESERVE_BYTES : Math.min(quota - RESERVE_BYTES, refused + frame - 1);
  return Math.max(0, Math.floor((granted - usage) / frame));
}

/** How many more frames fit, or null when the browser does not tell. */
export async function framesLeft(typicalFrameBytes: number): Promise<number | null> {
  const found = await estimate();
  if (found) return framesThatFit(found, typicalFrameBytes, refusedAt);
  return refusedAt === null ? null : 0;
}

/** The store has refused a frame: until something is removed there is room for none. */
export async function noteRefusal(): Promise<void> {
  refusedAt = (await estimate())?.usage ?? 0;
}

/** Something was removed: a browser that tells nothing is asked again. */
export async function noteFreed(): Promise<void> {
  if (!(await estimate())) refusedAt = null;
}
