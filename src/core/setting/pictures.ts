// Of a camera that gives finished pictures: how many are averaged into a linear file beside the JPEG; 0 for no such file.
import * as Type from '@sinclair/typebox';
import { MOST_PICTURES } from '../combine/average';
import type { Setting } from '../define/setting';

export const PICTURE_COUNTS = [0, 1, 2, 4, 8, 16, 32, MOST_PICTURES] as const;

export const pictures: Setting<number> = {
  name: 'Linear DNG',
  schema: Type.Integer({ minimum: 0, maximum: MOST_PICTURES }),
  initial: 0,
  words: (n) => (n === 0 ? 'none' : n === 1 ? 'of one picture' : `of ${n} pictures`),
  badge: (n) => (n === 0 ? null : `DNG of ${n}`),
  inSetups: true,
  on: ({ can }) => can.pictures !== undefined,
};
