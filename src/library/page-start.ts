// What the page opens with comes first: work that can wait for it, such as looking through what was stored, begins after it.

/** It is waited for no longer, ms: a camera may not come. */
const PATIENCE_MS = 3000;

let stand: () => void = () => undefined;
let began: Promise<void> | undefined;

function begun(): Promise<void> {
  began ??= new Promise((resolve) => {
    stand = resolve;
    setTimeout(resolve, PATIENCE_MS);
  });
  return began;
}

/** Told once what the page opens with is there. */
export function pageStands(): void {
  void begun();
  stand();
}

/** Resolves once what the page opens with is there, or is waited for too long. */
export function afterOpening(): Promise<void> {
  return begun();
}
