// A device's lamp, lit for as long as it is on.
import * as Type from '@sinclair/typebox';
import type { Setting } from '../define/setting';

export const torch: Setting<boolean> = {
  name: 'Torch',
  schema: Type.Boolean(),
  initial: false,
  words: (lit) => (lit ? 'on' : 'off'),
  badge: (lit) => (lit ? 'torch' : null),
  inSetups: false,
  on: ({ can }) => can.torch !== undefined,
};
