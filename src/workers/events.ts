// From callbacks to an asynchronous sequence: what is pushed comes out in order; of what may be replaced only the newest waits.

export interface EventSource<T> {
  push(event: T): void;
  /** Ends the sequence after what waits; with an error it throws that. */
  end(error?: unknown): void;
  read(): AsyncGenerator<T, void, void>;
}

/** @param replaces true when the second of two events that wait makes the first needless */
export function eventSource<T>(replaces: (first: T, second: T) => boolean = () => false): EventSource<T> {
  const waiting: T[] = [];
  let wake: () => void = () => undefined;
  let over: { error?: unknown } | undefined;
  return {
    push: (event) => {
      if (over) return;
      const last = waiting.length - 1;
      if (last >= 0 && replaces(waiting[last]!, event)) waiting[last] = event;
      else waiting.push(event);
      wake();
    },
    end: (error) => {
      over ??= error === undefined ? {} : { error };
      wake();
    },
    read: async function* () {
      for (;;) {
        if (waiting.length > 0) yield waiting.shift()!;
        else if (over) break;
        else await new Promise<void>((resolve) => (wake = resolve));
      }
      if (over.error !== undefined) throw over.error;
    },
  };
}
