// How a frame is to be looked at, as its record says, and what is changed of that: kept with the frame together with the small picture of it.
import { fromUint8Array } from 'js-base64';
import { printOf, type Afterthoughts, type FrameRecord } from '../core/frame/record';
import { PLAINLY, type Look } from '../core/review/view';
import { keepAfterthoughts } from './roll';
import { lightbox } from './staff';

/** As the record says. */
export function lookOf(record: FrameRecord): Look {
  return {
    ...PLAINLY,
    white: record.rewhite ?? null,
    print: printOf(record),
    reframe: record.reframe ?? null,
  };
}

/**
 * Keeps what is said of a frame and how it looks then. Returns false when the frame is gone.
 * @param record of a frame that is open in the lightbox
 */
export async function keepLook(record: FrameRecord, said: Partial<Afterthoughts>): Promise<boolean> {
  const jpeg = await lightbox.call((api) => api.thumbnail(record.id, lookOf({ ...record, ...said })));
  const thumbnail = `data:image/jpeg;base64,${fromUint8Array(jpeg)}`;
  return (await keepAfterthoughts([record.id], said, { [record.id]: thumbnail })).length === 0;
}
