// The lens from frame to frame: by hand it stands where it was set; the automatic searches by looking (`search`), in the time that
// the drive and the read-outs take, at the place it was given and then in a wider area about it; then it rests, and searches again when the place changes or what is seen there does.
import type { FramePoint, LuminanceMap } from '../meter/luminance-map';
import type { RawFrame } from '../sensor/raw-frame';
import type { FocusSet } from '../setting/focus';
import { likelyPlaces } from './places';
import { focusSearch, type FocusReach, type FocusSearch } from './search';
import { sharpnessOf, type Sharpness } from './sharpness';

/** What moves the lens, and how fast. */
export interface FocusDrive extends FocusReach {
  /** Time from infinity to the closest distance, s. */
  readonly travelS: number;
  /** Two looks lie at least so far apart, s. */
  readonly readOutS: number;
  /** Where the lens stands while nothing is known, m: at its hyperfocal distance most is sharp. */
  readonly restM: number;
}

export interface FocusLook {
  readonly at: FramePoint;
  /** True for a wider area about the place, with less detail. */
  readonly wide: boolean;
  /** m; Infinity is allowed. */
  readonly focusM: number;
  /** Stops less light than the meter's reading of the place asks for. */
  readonly lessEv: number;
  /** Counts the looks, so that no two have the same noise. */
  readonly number: number;
  readonly timeS: number;
}

/** A lens and what can be seen through it. */
export interface FocusSource {
  /** What the meter sees: where there may be something to focus on. */
  readonly sight: { readonly luminance: LuminanceMap };
  /** Null for a lens that stands at one distance. */
  readonly drive: FocusDrive | null;
  /** Where the lens comes to stand when it is set to a distance, m. */
  held(wantedM: number): number;
  /** A piece of the sensor about a place; null while the camera is not ready for it. */
  look(asked: FocusLook): RawFrame | null;
  /** How wide that piece is, in shares of the sensor's longer side. */
  lookShare(wide: boolean): number;
}

export type FocusState = 'fixed' | 'hand' | 'found' | 'searching' | 'failed' | 'waiting';

/** Where the lens stands for a frame, and how that came to be. */
export interface FocusInUse {
  /** m; Infinity is allowed. */
  readonly focusM: number;
  readonly state: FocusState;
  /** Why the automatic found nothing. */
  readonly why: 'plain' | 'dark' | null;
  /** Where it looks, or looked last. */
  readonly at: FramePoint;
  /** True where nothing was to be seen at the place itself, and a wider area about it was looked at. */
  readonly wide: boolean;
  /** How wide the piece is that it looks at, in shares of the sensor's longer side. */
  readonly side: number;
  /** Time that the last search took by the camera's clock, s; null before the first. */
  readonly tookS: number | null;
}

/** What a new follower goes on from: the same lens on the same world, arranged a little differently. */
export interface FocusKept {
  readonly asked: FramePoint | null;
  readonly inUse: FocusInUse;
}

export interface FocusAsked {
  readonly set: FocusSet;
  /** Where it is to look; null where the person gave no place: where there are edges, near the middle. */
  readonly at: FramePoint | null;
  /** Another number than before asks it to look again. */
  readonly again: number;
  /** The camera's clock. */
  readonly timeS: number;
}

export interface FocusFollower {
  next(asked: FocusAsked): FocusInUse;
  /** What is to be handed on; null while there is nothing found. */
  kept(): FocusKept | null;
}

/** More time than this between two frames was spent elsewhere, s. */
const MOST_FRAME_S = 0.1;
/** More looks than this between two frames would hold up the picture. */
const MOST_LOOKS = 4;
/** A place that moved by more than this is another one, shares of the frame. */
const MOVED = 0.02;
/** While it rests it looks again after so many frames; twice in turn another sight is a change, once may be chance. */
const WATCH_EVERY = 10;
const OTHER_SIGHT = 1.6;
const TWICE = 2;

