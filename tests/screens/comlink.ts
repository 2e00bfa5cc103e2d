// Comlink as screens under test have it: what a worker lends is kept, so that it can be called in the same thread.
import * as comlink from '../../node_modules/comlink/dist/umd/comlink';

let lent: unknown;

export const {
  createEndpoint,
  finalizer,
  proxy,
  proxyMarker,
  releaseProxy,
  transfer,
  transferHandlers,
  wrap,
} = comlink;

export function expose(api: unknown): void {
  lent = api;
}

/** What the module that was loaded last lends. */
export const lastLent = () => lent;
