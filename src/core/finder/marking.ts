// What is drawn over the finder's picture, and what the marks say of it: where raw and picture clip, stripes at a level, what is sharp, what is brightest.
import {
  disagreement,
  drawMarks,
  markBright,
  markPicture,
  markRaw,
  type Disagreement,
} from '../scopes/marks';
import { BLACK, CLIP_ALL, FLOOR_ALL, WHITE, ZEBRA } from '../scopes/mark-bits';
import { zebraOnPicture, zebraOnRaw, type ZebraOn } from '../scopes/zebra';
import type { RawFrame } from '../sensor/raw-frame';
import { drawSharp, type SharpRange } from './depth';
import { MARK_COLOURS } from './drawing';
import type { Outlook } from './outlook';
import type { Source } from './source';

/** What is drawn over the picture. */
export interface MarksAsk {
  readonly rawClip: boolean;
  readonly rawFloor: boolean;
  readonly pictureWhite: boolean;
  readonly pictureBlack: boolean;
  readonly zebra: ZebraOn | null;
  /** What is sharp, where that is to be marked. */
  readonly inFocus: SharpRange | null;
}

/** What is marked: a frame, what is told of its capture, and the light of its samples. */
export interface Markable {
  readonly frame: RawFrame;
  readonly outlook: Outlook;
  readonly light: Float32Array;
}

/**
 * Draws the marks that are asked for, frame after frame; says how raw and picture disagree when that is `told`.
 * @param rgba the picture that is drawn over, of the source's size
 */
export function marking(
  { width, height, depth }: Source,
  rgba: Uint8ClampedArray<ArrayBuffer>,
): (of: Markable, which: MarksAsk, told: boolean) => Disagreement | null {
  const mask = new Uint16Array(width * height);
  const stripes = stripesOnPicture(width * height);
  return ({ frame, outlook, light }, which, told) => {
    const { rawClip, rawFloor, pictureWhite, pictureBlack, zebra, inFocus } = which;
    // Under whatever else is marked.
    if (inFocus && depth) drawSharp(depth, inFocus, rgba, width, height);
    if (!rawClip && !rawFloor && !pictureWhite && !pictureBlack && !zebra && !told) return null;
    mask.fill(0);
    // What is told needs more than what is drawn; the rest is left out of the drawing.
    const wanted =
      (rawClip ? CLIP_ALL : 0) |
      (rawFloor ? FLOOR_ALL : 0) |
      (pictureWhite ? WHITE : 0) |
      (pictureBlack ? BLACK : 0);
    if (rawClip || rawFloor || told) markRaw(frame, { clip: rawClip || told, floor: rawFloor }, mask);
    if (pictureWhite || pictureBlack || told)
      markPicture(rgba, { white: pictureWhite || told, black: pictureBlack || told }, mask);
    if (told) markBright(rgba, mask);
    const said = told ? disagreement(mask) : null;
    if (zebra?.of === 'raw')
      zebraOnRaw(light, width, outlook.levels, outlook.response, zebra.belowClip12, mask);
    else if (zebra) zebraOnPicture(rgba, zebra.percent, stripes(frame, zebra.percent), mask);
    drawMarks(rgba, mask, width, MARK_COLOURS, wanted | ZEBRA);
    return said;
  };
}

/** Where stripes were in the frame before: noise is held back by it. Another exposure or level starts anew. */
function stripesOnPicture(size: number): (frame: RawFrame, percent: number) => Uint8Array {
  const held = new Uint8Array(size);
  let last = '';
  return ({ settings: { shutterS, iso, apertureN } }, percent) => {
    const key = `${shutterS} ${iso} ${apertureN} ${percent}`;
    if (key !== last) held.fill(0);
    last = key;
    return held;
  };
}
