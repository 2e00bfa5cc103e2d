// The one darkroom worker of the page, started when first needed.
import * as Comlink from 'comlink';
import type { DarkroomWorkerApi } from '../workers/darkroom.worker';

let running: { worker: Worker; api: Comlink.Remote<DarkroomWorkerApi> } | undefined;

export function darkroom(): Comlink.Remote<DarkroomWorkerApi> {
  if (!running) {
    const worker = new Worker(new URL('../workers/darkroom.worker.ts', import.meta.url));
    running = { worker, api: Comlink.wrap<DarkroomWorkerApi>(worker) };
  }
  return running.api;
}

/** Stops whatever the darkroom does; the next call starts a new one. */
export function restartDarkroom(): void {
  running?.worker.terminate();
  running = undefined;
}
