// Photon transfer after EMVA Standard 1288; saturation after ISO 12232 (78/S).
import {
  randomFrom,
  nextUint32,
  fillUint32,
  nextPoisson,
  poissonTables,
  normalQuantiles,
} from '../numeric/random';
import { clipLevel, floorSignal } from './raw-frame';
import { gainDnPerE, noiseModel, SATURATION_EXPOSURE_ISO100 } from './sensor';
import { exposeRows } from './expose';
import { SIM_ONE_WIDE } from './sim-one';

const { sensor } = SIM_ONE_WIDE;
const SITES = 256 * 256;

/** A flat field at a share of saturation of the given ISO. */
function flat(share: number, iso: number, seed: number, sitesPerSample = 1): Uint16Array {
  const shutterS = 1 / 128;
  const lux = (share * SATURATION_EXPOSURE_ISO100 * (100 / Math.max(100, iso))) / shutterS;
  const out = new Uint16Array(SITES);
  exposeRows(sensor, { shutterS, iso, seed, sitesPerSample }, new Float32Array(SITES).fill(lux), 256, 0, out);
  return out;
}

const mean = (a: ArrayLike<number>) =>
  Array.prototype.reduce.call(a, (s, v) => (s as number) + (v as number), 0) as number;

/** Mean signal and temporal variance of a pair (EMVA 1288: half the variance of the difference). */
function pair(share: number, iso: number, sitesPerSample = 1) {
  const [a, b] = [flat(share, iso, 11, sitesPerSample), flat(share, iso, 12, sitesPerSample)];
  const d = Float64Array.from(a, (v, i) => v - b[i]!);
  const m = mean(d) / SITES;
  return {
    signal: (mean(a) + mean(b)) / (2 * SITES) - sensor.black,
    variance: mean(d.map((v) => (v - m) ** 2)) / (2 * (SITES - 1)),
  };
}

/** Straight line through points, weighted by 1/variance² (the variance of a variance grows with it). */
function line(points: { signal: number; variance: number }[]) {
  let [s, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0];
  for (const { signal: x, variance: y } of points) {
    const w = 1 / (y * y);
    s += w;
    sx += w * x;
    sy += w * y;
    sxx += w * x * x;
    sxy += w * x * y;
  }
  const slope = (s * sxy - sx * sy) / (s * sxx - sx * sx);
  return { slope, intercept: (sy - slope * sx) / s };
}

describe.each([100, 400, 1600])('photon transfer at ISO %i (EMVA 1288)', (iso) => {
  const dark = pair(0, iso);
  const points = [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.4, 0.6, 0.8].map((share) => pair(share, iso));
  const { slope, intercept } = line([dark, ...points]);

  it('gives back the system gain within 2 %', () => {
    expect(slope / gainDnPerE(sensor, iso)).toBeGreaterThan(0.98);
    expect(slope / gainDnPerE(sensor, iso)).toBeLessThan(1.02);
  });

  it('gives back the read noise within 5 %', () => {
    const stated = Math.sqrt(noiseModel(sensor, iso).read);
    expect(Math.sqrt(intercept) / stated).toBeGreaterThan(0.95);
    expect(Math.sqrt(intercept) / stated).toBeLessThan(1.05);
  });

  it('is linear within 1 % from 5 % to 95 % of saturation', () => {
    const range = sensor.white - sensor.black;
    for (const share of [0.05, 0.1, 0.25, 0.5, 0.75, 0.9]) {
      expect(Math.abs(pair(share, iso).signal / (share * range) - 1)).toBeLessThan(0.01);
    }
  });
});

