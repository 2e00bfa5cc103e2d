// What is marked of a pixel: the bits of a mask, one 16-bit number a pixel.

export const CLIP_R = 1;
export const CLIP_G = 2;
export const CLIP_B = 4;
export const CLIP_ALL = CLIP_R | CLIP_G | CLIP_B;
export const FLOOR_R = 8;
export const FLOOR_G = 16;
export const FLOOR_B = 32;
export const FLOOR_ALL = FLOOR_R | FLOOR_G | FLOOR_B;
export const WHITE = 64;
export const BLACK = 128;
export const ZEBRA = 256;
/** The picture is near white; not drawn, only counted. */
export const BRIGHT = 512;
