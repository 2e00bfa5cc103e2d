// Colours as the eye tells them apart: CIE L*a*b* (CIE 015:2018) and the CIEDE2000 difference (Sharma, Wu & Dalal 2005).
import type { Vec3 } from '../numeric/matrix';

const KNEE = (6 / 29) ** 3;

/** L*, a*, b* of X, Y, Z beside a white of X, Y, Z. */
export function labOf(xyz: Vec3, white: Vec3): Vec3 {
  const f = (v: number, w: number) => {
    const t = Math.max(0, v) / w;
    return t > KNEE ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29;
  };
  const [fx, fy, fz] = [f(xyz[0], white[0]), f(xyz[1], white[1]), f(xyz[2], white[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

const RAD = Math.PI / 180;
const C25 = 25 ** 7;

/** CIEDE2000; about 1 is just seen side by side. */
export function deltaE2000([l1, a1, b1]: Vec3, [l2, a2, b2]: Vec3): number {
  const c = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2;
  const g = 0.5 * (1 - Math.sqrt(c ** 7 / (c ** 7 + C25)));
  const [p1, p2] = [a1 * (1 + g), a2 * (1 + g)];
  const [c1, c2] = [Math.hypot(p1, b1), Math.hypot(p2, b2)];
  const hue = (b: number, a: number) => (a === 0 && b === 0 ? 0 : (Math.atan2(b, a) / RAD + 360) % 360);
  const [h1, h2] = [hue(b1, p1), hue(b2, p2)];
  let dh = h2 - h1;
  if (c1 * c2 === 0) dh = 0;
  else if (dh > 180) dh -= 360;
  else if (dh < -180) dh += 360;
  let h = h1 + h2;
  if (c1 * c2 !== 0) h = Math.abs(h1 - h2) <= 180 ? h / 2 : h < 360 ? (h + 360) / 2 : (h - 360) / 2;
  const [l, cm] = [(l1 + l2) / 2, (c1 + c2) / 2];
  const t =
    1 -
    0.17 * Math.cos((h - 30) * RAD) +
    0.24 * Math.cos(2 * h * RAD) +
    0.32 * Math.cos((3 * h + 6) * RAD) -
    0.2 * Math.cos((4 * h - 63) * RAD);
  const sl = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const [sc, sh] = [1 + 0.045 * cm, 1 + 0.015 * cm * t];
  const rt =
    -Math.sin(60 * Math.exp(-(((h - 275) / 25) ** 2)) * RAD) * 2 * Math.sqrt(cm ** 7 / (cm ** 7 + C25));
  const [dl, dc, dH] = [
    (l2 - l1) / sl,
    (c2 - c1) / sc,
    (2 * Math.sqrt(c1 * c2) * Math.sin((dh / 2) * RAD)) / sh,
  ];
  return Math.sqrt(dl * dl + dc * dc + dH * dH + rt * dc * dH);
}
