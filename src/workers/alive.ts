// A worker's side of being watched: it answers when it is called, gives a sign of life between two pieces of work, holds a lock for as long as it lives,
// and lets no error be lost.

/** Name of the lock that a worker holds while it lives. */
export function aliveLock(name: string): string {
  return `velmo-alive-${name}`;
}

export interface Watched {
  /** Resolves once the worker is there and holds its lock. @param name unique to the worker */
  here(name: string): Promise<void>;
  /** A sign of life: answered as soon as the worker is not in the midst of something. */
  beat(): Promise<void>;
}

/** Only for workers. A rejection that nobody handles becomes an error, which the page hears of. */
export function watched(): Watched {
  addEventListener('unhandledrejection', ({ reason }) => {
    setTimeout(() => {
      throw reason instanceof Error ? reason : new Error(String(reason));
    });
  });
  return {
    beat: () => Promise.resolve(),
    here: (name) => {
      const { locks } = navigator as { locks?: LockManager };
      if (!locks) return Promise.resolve();
      return new Promise((resolve) => {
        // Held until the worker is gone.
        void locks.request(aliveLock(name), () => {
          resolve();
          return new Promise<void>(() => undefined);
        });
      });
    },
  };
}
