// The click that a tap is owed. After a quick drag an engine may take the next tap, wherever it lies, for what ends the drag's swing, and make no click of it
// (seen in Chromium: every other tap right after a drag). What is pressed by clicks gets it then; a click of the engine's own that comes after all is that of the
// same tap, and is dropped.

/** A tap is lifted within this time, ms, and this far from where it was put down, pixels; what rests longer is a hold, and no engine makes a click of it. */
const TAP_MS = 450;
const SLOP_PX = 10;
/** An engine's own click follows at once. */
const OWED_AFTER_MS = 80;

const PRESSED_BY_CLICK = '[role=button], [role=switch], [role=radio], [role=tab], [role=link], button, a';

interface Put {
  readonly on: HTMLElement;
  readonly x: number;
  readonly y: number;
  readonly at: number;
}

/** Listens until the function that it returns is called. */
export function owedClicks(): () => void {
  let put: Put | null = null;
  let owed: ReturnType<typeof setTimeout> | undefined;
  /** What was given its click since the last finger was put down. */
  let given: HTMLElement | null = null;
  let giving = false;

  const settled = () => clearTimeout(owed);
  const onDown = ({
    target,
    pointerType,
    isPrimary,
    clientX: x,
    clientY: y,
    timeStamp: at,
  }: PointerEvent) => {
    settled();
    given = null;
    const on = target instanceof Element ? target.closest<HTMLElement>(PRESSED_BY_CLICK) : null;
    put = pointerType === 'touch' && isPrimary && on ? { on, x, y, at } : null;
  };
  const onUp = ({ target, clientX: x, clientY: y, timeStamp: at }: PointerEvent) => {
    const from = put;
    put = null;
    if (!from || at - from.at > TAP_MS || Math.hypot(x - from.x, y - from.y) > SLOP_PX) return;
    if (!(target instanceof Node) || !from.on.contains(target)) return;
    owed = setTimeout(() => {
      if (!from.on.isConnected) return;
      given = from.on;
      giving = true;
      from.on.click();
      giving = false;
    }, OWED_AFTER_MS);
  };
  const onCancel = () => (put = null);
  // Whoever answers the touch itself wants no click.
  const onTouchEnd = (e: TouchEvent) => {
    if (e.defaultPrevented) settled();
  };
  const onClick = (e: MouseEvent) => {
    settled();
    if (giving || !given || !(e.target instanceof Node) || !given.contains(e.target)) return;
    given = null;
    e.stopImmediatePropagation();
    e.preventDefault();
  };
  window.addEventListener('pointerdown', onDown, true);
  window.addEventListener('pointerup', onUp, true);
  window.addEventListener('pointercancel', onCancel, true);
  window.addEventListener('touchend', onTouchEnd);
  window.addEventListener('click', onClick, true);
  return () => {
    settled();
    window.removeEventListener('pointerdown', onDown, true);
    window.removeEventListener('pointerup', onUp, true);
    window.removeEventListener('pointercancel', onCancel, true);
    window.removeEventListener('touchend', onTouchEnd);
    window.removeEventListener('click', onClick, true);
  };
}
