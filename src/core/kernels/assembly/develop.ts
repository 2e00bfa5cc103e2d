// Bilinear demosaic, matrix and tone of rows of a mosaic, four pixels at a time: the same whole numbers as `developRegion` of raw/develop.ts makes.
// AssemblyScript. Memory is laid out by the caller (kernels/develop.ts).

/** Code values begin this far below linear zero, in the tone table: three times one. */
const ZERO: i32 = 3 * 16384;

/** Every second lane from the first, and from the second. */
// @ts-ignore: decorator
@inline
function lanes(first: bool): v128 {
  return first ? i32x4(-1, 0, -1, 0) : i32x4(0, -1, 0, -1);
}

/** Numbers of a row of the mosaic by the tables of its even and odd columns, 16 bits each; `odd` when the first column is an odd one. */
export function balance(data: usize, count: i32, even: usize, odd: usize, oddFirst: bool, out: usize): void {
  let here = oddFirst ? odd : even;
  let next = oddFirst ? even : odd;
  for (let i = 0; i < count; i++) {
    const dn = <usize>load<u16>(data + ((<usize>i) << 1));
    store<i32>(out + ((<usize>i) << 2), load<i16>(here + (dn << 1)));
    const other = next;
    next = here;
    here = other;
  }
}

/** One balanced row and those over and under it → pixels. Rows have a number before and after what is developed, and room for three more. */
export function row(
  up: usize,
  here: usize,
  down: usize,
  width: i32,
  chromaFirst: bool,
  oddRow: bool,
  matrix: usize,
  tone: usize,
  out: usize,
): void {
  const chroma = lanes(chromaFirst);
  const m0 = v128.load32_splat(matrix);
  const m1 = v128.load32_splat(matrix, 4);
  const m2 = v128.load32_splat(matrix, 8);
  const m3 = v128.load32_splat(matrix, 12);
  const m4 = v128.load32_splat(matrix, 16);
  const m5 = v128.load32_splat(matrix, 20);
  const m6 = v128.load32_splat(matrix, 24);
  const m7 = v128.load32_splat(matrix, 28);
  const m8 = v128.load32_splat(matrix, 32);
  const zero = tone + ZERO;
  for (let x = 0; x < width; x += 4) {
    const at = (<usize>x) << 2;
    const site = v128.load(here + at, 4);
    const beside = i32x4.add(v128.load(here + at), v128.load(here + at, 8));
    const vertical = i32x4.add(v128.load(up + at, 4), v128.load(down + at, 4));
    const corners = i32x4.shr_s(
      i32x4.add(
        i32x4.add(v128.load(up + at), v128.load(up + at, 8)),
        i32x4.add(v128.load(down + at), v128.load(down + at, 8)),
      ),
      2,
    );
    // Of a red or blue site: green beside it, the other colour at its corners. Of a green one the colours lie beside it, and over and under it.
    const green = v128.bitselect(i32x4.shr_s(i32x4.add(beside, vertical), 2), site, chroma);
    const own = v128.bitselect(site, i32x4.shr_s(beside, 1), chroma);
    const other = v128.bitselect(corners, i32x4.shr_s(vertical, 1), chroma);
    const red = oddRow ? other : own;
    const blue = oddRow ? own : other;
    const r = i32x4.shr_s(i32x4.add(i32x4.add(i32x4.mul(m0, red), i32x4.mul(m1, green)), i32x4.mul(m2, blue)), 12);
    const g = i32x4.shr_s(i32x4.add(i32x4.add(i32x4.mul(m3, red), i32x4.mul(m4, green)), i32x4.mul(m5, blue)), 12);
    const b = i32x4.shr_s(i32x4.add(i32x4.add(i32x4.mul(m6, red), i32x4.mul(m7, green)), i32x4.mul(m8, blue)), 12);
    store<u32>(out + at, pixel(zero, i32x4.extract_lane(r, 0), i32x4.extract_lane(g, 0), i32x4.extract_lane(b, 0)));
    store<u32>(out + at, pixel(zero, i32x4.extract_lane(r, 1), i32x4.extract_lane(g, 1), i32x4.extract_lane(b, 1)), 4);
    store<u32>(out + at, pixel(zero, i32x4.extract_lane(r, 2), i32x4.extract_lane(g, 2), i32x4.extract_lane(b, 2)), 8);
    store<u32>(out + at, pixel(zero, i32x4.extract_lane(r, 3), i32x4.extract_lane(g, 3), i32x4.extract_lane(b, 3)), 12);
  }
}

// @ts-ignore: decorator
@inline
function pixel(zero: usize, r: i32, g: i32, b: i32): u32 {
  return (
    (<u32>load<u8>(zero + r)) |
    ((<u32>load<u8>(zero + g)) << 8) |
    ((<u32>load<u8>(zero + b)) << 16) |
    0xff000000
  );
}

/**
 * Adds the balanced numbers of two rows of a mosaic, cell by cell of a smaller picture, to four sums a cell: those of the sites of each 2×2.
 * @param bounds of each cell: first site of a row and the one after the last, even numbers, 32 bits
 * @param l0 … l3: tables of the four sites
 */
export function reduce(
  top: usize,
  bottom: usize,
  bounds: usize,
  width: i32,
  l0: usize,
  l1: usize,
  l2: usize,
  l3: usize,
  sums: usize,
): void {
  for (let x = 0; x < width; x++) {
    const at = bounds + (<usize>x << 3);
    const end = <usize>load<i32>(at, 4) << 1;
    let s0: i32 = 0;
    let s1: i32 = 0;
    let s2: i32 = 0;
    let s3: i32 = 0;
    for (let i = <usize>load<i32>(at) << 1; i < end; i += 4) {
      const upper = load<u32>(top + i);
      const lower = load<u32>(bottom + i);
      s0 += <i32>load<i16>(l0 + ((<usize>(upper & 0xffff)) << 1));
      s1 += <i32>load<i16>(l1 + ((<usize>(upper >>> 16)) << 1));
      s2 += <i32>load<i16>(l2 + ((<usize>(lower & 0xffff)) << 1));
      s3 += <i32>load<i16>(l3 + ((<usize>(lower >>> 16)) << 1));
    }
    const to = sums + (<usize>x << 4);
    v128.store(to, i32x4.add(v128.load(to), i32x4.replace_lane(i32x4.replace_lane(i32x4.replace_lane(i32x4.splat(s0), 1, s1), 2, s2), 3, s3)));
  }
}
