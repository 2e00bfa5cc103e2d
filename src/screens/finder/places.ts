// Where the parts of the main screen stand, as rectangles, by the room there is: upright, sideways on a low screen, or wide; each with a panel
// open or without. Parts take what a thumb and their words need, the picture takes what is left.

export interface Size {
  readonly width: number;
  readonly height: number;
}

export interface Rect extends Size {
  readonly x: number;
  readonly y: number;
}

export interface Wish {
  /** What of the screen may be used, pixels: without notches and bars. */
  readonly room: Size;
  /** Width over height of the picture. */
  readonly aspect: number;
  readonly faders: number;
  /** The panel that is open, by what it is judged by: of one that is judged by the picture more is left. */
  readonly panel: 'desk' | 'picture' | null;
  /** Which hand's thumb the desk is for: it stands on that side. */
  readonly hand?: 'right' | 'left';
  /** Size of text, times the usual. */
  readonly text?: number;
}

export interface Places {
  readonly kind: 'upright' | 'sideways' | 'wide';
  /** The meter's words, and what else is told at a glance: on one line, or on two. */
  readonly head: Rect & { readonly lines: 1 | 2 };
  readonly picture: Rect;
  readonly stopline: Rect;
  /** True where the stopline lies on the picture's foot. */
  readonly over: boolean;
  /** Lenses and checks; null while a panel has their place. */
  readonly tools: (Rect & { readonly of: 'row' | 'column' | 'foot' }) | null;
  readonly faders: Rect & { readonly rows: number };
  readonly release: Rect & { readonly of: ReleaseSize };
  /** A second scope and remedies, where there is room. */
  readonly second: Rect | null;
  readonly panel: Rect | null;
}

/** Last frame and release; without all automatic; whole. */
export type ReleaseSize = 'least' | 'narrow' | 'whole';

export const GAP = 4;
const EDGE = 8;
const TOUCH = 44;
const HEAD = 28;
/** The meter's words take this width. */
const READING = 220;
const RELEASE = 76;
/** Six buttons beside the release, or five without all automatic, take this width. */
const WHOLE_RELEASE = 344;
/** Under this height a screen is low: a phone on its side. */
const LOW = 640;
const WIDE = 700;
/** The head of a fader with its words in two lines, and the least of a track that can be dragged. */
const FADER_HEAD = 66;
const TRACK = TOUCH + 6;
/** Narrower than this a fader's value is not whole. */
const LEAST_FADER = 46;
/** Beside the picture from this width on. */
const STRIP = 64;
/** The stopline's words take this width. */
const STOPLINE_WORDS = 196;
/** A strip beside the picture with room for a second scope and remedies. */
const SECOND = 240;
/** Lenses and checks take this width on one line. */
const TOOLS = 320;
/** A panel is so wide at least: seven faders still stand in one row beside it on a phone of 560 px. */
const LEAST_PANEL = 194;
/** A panel that is at least so high is read without much scrolling. */
const ENOUGH = 200;
/** Column of faders beside the picture. */
const COLUMN = { least: 288, most: 344 } as const;

/** Heights that are wished for by the height of the screen: of the stopline, and of a row of faders. */
const HEIGHTS = [
  { from: 1000, stopline: 128, faders: 216 },
  { from: 700, stopline: 72, faders: 128 },
  { from: 0, stopline: 60, faders: 116 },
] as const;

export function placesFor(wish: Wish): Places {
  const { width, height } = wish.room;
  const lying = width > height;
  const text = wish.text ?? 1;
  const sizes = sizesFor(wish, text);
  const places =
    lying && height < LOW * Math.min(text, 1.5)
      ? wish.panel
        ? sidewaysWithPanel(wish, sizes)
        : sideways(wish, sizes)
      : lying && width >= WIDE
        ? wide(wish, sizes)
        : wish.panel
          ? uprightWithPanel(wish, sizes)
          : upright(wish, sizes);
  return wish.hand === 'left' ? mirrored(places, width) : places;
}

