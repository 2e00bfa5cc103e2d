// How far a camera's meter sees: from what its shortest exposure at base ISO clips down to where its longest at the highest ISO
// has no more signal than noise. It meters with frames of its own, so the present settings do not matter.
import { BASE_ISO } from '../exposure/settings';
import { lensQ, type Lens } from '../optics/lens';
import { electronsPerLxS, gainDnPerE, SATURATION_EXPOSURE_ISO100, type SensorModel } from '../sensor/sensor';
import type { MeterRange } from './luminance-map';

const SHORTEST_S = 2 ** -13;
/** Ten readings a second. */
const LONGEST_S = 0.1;
const HIGHEST_ISO = 6400;
/** Fields that the frame is read in. */
const FIELDS = 128 * 96;

/** cd/m², at the lens' widest aperture. */
export function meterRangeOf(lens: Lens, sensor: SensorModel): MeterRange {
  // H = q·L·t/N²
  const luminanceOf = (exposureLxS: number, timeS: number) =>
    (exposureLxS * lens.apertureN * lens.apertureN) / (lensQ(lens) * timeS);
  const sites = (sensor.width * sensor.height) / FIELDS;
  const read = sensor.readPreE ** 2 + (sensor.readPostDn / gainDnPerE(sensor, HIGHEST_ISO)) ** 2;
  // SNR 1 of a field: S² = S + n·σ².
  const electrons = (1 + Math.sqrt(1 + 4 * sites * read)) / 2 / sites;
  return {
    clip: luminanceOf((SATURATION_EXPOSURE_ISO100 * 100) / BASE_ISO, SHORTEST_S),
    floor: luminanceOf(electrons / electronsPerLxS(sensor), LONGEST_S),
  };
}
