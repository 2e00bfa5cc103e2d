// Where the camera is, only while the person wants frames to tell it: by the device (W3C Geolocation); in front of a simulated scene by what stands in for
// that there, which is nowhere on land.
import { useEffect } from 'react';
import { create } from 'zustand';
import type { Position } from '../core/body/position';
import { known, type Known } from '../core/units/known';
import { sceneListings } from '../library/scenes';
import { bodyWith } from './camera';
import { useDesk } from './desk';
import { useBody } from './in-use';
import { useWorld } from './world';

export const PLACE_OFF = 'place is off';
const WAITING = 'looking for the place';
const NO_DEVICE = 'this device tells no place';
const WHY: readonly string[] = [
  NO_DEVICE,
  'the browser does not let the place be read: allow it for this page',
  'the device does not find its place here',
  'the device takes too long to find its place',
];

/** A place found longer ago than this may be another by now. */
const MOST_AGE_MS = 5 * 60_000;

/** `again` counts how often it was asked for anew. */
const usePlace = create<{ readonly position: Known<Position>; readonly again: number }>()(() => ({
  position: { unknown: PLACE_OFF },
  again: 0,
}));

const tell = (position: Known<Position>) => usePlace.setState({ position });

/** Follows the device while frames are to tell their place. Returns a function that ends it. */
function following(): () => void {
  const { geolocation } = globalThis.navigator as { geolocation?: Geolocation };
  if (!geolocation) {
    tell({ unknown: NO_DEVICE });
    return () => undefined;
  }
  tell({ unknown: WAITING });
  const watch = geolocation.watchPosition(
    ({ coords, timestamp }) => {
      const { latitude, longitude, accuracy, altitude } = coords;
      tell({
        latitudeDeg: latitude,
        longitudeDeg: longitude,
        accuracyM: accuracy,
        ...(altitude !== null && { altitudeM: altitude }),
        timeMs: timestamp,
      });
    },
    ({ code }) => tell({ unknown: WHY[code] ?? NO_DEVICE }),
    { enableHighAccuracy: true, maximumAge: 30_000 },
  );
  return () => geolocation.clearWatch(watch);
}

/** What stands in for the device in front of a simulated scene. */
function standingIn(scene: string): () => void {
  let gone = false;
  tell({ unknown: WAITING });
  sceneListings().then(
    (all) => {
      const place = all.find(({ id }) => id === scene)?.place;
      if (!gone)
        tell(
          place
            ? { ...place, method: 'MANUAL', timeMs: Date.now() }
            : { unknown: 'this scene tells no place' },
        );
    },
    (error: Error) => !gone && tell({ unknown: error.message }),
  );
  return () => {
    gone = true;
  };
}

/** Keeps the place up to date while it is wanted. */
export function useFollowedPlace(): void {
  const placed = useDesk((d) => d.placed);
  const { arrangedWorld } = useBody();
  const scene = useWorld((w) => w.scene);
  const again = usePlace((p) => p.again);
  useEffect(() => {
    if (!placed) {
      tell({ unknown: PLACE_OFF });
      return undefined;
    }
    return arrangedWorld ? standingIn(scene) : following();
  }, [placed, arrangedWorld, scene, again]);
}

/** The place as it is known; the reason where it is not. */
export function usePosition(): Known<Position> {
  return usePlace(({ position }) => position);
}

export function askPlaceAgain(): void {
  usePlace.setState(({ again }) => ({ again: again + 1 }));
}

/** The place for a frame that is taken now; undefined where none is wanted or none is known. */
export function positionNow(nowMs: number): Position | undefined {
  const { placed, optic } = useDesk.getState();
  const position = known(usePlace.getState().position);
  if (!placed || !position) return undefined;
  // A scene stays where it is.
  if (bodyWith(optic).arrangedWorld) return { ...position, timeMs: nowMs };
  return nowMs - position.timeMs <= MOST_AGE_MS ? position : undefined;
}