interface Sizes {
  /** Lines of the head in so much width, and the height that they take. */
  headIn(width: number): { readonly lines: 1 | 2; readonly height: number };
  /** Of one line of the head. */
  readonly line: number;
  readonly wholeRelease: number;
  /** The least height of one row of faders. */
  readonly leastFaders: number;
  readonly stopline: number;
  readonly release: number;
  readonly tool: number;
  /** What all faders take in one row. */
  readonly faderRow: number;
  /** Rows of faders in so much width, and the height that they take. */
  fadersIn(width: number): { readonly rows: number; readonly height: number };
}

function sizesFor({ room, faders }: Wish, text: number): Sizes {
  const wished = HEIGHTS.find(({ from }) => room.height >= from)!;
  return {
    faderRow: faders * (LEAST_FADER * text + GAP) - GAP,
    headIn: (width) => {
      // The meter's figures alone fill one of large text.
      const lines = width >= READING * text ? 1 : 2;
      return { lines, height: lines * HEAD * text };
    },
    line: HEAD * text,
    wholeRelease: WHOLE_RELEASE * text,
    leastFaders: FADER_HEAD * text + TRACK,
    stopline: wished.stopline + 20 * (text - 1),
    release: RELEASE * Math.max(1, 0.75 * text),
    tool: Math.max(TOUCH, 0.8 * TOUCH * text),
    fadersIn: (width) => {
      const each = LEAST_FADER * text;
      const inRow = Math.max(1, Math.floor((width + GAP) / (each + GAP)));
      const rows = Math.max(1, Math.ceil(faders / inRow));
      const least = FADER_HEAD * text + TRACK;
      // More rows are as low as they can be.
      const height = rows === 1 ? Math.max(wished.faders, least) : rows * least + (rows - 1) * GAP;
      return { rows, height };
    },
  };
}

/** The largest picture of an aspect in so much room. */
function fit(width: number, height: number, aspect: number): Size {
  const w = Math.max(0, Math.min(width, height * aspect));
  return { width: Math.floor(w), height: Math.floor(w / aspect) };
}

function upright({ room, aspect, text = 1 }: Wish, sizes: Sizes): Places {
  const { width, height } = room;
  const inner = width - 2 * EDGE;
  const { rows, height: least } = sizes.fadersIn(inner);
  const head = { x: EDGE, y: 0, width: inner, ...sizes.headIn(inner) };
  const y = head.height;
  const free = height - y - sizes.stopline - least - sizes.release - 3 * GAP;
  const picture = { x: 0, y, ...fit(width, free, aspect) };
  const strip = width - picture.width;
  const spare = free - picture.height;
  const beside = strip >= STRIP;
  const under = !beside && spare >= sizes.tool + GAP;
  if (!beside) picture.x = Math.floor(strip / 2);
  const foot = y + picture.height;
  // In a narrow strip lenses and checks stand on two lines.
  const toolLines = strip - 2 * EDGE < TOOLS * text ? 2 : 1;
  const toolsHigh = toolLines * (sizes.tool + GAP) - GAP;
  const second =
    strip >= SECOND * text && picture.height >= SECOND * text
      ? {
          ...{ x: picture.width + EDGE, y: y + GAP, width: strip - 2 * EDGE },
          height: picture.height - toolsHigh - 3 * GAP,
        }
      : null;
  const tools = second
    ? ({ ...second, y: second.y + second.height + GAP, height: toolsHigh, of: 'row' } as const)
    : beside
      ? ({
          ...{ x: picture.width + GAP, y: y + GAP, width: strip - 2 * GAP, height: picture.height - 2 * GAP },
          of: 'column',
        } as const)
      : ({
          ...{ x: EDGE, y: under ? foot + GAP : foot - sizes.tool - GAP, width: inner, height: sizes.tool },
          of: under ? 'row' : 'foot',
        } as const);
  const stopline = {
    ...{ x: EDGE, y: (under ? foot + GAP + sizes.tool : foot) + GAP },
    ...{ width: inner, height: sizes.stopline },
  };
  const below = stopline.y + stopline.height + GAP;
  const release = { x: EDGE, y: height - sizes.release, width: inner, height: sizes.release };
  return {
    kind: 'upright',
    ...{ picture, tools, stopline, over: false, second, panel: null },
    head,
    faders: { x: EDGE, y: below, width: inner, height: release.y - GAP - below, rows },
    release: { ...release, of: inner >= sizes.wholeRelease ? 'whole' : 'narrow' },
  };
}

