// Exposes rows of a mosaic: photons, read noise and steps, two sites at a time: the same numbers as `exposeRows` of sensor/sensor.ts makes. All in
// 64-bit floats in the same order, so that not a bit differs. AssemblyScript. Memory is laid out by the caller (sensor/expose-kernel.ts).

/** State of the generator (sfc32), as numeric/random.ts has it. */
let a: i32 = 0;
let b: i32 = 0;
let c: i32 = 0;
let counter: i32 = 0;

// @ts-ignore: decorator
@inline
function next(): u32 {
  const t = a + b + counter;
  counter++;
  a = b ^ (b >>> 9);
  b = c + (c << 3);
  c = ((c << 21) | (c >>> 11)) + t;
  return <u32>t;
}

let quantiles: usize = 0;
let thresholds: usize = 0;
let aliases: usize = 0;
let limit: f64 = 0;
let electronsPerLx: f64 = 0;
let surelyFull: f64 = 0;
let n: f64 = 0;
let dnPerSummedE: f64 = 0;
let readDn: f64 = 0;
let black: f64 = 0;
let white: f64 = 0;
let dither: f64 = 0;

/** Where the tables lie: quantiles of 12 bits, Poisson draws in 128 cells for each sixteenth of a mean. */
export function tables(atQuantiles: usize, atThresholds: usize, atAliases: usize, upTo: f64): void {
  quantiles = atQuantiles;
  thresholds = atThresholds;
  aliases = atAliases;
  limit = upTo;
}

export function exposure(
  perLx: f64,
  full: f64,
  sites: f64,
  perE: f64,
  read: f64,
  from: f64,
  to: f64,
  dithered: f64,
): void {
  electronsPerLx = perLx;
  surelyFull = full;
  n = sites;
  dnPerSummedE = perE;
  readDn = read;
  black = from;
  white = to;
  dither = dithered;
}

// @ts-ignore: decorator
@inline
function quantile(index: u32): f32 {
  return load<f32>(quantiles + (<usize>index << 2));
}

/** A row, whose random stream is its own. @param bits room for as many whole numbers as there are sites */
export function row(illuminance: usize, width: i32, seed: i32, stream: i32, bits: usize, out: usize): void {
  a = seed;
  b = stream;
  c = (seed ^ 0x9e3779b9) * 0x85ebca6b;
  counter = 1;
  for (let i = 0; i < 12; i++) next();
  for (let x = 0; x < width; x++) store<u32>(bits + (<usize>x << 2), next());
  const perLx = f64x2.splat(electronsPerLx);
  const sites = f64x2.splat(n);
  const least = f64x2.splat(limit);
  const most = f64x2.splat(surelyFull);
  const perE = f64x2.splat(dnPerSummedE);
  const read = f64x2.splat(readDn);
  const zero = f64x2.splat(black);
  const half = f64x2.splat(0.5);
  const step = f64x2.splat(dither);
  const plain = dither > 0 ? f64x2.splat(0) : half;
  let x = 0;
  for (; x + 2 <= width; x += 2) {
    const mean = f64x2.mul(f64x2.promote_low_f32x4(v128.load64_zero(illuminance + (<usize>x << 2))), perLx);
    const summed = f64x2.mul(mean, sites);
    const usual = v128.and(f64x2.lt(mean, most), f64x2.ge(summed, least));
    if (!i64x2.all_true(usual)) {
      site(illuminance, bits, out, x);
      site(illuminance, bits, out, x + 1);
      continue;
    }
    const pair = v128.load64_zero(bits + (<usize>x << 2));
    const b0 = <u32>i32x4.extract_lane(pair, 0);
    const b1 = <u32>i32x4.extract_lane(pair, 1);
    const shot = f64x2.replace_lane(f64x2.splat(<f64>quantile(b0 >>> 20)), 1, <f64>quantile(b1 >>> 20));
    const own = f64x2.replace_lane(f64x2.splat(<f64>quantile(b0 & 4095)), 1, <f64>quantile(b1 & 4095));
    const electrons = f64x2.add(summed, f64x2.mul(shot, f64x2.sqrt(summed)));
    let offset = plain;
    if (dither > 0) {
      const parts = i32x4.shr_u(i32x4.mul(pair, i32x4.splat(0x9e3779b1)), 16);
      offset = f64x2.mul(f64x2.add(f64x2.convert_low_i32x4_u(parts), half), step);
    }
    const dn = f64x2.add(
      f64x2.add(f64x2.add(zero, f64x2.mul(electrons, perE)), f64x2.mul(own, read)),
      offset,
    );
    const at = out + (<usize>x << 1);
    store<u16>(at, held(f64x2.extract_lane(dn, 0)));
    store<u16>(at, held(f64x2.extract_lane(dn, 1)), 2);
  }
  if (x < width) site(illuminance, bits, out, x);
}

// @ts-ignore: decorator
@inline
function held(dn: f64): u16 {
  return dn < 0 ? 0 : dn >= white ? <u16>(<i32>white) : <u16>(<i32>dn);
}

/** Any site: dark ones by whole electrons, burnt ones without a draw. */
function site(illuminance: usize, bitsAt: usize, out: usize, x: i32): void {
  const mean = <f64>load<f32>(illuminance + (<usize>x << 2)) * electronsPerLx;
  const at = out + (<usize>x << 1);
  if (!(mean < surelyFull)) {
    store<u16>(at, <u16>(<i32>white));
    return;
  }
  const summed = mean * n;
  const bits = load<u32>(bitsAt + (<usize>x << 2));
  const read = <f64>quantile(bits & 4095) * readDn;
  let electrons: f64 = 0;
  if (summed >= limit) electrons = summed + <f64>quantile(bits >>> 20) * sqrt<f64>(summed);
  else if (summed > 0) electrons = <f64>poisson(summed);
  const offset = dither > 0 ? (<f64>((bits * 0x9e3779b1) >>> 16) + 0.5) * dither : 0.5;
  store<u16>(at, held(black + electrons * dnPerSummedE + read + offset));
}

function poisson(mean: f64): u32 {
  const position = mean * 16;
  const bits = next();
  const whole = floor<f64>(position);
  const between = <u32>(<f64>(bits & 0xffff) < (position - whole) * 65536);
  const cell = (<u32>whole + between) * 128 + (bits >>> 25);
  return next() < load<u32>(thresholds + (<usize>cell << 2)) ? bits >>> 25 : <u32>load<u8>(aliases + cell);
}
