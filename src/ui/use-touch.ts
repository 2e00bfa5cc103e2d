// What a finger, a pointer, the wheel and the keys do on one element: drag, tap, double tap, long press, zoom. Fingers are recognized by the gesture
// library; the wheel and the keys are listened for here.
import { useEffect, useMemo, useRef, type RefObject } from 'react';
import type { View } from 'react-native';
import { Gesture, type ComposedGesture } from 'react-native-gesture-handler';

export interface TouchHandlers {
  readonly onStart?: () => void;
  /** Pixels from where the drag began. */
  readonly onMove?: (dx: number, dy: number) => void;
  readonly onEnd?: () => void;
  /** Place in the element, shares of its width and height. */
  readonly onTap?: (x: number, y: number) => void;
  readonly onDoubleTap?: () => void;
  /** Held still for half a second: place in the element; what follows is no tap. */
  readonly onLongPress?: (x: number, y: number) => void;
  /** Two fingers or the wheel: how many times wider since the last call, and about which place in the element, shares of its width and height. */
  readonly onZoom?: (times: number, aboutX: number, aboutY: number) => void;
  readonly onKey?: (key: string) => boolean;
}

/** Movement below this is a tap. */
const SLOP_PX = 5;
const LONG_PRESS_MS = 500;
const DOUBLE_TAP_MS = 320;
/** Wheel travel, pixels, that doubles. */
const WHEEL_DOUBLES_PX = 300;

/**
 * The gestures of an element, for a GestureDetector around it. A second finger ends a drag, and zooms where that means something.
 * @param ref the element, for its size, its keys and the wheel
 */
export function useTouch(ref: RefObject<View | null>, handlers: TouchHandlers): ComposedGesture {
  const latest = useRef(handlers);
  useEffect(() => {
    latest.current = handlers;
  });
  const ends = useRef({ down: { x: 0, y: 0 }, up: { x: 0, y: 0 } });
  useOwnEvents(ref, latest, ends);
  const { onDoubleTap, onLongPress, onZoom } = handlers;
  const [doubles, holds, zooms] = [Boolean(onDoubleTap), Boolean(onLongPress), Boolean(onZoom)];
  return useMemo(
    () => gesturesOf(ref, latest, ends, { doubles, holds, zooms }),
    [ref, doubles, holds, zooms],
  );
}

type Latest = RefObject<TouchHandlers>;
/** Where the last finger was put down and where it was lifted, pixels of the window. */
type Ends = RefObject<Record<'down' | 'up', { readonly x: number; readonly y: number }>>;

function gesturesOf(
  ref: RefObject<View | null>,
  latest: Latest,
  ends: Ends,
  { doubles, holds, zooms }: { doubles: boolean; holds: boolean; zooms: boolean },
): ComposedGesture {
  const shareOf = (x: number, y: number): [number, number] => {
    const box = boxOf(ref);
    return box ? [(x - box.left) / box.width, (y - box.top) / box.height] : [0, 0];
  };
  // The library counts from where it took the movement for a drag; a hand counts from where it was put down.
  const move = (x: number, y: number) =>
    latest.current.onMove?.(x - ends.current.down.x, y - ends.current.down.y);
  const drag = Gesture.Pan()
    .minDistance(SLOP_PX)
    .maxPointers(1)
    .onStart(({ absoluteX, absoluteY }) => {
      latest.current.onStart?.();
      move(absoluteX, absoluteY);
    })
    .onUpdate(({ absoluteX, absoluteY }) => move(absoluteX, absoluteY))
    .onEnd((_, done) => {
      // A busy page may get the last stretch of a drag with its end only, and the library leaves out the step that leaves the element.
      if (done) move(ends.current.up.x, ends.current.up.y);
      latest.current.onEnd?.();
    });
  const tap = Gesture.Tap()
    .maxDistance(SLOP_PX)
    .onEnd(({ absoluteX, absoluteY }, done) => {
      if (done) latest.current.onTap?.(...shareOf(absoluteX, absoluteY));
    });
  const all: Parameters<typeof Gesture.Race> = [drag];
  if (zooms) {
    let before = 1;
    all.push(
      Gesture.Pinch()
        .onStart(() => {
          before = 1;
        })
        .onUpdate(({ scale, focalX, focalY }) => {
          const { width, height } = boxOf(ref) ?? { width: 1, height: 1 };
          latest.current.onZoom?.(scale / before, focalX / width, focalY / height);
          before = scale;
        }),
    );
  }
  if (holds)
    all.push(
      Gesture.LongPress()
        .minDuration(LONG_PRESS_MS)
        .maxDistance(SLOP_PX)
        .onStart(({ absoluteX, absoluteY }) =>
          latest.current.onLongPress?.(...shareOf(absoluteX, absoluteY)),
        ),
    );
  const twice =
    doubles &&
    Gesture.Tap()
      .numberOfTaps(2)
      .maxDelay(DOUBLE_TAP_MS)
      .maxDistance(SLOP_PX)
      .onEnd((_, done) => {
        if (done) latest.current.onDoubleTap?.();
      });
  return Gesture.Race(...all, twice ? Gesture.Exclusive(twice, tap) : tap);
}

function boxOf(ref: RefObject<View | null>): DOMRect | undefined {
  return (ref.current as unknown as HTMLElement | null)?.getBoundingClientRect();
}

/** Where a finger is put down and lifted, keys, the wheel, and the click that follows a tap. */
function useOwnEvents(ref: RefObject<View | null>, latest: Latest, ends: Ends): void {
  useEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    if (!element) return;
    const put = ({ clientX: x, clientY: y }: PointerEvent) => (ends.current.down = { x, y });
    const lift = ({ clientX: x, clientY: y }: PointerEvent) => (ends.current.up = { x, y });
    const wheel = (e: WheelEvent) => {
      if (!latest.current.onZoom) return;
      e.preventDefault();
      const box = element.getBoundingClientRect();
      const [x, y] = [(e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height];
      latest.current.onZoom(2 ** (-e.deltaY / WHEEL_DOUBLES_PX), x, y);
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
    // Before the library hears of it.
    element.addEventListener('pointerdown', put, true);
    element.addEventListener('pointerup', lift, true);
    element.addEventListener('touchend', noClick);
    element.addEventListener('keydown', key);
    element.addEventListener('wheel', wheel, { passive: false });
    return () => {
      element.removeEventListener('pointerdown', put, true);
      element.removeEventListener('pointerup', lift, true);
      element.removeEventListener('touchend', noClick);
      element.removeEventListener('keydown', key);
      element.removeEventListener('wheel', wheel);
    };
  }, [ref, latest, ends]);
}
