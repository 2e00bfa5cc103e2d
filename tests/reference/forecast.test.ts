// Forecast = result: what the finder says of a capture against the capture itself, 12 MP where its shares are held, for every scene, at several settings
// and in thirds past the edge of clip. The light is gathered once and exposed as often as there are settings.
import { colourOfNeutral } from '../../src/core/colour/camera';
import { loadScene, sceneList } from '../../cli/scene-files';
import type { ExposureSettings } from '../../src/core/exposure/settings';
import { finderFor, type Finder, type FinderAsk } from '../../src/core/finder/finder';
import { TOLERANCE } from '../../src/core/finder/outlook';
import { forecastHeld, rawFiguresOf } from '../../src/core/frame/record';
import { forecastOf } from '../../src/core/frame/shoot';
import { channelFigures, countSites, headroomEv } from '../../src/core/raw/statistics';
import { openingOf } from '../../src/core/scene/capture';
import { exposedLight } from '../../src/core/scene/exposed-light';
import { plateRows } from '../../src/core/scene/light-rows';
import { OPENING } from '../../src/core/scene/outside';
import { surfaceRows } from '../../src/core/scene/surface-rows';
import { viewScene, type SceneView } from '../../src/core/scene/view';
import { headroomOfLevels } from '../../src/core/scopes/levels';
import { FIRST_STRIPES, zebraLimit } from '../../src/core/scopes/zebra';
import { CFA_NAMES } from '../../src/core/sensor/raw-frame';
import { noiseModel } from '../../src/core/sensor/sensor';
import { exposeRows } from '../../src/core/sensor/expose';
import { initialValues } from '../../src/core/setting/values';
import { viewSource } from '../../src/core/scene/view-source';
import { SIM_ONE_WIDE as camera } from '../../src/core/sensor/sim-one';
import { SIM_SMALL } from '../../src/core/sensor/sim-small';
import type { SimulatedOptic } from '../../src/core/sensor/simulated-optic';
import { LONG, partOf } from '../sweep';
import { someFacts } from '../facts';

const rest = { support: 'tripod' as const, press: 0, sinceTouchS: 60 };
/** Where twelve megapixels are not the matter: the same sites, fewer of them. */
const fewer = LONG ? camera : SIM_SMALL['small-24'];
const CLOCK_S = 3;
/** What a slow device may make its finder's frames, samples along. */
const SMALLEST = 320;

const asked = (shutterS: number, iso: number): FinderAsk => ({
  settings: {
    ...initialValues(),
    shutter: { auto: false, exact: shutterS },
    iso: { auto: false, exact: iso },
    focus: { auto: false, exact: 2, how: 'continuous' },
  },
  freely: false,
  at: { x: 0.5, y: 0.5 },
  focusAt: { x: 0.5, y: 0.5 },
  focusAgain: 0,
  pins: [],
  lockedEv100: null,
  habitEv: 0,
  ring: null,
  outlook: { tolerance: TOLERANCE, cleanDb: 10 },
});

const seen = async (id: string, by: SimulatedOptic = camera): Promise<SceneView> =>
  viewScene(await loadScene(id), by, 'landscape', { ...OPENING, support: 'tripod', wheel: 'still' });

/** A camera at rest: the light on all of its sites, and the frames that exposures make of it. */
function sensorIn(view: SceneView, shutterS: number) {
  const { sensor, lens } = view.camera;
  const rows = plateRows(view, sensor.width, 2);
  const order = {
    settings: { shutterS, iso: 100, apertureN: lens.apertureN, compensationEv: 0 },
    colour: colourOfNeutral(camera.matrices, [1, 1, 1]),
    ...{ seed: 1, timeMs: 0, offsetMinutes: 0, clockS: CLOCK_S },
  };
  const light = exposedLight(rows, surfaceRows(rows), openingOf(order, rest), 1);
  const { width, height } = rows;
  const lux = new Float32Array(width * height);
  for (let y = 0; y < height; y++) light.next(lux.subarray(y * width, (y + 1) * width));
  const data = new Uint16Array(width * height);
  return (settings: Pick<ExposureSettings, 'shutterS' | 'iso'>, seed: number) => {
    exposeRows(sensor, { ...settings, seed, sitesPerSample: 1 }, lux, width, 0, data);
    const counted = countSites({ width, height, data, black: sensor.black, white: sensor.white });
    const figures = channelFigures(counted, noiseModel(sensor, settings.iso));
    return { counted, outlook: rawFiguresOf(figures, headroomEv(counted)) };
  };
}

/** Base times, and how they are varied: light by EV, ISO. */
const VARIED = [
  [0, 100],
  [2, 100],
  [-5, 1600],
] as const;

