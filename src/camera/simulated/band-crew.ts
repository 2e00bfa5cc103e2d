// How a capture is shared out: the exposer and the mates beside it each take the next stretch of rows until none is left. What comes out is the
// same, bit for bit, whoever does what, and however many they are.
import type { CaptureOrder, CaptureStage, Stretch } from '../../core/scene/capture';
import { exposedStretch, frameOf, stageOn } from '../../core/scene/capture';
import { sharedPlates } from '../../core/scene/light-rows';
import type { Steadiness } from '../../core/scene/shake';
import type { RawFrame } from '../../core/sensor/raw-frame';

/** Whoever exposes stretches beside the exposer. */
export interface Mate {
  /** @throws whatever keeps it from it; it is asked for nothing more then */
  expose(
    stage: CaptureStage,
    order: CaptureOrder,
    steadiness: Steadiness,
    stretch: Stretch,
    data: Uint16Array,
  ): Promise<void>;
}

/** What no site of a simulated sensor holds: rows that have it were not exposed. */
const UNEXPOSED = 0xffff;

/** Stretches for each who exposes: more than one, so that nobody waits long for a slower one. */
const EACH = 2;
/** Each begins at a row of whole bands. */
const ROWS = 64;

/** @param mates how many there are, the exposer among them */
export function stretchesOf(height: number, mates: number): Stretch[] {
  const rows = Math.max(ROWS, ROWS * Math.ceil(height / (EACH * mates * ROWS)));
  return Array.from({ length: Math.ceil(height / rows) }, (_, i) => ({
    from: i * rows,
    to: Math.min(height, (i + 1) * rows),
  }));
}

/** The same stage, on memory that mates can share. */
export function sharedStage({ plates, rows: { longSide } }: CaptureStage): CaptureStage {
  return stageOn(sharedPlates(plates), longSide, true);
}

/**
 * Exposes a frame by all mates. One that fails, or answers without having written its rows, leaves its stretch to the others.
 * @param mates by their names; those that fail are taken out
 * @param pause waited for after each band that is exposed here
 * @param onShare throws to end it
 * @throws Error where rows were exposed by nobody
 */
export async function exposedByAll(
  mates: Map<string, Mate>,
  stage: CaptureStage,
  order: CaptureOrder,
  steadiness: Steadiness,
  onShare: (share: number) => void,
  pause: () => Promise<void>,
): Promise<RawFrame> {
  const { width, height } = stage.rows;
  const data = new Uint16Array(new SharedArrayBuffer(2 * width * height)).fill(UNEXPOSED);
  const queue = stretchesOf(height, 1 + mates.size);
  let done = 0;
  const tell = (rows: number) => onShare((done += rows) / height);
  const here = async () => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      let before = 0;
      for (const rows of exposedStretch(stage, order, steadiness, next, data)) {
        tell(rows - before);
        before = rows;
        await pause();
      }
    }
  };
  const beside = async ([name, mate]: [string, Mate]) => {
    for (let next = queue.shift(); next; next = queue.shift()) {
      try {
        await mate.expose(stage, order, steadiness, next, data);
        // Where memory is not really shared it has written into its own.
        if (!isExposed(data, width, next)) throw new Error(`${name} has left rows as they were`);
      } catch {
        // Another may have come in its place.
        if (mates.get(name) === mate) mates.delete(name);
        queue.push(next);
        return;
      }
      tell(next.to - next.from);
    }
  };
  try {
    await Promise.all([here(), ...[...mates].map(beside)]);
    // What a mate left behind.
    await here();
    if (!isExposed(data, width, { from: 0, to: height }))
      throw new Error('Rows of this frame were not exposed');
  } finally {
    queue.length = 0;
  }
  return frameOf(stage, order, data);
}

/** True when every site of the rows holds a number that a sensor gives. @param data of the whole frame, `width` to a row */
function isExposed(data: Uint16Array, width: number, { from, to }: Stretch): boolean {
  return !data.subarray(from * width, to * width).includes(UNEXPOSED);
}
