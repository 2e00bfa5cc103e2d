// Pointer drags on one element: start, move, end, tap, double tap, long press. The pointer is captured, so that a thumb may leave
// the element; a second finger is ignored.
import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';

export interface DragHandlers {
  readonly onStart?: () => void;
  /** Pixels from where the drag began. */
  readonly onMove?: (dx: number, dy: number) => void;
  readonly onEnd?: () => void;
  /** Place in the element, shares of its width and height. */
  readonly onTap?: (x: number, y: number) => void;
  readonly onDoubleTap?: () => void;
  /** Held still for half a second: place in the element; what follows is no tap. */
  readonly onLongPress?: (x: number, y: number) => void;
  readonly onKey?: (key: string) => boolean;
}

/** Movement below this is a tap. */
const SLOP_PX = 5;
const DOUBLE_TAP_MS = 320;
const LONG_PRESS_MS = 500;

export function useDrag(ref: RefObject<View | null>, handlers: DragHandlers): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    if (!element) return;
    element.style.touchAction = 'none';
    element.style.userSelect = 'none';
    let active: { id: number; x: number; y: number; moved: boolean } | undefined;
    let lastTap = -Infinity;
    let holding: ReturnType<typeof setTimeout> | undefined;
    const shareOf = (x: number, y: number): [number, number] => {
      const box = element.getBoundingClientRect();
      return [(x - box.left) / box.width, (y - box.top) / box.height];
    };
    const down = (e: PointerEvent) => {
      if (active || e.button !== 0) return;
      active = { id: e.pointerId, x: e.clientX, y: e.clientY, moved: false };
      element.setPointerCapture(e.pointerId);
      if (!latest.current.onLongPress) return;
      const held = active;
      holding = setTimeout(() => {
        if (active !== held || held.moved) return;
        active = undefined;
        latest.current.onLongPress?.(...shareOf(held.x, held.y));
      }, LONG_PRESS_MS);
    };
    const move = (e: PointerEvent) => {
      if (!active || e.pointerId !== active.id) return;
      const [dx, dy] = [e.clientX - active.x, e.clientY - active.y];
      if (!active.moved) {
        if (Math.hypot(dx, dy) < SLOP_PX) return;
        active.moved = true;
        clearTimeout(holding);
        latest.current.onStart?.();
      }
      latest.current.onMove?.(dx, dy);
    };
    const up = (e: PointerEvent) => {
      if (!active || e.pointerId !== active.id) return;
      // A busy page may get the last stretch of a drag with its end only.
      if (e.type === 'pointerup') move(e);
      clearTimeout(holding);
      const { moved } = active;
      active = undefined;
      if (moved) return latest.current.onEnd?.();
      if (e.type === 'pointercancel') return;
      if (e.timeStamp - lastTap < DOUBLE_TAP_MS && latest.current.onDoubleTap) {
        lastTap = -Infinity;
        return latest.current.onDoubleTap();
      }
      lastTap = e.timeStamp;
      latest.current.onTap?.(...shareOf(e.clientX, e.clientY));
    };
    // What a tap opens must not get the click that the browser makes of the same tap.
    const noClick = (e: TouchEvent) => {
      if (latest.current.onTap && e.cancelable) e.preventDefault();
    };
    const key = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      if (latest.current.onKey?.(e.key)) {
        e.preventDefault();
        e.stopPropagation();
      }
    };
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', up);
    element.addEventListener('touchend', noClick);
    element.addEventListener('keydown', key);
    return () => {
      clearTimeout(holding);
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', up);
      element.removeEventListener('touchend', noClick);
      element.removeEventListener('keydown', key);
    };
  }, [ref]);
}
