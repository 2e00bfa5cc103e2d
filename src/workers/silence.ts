// The workers of this page that do not answer just now, for whoever tells of them. They may be at work still, or never come back.

export interface Silent {
  /** What it is, to begin a sentence with: "The roll". */
  readonly what: string;
  /** Ends it, and has whoever asked it something ask another. */
  readonly startAgain: () => void;
}

let silent: readonly Silent[] = [];
const listeners = new Set<() => void>();

function become(next: readonly Silent[]): void {
  silent = next;
  listeners.forEach((listener) => listener());
}

/** Tells of one. Returns a function that takes it back. */
export function tellSilent(one: Silent): () => void {
  become([...silent, one]);
  return () => become(silent.filter((other) => other !== one));
}

/** Those that are told of; the same list until another takes its place. */
export const silentNow = (): readonly Silent[] => silent;

/** Calls back at every change. Returns a function that ends it. */
export function onSilence(listener: () => void): () => void {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}
