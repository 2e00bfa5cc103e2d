// The two histograms as drawings on a canvas: raw over stops (the stopline), and the picture's code values.
import type { ToneLimits } from '../../core/scopes/limits';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import { STOPLINE_BINS, type Stopline } from '../../core/scopes/stopline';
import type { PinReading } from '../../core/meter/pins';
import { font, strokeOf, tokenOf, type ThemeId, type Token } from '../theme';
import {
  clippedBar,
  paintLayers,
  pictureColumns,
  rawColumns,
  tallest,
  WHOLE_AXIS,
  xOfEv,
  type Axis,
  type Heights,
  type Layer,
} from './shape';

type Context = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** A sheet to draw on: its size, pixels of the page, and how things look on it. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  readonly theme: ThemeId;
  /** Size of text, times the usual. */
  readonly text: number;
  /** Pixels of the screen in one of the page. */
  readonly dense: number;
}

/** What is drawn with. */
export interface Pen extends Sheet {
  readonly context: Context;
  /** Pixels of the screen to be filled and put there; the same ones each time. */
  pixels(width: number, height: number): ImageData;
  /** A colour of the theme that is on. */
  ink(token: Token): string;
  /** Factor of line widths. */
  readonly bold: number;
}

export type Paint = (pen: Pen) => void;

/** What a scope shows: raw with all that is known beside it or alone, or the picture's code values. */
export type ScopeLook =
  | {
      readonly kind: 'raw';
      readonly axis: Axis;
      readonly heights: Heights;
      readonly cleanDb: number | null;
      /** Of a set of frames, how much more light each gets than the exposure that stands, thirds of a stop. */
      readonly spans: { readonly thirds: readonly number[]; readonly token: Token } | null;
    }
  | { readonly kind: 'picture'; readonly heights: Heights };

/** What there is to show of one frame. */
export interface ScopeData {
  readonly raw: {
    readonly stopline: Stopline;
    readonly floorEv: number | null;
    readonly midGreyEv: number;
    readonly cleanEv: number;
    readonly tones: ToneLimits;
  } | null;
  readonly picture: PictureHistogram | null;
  readonly pins: StoplineLook['pins'];
}

/** A pen for a canvas; it is made as large as the sheet is on the screen. null where nothing can be drawn. */
export function penFor(
  canvas: HTMLCanvasElement | OffscreenCanvas,
  sheet: Sheet,
  pixels: Pen['pixels'],
): Pen | null {
  const context = canvas.getContext('2d', { willReadFrequently: true }) as Context | null;
  const { width, height, theme, dense } = sheet;
  if (!context || !(width > 0) || !(height > 0)) return null;
  const [across, down] = [Math.round(width * dense), Math.round(height * dense)];
  if (canvas.width !== across || canvas.height !== down)
    Object.assign(canvas, { width: across, height: down });
  context.setTransform(dense, 0, 0, dense, 0, 0);
  return {
    ...sheet,
    ...{ context, pixels },
    bold: strokeOf(theme),
    ink: (token) => tokenOf(theme, token),
  };
}

/** Pixels that are made anew only when another size is asked for. */
export function pixelStore(): Pen['pixels'] {
  let kept: ImageData | null = null;
  return (across, down) => {
    if (kept?.width !== across || kept.height !== down) kept = new ImageData(across, down);
    return kept;
  };
}

/** Draws what there is to show; an empty sheet where there is nothing. */
export function paintScope(pen: Pen, look: ScopeLook, data: ScopeData | null): void {
  pen.context.clearRect(0, 0, pen.width, pen.height);
  if (look.kind === 'picture') {
    if (data?.picture) paintPicture(pen, data.picture, look.heights);
    return;
  }
  if (!data?.raw) return;
  const { stopline, floorEv, midGreyEv, cleanEv, tones } = data.raw;
  const { axis, heights, cleanDb, spans } = look;
  const beside = cleanDb === null ? null : { clean: { ev: cleanEv, db: cleanDb }, tones, pins: data.pins };
  // A frame with more light clips that much lower, and is clean that much lower.
  const held = spans && {
    token: spans.token,
    of: spans.thirds.map((third) => ({ fromEv: cleanEv - third / 3, toEv: -third / 3 })),
  };
  paintStopline(pen, { data: stopline, floorEv, midGreyEv, axis, heights, ...beside, ...(held && { held }) });
}

