// 3×3 matrices in row order and 3-vectors, for colour.

export type Vec3 = readonly [number, number, number];
export type Mat3 = readonly [Vec3, Vec3, Vec3];

export function apply3(m: Mat3, v: Vec3): Vec3 {
  return [dot(m[0], v), dot(m[1], v), dot(m[2], v)];
}

export function multiply3(m: Mat3, n: Mat3): Mat3 {
  const t = transpose3(n);
  const row = (r: Vec3): Vec3 => [dot(r, t[0]), dot(r, t[1]), dot(r, t[2])];
  return [row(m[0]), row(m[1]), row(m[2])];
}

export function transpose3(m: Mat3): Mat3 {
  return [
    [m[0][0], m[1][0], m[2][0]],
    [m[0][1], m[1][1], m[2][1]],
    [m[0][2], m[1][2], m[2][2]],
  ];
}

/** @throws RangeError when the matrix is singular. */
export function invert3(m: Mat3): Mat3 {
  const [a, b, c] = m;
  const r0 = cross(b, c);
  const r1 = cross(c, a);
  const r2 = cross(a, b);
  const determinant = dot(a, r0);
  if (!Number.isFinite(determinant) || Math.abs(determinant) < 1e-12) throw new RangeError('Singular matrix');
  const k = 1 / determinant;
  return transpose3([scale(r0, k), scale(r1, k), scale(r2, k)]);
}

export function scale(v: Vec3, k: number): Vec3 {
  return [v[0] * k, v[1] * k, v[2] * k];
}

/** Matrix with every row multiplied by its own factor. */
export function scaleRows(m: Mat3, k: Vec3): Mat3 {
  return [scale(m[0], k[0]), scale(m[1], k[1]), scale(m[2], k[2])];
}

function dot(a: Vec3, b: Vec3): number {
  return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
}

function cross(a: Vec3, b: Vec3): Vec3 {
  return [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
}
