// What a browser has and the units' page has not, so far as screens ask for it while they are drawn. Runs before each suite of screens.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as React from 'react';

/** Draws nothing; measures text by its letters. */
const pen = new Proxy(
  {},
  {
    get: (_, name) => {
      if (name === 'measureText') return (text: string) => ({ width: 6 * text.length });
      if (name === 'createImageData' || name === 'getImageData')
        return (a: number, b: number) => ({ data: new Uint8ClampedArray(4 * a * b), width: a, height: b });
      return () => undefined;
    },
    set: () => true,
  },
);
HTMLCanvasElement.prototype.getContext = (() => pen) as never;
// Nobody watches sizes here: places are worked out from the window's.
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
} as never;
// Workers do not come: whoever hires one does without.
globalThis.Worker ??= class {
  addEventListener() {}
  removeEventListener() {}
  postMessage() {}
  terminate() {}
} as never;
globalThis.PointerEvent ??= class extends MouseEvent {} as never;
// A list is as large as its window; whatever else asks for its size has none.
for (const [name, size] of [
  ['clientHeight', 'innerHeight'],
  ['clientWidth', 'innerWidth'],
] as const)
  Object.defineProperty(HTMLUListElement.prototype, name, { configurable: true, get: () => window[size] });
Element.prototype.scrollTo ??= () => undefined;
Element.prototype.scrollIntoView ??= () => undefined;
// Scenes and their maps are served, the demo's roll with a sixteenth of its sites, and nothing else.
const SERVED: Readonly<Record<string, string>> = { scenes: 'light-scenes', demo: 'small-roll' };
globalThis.fetch ??= (address) => {
  const [, folder, name] = /^\/(\w+)\/([\w.-]+)$/.exec(String(address)) ?? [];
  const file = folder && name && join(__dirname, '..', '..', '.cache', SERVED[folder] ?? 'none', name);
  if (!file || !existsSync(file)) return Promise.resolve(new Response(null, { status: 404 }));
  return Promise.resolve(new Response(readFileSync(file)));
};
// Pictures have their sizes and nothing on them.
globalThis.createImageBitmap ??= (async ({ width = 1, height = 1 }: { width?: number; height?: number }) => ({
  width,
  height,
  close: () => undefined,
})) as never;
globalThis.OffscreenCanvas ??= class {
  constructor(
    readonly width: number,
    readonly height: number,
  ) {}
  getContext = () => pen;
  convertToBlob = async ({ type }: { type: string }) => new Blob(['picture'], { type });
} as never;
performance.mark ??= (() => undefined) as never;
performance.measure ??= (() => undefined) as never;
globalThis.matchMedia ??= (() => ({
  matches: false,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
})) as never;
globalThis.ImageData ??= class {
  readonly data: Uint8ClampedArray;
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.data = new Uint8ClampedArray(4 * width * height);
  }
} as never;
// Nothing is laid out here: what an element's own style says is all there is to be had, and the way through every rule of a page is long.
window.getComputedStyle = (element) => (element as HTMLElement).style;
// React notes for each element where it was made, for its warnings: a third of the time that a screen is drawn in.
const internals = (React as unknown as Record<string, object>)
  .__CLIENT_INTERNALS_DO_NOT_USE_OR_WARN_USERS_THEY_CANNOT_UPGRADE!;
Object.defineProperty(internals, 'recentlyCreatedOwnerStacks', { get: () => Infinity, set: () => {} });
