// A simulated camera in the same thread, for screens under test: the finder's own frames through the small body, made when the test asks for
// one. It stands in place of `camera/simulated/simulated`, whose frames are made by a worker.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Order } from '../../src/camera/order';
import type { CameraEvent } from '../../src/camera/port';
import { finderFrames } from '../../src/camera/simulated/finder-frames';
import type { SimulatedCamera } from '../../src/camera/simulated/simulated';
import type { World } from '../../src/camera/simulated/world';
import { readScenePack } from '../../src/core/scene/pack';
import type { Scene } from '../../src/core/scene/scene';
import type { LensId } from '../../src/core/sensor/simulated-optic';
import { isLensId, OPTICS, simulatedBodies } from '../../src/core/sensor/cameras';
import { eventSource } from '../../src/workers/events';

/** Of a frame, samples along. */
const LONG_SIDE = 160;
/** The scenes' own time when a test begins, and how much of it passes from frame to frame, s. */
const [FIRST_S, FRAME_S] = [100, 0.04];

const packs = join(__dirname, '..', '..', '.cache', 'light-scenes');
const scenes = new Map<string, Scene>();
const frames = finderFrames();
let order: Order | undefined;
let world: World | undefined;
let number = 0;
let events = eventSource<CameraEvent>(() => false);

/** Reads a scene for the frames that follow. */
export async function loadScene(id: string, lens: LensId): Promise<void> {
  const name = `${id}.${OPTICS[lens].plates}`;
  if (!scenes.has(name)) scenes.set(name, await readScenePack(readFileSync(join(packs, `${name}.vsc`))));
}

/** Makes a frame by the newest order and hands it on. @throws Error where its scene was not loaded */
export function drawFrame(): void {
  if (!order?.running || !world) return;
  if (!isLensId(order.optic)) throw new Error(`${order.optic} is no lens of a simulated camera`);
  const scene = scenes.get(`${world.scene}.${OPTICS[order.optic].plates}`);
  if (!scene) throw new Error(`${world.scene} was not loaded for ${order.optic}`);
  number++;
  const asked = {
    ...{ scene, lens: order.optic, order, world, number, answers: order.seq, longSide: LONG_SIDE },
    moment: { timeS: FIRST_S + number * FRAME_S, sinceTouchS: 1 },
  };
  const { report } = frames.draw(
    asked,
    () => undefined,
    () => undefined,
  );
  const stageMs = { light: 0, expose: 0, scopes: 0, meter: 0, develop: 0, draw: 0 };
  events.push({ kind: 'report', report: { ...report, stageMs } });
}

/** Something other than a frame happens to the camera. */
export function happens(event: CameraEvent): void {
  events.push(event);
}

/** The newest order. */
export function ordered(): Order | undefined {
  return order;
}

export function simulatedCamera(): SimulatedCamera {
  return {
    bodies: simulatedBodies(),
    arrange: (next) => {
      world = next;
    },
    apply: (next) => {
      order = next;
    },
    open: async function* (_, signal) {
      const mine = (events = eventSource<CameraEvent>(() => false));
      mine.push({ kind: 'status', status: { kind: 'ready', view: world?.scene ?? '' } });
      signal.addEventListener('abort', () => mine.end(), { once: true });
      yield* mine.read();
    },
    take: () => {
      throw new Error('This camera takes no frames');
    },
    make: () => {
      throw new Error('This camera takes no frames');
    },
    loupe: () => Promise.reject(new Error('This camera has no loupe')),
  };
}