/** Picture, stopline and release side by side, faders under them, the panel under all: what it is about stays in sight. */
function uprightWithPanel(wish: Wish, sizes: Sizes): Places {
  const { width, height } = wish.room;
  const share = (wish.panel === 'picture' ? 0.14 : 0) + (height < WIDE ? 0.24 : 0.3);
  const { height: tall } = sizes.fadersIn(width - 2 * EDGE);
  const most = Math.min(
    520,
    share * height,
    height - sizes.headIn(width - 2 * EDGE).height - tall - 2 * GAP - ENOUGH,
  );
  const least = sizes.release + 3 * GAP + sizes.stopline;
  const { faders, ...band } = inBand(wish, sizes, { x: 0, y: 0, width, height: Math.max(least, most) });
  const y = faders.y + faders.height + GAP;
  return { ...band, kind: 'upright', faders, panel: { x: 0, y, width, height: height - y } };
}

function sideways({ room, aspect }: Wish, sizes: Sizes): Places {
  const { width, height } = room;
  // There is no height for a second row of faders.
  const least = Math.max(COLUMN.least, Math.min(0.66 * width, sizes.faderRow + 2 * EDGE));
  const column = Math.ceil(Math.max(least, Math.min(COLUMN.most, width - height * aspect)));
  const picture = { x: 0, y: 0, ...fit(width - column, height, aspect) };
  picture.x = Math.floor((width - column - picture.width) / 2);
  // What the picture leaves free under it is the stopline's; else it lies on the picture's foot.
  const free = height - picture.height - GAP;
  const over = free < sizes.stopline;
  const tall = over ? sizes.stopline : Math.min(136, free);
  const line = {
    ...{ x: picture.x, width: picture.width, height: tall },
    y: over ? picture.height - tall : picture.height + GAP,
  };
  const beside = inColumn({ x: width - column + EDGE, y: 0, width: column - 2 * EDGE, height }, sizes);
  const foot = picture.y + picture.height - (over ? tall : 0);
  return {
    kind: 'sideways',
    ...{ picture, over, second: null, panel: null },
    stopline: over ? line : { ...line, x: GAP, width: width - column - GAP },
    ...beside,
    tools: beside.tools ?? {
      ...{ x: picture.x + EDGE, y: foot - sizes.tool - GAP, width: picture.width - 2 * EDGE },
      ...{ height: sizes.tool, of: 'foot' },
    },
  };
}

function sidewaysWithPanel(wish: Wish, sizes: Sizes): Places {
  const { width, height } = wish.room;
  const besideFaders = width - sizes.faderRow - 2 * EDGE - GAP;
  const panel = Math.floor(
    Math.max(LEAST_PANEL, Math.min(400, Math.max(COLUMN.least, 0.4 * width), besideFaders)),
  );
  const left = width - panel - GAP;
  const { height: faders } = sizes.fadersIn(left - 2 * EDGE);
  const head = sizes.headIn(left - 2 * EDGE).height;
  const band = { x: 0, y: 0, width: left, height: height - head - faders - 2 * GAP };
  return {
    ...inBand(wish, sizes, band),
    kind: 'sideways',
    panel: { x: width - panel, y: 0, width: panel, height },
  };
}

/** Head, lenses and checks, faders and release above one another; without lenses and checks where there is no height for them. */
function inColumn(
  { x, y, width, height }: Rect,
  sizes: Sizes,
): Pick<Places, 'head' | 'faders' | 'release'> & { readonly tools: (Rect & { readonly of: 'row' }) | null } {
  const head = { x, y, width, lines: 1 as const, height: sizes.line };
  const release = { x, y: y + height - sizes.release - GAP, width, height: sizes.release };
  const { rows, height: least } = sizes.fadersIn(width);
  const under = y + head.height + GAP;
  const fits = release.y - GAP - under - sizes.tool - GAP >= Math.min(least, sizes.leastFaders);
  const tools = fits ? ({ x, y: under, width, height: sizes.tool, of: 'row' } as const) : null;
  const top = tools ? under + tools.height + GAP : under;
  return {
    ...{ head, tools },
    faders: { x, y: top, width, height: release.y - GAP - top, rows },
    release: { ...release, of: width >= sizes.wholeRelease ? 'whole' : 'narrow' },
  };
}