/** Where looks were clipped it looks again with so many stops less light, for as long as less is to be had. */
const LESS_EV = 3;

const MIDDLE: FramePoint = { x: 0.5, y: 0.5 };

interface Try {
  readonly at: FramePoint;
  readonly wide: boolean;
  /** Stops less light than the meter asks for. */
  readonly lessEv: number;
  /** Exposure of the looks that were clipped there, shutter by ISO; Infinity before the first. */
  readonly clippedAt: number;
}

/** The place that was given, then a wider area about it; else likely places, then the middle. */
function triesFor(asked: FramePoint | null, { luminance }: FocusSource['sight']): readonly Try[] {
  const places = asked ? [asked] : likelyPlaces(luminance);
  const all = [...places.map((at) => ({ at, wide: false })), { at: asked ?? MIDDLE, wide: true }];
  return all.map((one) => ({ ...one, lessEv: 0, clippedAt: Infinity }));
}

const dptOf = (m: number) => (Number.isFinite(m) ? 1 / m : 0);
const metresOf = (dpt: number) => (dpt <= 1e-4 ? Infinity : 1 / dpt);

export function focusFollower(source: FocusSource, from: FocusKept | null = null): FocusFollower {
  const { drive } = source;
  let inUse: FocusInUse = from?.inUse ?? {
    focusM: source.held(drive?.restM ?? Infinity),
    state: drive ? 'waiting' : 'fixed',
    why: null,
    at: MIDDLE,
    wide: false,
    side: source.lookShare(false),
    tookS: null,
  };
  /** The place that was asked for when the search began; undefined before the first. */
  let place: FramePoint | null | undefined = from ? from.asked : undefined;
  let tries: readonly Try[] = [];
  let tried: Try = { at: MIDDLE, wide: false, lessEv: 0, clippedAt: Infinity };
  let rests: Sharpness | null = null;
  let running: { search: FocusSearch; wanted: number; tookS: number } | null = null;
  let [lastS, owedS, looks, sinceWatched, changed] = [NaN, 0, 0, 0, 0];
  let askedAgain: number | undefined;

  const lookAt = (dpt: number, timeS: number) => {
    const { at, wide } = inUse;
    const frame = source.look({
      ...{ at, wide, timeS, lessEv: tried.lessEv },
      focusM: metresOf(dpt),
      number: ++looks,
    });
    return frame && { seen: sharpnessOf(frame, frame.noise), ...frame.settings };
  };

  function start(asked: FramePoint | null, own: FocusDrive): void {
    place = asked;
    tries = triesFor(asked, source.sight);
    attempt(own, 0);
  }

  /** Searches at the next place to be tried. */
  function attempt({ nearDpt, halfDepthDpt }: FocusDrive, spentS: number): void {
    tried = tries[0]!;
    tries = tries.slice(1);
    const { at, wide } = tried;
    const search = focusSearch({ nearDpt, halfDepthDpt }, dptOf(inUse.focusM), wide);
    const first = search.next();
    rests = null;
    changed = 0;
    running = first.done ? null : { search, wanted: first.value, tookS: spentS };
    inUse = { ...inUse, state: 'searching', why: null, at, wide, side: source.lookShare(wide) };
  }

  /** Goes on with a search for as much time as there is. */
  function go(timeS: number, spentS: number, own: FocusDrive): void {
    owedS += spentS;
    for (let i = 0; running && owedS > 0 && i < MOST_LOOKS; i++) {
      const { search, wanted } = running;
      const look = lookAt(wanted, timeS);
      if (!look) {
        inUse = { ...inUse, state: 'waiting' };
        return;
      }
      const way = Math.abs(wanted - dptOf(inUse.focusM));
      const tookS = (own.travelS * way) / own.nearDpt + Math.max(own.readOutS, look.shutterS);
      owedS -= tookS;
      running.tookS += tookS;
      inUse = { ...inUse, focusM: source.held(metresOf(wanted)) };
      const next = search.next(look.seen);
      if (!next.done) {
        running.wanted = next.value;
        continue;
      }
      const found = next.value;
      const { tookS: all } = running;
      running = null;
      sinceWatched = 0;
      if (found.kind === 'found') {
        rests = found.seen;
        inUse = { ...inUse, focusM: source.held(metresOf(found.dpt)), state: 'found', tookS: all };
        continue;
      }
      const exposure = look.shutterS * look.iso;
      if (found.why === 'bright' && exposure < tried.clippedAt)
        tries = [{ ...tried, lessEv: tried.lessEv + LESS_EV, clippedAt: exposure }, ...tries];
      if (tries.length > 0) attempt(own, all);
      else {
        rests = null;
        const why = found.why === 'dark' && tried.lessEv === 0 ? 'dark' : 'plain';
        inUse = { ...inUse, focusM: source.held(own.restM), state: 'failed', why, tookS: all };
      }
    }
    if (owedS > MOST_FRAME_S) owedS = MOST_FRAME_S;
  }

  /** Looks whether there is something else to be seen. */
  function watch(timeS: number): boolean {
    if (++sinceWatched < WATCH_EVERY) return false;
    sinceWatched = 0;
    const look = lookAt(dptOf(inUse.focusM), timeS);
    if (!look) return false;
    if (!rests) rests = look.seen;
    changed = isOther(rests, look.seen) ? changed + 1 : 0;
    return changed >= TWICE;
  }

  return {
    next: ({ set, at, again, timeS }) => {
      const passed = timeS - lastS;
      const spentS = passed > 0 ? Math.min(MOST_FRAME_S, passed) : passed < 0 ? MOST_FRAME_S : 0;
      lastS = timeS;
      if (!drive) return inUse;
      if (!set.auto) {
        running = null;
        place = undefined;
        inUse = { ...inUse, focusM: source.held(set.exact), state: 'hand', why: null, wide: false };
        return inUse;
      }
      const moved = place === undefined || isElsewhere(place, at);
      const anew = askedAgain !== undefined && again !== askedAgain;
      askedAgain = again;
      if (moved || anew || inUse.state === 'hand') {
        owedS = 0;
        start(at, drive);
      } else if (!running && (inUse.state === 'waiting' || (set.how === 'continuous' && watch(timeS))))
        start(at, drive);
      if (running) go(timeS, spentS, drive);
      return inUse;
    },
    kept: () =>
      place !== undefined && (inUse.state === 'found' || inUse.state === 'failed')
        ? { asked: place, inUse }
        : null,
  };
}

