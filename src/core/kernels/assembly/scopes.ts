// What is counted and marked of a frame: the same as scopes/marks.ts, scopes/picture-histogram.ts and raw/statistics.ts do. AssemblyScript.
// Memory is laid out by the caller (raw/scopes-kernel.ts). Rows have room for eight more numbers.

const CLIP_ALL: i32 = 7;
const WHITE: i32 = 64;
const BLACK: i32 = 128;
const ZEBRA: i32 = 256;
const BRIGHT: i32 = 512;
const BURNT: i32 = CLIP_ALL | WHITE;
const LOST: i32 = 56 | BLACK;

/** Marks raw on two rows, eight sites at a time. @param clip lowest number that is clipped; @param floor lowest that is not below the floor */
export function raw(top: usize, bottom: usize, width: i32, clip: i32, floor: i32, mask: usize, below: usize): void {
  const burnt = i16x8.splat(<i16>clip);
  const dark = i16x8.splat(<i16>floor);
  // Red and green, green and blue; a floor bit lies three places over the clip bit.
  const upper = i16x8(1, 2, 1, 2, 1, 2, 1, 2);
  const lower = i16x8(2, 4, 2, 4, 2, 4, 2, 4);
  for (let x = 0; x < width; x += 8) {
    const at = <usize>x << 1;
    const a = v128.load(top + at);
    const b = v128.load(bottom + at);
    const clipped = v128.or(v128.and(i16x8.ge_u(a, burnt), upper), v128.and(i16x8.ge_u(b, burnt), lower));
    const low = v128.or(v128.and(i16x8.lt_u(a, dark), upper), v128.and(i16x8.lt_u(b, dark), lower));
    const own = v128.or(clipped, i16x8.shl(low, 3));
    if (!v128.any_true(own)) continue;
    const found = v128.or(own, v128.or(i32x4.shl(own, 16), i32x4.shr_u(own, 16)));
    v128.store(mask + at, v128.or(v128.load(mask + at), found));
    v128.store(below + at, v128.or(v128.load(below + at), found));
  }
}

/** Stripes on two rows wherever one of a cell's four sites has as much light as `lux`; eight sites a row at a time. */
export function zebra(top: usize, bottom: usize, width: i32, lux: f32, mask: usize, below: usize): void {
  const limit = f32x4.splat(lux);
  const stripe = i16x8.splat(<i16>ZEBRA);
  for (let x = 0; x < width; x += 8) {
    const at = <usize>x << 2;
    const left = v128.or(f32x4.ge(v128.load(top + at), limit), f32x4.ge(v128.load(bottom + at), limit));
    const right = v128.or(f32x4.ge(v128.load(top + at, 16), limit), f32x4.ge(v128.load(bottom + at, 16), limit));
    const own = i16x8.narrow_i32x4_s(left, right);
    if (!v128.any_true(own)) continue;
    const found = v128.and(v128.or(own, v128.or(i32x4.shl(own, 16), i32x4.shr_u(own, 16))), stripe);
    const m = <usize>x << 1;
    v128.store(mask + m, v128.or(v128.load(mask + m), found));
    v128.store(below + m, v128.or(v128.load(below + m), found));
  }
}

/** Bits of four pixels, by luminance from `from` on, 1/65536 codes. */
// @ts-ignore: decorator
@inline
function endsOf(p: v128, white: v128, black: v128, bright: v128, from: v128): v128 {
  const colours = v128.and(p, i32x4.splat(0xffffff));
  const full = v128.and(i8x16.eq(p, i8x16.splat(-1)), i32x4.splat(0xffffff));
  const zero = i32x4.splat(0);
  let bits = v128.and(i32x4.ne(full, zero), white);
  bits = v128.or(bits, v128.and(i32x4.eq(colours, zero), black));
  const byte = i32x4.splat(255);
  const luminance = i32x4.add(
    i32x4.add(
      i32x4.mul(v128.and(p, byte), i32x4.splat(13933)),
      i32x4.mul(v128.and(i32x4.shr_u(p, 8), byte), i32x4.splat(46871)),
    ),
    i32x4.mul(v128.and(i32x4.shr_u(p, 16), byte), i32x4.splat(4732)),
  );
  return v128.or(bits, v128.and(i32x4.ge_s(luminance, from), bright));
}

/** Marks the ends of the picture and what looks white, of `count` pixels. */
export function ends(pixels: usize, count: i32, white: bool, black: bool, bright: bool, from: i32, mask: usize): void {
  const w = i32x4.splat(white ? WHITE : 0);
  const k = i32x4.splat(black ? BLACK : 0);
  const l = i32x4.splat(bright ? BRIGHT : 0);
  const f = i32x4.splat(from);
  for (let i = 0; i < count; i += 8) {
    const p = pixels + (<usize>i << 2);
    const bits = i16x8.narrow_i32x4_u(endsOf(v128.load(p), w, k, l, f), endsOf(v128.load(p, 16), w, k, l, f));
    const at = mask + (<usize>i << 1);
    v128.store(at, v128.or(v128.load(at), bits));
  }
}

// @ts-ignore: decorator
@inline
function lanes(so: v128): i32 {
  return popcnt<i32>(i16x8.bitmask(so));
}

