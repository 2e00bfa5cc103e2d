// `npx tsx tools/demo-roll.ts [--small]`: takes the frames of the demo roll with the core itself: DNGs, thumbnails and records in .cache/demo; or
// with the body for tests, of scenes with a part of their detail, in .cache/small-roll.
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeJpeg } from '../cli/jpeg';
import { loadScene } from '../cli/scene-files';
import { FIRST_ROLL } from '../src/core/facts/facts';
import { shoot } from '../src/core/frame/shoot';
import { resolveExposure } from '../src/core/exposure/automatic';
import type { FramePoint } from '../src/core/meter/luminance-map';
import type { PatternId } from '../src/core/meter/pattern';
import { BURN_SHARE } from '../src/core/meter/highlight';
import { meteredEv100, readMeter } from '../src/core/meter/read';
import { SPOT_SHARE } from '../src/core/meter/spot';
import { settledFocus } from '../src/core/focus/follow';
import { planFor } from '../src/core/finder/finder';
import { focusSourceOf, steadyTimeS } from '../src/core/scene/view-source';
import { initialValues, settingsOf } from '../src/core/setting/values';
import { OPENING } from '../src/core/scene/outside';
import { viewScene } from '../src/core/scene/view';
import type { Orientation } from '../src/core/body/orientation';
import { OPTICS, opticOfCamera } from '../src/core/sensor/cameras';
import type { LensId, PlateId } from '../src/core/sensor/simulated-optic';
import { readScenePack } from '../src/core/scene/pack';
import type { Scene } from '../src/core/scene/scene';
import type { SettingValues } from '../src/core/setting/settings';
import { parseIso, parseShutter } from '../src/core/units/ladders';
import { fromUint8Array } from 'js-base64';
import { frameId } from '../src/vault/frame-id';

interface Take {
  readonly minute: number;
  readonly orientation: Orientation;
  readonly pattern: PatternId;
  readonly at?: FramePoint;
  readonly shutter?: string;
  readonly iso?: string;
  readonly thirds?: number;
  readonly scene?: string;
  readonly lens?: LensId;
  readonly tripod?: boolean;
}

/** The morning of the firing, an invented day. */
const START = Date.UTC(2024, 3, 9, 4, 42, 0);
const OFFSET_MINUTES = 120;

const TAKES: readonly Take[] = [
  { minute: 0, orientation: 'portrait', pattern: 'whole' },
  { minute: 1, orientation: 'portrait', pattern: 'whole', thirds: -6 },
  { minute: 3, orientation: 'landscape', pattern: 'spot', at: { x: 0.717, y: 0.643 } },
  { minute: 4, orientation: 'landscape', pattern: 'spot', at: { x: 0.41, y: 0.37 } },
  {
    minute: 41,
    orientation: 'portrait',
    pattern: 'centre',
    scene: 'glaze-table',
    lens: 'tele',
    tripod: true,
  },
  { minute: 58, orientation: 'landscape', pattern: 'centre', scene: 'soot-wall', thirds: -6 },
  { minute: 431, orientation: 'portrait', pattern: 'whole', scene: 'shed-door', thirds: -3 },
  {
    minute: 940,
    orientation: 'landscape',
    pattern: 'spot',
    at: { x: 0.53, y: 0.5 },
    scene: 'spy-hole',
    lens: 'tele',
  },
];

const small = process.argv.includes('--small');
const cache = join(__dirname, '..', '.cache');
const SMALL: Readonly<Partial<Record<LensId, LensId>>> = { wide: 'small-24', tele: 'small-77' };

async function sceneOf(id: string, plates: PlateId): Promise<Scene> {
  if (!small) return loadScene(id, plates);
  return readScenePack(readFileSync(join(cache, 'light-scenes', `${id}.${plates}.vsc`)));
}

async function main() {
  const folder = join(cache, small ? 'small-roll' : 'demo');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const roll = [];
  for (const [i, take] of TAKES.entries()) {
    const lens = take.lens ?? 'wide';
    const camera = OPTICS[(small && SMALL[lens]) || lens];
    const scene = await sceneOf(take.scene ?? 'wheel-bench', camera.plates);
    const outside = { ...OPENING, support: take.tripod ? ('tripod' as const) : ('hand' as const) };
    const view = viewScene(scene, camera, take.orientation, outside);
    const settings: SettingValues = {
      ...initialValues(),
      shutter: { auto: !take.shutter, exact: take.shutter ? parseShutter(take.shutter).exact : 1 / 128 },
      iso: { auto: !take.iso, exact: take.iso ? parseIso(take.iso).exact : 100 },
      compensationEv: (take.thirds ?? 0) / 3,
      meter: { ...initialValues().meter, pattern: take.pattern },
    };
    const aim = { at: take.at ?? { x: 0.5, y: 0.5 }, spotShare: SPOT_SHARE, burnShare: BURN_SHARE };
    const reading = readMeter(view.sight, take.pattern, aim);
    const steadyS = steadyTimeS(camera.equivalentMm, outside.support);
    const plan = planFor({ lens: camera.lens, steadyS }, settings.rules);
    const { settings: made } = resolveExposure(settings, reading.ev100, plan);
    const timeMs = START + take.minute * 60_000 + i * 7_130;
    const id = frameId(timeMs, createHash('sha256').update(`demo ${i}`).digest());
    const shot = await shoot(
      view,
      {
        settings: made,
        facts: {
          set: settingsOf(settings, opticOfCamera(camera)),
          meteredEv100: meteredEv100(reading),
          id,
          roll: FIRST_ROLL,
          timeMs,
          offsetMinutes: OFFSET_MINUTES,
        },
        seed: 100 + i,
        clockS: (timeMs / 1000) % 86_400,
        focusM: settledFocus(
          focusSourceOf(view),
          settings.focus,
          settings.meter.pattern === 'spot' ? aim.at : null,
        ).focusM,
        steadiness: { support: outside.support, press: 0.5, sinceTouchS: Infinity },
      },
      { longSide: camera.sensor.width, compression: 'lossless-jpeg', encodeJpeg },
    );
    writeFileSync(join(folder, `${id}.dng`), shot.files[0]!.bytes);
    roll.push({
      record: { ...shot.record, place: { kind: 'served', url: `/demo/${id}.dng` } },
      thumbnail: `data:image/jpeg;base64,${fromUint8Array(shot.thumbnailJpeg)}`,
    });
    console.log(`  frame ${i + 1} of ${TAKES.length}`);
  }
  writeFileSync(join(folder, 'roll.json'), JSON.stringify(roll));
}

void main();
