// How a frame is to be looked at, as its record says.
import { PLAINLY, type Look } from '../review/view';
import { printOf, type FrameRecord } from './record';

export function lookOf(record: Pick<FrameRecord, 'rewhite' | 'print' | 'set' | 'reframe'>): Look {
  return {
    ...PLAINLY,
    white: record.rewhite ?? null,
    print: printOf(record),
    reframe: record.reframe ?? null,
  };
}
