// A mate beside the exposer: exposes stretches of its captures, from plates and into numbers in memory that they share.
import * as Comlink from 'comlink';
import {
  exposedStretch,
  stageOn,
  type CaptureOrder,
  type CaptureStage,
  type Stretch,
} from '../../core/scene/capture';
import type { DrawnPlates } from '../../core/scene/light-rows';
import type { Steadiness } from '../../core/scene/shake';
import { watched } from '../../workers/alive';
import { pause } from '../../workers/pause';

let stage: CaptureStage | undefined;

const api = {
  ...watched(),

  /** Takes over what the next captures are exposed from; lets go of what was before. */
  async take(plates: DrawnPlates, longSide: number) {
    stage = undefined;
    stage = stageOn(plates, longSide, true);
  },

  /** Exposes a stretch of a frame into the frame's numbers. */
  async expose(order: CaptureOrder, steadiness: Steadiness, stretch: Stretch, data: Uint16Array) {
    if (!stage) throw new Error('There is nothing to expose from');
    const started = performance.now();
    const bands = exposedStretch(stage, order, steadiness, stretch, data);
    // Between two bands it answers whoever asks whether it is there.
    while (!bands.next().done) await pause();
    performance.measure('velmo-stretch', { start: started });
  },
};

export type BandsApi = typeof api;

Comlink.expose(api);
