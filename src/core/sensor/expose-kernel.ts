// Exposing rows by a kernel: where its tables and rows lie in memory. What is right is what `exposeRows` does without it.
import { wasm } from '../kernels/expose.generated';
import { kernel, type Numbers } from '../kernels/kernel';
import { normalQuantiles, poissonTables } from '../numeric/random';

interface Functions {
  tables(quantiles: number, thresholds: number, aliases: number, limit: number): void;
  exposure(...[perLx, full, sites, perE, read, black, white, dither]: Numbers<8>): void;
  row(illuminance: number, width: number, seed: number, stream: number, bits: number, out: number): void;
}

/** What holds for all sites of an exposure; in DN and electrons, as `exposeRows` works them out. */
export interface SiteExposure {
  readonly electronsPerLx: number;
  readonly surelyFull: number;
  readonly sitesPerSample: number;
  readonly dnPerSummedE: number;
  readonly readDn: number;
  readonly black: number;
  readonly white: number;
  readonly dither: number;
}

/** Sites a row at most; wider ones are exposed without the kernel. */
export const MOST_WIDE = 16384;
const QUANTILES = 65536;
const THRESHOLDS = QUANTILES + 4 * 4096;
const CELLS = 513 * 128;
const ALIASES = THRESHOLDS + 4 * CELLS;
const LIGHT = ALIASES + CELLS;
const BITS = LIGHT + 4 * (MOST_WIDE + 4);
const OUT = BITS + 4 * (MOST_WIDE + 4);

const loaded = kernel<Functions>(wasm, OUT + 2 * (MOST_WIDE + 4));

export interface RowExposer {
  /** Light on the sites of a row goes here, lx. */
  readonly light: Float32Array;
  /** Exposes them; the numbers are in `dn` then. */
  expose(width: number, seed: number, stream: number): void;
  readonly dn: Uint16Array;
}

let made: RowExposer | undefined;

/** An exposer of rows; null where there is none. */
export function rowExposer(exposure: SiteExposure): RowExposer | null {
  const of = loaded();
  if (!of) return null;
  const { memory, call } = of;
  if (!made) {
    const { threshold, alias, limit } = poissonTables();
    new Float32Array(memory, QUANTILES, 4096).set(normalQuantiles());
    new Uint32Array(memory, THRESHOLDS, CELLS).set(threshold);
    new Uint8Array(memory, ALIASES, CELLS).set(alias);
    call.tables(QUANTILES, THRESHOLDS, ALIASES, limit);
    made = {
      light: new Float32Array(memory, LIGHT, MOST_WIDE),
      dn: new Uint16Array(memory, OUT, MOST_WIDE),
      expose: (width, seed, stream) => call.row(LIGHT, width, seed, stream, BITS, OUT),
    };
  }
  const { electronsPerLx, surelyFull, sitesPerSample, dnPerSummedE, readDn, black, white, dither } = exposure;
  call.exposure(electronsPerLx, surelyFull, sitesPerSample, dnPerSummedE, readDn, black, white, dither);
  return made;
}