describe.each(
  partOf(
    sceneList().map((s) => s.id),
    1,
  ),
)('%s', (id) => {
  it('holds what the finder said: within a tenth or 0.02 %, by channel, clipped and below the floor, at both ends of its sizes', async () => {
    const view = await seen(id);
    const [finder, small] = [640, SMALLEST].map((side) => finderFor(viewSource(view, 1, side))) as [
      Finder,
      Finder,
    ];
    // About what a careful meter would give.
    const auto = {
      ...asked(1, 100),
      settings: { ...asked(1, 100).settings, shutter: { auto: true, exact: 1 } },
    };
    const base = finder.measure(auto, 1, { timeS: CLOCK_S, sinceTouchS: 60 }).resolved.settings.shutterS;
    const expose = sensorIn(view, base);
    for (const [ev, iso] of VARIED) {
      const shutterS = base * 2 ** ev;
      const moment = { timeS: CLOCK_S, sinceTouchS: 60 };
      const { channels } = expose({ shutterS, iso }, 7).outlook;
      const [large, ofSmall] = [finder, small].map((of) => of.measure(asked(shutterS, iso), 2, moment));
      for (const { outlook } of [large!, ofSmall!]) {
        const { forecast } = outlook;
        const told = CFA_NAMES.map((name, c) => ({
          name,
          clippedShare: forecast.clipped[c]!,
          belowFloorShare: forecast.belowFloor[c]!,
        }));
        // Both are shown when they do not agree.
        expect(forecastHeld(told, channels) || { ev, iso, told, channels }).toBe(true);
      }
      // What a meter reads knows nothing of the finder's size.
      expect(ofSmall!.reading).toEqual(large!.reading);
      const off = Math.abs(ofSmall!.outlook.headroomEv - large!.outlook.headroomEv);
      expect(off < 1 / 6 || Number.isNaN(off) || off).toBe(true);
    }
  });
});

describe.each(partOf(['spy-hole', 'soot-wall', 'yard-night', 'shed-door'], 1))(
  'the dark frame of the %s',
  (id) => {
    it('has the headroom that was told within 0.1 EV, noise included', async () => {
      const view = await seen(id, fewer);
      const expose = sensorIn(view, 1);
      for (const [shutterS, iso] of [
        [2 ** -10, 50],
        [2 ** -13, 100],
        [2 ** -10, 1600],
      ] as const) {
        const settings = { shutterS, iso, apertureN: fewer.lens.apertureN, compensationEv: 0 };
        const { outlook: told } = forecastOf(view, {
          settings,
          facts: someFacts({ timeMs: 0 }),
          colour: colourOfNeutral(camera.matrices, [1, 1, 1]),
          ...{ seed: 1, clockS: CLOCK_S, focusM: 2, steadiness: rest },
        });
        const { outlook: found } = expose(settings, 9);
        const off = Math.abs((told.headroomEv ?? 99) - (found.headroomEv ?? 99));
        expect(off < 0.1 || { shutterS, iso, told, found }).toBe(true);
      }
    });
  },
);

describe('a sweep of captures in thirds', () => {
  it.each(partOf(['wheel-bench', 'glaze-table'], 1))(
    'of the %s burns the share where headroom says, and passes the zebra where the stripes begin',
    async (id) => {
      const view = await seen(id, fewer);
      const finder = finderFor(viewSource(view));
      const shutterS = 1 / 500;
      const { outlook } = finder.measure(asked(shutterS, 100), 1, { timeS: CLOCK_S, sinceTouchS: 60 });
      const expose = sensorIn(view, shutterS);
      const belowClip12 = 6;
      const { levels, response } = outlook;
      const toStripes = headroomOfLevels(levels, response, FIRST_STRIPES, zebraLimit(response, belowClip12));
      // The threshold is a move of the clip wall: zebra and headroom ask the same question.
      expect(Math.abs(outlook.headroomEv - toStripes - belowClip12 / 12)).toBeLessThan(0.05);
      const limit = zebraLimit(outlook.response, belowClip12);
      const first = Math.floor(3 * toStripes) - 1;
      const found = Array.from({ length: 5 }, (_, i) => {
        const ev = (first + i) / 3;
        const { counted, outlook: result } = expose({ shutterS: shutterS * 2 ** ev, iso: 100 }, 20 + i);
        const clipped = Math.max(...result.channels.map((c) => c.clippedShare));
        const passing = counted.counts.map((counts) => {
          let [sites, above] = [0, 0];
          counts.forEach((n, dn) => {
            sites += n;
            if (dn - fewer.sensor.black > limit) above += n;
          });
          return above / sites;
        });
        return { ev, burns: clipped > TOLERANCE.share, stripes: Math.max(...passing) > 0.001 };
      });
      const turn = (holds: (step: (typeof found)[number]) => boolean) => found.find(holds)?.ev;
      // The first third past the forecast is the first that burns, the first past the stripes the first that passes.
      const within = (told: number, at: number | undefined) => {
        expect(at).toBeDefined();
        expect(at! - told).toBeGreaterThan(-1 / 6);
        expect(at! - told).toBeLessThan(1 / 3 + 1 / 6);
      };
      within(
        toStripes,
        turn((s) => s.stripes),
      );
      within(
        outlook.headroomEv,
        turn((s) => s.burns),
      );
    },
  );
});
