// The automatic white of a raw frame.
import { automaticWhite, type CameraColour } from '../colour/camera';
import type { Vec3 } from '../numeric/matrix';
import { blackOf, clipLevel, floorSignal, type NoiseModel, type RawFrame } from '../sensor/raw-frame';
import { countSites, type SiteCounts } from './statistics';

/**
 * Automatic white from a frame's counts: the mean of the sites that are neither clipped nor near the floor. Where
 * hardly any are left, daylight.
 */
export function whiteFromCounts(
  counted: SiteCounts,
  noise: NoiseModel,
  colorMatrix: CameraColour['colorMatrix'],
): CameraColour {
  const means = counted.counts.map((counts, c) => {
    const black = blackOf(counted, c);
    const clip = clipLevel({ black, white: counted.white });
    const low = black + 2 * floorSignal(noise);
    let [n, sum] = [0, 0];
    for (let dn = Math.ceil(low); dn < clip; dn++) {
      n += counts[dn]!;
      sum += counts[dn]! * (dn - black);
    }
    return n > counted.sites / 400 ? sum / n : NaN;
  });
  const mean: Vec3 = [means[0]!, (means[1]! + means[2]!) / 2, means[3]!];
  const { kelvin, neutral } = automaticWhite(colorMatrix, mean);
  return { colorMatrix, asShotNeutral: neutral, kelvin };
}

/** Counts and white of a frame in one call. */
export function measureWhite(frame: RawFrame): CameraColour {
  return whiteFromCounts(countSites(frame), frame.noise, frame.colour.colorMatrix);
}