export interface StoplineLook {
  readonly data: Stopline;
  /** null where nobody knows the noise. */
  readonly floorEv: number | null;
  readonly midGreyEv: number;
  /** Where raw is clean, and by which ratio. */
  readonly clean?: { readonly ev: number; readonly db: number };
  /** The ends of the picture's tones by channel. */
  readonly tones?: ToneLimits;
  /** Pins by their letters: how far each is from raw clip in its first channel. */
  readonly pins?: readonly Pick<PinReading, 'letter' | 'toClipEv'>[];
  /** What each frame of a set holds clean and unclipped, stops from raw clip as the exposure stands. */
  readonly held?: { readonly token: Token; readonly of: readonly { fromEv: number; toEv: number }[] };
  readonly axis?: Axis;
  readonly heights?: Heights;
}

const INKS = ['red', 'green', 'blue'] as const;
const AXIS = 16;
const LABEL_PX = 11;
/** Height of what one frame of a set holds. */
const HELD_ROW = 9;

export function paintStopline(pen: Pen, look: StoplineLook): void {
  const {
    data,
    floorEv,
    midGreyEv,
    clean,
    tones,
    held,
    pins = [],
    axis = WHOLE_AXIS,
    heights = 'root',
  } = look;
  const { width, height, bold } = pen;
  const plot = height - AXIS * pen.text;
  const x = (ev: number) => xOfEv(ev, width, axis);
  const clipX = x(0);
  const floorX = floorEv === null ? 0 : Math.max(0, x(floorEv));
  const greyX = x(midGreyEv);

  const top = tallest(data.bins, 1, STOPLINE_BINS - 1);
  fill(pen, plot, (columns) =>
    data.bins.map((bins, c) => layer(pen, INKS[c]!, rawColumns(bins, top, columns, axis, heights))),
  );
  wash(pen, 'clip', 0.16, clipX, 0, Math.max(0, width - clipX), plot);
  for (let i = 0; i < 8; i++) wash(pen, 'floor', 0.34 - 0.03 * i, (i * floorX) / 8, 0, floorX / 8, plot);
  const barWidth = (width - clipX - 5) / 3;
  data.bins.forEach((bins, c) => {
    const bar = clippedBar(bins, plot, heights);
    wash(pen, INKS[c]!, 1, clipX + 3 + c * barWidth, plot - bar, Math.max(1, barWidth - 1), bar);
  });
  tones?.whiteEv.forEach((white, c) => {
    const y = 2 + 3 * c;
    line(pen, INKS[c]!, 2, Math.max(0, x(tones.blackEv[c]!)), y, Math.max(0, x(white)), y);
  });
  held?.of.forEach(({ fromEv, toEv }, i) => {
    const [from, to] = [Math.max(0, x(fromEv)), Math.min(width, x(toEv))];
    const row = Math.min(HELD_ROW, (0.6 * plot) / held.of.length);
    const y = plot - (i + 1) * row;
    if (to > from) wash(pen, held.token, 0.85, from, y, to - from, Math.max(2, row - 2));
  });
  const upright = (token: Token, at: number, stroke: number, dash?: readonly number[]) =>
    line(pen, token, stroke, at, 0, at, plot, dash);
  upright('floor', floorX, bold);
  if (clean && x(clean.ev) > 0) upright('good', x(clean.ev), bold, [1, 3]);
  upright('text', greyX, 1.5 * bold, [3, 3]);
  upright('clip', clipX, 3 * bold);
  line(pen, 'line', bold, 0, plot + 0.5, width, plot + 0.5);

  const every = axis.toEv - axis.fromEv > 8 ? 3 : 1;
  for (let ev = Math.ceil(axis.fromEv); ev <= axis.toEv; ev++) {
    const whole = ev % every === 0;
    line(pen, 'quiet', bold, x(ev), plot, x(ev), plot + (whole ? 5 : 3));
    if (whole && ev < 0) label(pen, `−${-ev}`, x(ev), height - 3);
  }
  label(pen, 'clip', clipX, height - 3, { token: 'clip' });
  const below = tones ? 21 : 11;
  if (greyX > 50) label(pen, 'mid-grey', greyX - 5, below, { token: 'text', align: 'right' });
  for (const { letter, toClipEv } of pins) {
    if (toClipEv === null) continue;
    // What lies beyond the axis stands at its end.
    const at = Math.min(width - 6, Math.max(6, x(-toClipEv)));
    line(pen, 'accent', 1.5 * bold, at, plot * 0.3, at, plot);
    label(pen, letter, at, plot * 0.3 - 3, { token: 'accent' });
  }
  if (floorX > 34) label(pen, 'noise', floorX - 4, below, { token: 'floor', align: 'right' });
  if (clean && plot > 44 && x(clean.ev) - floorX > 64)
    label(pen, `clean ${clean.db} dB`, x(clean.ev) - 4, 33, { token: 'good', align: 'right' });
}

