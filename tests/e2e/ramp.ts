// A film for the browser's test camera: a ramp of known luma in four fields, each a stop brighter, of BT.601 in limited range (that is what a
// y4m of this kind means).
import { encodeSrgb } from '../../src/core/colour/srgb';

/** sRGB code of a linear value. */
export const codeOf = (linear: number) => Math.round(255 * encodeSrgb(linear));

/** Stops from mid-grey, from left to right. */
export const RAMP_STOPS = [-3, -2, -1, 0];

/** The film's bytes. */
export function ramp(): Buffer {
  const [width, height] = [320, 240];
  const luma = RAMP_STOPS.map((stop) => Math.round(16 + (219 * codeOf(0.18 * 2 ** stop)) / 255));
  const frame = Buffer.alloc((width * height * 3) / 2, 128);
  for (let i = 0; i < width * height; i++) frame[i] = luma[Math.floor(((i % width) / width) * luma.length)]!;
  const one = Buffer.concat([Buffer.from('FRAME\n'), frame]);
  const head = `YUV4MPEG2 W${width} H${height} F10:1 Ip A1:1 C420jpeg\n`;
  return Buffer.concat([Buffer.from(head), one, one, one]);
}
