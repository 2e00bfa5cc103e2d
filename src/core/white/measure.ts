// The white of one frame that has been exposed.
import type { RawFrame } from '../sensor/raw-frame';
import { automaticWhite, type AutomaticWhite } from './automatic';
import { colourGrid } from './colour-grid';

export function measureWhite(frame: RawFrame): AutomaticWhite {
  return automaticWhite(frame.colour.matrices, colourGrid(frame, frame.noise));
}
