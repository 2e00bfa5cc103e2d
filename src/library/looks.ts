// What is changed of how a frame looks, kept with it together with the small picture of it.
import { fromUint8Array } from 'js-base64';
import { lookOf } from '../core/frame/look';
import type { Afterthoughts, FrameRecord } from '../core/frame/record';
import { keepAfterthoughts } from './roll';
import { lightbox } from './staff';

/**
 * Keeps what is said of a frame and how it looks then. Returns false when the frame is gone.
 * @param record of a frame that is open in the lightbox
 */
export async function keepLook(record: FrameRecord, said: Partial<Afterthoughts>): Promise<boolean> {
  // What was said comes first: its picture can be made again.
  if ((await keepAfterthoughts([record.id], said)).length > 0) return false;
  const jpeg = await lightbox.call((api) => api.thumbnail(record.id, lookOf({ ...record, ...said })));
  const thumbnail = `data:image/jpeg;base64,${fromUint8Array(jpeg)}`;
  return (await keepAfterthoughts([record.id], {}, { [record.id]: thumbnail })).length === 0;
}