/** Adds to five counts what a mask says: only picture, only raw, both, picture white, picture black. Masks beyond the count are 0. */
export function tell(mask: usize, count: i32, into: usize): void {
  const zero = i16x8.splat(0);
  let onlyPicture = 0;
  let onlyRaw = 0;
  let both = 0;
  let whites = 0;
  let blacks = 0;
  for (let i = 0; i < count; i += 8) {
    const bits = v128.load(mask + (<usize>i << 1));
    if (!v128.any_true(bits)) continue;
    const clipped = i16x8.ne(v128.and(bits, i16x8.splat(<i16>CLIP_ALL)), zero);
    const bright = i16x8.ne(v128.and(bits, i16x8.splat(<i16>BRIGHT)), zero);
    const white = i16x8.ne(v128.and(bits, i16x8.splat(<i16>WHITE)), zero);
    both += lanes(v128.and(clipped, bright));
    onlyRaw += lanes(v128.andnot(clipped, bright));
    onlyPicture += lanes(v128.andnot(white, clipped));
    whites += lanes(white);
    blacks += lanes(i16x8.ne(v128.and(bits, i16x8.splat(<i16>BLACK)), zero));
  }
  store<i32>(into, load<i32>(into) + onlyPicture);
  store<i32>(into, load<i32>(into, 4) + onlyRaw, 4);
  store<i32>(into, load<i32>(into, 8) + both, 8);
  store<i32>(into, load<i32>(into, 12) + whites, 12);
  store<i32>(into, load<i32>(into, 16) + blacks, 16);
}

/** Draws the wanted bits of a row. @param patterns of this row, `period` of them, a multiple of eight */
export function draw(
  pixels: usize,
  mask: usize,
  width: i32,
  patterns: usize,
  period: i32,
  wanted: i32,
  burnt: i32,
  dark: i32,
): void {
  const want = i16x8.splat(<i16>wanted);
  const zero = i16x8.splat(0);
  const all = i16x8.splat(<i16>CLIP_ALL);
  const burntMark = i32x4.splat(burnt);
  const darkMark = i32x4.splat(dark);
  for (let x = 0, u = 0; x < width; x += 8, u = u + 8 === period ? 0 : u + 8) {
    const bits = v128.and(v128.load(mask + (<usize>x << 1)), want);
    if (!v128.any_true(bits)) continue;
    const on = v128.and(bits, v128.load(patterns + (<usize>u << 1)));
    const fill = v128.or(
      i16x8.ne(v128.and(on, i16x8.splat(<i16>BURNT)), zero),
      i16x8.eq(v128.and(bits, all), all),
    );
    const lost = i16x8.ne(v128.and(on, i16x8.splat(<i16>LOST)), zero);
    const striped = i16x8.ne(v128.and(on, i16x8.splat(<i16>ZEBRA)), zero);
    const p = pixels + (<usize>x << 2);
    v128.store(
      p,
      drawn(
        v128.load(p),
        i32x4.extend_low_i16x8_s(fill),
        i32x4.extend_low_i16x8_s(lost),
        i32x4.extend_low_i16x8_s(striped),
        burntMark,
        darkMark,
      ),
    );
    v128.store(
      p,
      drawn(
        v128.load(p, 16),
        i32x4.extend_high_i16x8_s(fill),
        i32x4.extend_high_i16x8_s(lost),
        i32x4.extend_high_i16x8_s(striped),
        burntMark,
        darkMark,
      ),
      16,
    );
  }
}

// @ts-ignore: decorator
@inline
function drawn(p: v128, fill: v128, lost: v128, striped: v128, burnt: v128, dark: v128): v128 {
  const quarter = v128.or(v128.and(i32x4.shr_u(p, 2), i32x4.splat(0x3f3f3f)), i32x4.splat(0xff000000));
  return v128.bitselect(burnt, v128.bitselect(dark, v128.bitselect(quarter, p, striped), lost), fill);
}

// @ts-ignore: decorator
@inline
function one(slot: usize): void {
  store<u32>(slot, load<u32>(slot) + 1);
}

/** Adds pixels to counts of R, G, B and luminance, 256 each: even pixels to the first four, odd ones to four more, so that a run of one code does not wait for itself. */
export function histogram(pixels: usize, count: i32, into: usize): void {
  for (let i = 0; i < count; i++) {
    const p = load<u32>(pixels + (<usize>i << 2));
    const to = into + (<usize>(i & 1) << 12);
    const r = p & 255;
    const g = (p >>> 8) & 255;
    const b = (p >>> 16) & 255;
    one(to + (<usize>r << 2));
    one(to + 1024 + (<usize>g << 2));
    one(to + 2048 + (<usize>b << 2));
    one(to + 3072 + (<usize>((13933 * r + 46871 * g + 4732 * b + 32768) >>> 16) << 2));
  }
}

/** Adds a row of a mosaic to the counts of its even and odd columns; numbers above white count at white. */
export function count(data: usize, width: i32, white: i32, even: usize, odd: usize): void {
  let x = 0;
  for (; x + 2 <= width; x += 2) {
    const pair = load<u32>(data + (<usize>x << 1));
    one(even + (<usize>min<i32>(pair & 0xffff, white) << 2));
    one(odd + (<usize>min<i32>(pair >>> 16, white) << 2));
  }
  if (x < width) one(even + (<usize>min<i32>(<i32>load<u16>(data + (<usize>x << 1)), white) << 2));
}
