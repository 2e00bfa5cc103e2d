// The page's side of a worker: started when first needed, watched while it lives. One that breaks or is gone rejects whatever it was asked, and the
// next call starts another. One that does not come in time rejects what it is asked and is waited for all the same, until it is asked again: then
// another is started in its place, which has twice as long. One that does not answer any more is told of, and ended when the person wants that.
import * as Comlink from 'comlink';
import { aliveLock, type Watched } from './alive';
import { heartbeat, SILENCE_MS } from './heartbeat';
import { tellSilent } from './silence';

/** Whoever asks a worker that has not come is told after this time: a phone that opens a page starts many at once. */
export const PATIENCE_MS = 5000;
/** Longer than this no one is waited for, ms. */
const MOST_PATIENCE_MS = 60_000;

export class WorkerGone extends Error {}
/** It has not come in time, and may come yet. */
export class WorkerLate extends WorkerGone {
  /** @param comes resolves if it comes after all */
  constructor(
    message: string,
    readonly comes: Promise<unknown> = new Promise(() => undefined),
  ) {
    super(message);
  }
}
/** It did not answer, and the person wants another in its place. */
export class WorkerReplaced extends WorkerGone {}

export interface Hired<Api> {
  /**
   * Asks the worker something; in place of one that was late and has still not come another is started.
   * @throws WorkerLate when it does not come in time, WorkerGone when it breaks, and whatever the call throws
   */
  call<P extends Promise<unknown>>(ask: (api: Comlink.Remote<Api>) => P): Promise<Awaited<P>>;
  /** Resolves when the worker is there, or the one in its place, however long that takes. @throws WorkerGone when it breaks meanwhile */
  ready(): Promise<void>;
  /** Looks after a worker that is there from now on, for as long as it is at something; whatever it is asked begins that too. */
  attend(): void;
  /** Ends the worker and what it was asked; the next call starts another. */
  dismiss(why: string): void;
}

export interface Hiring {
  /** What it is, to begin a sentence with: "The roll". */
  readonly what: string;
  readonly start: () => Worker;
  /** Whether it is at something though it has nothing to answer. */
  readonly working?: () => boolean;
  /** How long it may be silent, ms, where its work comes in longer pieces than others'. */
  readonly silenceMs?: number;
  /** True for one that the program can do without: it is ended as soon as it does not answer, where others are told of. */
  readonly dispensable?: boolean;
  /** Told when a worker breaks, or is gone; with WorkerReplaced when the person wants another. */
  readonly onFault?: (error: WorkerGone) => void;
}

interface Running<Api> {
  readonly api: Comlink.Remote<Api & Watched>;
  /** Resolves when the worker is there. */
  readonly here: Promise<void>;
  /** Rejects when it is of no more use. */
  readonly gone: Promise<never>;
  /** True while it has not come, though somebody has waited for it as long as anybody does. */
  late: boolean;
  /** Calls that wait for their answers. */
  asked: number;
  attend(): void;
  end(error: WorkerGone): void;
}

let count = 0;

export function hire<Api>({
  what,
  start,
  working = () => false,
  silenceMs = SILENCE_MS,
  dispensable = false,
  onFault = () => undefined,
}: Hiring): Hired<Api> {
  let running: Running<Api> | undefined;
  let patienceMs = PATIENCE_MS;

  function begin(): Running<Api> {
    const worker = start();
    const api = Comlink.wrap<Api & Watched>(worker) as Comlink.Remote<Api & Watched>;
    const name = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2)}-${count++}`;
    const watch = new AbortController();
    let fail: (error: WorkerGone) => void = () => undefined;
    const gone = new Promise<never>((_, reject) => (fail = reject));
    gone.catch(() => undefined); // told to whoever has asked something
    const here = (api as unknown as Comlink.Remote<Watched>).here(name);
    const one: Running<Api> = {
      api,
      here,
      gone,
      late: false,
      asked: 0,
      attend: () => heart.attend(),
      end: (error) => {
        watch.abort();
        heart.stop();
        worker.terminate();
        if (running === one) running = undefined;
        fail(error);
      },
    };
    const over = (error: WorkerGone) => {
      one.end(error);
      onFault(error);
    };
    const broken = (message: string) => over(new WorkerGone(message));
    const startAgain = () => over(new WorkerReplaced(`${what} was started again`));
    let answers: () => void = () => undefined;
    const heart = heartbeat({
      silenceMs,
      due: () => one.asked > 0 || working(),
      beat: () => (api as unknown as Comlink.Remote<Watched>).beat(),
      onSilent: () => {
        if (dispensable) broken(`${what} does not answer`);
        else answers = tellSilent({ what, startAgain });
      },
      onAnswer: () => answers(),
    });
    worker.addEventListener('error', (e) => {
      e.preventDefault();
      broken(e.message ? `${what} broke: ${plain(e.message)}` : `${what} could not be loaded`);
    });
    const { locks } = navigator as { locks?: LockManager };
    here
      .then(() => {
        one.late = false;
        // The worker holds this lock: whoever gets it knows that the worker is gone.
        return locks?.request(aliveLock(name), { signal: watch.signal }, () => broken(`${what} is gone`));
      })
      .catch(() => undefined);
    return one;
  }

  return {
    call: async <P extends Promise<unknown>>(ask: (api: Comlink.Remote<Api>) => P): Promise<Awaited<P>> => {
      if (running?.late) {
        running.end(new WorkerGone(`${what} did not come`));
        patienceMs = Math.min(MOST_PATIENCE_MS, 2 * patienceMs);
      }
      const one = (running ??= begin());
      await inTime(Promise.race([one.here, one.gone]), patienceMs, () => {
        one.late = true;
        return new WorkerLate(`${what} does not come`, one.here);
      });
      one.asked++;
      one.attend();
      try {
        return await Promise.race<Awaited<P>>([
          ask(one.api as unknown as Comlink.Remote<Api>) as unknown as Promise<Awaited<P>>,
          one.gone,
        ]);
      } finally {
        one.asked--;
      }
    },
    attend: () => {
      if (running && !running.late) running.attend();
    },
    ready: async () => {
      for (;;) {
        const one = (running ??= begin());
        try {
          return await Promise.race([one.here, one.gone]);
        } catch (error) {
          // Another was started in its place.
          if (!one.late) throw error;
        }
      }
    },
    dismiss: (why) => running?.end(new WorkerGone(why)),
  };
}

function inTime<T>(wait: Promise<T>, ms: number, late: () => Error): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLate = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), ms);
  });
  return Promise.race([wait, tooLate]).finally(() => clearTimeout(timer));
}

/** Browsers put "Uncaught Error: " before a worker's message. */
function plain(message: string): string {
  return message.replace(/^Uncaught (?:\w*Error: )?/, '').replace(/\.$/, '');
}
