// A DNG that was read, as an image to look at and the facts that it tells. What the file says is kept exactly.
import type { CameraMatrices } from '../colour/calibrated';
import { colourOfNeutral, srgbFromBalanced, type CameraColour } from '../colour/camera';
import { MOST_REACH, reachOf } from '../colour/rendering';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import { invert3 } from '../numeric/matrix';
import type { RawImage } from '../sensor/raw-frame';
import type { RgbImage } from '../sensor/rgb-image';
import { known } from '../units/known';
import { noiseOf } from './check';
import { factsOf, type FileFacts } from './file-facts';
import type { DngRaw } from './read';

export type FileFrame = (RawImage | RgbImage) & { readonly facts: FileFacts };

/** A camera that sees as sRGB does: colours are shown as they are stored. */
const PLAIN: CameraMatrices = [{ kelvin: 6504, matrix: invert3(XYZ_FROM_SRGB) }];

const TOO_STRONG = { unknown: 'Its ColorMatrix makes colours that no picture could show' };

/** False where the matrices lead to no colours, or beyond all that can be developed. */
function isShowable(colour: CameraColour): boolean {
  try {
    return reachOf(srgbFromBalanced(colour)) < MOST_REACH;
  } catch {
    return false;
  }
}

/** The frame of a file; one whose matrices cannot be used is shown in the camera's own colours, and its facts say why. */
export function rawFrameOf(raw: DngRaw): FileFrame {
  const told = factsOf(raw.metadata);
  const neutral = known(told.asShotNeutral) ?? ([1, 1, 1] as const);
  const seenBy = (matrices: CameraMatrices): CameraColour => ({
    ...colourOfNeutral(matrices, neutral),
    asShotNeutral: neutral,
  });
  const own = known(told.matrices);
  const ownColour = own && seenBy(own);
  const shown = ownColour && isShowable(ownColour);
  const colour = shown ? ownColour : seenBy(PLAIN);
  const facts = own && !shown ? { ...told, matrices: TOO_STRONG } : told;
  const { width, height, data, black, white, crop, userCrop, orientation, metadata } = raw;
  const image = {
    width,
    height,
    data,
    black,
    white,
    ...(crop && { crop }),
    ...(userCrop && { userCrop }),
    orientation,
    colour,
    noise: noiseOf(raw),
    // DNG: 0 when it is not there.
    baselineEv: metadata.baselineExposureEv ?? 0,
    facts,
  };
  if (raw.layout === 'rgb') return { ...image, layout: 'rgb' };
  const { phase, blacks } = raw;
  return { ...image, layout: 'cfa', phase, ...(blacks && { blacks }) };
}
