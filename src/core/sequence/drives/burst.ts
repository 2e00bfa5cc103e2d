// A burst: one press takes several frames of the same exposure. Its setting, its words, and what a press makes of it.
import * as Type from '@sinclair/typebox';
import type { Setting } from '../../define/setting';
import { isBurst, MOST_BURST, MOST_PER_S, type Burst } from '../burst';
import type { Drive } from '../drive';
import { timed } from '../moments';

export const NO_BURST: Burst = { frames: 1, perS: 10, held: false };

/** "10 at 10 a second", "while held, 10 a second". */
export function burstWords(burst: Burst): string {
  if (!isBurst(burst)) return 'one frame';
  return burst.held ? `while held, ${burst.perS} a second` : `${burst.frames} at ${burst.perS} a second`;
}

/** `5@10`: frames at so many a second. @throws RangeError that says what is allowed */
export function parseBurst(text: string): Burst {
  const [, frames, perS] = (/^(\d+)@(\d+)$/.exec(text.trim()) ?? []).map(Number);
  if (!(frames! >= 2 && frames! <= MOST_BURST && perS! >= 1 && perS! <= MOST_PER_S))
    throw new RangeError(
      `--burst is frames@a second, 2 to ${MOST_BURST} frames at 1 to ${MOST_PER_S}, such as 5@10, not ${text || 'nothing'}`,
    );
  return { frames: frames!, perS: perS!, held: false };
}

const burst: Setting<Burst> = {
  name: 'Burst',
  schema: Type.Object(
    {
      frames: Type.Integer({ minimum: 1, maximum: MOST_BURST }),
      perS: Type.Integer({ minimum: 1, maximum: MOST_PER_S }),
      held: Type.Boolean(),
    },
    { additionalProperties: false },
  ),
  initial: NO_BURST,
  words: burstWords,
  badge: (value) =>
    isBurst(value) ? (value.held ? `burst ${value.perS}/s` : `${value.frames} @ ${value.perS}/s`) : null,
  inSetups: true,
  on: ({ can }) => can.burst !== undefined,
  options: [{ flag: 'burst', placeholder: 'N@RATE', parse: (text) => parseBurst(text) }],
};

/** Frames that a new one has. */
const USUAL_FRAMES = 10;

export const burstDrive: Drive<'burst', Burst> = {
  id: 'burst',
  setting: burst,
  choice: 'A burst',
  asks: isBurst,
  begun: (value) => ({ ...value, frames: USUAL_FRAMES, held: false }),
  ended: (value) => ({ ...value, frames: 1, held: false }),
  frames: ({ frames, held }) => (held ? MOST_BURST : frames),
  whileHeld: ({ held }) => held,
  plan: (value, seen) => ({
    kind: 'fits',
    shots: timed(
      Array.from({ length: burstDrive.frames(value) }, () => seen),
      value,
    ),
  }),
};
