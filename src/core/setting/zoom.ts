// How much closer a device's zoom looks than at its widest.
import * as Type from '@sinclair/typebox';
import { stepOf, ZOOM_LADDER } from '../units/ladders';
import type { Setting } from '../define/setting';

export const zoom: Setting<number> = {
  name: 'Zoom',
  schema: Type.Number({ minimum: 1, maximum: 100 }),
  initial: 1,
  words: (times) => stepOf(ZOOM_LADDER, times).label,
  inSetups: false,
  ladder: ZOOM_LADDER,
  on: ({ can }) => can.zoom !== undefined,
  settled: (times) => stepOf(ZOOM_LADDER, times).exact,
};
