// What the scenes say of their named patches, against the plates; and a meter that sees the marks of a wheel that stands still.
import { colourOfNeutral } from '../../src/core/colour/camera';
import { loadScene, sceneList } from '../../cli/scene-files';
import { LUMA_709 } from '../../src/core/colour/srgb';
import { captureFrame } from '../../src/core/scene/capture';
import { cropOf } from '../../src/core/scene/framing';
import { plateRows } from '../../src/core/scene/light-rows';
import type { WheelSpeed } from '../../src/core/scene/scene';
import { viewScene } from '../../src/core/scene/view';
import { SIM_ONE } from '../../src/core/sensor/sim-one';

import { partOf } from '../sweep';

const views = sceneList().flatMap(({ id, lenses }) => lenses.map((lens) => [id, lens] as const));

describe('a scene', () => {
  it.each(partOf(views, 5, 21))(
    '%s states its patches for the %s as the plates show them, each on one thing',
    async (id, lens) => {
      const { description, size, lamps } = await loadScene(id, lens);
      const luminance = (i: number) =>
        lamps.reduce(
          (sum, { data }, k) =>
            sum + description.lamps[k]!.level * LUMA_709.reduce((s, w, c) => s + w * data[3 * i + c]!, 0),
          0,
        );
      for (const { name, x, y, radius, luminance: stated } of description.patches) {
        const inside: number[] = [];
        const reach = Math.max(1, radius * size);
        for (let py = Math.floor(y * size - reach); py < y * size + reach; py++)
          for (let px = Math.floor(x * size - reach); px < x * size + reach; px++)
            if (Math.hypot(px + 0.5 - x * size, py + 0.5 - y * size) <= reach)
              inside.push(luminance(py * size + px));
        // Of a few pixels a mean tells more of their places than of the thing.
        if (inside.length < 30) continue;
        const mean = inside.reduce((a, b) => a + b, 0) / inside.length;
        expect({ name, off: Math.abs(Math.log2(mean / stated)) < 0.1 }).toEqual({ name, off: true });
      }
    },
  );
});

it('the meter and the capture agree on the pot, whether the wheel stands or turns', async () => {
  const scene = await loadScene('wheel-bench');
  const camera = SIM_ONE.wide;
  const crop = cropOf(scene.size, 'landscape');
  // Where a finger streak lies when the wheel stands.
  const pot = scene.description.patches.find((p) => p.name === 'Wet pot')!;
  const share = {
    x: (pot.x * scene.size - crop.x) / crop.width,
    y: (pot.y * scene.size - crop.y) / crop.height,
  };
  const means = (wheel: WheelSpeed, shutterS: number, filterStops: number) => {
    const view = viewScene(scene, camera, 'landscape', { levels: {}, support: 'tripod', wheel });
    const around = (data: ArrayLike<number>, width: number, height: number, from: (i: number) => number) => {
      let [sum, n] = [0, 0];
      const r = 0.015;
      for (let y = Math.floor((share.y - r) * height); y < (share.y + r) * height; y++)
        for (let x = Math.floor((share.x - r) * width); x < (share.x + r) * width; x++, n++)
          sum += from(data[y * width + x]!);
      return sum / n;
    };
    const settings = { shutterS, iso: 100, apertureN: camera.lens.apertureN, compensationEv: 0, filterStops };
    const order = {
      settings,
      colour: colourOfNeutral(camera.matrices, [1, 1, 1]),
      seed: 1,
      timeMs: 0,
      offsetMinutes: 0,
      clockS: 0,
    };
    const frame = captureFrame(plateRows(view, 640, 1.5, settings), order, {
      support: 'tripod',
      press: 0,
      sinceTouchS: 60,
    });
    const { luminance } = view.sight;
    return {
      raw: around(frame.data, frame.width, frame.height, (dn) => dn - frame.black),
      metered: around(luminance.data, luminance.width, luminance.height, (v) => v),
    };
  };
  const slow = scene.description.spin!.turnsPerS.slow;
  // A whole turn, behind a filter that leaves as much light as the short time gives.
  const shortS = 1 / 256;
  const still = means('still', shortS, 0);
  const turning = means('slow', 1 / slow, Math.log2(1 / slow / shortS));
  const metered = Math.log2(still.metered / turning.metered);
  expect(Math.abs(metered)).toBeGreaterThan(0.02);
  expect(Math.abs(Math.log2(still.raw / turning.raw) - metered)).toBeLessThan(0.02);
});