function isElsewhere(before: FramePoint | null, now: FramePoint | null): boolean {
  if (!before || !now) return before !== now;
  return Math.hypot(now.x - before.x, now.y - before.y) > MOVED;
}

/** Another sight: sharper or less sharp by far, brighter or darker by far. */
function isOther(before: Sharpness, now: Sharpness): boolean {
  const apart = (a: Sharpness['fine'], b: Sharpness['fine']) => {
    const [low, high] = [Math.min(a.value, b.value), Math.max(a.value, b.value)];
    return high - low > 6 * Math.max(a.error, b.error) && high > OTHER_SIGHT * Math.max(low, 0);
  };
  return apart(before.coarse, now.coarse) && apart(before.fine, now.fine);
}

/** A search from beginning to end, for whoever has no frames to wait between. @param timeS moment that all looks are of */
export function settledFocus(
  source: FocusSource,
  set: FocusSet,
  at: FramePoint | null,
  timeS = 0,
): FocusInUse {
  const atOnce = { ...source, look: (look: FocusLook) => source.look({ ...look, timeS }) };
  const follower = focusFollower(atOnce);
  const asked = { set, at, again: 0 };
  let inUse = follower.next({ ...asked, timeS: 0 });
  for (let i = 1; inUse.state === 'searching'; i++)
    inUse = follower.next({ ...asked, timeS: i * MOST_FRAME_S });
  return inUse;
}
