// The finder of a camera that shows a finished picture only: meter, pins, the picture's ends and zebra, on samples that keep the picture's
// own values. Of raw it tells nothing.
import { offsetNow, relativeGreyEv100, type Calibration, type ToldExposure } from '../meter/calibration';
import type { FramePoint } from '../meter/luminance-map';
import { CELL, pictureSight } from '../meter/picture-sight';
import { meanAt, type Pin, type PinReading } from '../meter/pins';
import { readMeter, type Reading } from '../meter/read';
import { drawMarks, markPicture } from '../scopes/marks';
import { BLACK as BLACK_END, WHITE as WHITE_END, ZEBRA } from '../scopes/mark-bits';
import { zebraOnPicture } from '../scopes/zebra';
import type { SettingValues } from '../setting/settings';
import { ev100OfLuminance } from '../light/apex';
import { isUnknown } from '../units/known';
import { dotted, lightUp, MARK_COLOURS, READ_FROM, type PeakingColour } from './drawing';

/** Samples of one picture. */
export interface PictureSamples {
  readonly width: number;
  readonly height: number;
  /** sRGB code values; they must stay as they are until the next picture is read. */
  readonly rgba: Uint8ClampedArray;
  readonly exposure: ToldExposure;
}

export interface PictureAsk {
  /** A filter before the lens takes light that the meter adds again. */
  readonly settings: Pick<SettingValues, 'meter' | 'filterStops'>;
  /** Where the spot lies. */
  readonly at: FramePoint;
  readonly pins: readonly Pin[];
  readonly calibration: Calibration | null;
}

export interface PictureMarksAsk {
  readonly white: boolean;
  readonly black: boolean;
  /** Per cent of 255 from which stripes lie; null for none. */
  readonly zebraPercent: number | null;
  /** Share of the frame that the highlight pattern lets burn, to dot what it reads; null for no dots. */
  readonly brightestShare: number | null;
  /** Samples that light up; null for none. */
  readonly peaks: { readonly samples: Uint32Array; readonly colour: PeakingColour } | null;
}

/** Shares of the picture at the ends of its tones. */
export interface PictureEnds {
  /** Some component at 255. */
  readonly white: number;
  /** All components at 0. */
  readonly black: number;
}

export interface PictureRead {
  readonly reading: Reading;
  readonly wholeEv100: number;
  readonly pins: readonly PinReading[];
  /** Stops that what is read lies over (+) or under (−) mid-grey of the picture. */
  readonly fromGreyEv: number;
  /** Why readings tell differences only; null where they are absolute. */
  readonly relative: string | null;
}

export interface PictureFinder {
  read(samples: PictureSamples, ask: PictureAsk): PictureRead;
  /** Shares at the ends, of the picture read last. */
  ends(): PictureEnds;
  /** What is to be drawn over the picture read last: RGBA, clear where nothing is marked. Null when nothing is asked for. */
  marks(ask: PictureMarksAsk): Uint8ClampedArray<ArrayBuffer> | null;
}

export function pictureFinder(width: number, height: number): PictureFinder {
  const layer = new Uint8ClampedArray(width * height * 4);
  const mask = new Uint16Array(width * height);
  const striped = { percent: NaN, held: new Uint8Array(width * height) };
  let last: { rgba: Uint8ClampedArray; sight: ReturnType<typeof pictureSight> } | undefined;
  const lastOf = () => {
    if (!last) throw new Error('No picture was read');
    return last;
  };

  return {
    read: (samples, { settings: { meter, filterStops }, at, pins, calibration }) => {
      if (samples.width !== width || samples.height !== height)
        throw new RangeError(
          `Samples of ${samples.width}×${samples.height} where ${width}×${height} are read`,
        );
      const offset = offsetNow(calibration, samples.exposure);
      const greyEv100 = relativeGreyEv100(samples.exposure) + filterStops + (isUnknown(offset) ? 0 : offset);
      const sight = pictureSight(samples.rgba, width, height, greyEv100);
      last = { rgba: samples.rgba, sight };
      const aim = { at, spotShare: meter.spotShare, burnShare: meter.burnShare };
      const reading = readMeter(sight, meter.pattern, aim);
      return {
        reading,
        wholeEv100: meter.pattern === 'whole' ? reading.ev100 : readMeter(sight, 'whole', aim).ev100,
        pins: pins.map((pin): PinReading => {
          const luminance = meanAt(sight.luminance, pin);
          const top = meanAt(sight.peak(), pin);
          const bound = top >= sight.range.clip ? 'least' : top < sight.range.floor ? 'most' : null;
          const ev100 = ev100OfLuminance(luminance);
          return {
            letter: pin.letter,
            luminance,
            ev100,
            fromGreyEv: ev100 - greyEv100,
            toClipEv: null,
            bound,
          };
        }),
        fromGreyEv: reading.ev100 - greyEv100,
        relative: isUnknown(offset) ? offset.unknown : null,
      };
    },
    ends: () => {
      mask.fill(0);
      markPicture(lastOf().rgba, { white: true, black: true }, mask);
      let [white, black] = [0, 0];
      for (const bits of mask) {
        if (bits & WHITE_END) white++;
        if (bits & BLACK_END) black++;
      }
      return { white: white / mask.length, black: black / mask.length };
    },
    marks: ({ white, black, zebraPercent, brightestShare, peaks }) => {
      if (!white && !black && zebraPercent === null && brightestShare === null && !peaks) return null;
      const { rgba, sight } = lastOf();
      mask.fill(0);
      layer.fill(0);
      if (white || black) markPicture(rgba, { white, black }, mask);
      if (zebraPercent !== null) {
        if (striped.percent !== zebraPercent) striped.held.fill(0);
        striped.percent = zebraPercent;
        zebraOnPicture(rgba, zebraPercent, striped.held, mask);
      }
      drawMarks(layer, mask, width, MARK_COLOURS, WHITE_END | BLACK_END | ZEBRA);
      veil(layer);
      if (brightestShare !== null) {
        const from = sight.brightest(brightestShare) * READ_FROM;
        const { data, width: across } = sight.peak();
        const cellOf = (i: number) =>
          Math.floor(Math.floor(i / width) / CELL) * across + Math.floor((i % width) / CELL);
        dotted(layer, width, height, (i) => data[cellOf(i)]! >= from);
      }
      if (peaks) lightUp(layer, width, peaks.samples, peaks.colour);
      return layer;
    },
  };
}

const OPAQUE_BLACK = 0xff000000;
/** Leaves a quarter of the light under it. */
const THREE_QUARTERS_BLACK = 0xbf000000;

/** Stripes darken what lies under them: on a layer of their own they are three quarters opaque. */
function veil(layer: Uint8ClampedArray): void {
  const pixels = new Uint32Array(layer.buffer, layer.byteOffset, layer.length >> 2);
  for (let i = 0; i < pixels.length; i++) if (pixels[i] === OPAQUE_BLACK) pixels[i] = THREE_QUARTERS_BLACK;
}
