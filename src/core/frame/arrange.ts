// The frames of a sheet in the order and the choice that the person wants, sequences put together.
import { ev100OfSettings } from '../light/apex';
import { MEANINGFUL_SHARE } from '../raw/shares';
import { isUnknown, known } from '../units/known';
import { fileName } from './file-name';
import type { FrameRecord } from './record';

export const SORTS = ['time', 'name', 'exposure', 'clipped'] as const;
export type Sort = (typeof SORTS)[number];

export const FILTERS = ['all', 'kept', 'open', 'dropped', 'clipped'] as const;
/** `open` are those that nothing was said of; `clipped` those that have lost highlights in raw. */
export type Filter = (typeof FILTERS)[number];

export interface Arrangement {
  readonly sort: Sort;
  /** The newest, the last, the brightest, the most clipped first. */
  readonly most: boolean;
  readonly filter: Filter;
  /** 0 for all. */
  readonly leastRating: number;
}

export const USUAL: Arrangement = { sort: 'time', most: true, filter: 'all', leastRating: 0 };

/** Share of the worst channel that is clipped in raw; undefined where nobody knows. */
export function clippedShareOf({ result }: Pick<FrameRecord, 'result'>): number | undefined {
  if (isUnknown(result)) return undefined;
  return Math.max(0, ...result.channels.map(({ clippedShare }) => clippedShare));
}

/** True where raw has lost more than specks. */
export function losesHighlights(frame: Pick<FrameRecord, 'result'>): boolean {
  return (clippedShareOf(frame) ?? 0) > MEANINGFUL_SHARE;
}

/** Blur of the hand above which a frame is marked, pixels (the house's judgement: two to three are seen at 100 %). */
export const SEEN_SHAKE_PX = 2.5;

export function likelyShaken({ shakePx }: Pick<FrameRecord, 'shakePx'>): boolean {
  return (shakePx ?? 0) >= SEEN_SHAKE_PX;
}

/** Light that a frame's settings are right for, EV at ISO 100: less for more exposure. Undefined where one is not known. */
export function exposureOf({ exposure }: Pick<FrameRecord, 'exposure'>): number | undefined {
  const [n, s, iso] = [exposure.apertureN, exposure.shutterS, exposure.iso].map((v) => known(v));
  if (n === undefined || s === undefined || iso === undefined) return undefined;
  return ev100OfSettings(n, s, iso);
}

/** Stops more exposure in the second, by settings; undefined where one is not known. */
export function exposedMore(
  a: Pick<FrameRecord, 'exposure'>,
  b: Pick<FrameRecord, 'exposure'>,
): number | undefined {
  const [first, second] = [exposureOf(a), exposureOf(b)];
  return first === undefined || second === undefined ? undefined : first - second;
}

const KEYS: Readonly<Record<Sort, (frame: FrameRecord) => number | string | undefined>> = {
  time: ({ timeMs }) => timeMs,
  name: (frame) => fileName(frame, 'dng'),
  exposure: (frame) => {
    const ev = exposureOf(frame);
    return ev === undefined ? undefined : -ev;
  },
  clipped: clippedShareOf,
};

function passes(frame: FrameRecord, { filter, leastRating }: Arrangement): boolean {
  if ((frame.rating ?? 0) < leastRating) return false;
  if (filter === 'all') return true;
  if (filter === 'clipped') return losesHighlights(frame);
  return filter === 'open' ? frame.verdict === undefined : frame.verdict === filter;
}

/** What cannot be sorted, for nobody knows, comes last; what is equal stays as it was taken, newest first. @param frames newest first */
export function arranged(frames: readonly FrameRecord[], arrangement: Arrangement): readonly FrameRecord[] {
  const { sort, most } = arrangement;
  const chosen =
    arrangement.filter === 'all' && arrangement.leastRating === 0
      ? frames
      : frames.filter((frame) => passes(frame, arrangement));
  if (sort === 'time') return most ? chosen : [...chosen].reverse();
  const keyed = chosen.map((frame) => ({ frame, key: KEYS[sort](frame) }));
  const order = most ? -1 : 1;
  keyed.sort((a, b) => {
    if (a.key === undefined || b.key === undefined) return a.key === b.key ? 0 : a.key === undefined ? 1 : -1;
    return a.key < b.key ? -order : a.key > b.key ? order : 0;
  });
  return keyed.map(({ frame }) => frame);
}

/** A place of the sheet: a frame, or a sequence that can be opened. */
export type Item =
  | { readonly kind: 'frame'; readonly frame: FrameRecord; readonly in?: string }
  | {
      readonly kind: 'group';
      readonly id: string;
      /** In the order in which they were taken. */
      readonly frames: readonly FrameRecord[];
      readonly open: boolean;
    };

/** Sequences of which more than one frame is there stand together where their first one stands; their frames follow those that are open. */
export function itemsOf(frames: readonly FrameRecord[], open: ReadonlySet<string>): readonly Item[] {
  const groups = new Map<string, FrameRecord[]>();
  for (const frame of frames) {
    if (!frame.group) continue;
    const there = groups.get(frame.group.id);
    if (there) there.push(frame);
    else groups.set(frame.group.id, [frame]);
  }
  const items: Item[] = [];
  for (const frame of frames) {
    const id = frame.group?.id;
    const group = id === undefined ? undefined : groups.get(id);
    if (id === undefined || !group || group.length < 2) items.push({ kind: 'frame', frame });
    else if (group[0] === frame) {
      const inOrder = [...group].sort((a, b) => a.group!.index - b.group!.index);
      items.push({ kind: 'group', id, frames: inOrder, open: open.has(id) });
      if (open.has(id)) for (const one of inOrder) items.push({ kind: 'frame', frame: one, in: id });
    }
  }
  return items;
}

/** Frames in the order in which a sheet shows them, those of closed sequences too. */
export function framesOf(items: readonly Item[]): readonly FrameRecord[] {
  return items.flatMap((item) => (item.kind === 'frame' ? [item.frame] : item.open ? [] : item.frames));
}
