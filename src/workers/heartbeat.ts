// Whether a worker answers: while it is at something it is asked for a sign of life again and again. One that loops for ever gives none.

/** How often one that is at something is asked, and looked after, ms. */
const BEAT_MS = 250;
/** How long most may be silent, ms: with the beats around it that is told of within three seconds. */
export const SILENCE_MS = 2500;

export interface Heart {
  /** Looks after the worker from now on, for as long as it is at something. */
  attend(): void;
  /** Ends it; whatever was told is taken back. */
  stop(): void;
}

export interface Beats {
  /** A sign that stays out for longer than this is told of, ms. */
  readonly silenceMs: number;
  /** Whether the worker is at something that the page waits for. */
  readonly due: () => boolean;
  /** Asks for a sign of life. */
  readonly beat: () => Promise<unknown>;
  readonly onSilent: () => void;
  /** It has answered after all. */
  readonly onAnswer: () => void;
}

/** No timer runs while nothing is due. */
export function heartbeat({ silenceMs, due, beat, onSilent, onAnswer }: Beats): Heart {
  let timer: ReturnType<typeof setInterval> | undefined;
  /** When the sign was asked for that has not come yet. */
  let asked: number | null = null;
  let silent = false;
  let last = 0;

  function answered(): void {
    asked = null;
    if (silent) onAnswer();
    silent = false;
  }

  function look(): void {
    const now = performance.now();
    // A page that was held up itself, or lies behind another, has not heard yet what was answered meanwhile.
    const heldUp = now - last > 4 * BEAT_MS;
    last = now;
    if (asked === null) {
      if (!due()) return end();
      asked = now;
      beat().then(answered, () => undefined);
    } else if (heldUp) asked = now;
    else if (!silent && now - asked >= silenceMs) {
      silent = true;
      onSilent();
    }
  }

  function end(): void {
    clearInterval(timer);
    timer = undefined;
  }

  return {
    attend: () => {
      if (timer !== undefined) return;
      last = performance.now();
      timer = setInterval(look, BEAT_MS);
    },
    stop: () => {
      end();
      answered();
    },
  };
}
