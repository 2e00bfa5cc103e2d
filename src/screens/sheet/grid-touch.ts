// What fingers and the mouse do on the sheet beside tapping: a swipe across a tile says what is thought of it, a finger that rests begins to choose and
// goes on choosing as it moves, Shift chooses up to a tile. One set of listeners for all tiles: a sheet may have ten thousand.
import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { colour } from '../../ui/theme';

export interface GridHandlers {
  /** True while frames are being chosen. */
  readonly choosing: boolean;
  /** A tile was swiped to the right (1) or to the left (−1). */
  onSwipe(index: number, to: 1 | -1): void;
  /** A finger rests on a tile, or Ctrl was held: choosing begins there, or takes it in. */
  onPick(index: number): void;
  /** From where choosing began up to here. */
  onRange(from: number, to: number): void;
}

const SLOP_PX = 8;
const SWIPE_PX = 56;
const LONG_PRESS_MS = 450;

/** Tiles say which they are: data-index. */
function tileAt(x: number, y: number): { element: HTMLElement; index: number } | null {
  const element = document.elementFromPoint(x, y)?.closest<HTMLElement>('[data-index]');
  return element ? { element, index: Number(element.dataset.index) } : null;
}

/** @param anchor index that a range begins at; it is moved by what is done here */
export function useGridTouch(
  host: RefObject<View | null>,
  handlers: GridHandlers,
  anchor: RefObject<number>,
): void {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    let start: { x: number; y: number; id: number; tile: HTMLElement; index: number } | null = null;
    let way: 'none' | 'swipe' | 'choose' | 'scroll' = 'none';
    let timer: ReturnType<typeof setTimeout> | undefined;
    let noClick = false;

    const settle = ({ style }: HTMLElement) => {
      style.transform = style.outline = style.opacity = '';
    };
    const follow = ({ style }: HTMLElement, dx: number) => {
      style.transform = `translateX(${Math.round(dx)}px)`;
      style.outline = dx >= SWIPE_PX ? `3px solid ${colour.good}` : '';
      style.opacity = dx <= -SWIPE_PX ? '0.4' : '';
    };
    const end = () => {
      clearTimeout(timer);
      if (start) settle(start.tile);
      start = null;
      way = 'none';
    };
    const down = (e: PointerEvent) => {
      end();
      noClick = false;
      if (e.button !== 0 || !e.isPrimary) return;
      const found = tileAt(e.clientX, e.clientY);
      if (!found) return;
      start = { x: e.clientX, y: e.clientY, id: e.pointerId, tile: found.element, index: found.index };
      if (e.pointerType !== 'mouse')
        timer = setTimeout(() => {
          way = 'choose';
          noClick = true;
          anchor.current = found.index;
          latest.current.onPick(found.index);
        }, LONG_PRESS_MS);
    };
    const move = (e: PointerEvent) => {
      if (!start || e.pointerId !== start.id) return;
      const [dx, dy] = [e.clientX - start.x, e.clientY - start.y];
      if (way === 'none') {
        if (Math.hypot(dx, dy) < SLOP_PX) return;
        clearTimeout(timer);
        const across = Math.abs(dx) > Math.abs(dy);
        const mouse = e.pointerType === 'mouse';
        if (latest.current.choosing && (mouse || across)) {
          way = 'choose';
          anchor.current = start.index;
        } else way = across ? 'swipe' : 'scroll';
        if (way !== 'scroll') noClick = true;
      }
      if (way === 'swipe') {
        follow(start.tile, dx);
      } else if (way === 'choose') {
        const here = tileAt(e.clientX, e.clientY);
        if (here) latest.current.onRange(anchor.current, here.index);
      }
    };
    const up = (e: PointerEvent) => {
      if (start && way === 'swipe') {
        const dx = e.clientX - start.x;
        if (Math.abs(dx) >= SWIPE_PX) latest.current.onSwipe(start.index, dx > 0 ? 1 : -1);
      }
      end();
    };
    // A list that moves under a finger that chooses could not be aimed at.
    const hold = (e: TouchEvent) => {
      if ((way === 'choose' || way === 'swipe') && e.cancelable) e.preventDefault();
    };
    const click = (e: MouseEvent) => {
      const found = tileAt(e.clientX, e.clientY);
      if (noClick) {
        noClick = false;
        e.preventDefault();
        e.stopPropagation();
      } else if (found && (e.shiftKey || e.ctrlKey || e.metaKey)) {
        e.preventDefault();
        e.stopPropagation();
        if (e.shiftKey) latest.current.onRange(anchor.current, found.index);
        else {
          anchor.current = found.index;
          latest.current.onPick(found.index);
        }
      } else if (found) anchor.current = found.index;
    };
    // A finger that rests would open the browser's own menu of a picture.
    const menu = (e: Event) => e.preventDefault();
    const none = (e: DragEvent) => e.preventDefault();
    element.addEventListener('pointerdown', down);
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', up);
    element.addEventListener('pointercancel', end);
    element.addEventListener('touchmove', hold, { passive: false });
    element.addEventListener('click', click, true);
    element.addEventListener('contextmenu', menu);
    element.addEventListener('dragstart', none);
    return () => {
      end();
      element.removeEventListener('pointerdown', down);
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', up);
      element.removeEventListener('pointercancel', end);
      element.removeEventListener('touchmove', hold);
      element.removeEventListener('click', click, true);
      element.removeEventListener('contextmenu', menu);
      element.removeEventListener('dragstart', none);
    };
  }, [host, anchor]);
}
