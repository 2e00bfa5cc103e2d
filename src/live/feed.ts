// Tells the camera in use of the desk, in numbered orders, and draws its finder; whoever presses asks here for the newest number.
import type { Order } from '../camera/order';
import type { Camera } from '../camera/port';
import type { Report } from '../camera/report';
import { bodiesChanged, bodyWith, cameraWith, simulated } from './camera';
import { useDesk } from './desk';
import { orderOf } from './desk-controls';
import { useReport } from './report';
import { useWorld } from './world';

/** True while the finder is on the screen. */
let running = false;
/** How many ask for it to run wherever it is. */
let wanted = 0;
let seq = 0;
let last = '';
let newest: Order | undefined;

/** Sends an order if anything of it has changed, and gives the number of the newest one. */
export function sendOrder(): number {
  const desk = useDesk.getState();
  const { scene, outside, retries } = useWorld.getState();
  const order = orderOf(desk, { running: running || wanted > 0, retries });
  const world = { scene, outside };
  const key = JSON.stringify([order, world]);
  if (key !== last) {
    last = key;
    newest = { ...order, seq: ++seq };
    if (bodyWith(desk.optic).arrangedWorld) simulated.arrange(world);
    cameraWith(desk.optic).apply(newest);
  }
  return seq;
}

/** The order of that number and all older ones are no more: a new finder must be told anew. */
function sendAnew(): void {
  last = '';
  sendOrder();
}

/** Lets the finder run or rest. */
export function setRunning(next: boolean): void {
  running = next;
  sendOrder();
}

/** Has the finder run until that is done, also in a tab that lies behind another: a release with a delay may find it there, resting. */
export async function withFinder<T>(act: () => Promise<T>): Promise<T> {
  wanted++;
  sendOrder();
  try {
    return await act();
  } finally {
    wanted--;
    sendOrder();
  }
}

/** Keeps the camera told of every change. Returns a function that ends it. */
export function feedCamera(): () => void {
  sendOrder();
  const stops = [useDesk.subscribe(sendOrder), useWorld.subscribe(sendOrder)];
  return () => stops.forEach((stop) => stop());
}

/**
 * Draws the finder of a camera on a canvas that nobody has drawn on, until the signal ends it. A finder that dies leaves the desk in the
 * state "failed".
 * @param onReplaced called when the person wants another finder, on another canvas, in place of this one
 */
export async function openFinder(
  camera: Camera,
  canvas: HTMLCanvasElement,
  signal: AbortSignal,
  onFrame: (report: Report) => void,
  onReplaced: () => void,
): Promise<void> {
  const { setCamera, setNotice } = useDesk.getState();
  const { take, clear } = useReport.getState();
  clear();
  setCamera({ kind: 'starting' });
  let live = false;
  try {
    const events = camera.open(canvas, signal);
    sendAnew();
    for await (const event of events) {
      if (signal.aborted) break;
      if (event.kind === 'report') {
        take(event.report);
        onFrame(event.report);
        if (!live) setCamera({ kind: 'live' });
        live = true;
      } else if (event.kind === 'status') {
        useWorld.getState().setStatus(event.status);
        const { status } = event;
        if (live) continue;
        if (status.kind === 'failed') setCamera({ kind: 'failed', message: status.message, what: 'view' });
        else if (useDesk.getState().camera.kind === 'failed') setCamera({ kind: 'starting' });
      } else if (event.kind === 'note') setNotice(event.message);
      else if (event.kind === 'bodies') bodiesChanged(() => useDesk.getState().setOptic(event.optic));
      else {
        live = false;
        // Nothing is said of what nobody sees any more.
        clear();
        setCamera({ kind: 'failed', message: event.message, what: 'finder' });
        if (event.again) onReplaced();
      }
    }
  } catch (error) {
    if (!signal.aborted)
      setCamera({
        kind: 'failed',
        message: error instanceof Error ? error.message : String(error),
        what: 'finder',
      });
  }
}
