// Shapes of frames as devices give them (W3C WebCodecs: coded size, visible rectangle, display size, rotation).
import { frameShape, type FrameSides } from './frame-shape';

const frame = (sides: Partial<FrameSides>): FrameSides => ({
  ...{ codedWidth: 1920, codedHeight: 1080, displayWidth: 1920, displayHeight: 1080, visibleRect: null },
  ...sides,
});
const rect = (x: number, y: number, width: number, height: number) =>
  ({ x, y, width, height }) as DOMRectReadOnly;

it.each([
  ['all of what is coded', {}, { visible: { x: 0, y: 0, width: 1920, height: 1080 }, scale: 1 }],
  [
    'a part, shown smaller',
    { visibleRect: rect(240, 0, 1440, 1080), displayWidth: 1280, displayHeight: 960 },
    { visible: { x: 240, y: 0, width: 1440, height: 1080 }, scale: 1280 / 1440 },
  ],
  ['rounded', { displayWidth: 641, displayHeight: 360 }, { scale: 641 / 1920 }],
  ['stretched', { displayWidth: 1440 }, { scale: null }],
  ['turned', { rotation: 90 }, { scale: null }],
  ['turned all round', { rotation: 360 }, { scale: 1 }],
  ['mirrored', { flip: true }, { scale: null }],
] as const)('%s', (_, sides, shape) => {
  expect(frameShape(frame(sides))).toMatchObject(shape);
});
