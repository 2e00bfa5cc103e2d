// Takes the six frames of the demo roll with the core itself: DNGs, thumbnails and records in .cache/demo.
import { createHash } from 'node:crypto';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeJpeg } from '../cli/jpeg';
import { loadScene } from '../cli/scene-files';
import { shoot } from '../src/core/frame/shoot';
import { resolveExposure, type ExposureControls } from '../src/core/exposure/automatic';
import type { FramePoint } from '../src/core/meter/luminance-map';
import type { PatternId } from '../src/core/meter/pattern';
import { readMeter } from '../src/core/meter/read';
import { handHeldLimitS } from '../src/core/optics/lens';
import { viewScene, type Orientation } from '../src/core/scene/view';
import { SIM_ONE } from '../src/core/sensor/sim-one';
import { parseIso, parseShutter } from '../src/core/units/ladders';
import { toBase64 } from '../src/vault/base64';
import { frameId } from '../src/vault/frame-id';

interface Take {
  readonly minute: number;
  readonly orientation: Orientation;
  readonly pattern: PatternId;
  readonly at?: FramePoint;
  readonly shutter?: string;
  readonly iso?: string;
  readonly thirds?: number;
}

/** The morning of the firing, an invented day. */
const START = Date.UTC(2024, 3, 9, 4, 42, 0);
const OFFSET_MINUTES = 120;

const TAKES: readonly Take[] = [
  { minute: 0, orientation: 'portrait', pattern: 'evaluative' },
  { minute: 1, orientation: 'portrait', pattern: 'evaluative', thirds: -6 },
  { minute: 3, orientation: 'landscape', pattern: 'spot', at: { x: 0.717, y: 0.643 } },
  { minute: 4, orientation: 'landscape', pattern: 'spot', at: { x: 0.41, y: 0.37 } },
  { minute: 9, orientation: 'portrait', pattern: 'centre', shutter: '1/60', iso: '50' },
  { minute: 11, orientation: 'landscape', pattern: 'centre', shutter: '1/2000', iso: '1600' },
];

async function main() {
  const folder = join(__dirname, '..', '.cache', 'demo');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  const scene = await loadScene('wheel-bench');
  const roll = [];
  for (const [i, take] of TAKES.entries()) {
    const view = viewScene(scene, SIM_ONE, take.orientation);
    const controls: ExposureControls = {
      shutter: { auto: !take.shutter, exact: take.shutter ? parseShutter(take.shutter).exact : 1 / 128 },
      iso: { auto: !take.iso, exact: take.iso ? parseIso(take.iso).exact : 100 },
      compensationEv: (take.thirds ?? 0) / 3,
    };
    const reading = readMeter(view.luminance, take.pattern, take.at ?? { x: 0.5, y: 0.5 });
    const limits = { apertureN: SIM_ONE.lens.apertureN, handHeldS: handHeldLimitS(SIM_ONE.equivalentMm) };
    const { settings } = resolveExposure(controls, reading.ev100, limits);
    const timeMs = START + take.minute * 60_000 + i * 7_130;
    const id = frameId(timeMs, createHash('sha256').update(`demo ${i}`).digest());
    const shot = await shoot(
      view,
      {
        settings,
        facts: {
          pattern: take.pattern,
          shutterAuto: controls.shutter.auto,
          isoAuto: controls.iso.auto,
          uniqueId: id,
        },
        seed: 100 + i,
        timeMs,
        offsetMinutes: OFFSET_MINUTES,
        scene: 'wheel-bench',
      },
      { longSide: SIM_ONE.sensor.width, compression: 'lossless-jpeg', encodeJpeg },
    );
    writeFileSync(join(folder, `${id}.dng`), shot.dng);
    roll.push({
      record: { ...shot.record, place: { kind: 'served', url: `/demo/${id}.dng` } },
      thumbnail: `data:image/jpeg;base64,${toBase64(shot.thumbnailJpeg)}`,
    });
    console.log(`  frame ${i + 1} of ${TAKES.length}`);
  }
  writeFileSync(join(folder, 'roll.json'), JSON.stringify(roll));
}

void main();
