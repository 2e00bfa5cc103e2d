// A linear image that was made of finished pictures as DNG: its colours are linear sRGB, so its matrix is that of sRGB (IEC 61966-2-1) for D65; with white set
// by hand, that of a picture that was made for daylight.
import type { CameraMatrices } from '../colour/calibrated';
import { XYZ_FROM_SRGB } from '../colour/srgb';
import type { WhitePoint } from '../colour/temperature';
import { writeDng, type Previews } from '../dng/write';
import { invert3 } from '../numeric/matrix';
import type { NoiseModel, Seen } from '../sensor/raw-frame';
import type { Components } from '../sensor/rgb-image';
import { PICTURE_MATRICES, pictureWhite } from '../white/on-picture';
import { pictureExif, pictureXmp, plain, type PictureFacts } from './picture-facts';

const SRGB_MATRICES: CameraMatrices = [{ kelvin: 6504, matrix: invert3(XYZ_FROM_SRGB) }];

export interface LinearDngOptions extends Previews {
  readonly facts: PictureFacts;
  readonly note?: string;
  /** White by hand, told in the tags and not put on the numbers; absent for sRGB as it comes. */
  readonly white?: WhitePoint;
}

/** Its pictures stand upright: nothing is turned. @throws RangeError when the numbers do not fit the size */
export function writeLinearDng(
  image: Components & Pick<Seen, 'crop' | 'userCrop'> & { readonly noise: NoiseModel | null },
  { facts, note, white, ...previews }: LinearDngOptions,
): Uint8Array {
  const { timeMs, offsetMinutes } = facts;
  return writeDng({
    image: { ...image, layout: 'rgb', orientation: 1 },
    colour: {
      matrices: white ? PICTURE_MATRICES : SRGB_MATRICES,
      asShotNeutral: white ? pictureWhite(white).neutral : [1, 1, 1],
      baselineEv: 0,
    },
    codec: 'none',
    previews,
    facts: {
      ...{ model: plain(facts.device), timeMs, offsetMinutes },
      exif: pictureExif(facts, image.width, image.height),
      xmp: pictureXmp(facts, note),
      credit: facts,
    },
  });
}
