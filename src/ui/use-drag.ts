// Pointer drags on one element: start, move, end, tap, double tap, long press, and zooming by two fingers or the wheel. The pointer
// is captured, so that a thumb may leave the element; a second finger ends a drag, and zooms where that means something.
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
  /** Two fingers or the wheel: how many times wider since the last call, and about which share of the element's width. */
  readonly onZoom?: (times: number, about: number) => void;
  readonly onKey?: (key: string) => boolean;
}

/** Movement below this is a tap. */
const SLOP_PX = 5;
const DOUBLE_TAP_MS = 320;
const LONG_PRESS_MS = 500;
/** Wheel travel, pixels, that doubles. */
const WHEEL_DOUBLES_PX = 300;

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
    const fingers = new Map<number, { x: number; y: number }>();
    let apart = 0;
    const spread = () => {
      const [a, b] = [...fingers.values()];
      return a && b ? Math.max(1, Math.hypot(a.x - b.x, a.y - b.y)) : 0;
    };
    const down = (e: PointerEvent) => {
      if (latest.current.onZoom && e.pointerType === 'touch') {
        fingers.set(e.pointerId, { x: e.clientX, y: e.clientY });
        if (fingers.size === 2) {
          clearTimeout(holding);
          if (active?.moved) latest.current.onEnd?.();
          active = undefined;
          apart = spread();
          return;
        }
      }
      if (active || e.button !== 0 || fingers.size > 1) return;
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
      if (fingers.has(e.pointerId)) fingers.set(e.pointerId, { x: e.clientX, y: e.clientY });
      if (fingers.size === 2) {
        const [a, b] = [...fingers.values()];
        const now = spread();
        latest.current.onZoom?.(now / apart, shareOf((a!.x + b!.x) / 2, 0)[0]);
        apart = now;
        return;
      }
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
    const wheel = (e: WheelEvent) => {
      if (!latest.current.onZoom) return;
      e.preventDefault();
      latest.current.onZoom(2 ** (-e.deltaY / WHEEL_DOUBLES_PX), shareOf(e.clientX, 0)[0]);
    };
    const up = (e: PointerEvent) => {
      fingers.delete(e.pointerId);
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
    element.addEventListener('wheel', wheel, { passive: false });
    return () => {
      clearTimeout(holding);
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', up);
      element.removeEventListener('touchend', noClick);
      element.removeEventListener('keydown', key);
      element.removeEventListener('wheel', wheel);
    };
  }, [ref]);
}
