// Discs of a real scene's card against the thin lens, |d−s|/d · f²/(N(s−f)): an edge drawn where the card is, at its own distance, in the
// finder and in captures.
import { loadScene } from '../../cli/scene-files';
import { blurDiscMm } from '../../src/core/optics/lens';
import { defocus } from '../../src/core/scene/defocus';
import { cropOf } from '../../src/core/scene/framing';
import { discsOf, viewScene } from '../../src/core/scene/view';
import { OPTICS } from '../../src/core/sensor/cameras';
import type { LensId } from '../../src/core/sensor/simulated-optic';
import { partOf } from '../sweep';
import { edgeLight, fittedDisc } from './disc-edge';

const PREVIEW = 640;

describe.each(partOf(['zoom-77', 'tele', 'wide'] as LensId[], 1))(
  'the grey card of the glaze table through the %s',
  (lens) => {
    it('is spread by the disc of its distance within 5 %, for 3 … 60 samples of the finder and 8 … 120 sites', async () => {
      const view = viewScene(await loadScene('glaze-table', OPTICS[lens].plates), OPTICS[lens], 'landscape');
      const { size, camera, space } = view;
      const card = view.description.patches.find((p) => p.name === 'Grey card')!;
      let fits = 0;
      for (const focusM of partOf([0.35, 0.4, 0.45, 0.5, 0.6, 0.65, 0.9, 1, 1.5, 2, 5], 6)) {
        if (focusM < camera.lens.closestM) continue;
        // In plate pixels for captures, in samples for the finder: both the same picture of distances.
        const grids = [
          { width: size, height: size, perSite: size / camera.sensor.width, least: 8, most: 120, crop: null },
          {
            ...finderGrid(size),
            perSite: PREVIEW / camera.sensor.width,
            least: 3,
            most: 60,
            crop: cropOf(size, 'landscape'),
          },
        ];
        for (const { width, height, perSite, least, most, crop } of grids) {
          const distance = Float32Array.from({ length: width * height }, (_, i) => {
            const x = crop ? crop.x + (((i % width) + 0.5) * crop.width) / width : i % width;
            const y = crop
              ? crop.y + ((Math.floor(i / width) + 0.5) * crop.height) / height
              : Math.floor(i / width);
            return space!.distance[Math.floor(y) * size + Math.floor(x)]!;
          });
          const cx = crop ? ((card.x * size - crop.x) / crop.width) * width : card.x * size;
          const cy = Math.round(crop ? ((card.y * size - crop.y) / crop.height) * height : card.y * size);
          const away = distance[cy * width + Math.round(cx)]!;
          const sites = Math.abs(blurDiscMm(camera.lens, focusM, away)) / camera.sensor.pitchMm;
          const expected = sites * perSite;
          const measured = crop ? expected : sites;
          if (measured < least || measured > most) continue;
          const edge = Float32Array.from({ length: width * height }, (_, i) =>
            edgeLight((i % width) + 0.5 - cx, 0),
          );
          const longSide = crop ? PREVIEW : size;
          const discs = discsOf(view, focusM, distance, longSide);
          const out = defocus({ width, height, planes: [edge] }, discs).planes[0]!;
          // Where the card is: beyond its rim lie other discs.
          const reach = Math.ceil(
            Math.min(expected * 0.7 + 3, card.radius * size * (crop ? PREVIEW / size : 1)),
          );
          const xs = Array.from({ length: 2 * reach }, (_, k) => Math.floor(cx) - reach + k);
          const fitted = fittedDisc(
            xs.map((x) => out[cy * width + x]!),
            xs.map((x) => x + 0.5 - cx),
            expected,
          );
          expect({ lens, focusM, off: Math.abs(fitted / expected - 1) < 0.05 }).toEqual({
            lens,
            focusM,
            off: true,
          });
          fits++;
        }
      }
      expect(fits).toBeGreaterThan(3);
    });
  },
);

function finderGrid(size: number) {
  const { width, height } = cropOf(size, 'landscape');
  return { width: PREVIEW, height: Math.round((PREVIEW * height) / width) };
}