/** Head above, then the picture with release and stopline beside it or the stopline under both, faders below. */
function inBand(
  { aspect }: Wish,
  sizes: Sizes,
  { x, y, width, height }: Rect,
): Omit<Places, 'kind' | 'panel'> {
  const inner = width - 2 * EDGE;
  const head = { x: x + EDGE, y, width: inner, ...sizes.headIn(inner) };
  const top = y + head.height;
  const wordsBeside = fit(width - STOPLINE_WORDS - 2 * EDGE, height, aspect);
  const lineUnder = fit(width - 136 - 2 * EDGE, height - sizes.stopline - GAP, aspect);
  const beside = wordsBeside.height >= lineUnder.height;
  const picture = { x, y: top, ...(beside ? wordsBeside : lineUnder) };
  const aside = { x: x + picture.width + EDGE, width: width - picture.width - 2 * EDGE };
  const bottom = top + height;
  const release = {
    ...aside,
    y: bottom - sizes.release - (beside ? 0 : sizes.stopline + GAP),
    height: sizes.release,
    of: 'least' as const,
  };
  const stopline = beside
    ? { ...aside, y: top + GAP, height: Math.min(136, release.y - top - 2 * GAP) }
    : { x: x + EDGE, width: inner, y: bottom - sizes.stopline, height: sizes.stopline };
  const { rows, height: tall } = sizes.fadersIn(inner);
  return {
    ...{ head, picture, stopline, over: false, tools: null, second: null, release },
    faders: { x: x + EDGE, y: bottom + GAP, width: inner, height: tall, rows },
  };
}

function wide({ room, aspect, panel, text = 1 }: Wish, sizes: Sizes): Places {
  const { width, height } = room;
  const edge = 12;
  const column = Math.round(Math.min(560, Math.max(416, 0.27 * width)));
  const x = width - column - edge;
  const fitted = fit(x - 2 * edge, height - 136 - 2 * edge - GAP, aspect);
  const picture = { x: edge, y: edge, ...fitted };
  const below = picture.y + picture.height + GAP;
  const head = { x, y: edge, width: column, lines: 2 as const, height: 2 * HEAD * text };
  const release = { x, y: height - edge - sizes.release, width: column, height: sizes.release };
  const { rows, height: least } = sizes.fadersIn(column);
  // As tall as a fader needs to be dragged while a panel is open; the rest is the panel's.
  const wished = panel ? 208 : Math.min(420, 0.38 * height);
  const tall = Math.max(least, wished);
  const faders = { x, y: release.y - GAP - tall, width: column, height: tall, rows };
  const from = head.y + head.height + GAP;
  const second = { x, y: from, width: column, height: faders.y - 2 * GAP - from };
  return {
    kind: 'wide',
    ...{ head, picture, over: false, faders },
    stopline: { x: edge, y: below, width: x - 2 * edge, height: Math.min(200, height - edge - below) },
    tools: {
      ...{ x: picture.x + EDGE, y: below - GAP - sizes.tool - EDGE, height: sizes.tool },
      ...{ width: picture.width - 2 * EDGE, of: 'foot' },
    },
    release: { ...release, of: 'whole' },
    second: panel ? null : second,
    panel: panel ? second : null,
  };
}

/** The same from the other side. */
function mirrored(places: Places, width: number): Places {
  const turn = <R extends Rect>(rect: R): R => ({ ...rect, x: width - rect.x - rect.width });
  const { tools, second, panel } = places;
  return {
    ...places,
    head: turn(places.head),
    picture: turn(places.picture),
    stopline: turn(places.stopline),
    faders: turn(places.faders),
    release: turn(places.release),
    tools: tools && turn(tools),
    second: second && turn(second),
    panel: panel && turn(panel),
  };
}