export function paintPicture(pen: Pen, data: PictureHistogram, heights: Heights = 'root'): void {
  const { width, height, bold } = pen;
  const plot = height - AXIS * pen.text;
  const channels = [data.r, data.g, data.b];
  const top = tallest(channels, 1, 255);
  fill(pen, plot, (columns) => [
    ...channels.map((counts, c) => layer(pen, INKS[c]!, pictureColumns(counts, top, columns, heights))),
    { ...layer(pen, 'text', pictureColumns(data.luminance, top, columns, heights)), filled: false },
  ]);
  line(pen, 'line', bold, 0, plot + 0.5, width, plot + 0.5);
  label(pen, '0', 2, height - 3, { align: 'left' });
  label(pen, '118', width * (118 / 255), height - 3);
  label(pen, '255', width - 2, height - 3, { align: 'right' });
}

function layer({ ink }: Pen, token: Token, columns: Float32Array): Layer {
  return { columns, rgb: parseInt(ink(token).slice(1), 16), filled: true };
}

/** Histograms pixel by pixel: paths with hundreds of corners cost several times as much. They come first: pixels hide what was there. */
function fill(pen: Pen, plot: number, layers: (columns: number) => Layer[]): void {
  const { context, width, dense, bold } = pen;
  const [across, down] = [Math.round(width * dense), Math.round(plot * dense)];
  if (across < 1 || down < 1) return;
  const image = pen.pixels(across, down);
  const words = new Uint32Array(image.data.buffer);
  paintLayers(words, across, down, layers(across), Math.max(1, Math.round(0.8 * bold * dense)));
  context.putImageData(image, 0, 0);
}

/** A ground under what was drawn already. */
function wash(
  { context, ink }: Pen,
  token: Token,
  opacity: number,
  x: number,
  y: number,
  width: number,
  height: number,
): void {
  context.globalCompositeOperation = opacity < 1 ? 'destination-over' : 'source-over';
  context.globalAlpha = opacity;
  context.fillStyle = ink(token);
  context.fillRect(x, y, width, height);
  context.globalAlpha = 1;
  context.globalCompositeOperation = 'source-over';
}

function line(
  { context, ink }: Pen,
  token: Token,
  lineWidth: number,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  dash: readonly number[] = [],
): void {
  context.strokeStyle = ink(token);
  context.lineWidth = lineWidth;
  context.setLineDash([...dash]);
  context.beginPath();
  context.moveTo(x1, y1);
  context.lineTo(x2, y2);
  context.stroke();
  context.setLineDash([]);
}

function label(
  { context, ink, text }: Pen,
  words: string,
  x: number,
  y: number,
  { token = 'quiet', align = 'center' }: { token?: Token; align?: CanvasTextAlign } = {},
): void {
  context.font = `${LABEL_PX * text}px ${font.medium}`;
  context.textAlign = align;
  context.fillStyle = ink(token);
  context.fillText(words, x, y);
}
