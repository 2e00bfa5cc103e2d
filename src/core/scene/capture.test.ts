// Frames of one sequence from what they have in common, and each from the beginning: the same to the last bit.
import '../../../tests/light-scenes';
import { loadScene } from '../../../cli/scene-files';
import { colourOfWhite } from '../colour/camera';
import { OPTICS } from '../sensor/cameras';
import { captureBands, captureStage, type CaptureOrder } from './capture';
import { viewScene } from './view';

it('what is kept for the next frame changes nothing in it: neither light, nor time, nor what turns', async () => {
  const camera = OPTICS.wide;
  const view = viewScene(await loadScene('wheel-bench'), camera, 'landscape', {
    levels: {},
    support: 'hand',
    wheel: 'fast',
  });
  const colour = colourOfWhite(camera.matrices, { kelvin: 5000, tint: 0 });
  const steadiness = { support: 'hand', press: 0.3, sinceTouchS: 0 } as const;
  const stageOf = (kept: boolean) => captureStage(view, 512, 1.4, camera.lens, kept);
  const kept = stageOf(true);
  const frames = [1 / 500, 1 / 8, 1 / 500].map((shutterS, i): CaptureOrder => {
    const settings = { shutterS, iso: 100, apertureN: camera.lens.apertureN, compensationEv: 0 };
    return { settings, colour, seed: 7 + i, timeMs: 0, offsetMinutes: 0, clockS: 3 + i / 10 };
  });
  const dataOf = (stage: typeof kept, order: CaptureOrder) => {
    const bands = captureBands(stage, order, steadiness);
    const shares: number[] = [];
    for (;;) {
      const { done, value } = bands.next();
      if (done) return { data: value.data, shares };
      shares.push(value);
    }
  };
  for (const order of frames) {
    const [again, anew] = [dataOf(kept, order), dataOf(stageOf(false), order)];
    expect(Buffer.compare(Buffer.from(again.data.buffer), Buffer.from(anew.data.buffer))).toBe(0);
    expect(again.shares).toEqual([...again.shares].sort((a, b) => a - b));
    expect(again.shares.at(-1)).toBe(1);
  }
});
