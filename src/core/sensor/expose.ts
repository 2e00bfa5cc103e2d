// Exposing: light on each site → electrons → numbers. EMVA Standard 1288 linear camera model: Poisson shot noise, read noise before and after the
// gain, quantisation, dead-on saturation.
import { MOST_WIDE, rowExposer, type SiteExposure } from './expose-kernel';
import {
  fillUint32,
  nextPoisson,
  NORMAL_BITS,
  normalQuantiles,
  poissonTables,
  randomFrom,
} from '../numeric/random';
import { electronsPerLxS, gainDnPerE, type SensorModel } from './sensor';

export interface Exposure {
  readonly shutterS: number;
  readonly iso: number;
  readonly seed: number;
  /** Full-size sites of one colour averaged into each site of the frame; 1 for a capture. */
  readonly sitesPerSample: number;
}

/**
 * Exposes rows of a mosaic.
 * @param illuminance light on each site in its own colour channel, lx (q·L/N²), row by row from `firstRow`
 * @param width sites a row
 * @param firstRow row number in the whole frame: each row has its own random stream, so bands can be made apart
 * @param out receives DN, same size as `illuminance`
 */
export function exposeRows(
  sensor: SensorModel,
  exposure: Exposure,
  illuminance: Float32Array,
  width: number,
  firstRow: number,
  out: Uint16Array,
): void {
  const n = exposure.sitesPerSample;
  const gain = gainDnPerE(sensor, exposure.iso);
  const electronsPerLx = electronsPerLxS(sensor) * exposure.shutterS;
  const readDn = Math.sqrt((gain * sensor.readPreE) ** 2 + sensor.readPostDn ** 2) / Math.sqrt(n);
  const { black, white } = sensor;
  // Averaging n sites: the sum of their electrons is Poisson with n times the mean. Beyond saturation by far more
  // than the noise, no draw is needed: the number is white.
  const dnPerSummedE = gain / n;
  const full = (white - black + 8 * readDn) / gain;
  const surelyFull = full + 6 * Math.sqrt((full + 36) / n);
  // A mean of many sites has less noise than a step: without dither its shadows would follow the steps instead of the light.
  const dither = n > 1 ? 1 / 65536 : 0;
  const rows = Math.floor(illuminance.length / width);
  const of = { electronsPerLx, surelyFull, sitesPerSample: n, dnPerSummedE, readDn, black, white, dither };
  const exposer = width <= MOST_WIDE ? rowExposer(of) : null;
  for (let row = 0; exposer && row < rows; row++) {
    exposer.light.set(illuminance.subarray(row * width, (row + 1) * width));
    exposer.expose(width, exposure.seed, firstRow + row);
    out.set(exposer.dn.subarray(0, width), row * width);
  }
  if (!exposer) exposePlainly(of, exposure.seed, illuminance, width, firstRow, out);
}

/** The same without a kernel. */
function exposePlainly(
  { electronsPerLx, surelyFull, sitesPerSample: n, dnPerSummedE, readDn, black, white, dither }: SiteExposure,
  seed: number,
  illuminance: Float32Array,
  width: number,
  firstRow: number,
  out: Uint16Array,
): void {
  const quantiles = normalQuantiles();
  const tables = poissonTables();
  const rows = Math.floor(illuminance.length / width);
  const bitsOfRow = new Uint32Array(width);
  const mask = (1 << NORMAL_BITS) - 1;
  for (let row = 0; row < rows; row++) {
    const random = randomFrom(seed, firstRow + row);
    fillUint32(random, bitsOfRow);
    const start = row * width;
    for (let x = 0; x < width; x++) {
      const i = start + x;
      const mean = illuminance[i]! * electronsPerLx;
      if (!(mean < surelyFull)) {
        out[i] = white;
        continue;
      }
      const summed = mean * n;
      const bits = bitsOfRow[x]!;
      const read = quantiles[bits & mask]! * readDn;
      const electrons =
        summed >= tables.limit
          ? summed + quantiles[bits >>> (32 - NORMAL_BITS)]! * Math.sqrt(summed)
          : summed > 0
            ? nextPoisson(tables, random, summed)
            : 0;
      // Whole steps are taken downwards: +½ rounds; a dither of 0 … 1 does the same on average.
      const offset = dither > 0 ? ((Math.imul(bits, 0x9e3779b1) >>> 16) + 0.5) * dither : 0.5;
      const dn = black + electrons * dnPerSummedE + read + offset;
      out[i] = dn < 0 ? 0 : dn >= white ? white : dn;
    }
  }
}
