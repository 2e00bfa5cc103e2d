// A digital zoom shows what the middle of the frame holds, on the sites that are there; a depth sensor tells distances about as well as one of its
// kind does, and only as far as it reaches.
import { forecastOf, type Press } from '../frame/shoot';
import { confusionMm, hyperfocalM } from '../optics/lens';
import { PLAIN_LAMP } from '../sensor/sensitivities';
import { SIM_IRIS } from '../sensor/sim-iris';
import { SIM_ONE } from '../sensor/sim-one';
import { SIM_SMALL } from '../sensor/sim-small';
import type { SettingValues } from '../setting/settings';
import { initialValues } from '../setting/values';
import { croppedScene } from './crop';
import { depthSensed } from './depth-sensor';
import { digitallyZoomed } from './digital-zoom';
import { previewStage } from './light-rows';
import { OPENING } from './outside';
import type { Scene } from './scene';
import { viewScene } from './view';
import { someFacts } from '../../../tests/facts';

const SIZE = 256;
/** A room that is bright in the middle quarter of its width, 1.5 m away there and 20 m elsewhere. */
const room: Scene = {
  description: {
    ...{ id: 'room', name: 'Room', says: '', lens: 'wide', fieldDeg: 70.97 },
    ...{ eye: [0, 1, 0], aim: [0, 1, 2], patches: [] },
    lamps: [{ ...PLAIN_LAMP, id: 'a', name: 'A', level: 1 }],
  },
  size: SIZE,
  lamps: [{ width: SIZE, height: SIZE, data: new Float32Array(SIZE * SIZE * 3).fill(100) }],
  space: {
    distance: Float32Array.from({ length: SIZE * SIZE }, (_, i) => (inside(i) ? 1.5 : 20)),
    surface: new Uint8Array(SIZE * SIZE),
  },
};
for (let i = 0; i < SIZE * SIZE; i++) if (inside(i)) room.lamps[0]!.data.fill(4000, 3 * i, 3 * i + 3);

function inside(i: number): boolean {
  return [i % SIZE, Math.floor(i / SIZE)].every((v) => v >= 96 && v < 160);
}

describe('a digital zoom', () => {
  const zoomed = digitallyZoomed(SIM_ONE.wide, 4);

  it('is the same lens on a sixteenth of the sites: less depth, a shorter time, no finer sites', () => {
    const { sensor, lens } = zoomed;
    expect([sensor.width, sensor.height, sensor.pitchMm]).toEqual([1008, 756, SIM_ONE.wide.sensor.pitchMm]);
    expect(confusionMm(sensor)).toBeCloseTo(confusionMm(SIM_ONE.wide.sensor) / 4, 9);
    expect(hyperfocalM(lens, sensor) / hyperfocalM(SIM_ONE.wide.lens, SIM_ONE.wide.sensor)).toBeCloseTo(4, 1);
    expect(zoomed.equivalentMm).toBe(96);
    expect(digitallyZoomed(SIM_ONE.wide, 1)).toBe(SIM_ONE.wide);
    expect(() => digitallyZoomed(SIM_ONE.wide, 0.5)).toThrow(RangeError);
  });

  it('shows the middle as large as it is, and samples that are finer than sites are no less noisy than sites', () => {
    const view = viewScene(room, zoomed, 'landscape', OPENING);
    const { width, groups, sitesPerSample } = previewStage(view, 640).focused(1.5);
    // A quarter of the width is all of it.
    expect(groups[0]![1]![240 * width + 40]! / groups[0]![1]![240 * width + 320]!).toBeGreaterThan(0.8);
    expect(sitesPerSample).toBeCloseTo((1008 / 640) ** 2, 6);
    const most = viewScene(room, digitallyZoomed(SIM_ONE.wide, 8), 'landscape', OPENING);
    expect(previewStage(most, 640).focused(1.5).sitesPerSample).toBe(1);
  });

  it('is told of by what the whole frame holds in the middle', () => {
    const set = { ...initialValues(), cut: { aspect: '16:9' as const, times: 4 } };
    const press = (of: SettingValues): Press => ({
      settings: { shutterS: 1 / 250, iso: 100, apertureN: 1.8, compensationEv: 0 },
      facts: someFacts({ set: of, timeMs: 0 }),
      ...{ seed: 1, clockS: 0, focusM: 1.5 },
      steadiness: { support: 'tripod', press: 0, sinceTouchS: 60 },
    });
    const camera = SIM_SMALL['small-24'];
    const clipped = (of: SettingValues, through = camera) =>
      forecastOf(viewScene(room, through, 'landscape', OPENING), press(of)).outlook.channels.map(
        ({ clippedShare }) => clippedShare,
      );
    const middle = clipped(set);
    // All of the middle burns, and a twelfth of the whole.
    expect(Math.min(...middle)).toBeGreaterThan(0.9);
    expect(Math.max(...clipped(initialValues()))).toBeLessThan(0.15);
    const own = clipped(initialValues(), digitallyZoomed(camera, 4));
    middle.forEach((share, c) => expect(Math.abs(share - own[c]!)).toBeLessThan(0.02));
  });

  it('keeps few cuts of a scene: a zoom that is dragged passes many', () => {
    const first = croppedScene(room, 2);
    expect(croppedScene(room, 2)).toBe(first);
    for (const factor of [2.1, 2.2, 2.3, 2.4]) croppedScene(room, factor);
    expect(croppedScene(room, 2)).not.toBe(first);
  });
});

describe('the depth sensor', () => {
  const view = (camera = SIM_ONE.wide) => viewScene(room, camera, 'landscape', OPENING);

  it('tells what is near to a per cent or so, and not what is out of reach', () => {
    const { width, height, metres } = depthSensed(view())!;
    expect(width / height).toBeCloseTo(4 / 3, 1);
    const near = [...metres].filter((d) => !Number.isNaN(d));
    expect(near.length / metres.length).toBeCloseTo(1 / 12, 1);
    const mean = near.reduce((sum, d) => sum + d, 0) / near.length;
    expect(mean).toBeCloseTo(1.5, 2);
    const deviation = Math.sqrt(near.reduce((sum, d) => sum + (d - mean) ** 2, 0) / near.length);
    expect(deviation / 1.5).toBeGreaterThan(0.005);
    expect(deviation / 1.5).toBeLessThan(0.015);
    expect(Number.isNaN(metres[0])).toBe(true);
  });

  it('has as many cells as before of the whole field, fewer of a part; a camera without one tells nothing', () => {
    const of = (times: number) => depthSensed(view(digitallyZoomed(SIM_ONE.wide, times)))!.width;
    expect(of(1) / of(4)).toBeCloseTo(4, 0);
    expect(depthSensed(view(SIM_IRIS['zoom-24']))).toBeNull();
    const { space: _, ...flat } = room;
    expect(depthSensed(viewScene(flat, SIM_ONE.wide, 'landscape', OPENING))).toBeNull();
  });
});