describe('the sensor', () => {
  it('saturates dead-on: every site of a field well over is white, and nothing passes it', () => {
    expect(new Set(flat(1.3, 100, 1))).toEqual(new Set([sensor.white]));
    expect(Math.max(...flat(1, 100, 1))).toBe(sensor.white);
  });

  it('saturates at 0.78 lx·s at ISO 100 (ISO 12232), a stop earlier for each doubling', () => {
    expect(mean(flat(0.98, 100, 1)) / SITES).toBeLessThan(sensor.white - 20);
    expect(mean(flat(1.02, 100, 1)) / SITES).toBeGreaterThan(sensor.white - 12);
    expect(gainDnPerE(sensor, 800) / gainDnPerE(sensor, 100)).toBeCloseTo(8, 12);
  });

  it('gives identical numbers at ISO 50 and ISO 100', () =>
    expect(flat(0.3, 50, 5)).toEqual(flat(0.3, 100, 5)));

  it('repeats itself with the same seed, and only then', () => {
    expect(flat(0.1, 100, 7)).toEqual(flat(0.1, 100, 7));
    expect(flat(0.1, 100, 7)).not.toEqual(flat(0.1, 100, 8));
  });

  it('makes bands apart as it makes them together', () => {
    const light = new Float32Array(32 * 16).fill(20);
    const exposure = { shutterS: 1 / 60, iso: 200, seed: 3, sitesPerSample: 1 };
    const whole = new Uint16Array(32 * 16);
    exposeRows(sensor, exposure, light, 32, 0, whole);
    const part = new Uint16Array(32 * 4);
    exposeRows(sensor, exposure, light.subarray(0, 32 * 4), 32, 8, part);
    expect(part).toEqual(whole.slice(8 * 32, 12 * 32));
  });

  it('averages noise away as 1/√n when binned', () => {
    const ratio = pair(0.2, 100).variance / pair(0.2, 100, 16).variance;
    expect(ratio).toBeGreaterThan(14);
    expect(ratio).toBeLessThan(18);
  });

  it('in the dark is black with read noise on both sides', () => {
    const dark = flat(0, 6400, 2);
    expect(mean(dark) / SITES).toBeCloseTo(sensor.black, 0);
    expect(Math.min(...dark)).toBeLessThan(sensor.black);
  });

  it('has about 12 stops between its floor and saturation at base ISO', () => {
    const range = sensor.white - sensor.black;
    const stops = Math.log2(range / Math.sqrt(noiseModel(sensor, 100).read));
    expect(stops).toBeGreaterThan(11.5);
    expect(stops).toBeLessThan(12.7);
  });

  it('has SNR 1 at its floor', () => {
    for (const iso of [100, 1600]) {
      const noise = noiseModel(sensor, iso);
      const s = floorSignal(noise);
      expect(s / Math.sqrt(noise.shot * s + noise.read)).toBeCloseTo(1, 9);
    }
  });
});

describe('a mosaic', () => {
  it('clips a guard below white, never at or under black', () => {
    expect(clipLevel({ black: 256, white: 4095 })).toBe(4091);
    expect(clipLevel({ black: 0, white: 65535 })).toBe(65531);
    expect(clipLevel({ black: 10, white: 11 })).toBe(11);
  });
});

describe('random numbers', () => {
  it('in bulk equal those one by one', () => {
    const bulk = new Uint32Array(50);
    fillUint32(randomFrom(9, 4), bulk);
    const single = randomFrom(9, 4);
    expect([...bulk]).toEqual(Array.from({ length: 50 }, () => nextUint32(single)));
  });

  it('are spread evenly', () => {
    const bins = new Uint32Array(16);
    const random = randomFrom(1);
    for (let i = 0; i < 160_000; i++) bins[nextUint32(random) >>> 28]!++;
    const chi2 = bins.reduce((sum, n) => sum + (n - 10_000) ** 2 / 10_000, 0);
    expect(chi2).toBeLessThan(37.7); // 99.9 % point of χ² with 15 degrees of freedom (tables)
  });

  it.each([0.05, 0.7, 3.03, 17.5, 31.9])('Poisson of mean %f has that mean and variance', (lambda) => {
    const [random, tables] = [randomFrom(3), poissonTables()];
    const n = 200_000;
    let [sum, square] = [0, 0];
    for (let i = 0; i < n; i++) {
      const k = nextPoisson(tables, random, lambda);
      sum += k;
      square += k * k;
    }
    const m = sum / n;
    expect(Math.abs(m - lambda)).toBeLessThan(4 * Math.sqrt(lambda / n));
    expect((square / n - m * m) / lambda).toBeCloseTo(1, 1);
  });

  it('normal quantiles have mean 0 and variance 1', () => {
    const q = normalQuantiles();
    expect(mean(q) / q.length).toBeCloseTo(0, 6);
    expect(mean(q.map((z) => z * z)) / q.length).toBeCloseTo(1, 5);
  });
});
