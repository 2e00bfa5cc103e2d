// Draws the scopes on canvases that the page has handed over, so that the page's own thread is free for the hand.
import * as Comlink from 'comlink';
import { watched } from '../../workers/alive';
import { font } from '../theme';
import { paintScope, penFor, pixelStore, type ScopeData, type ScopeLook, type Sheet } from './paint';

interface Drawn {
  readonly canvas: OffscreenCanvas;
  readonly pixels: ReturnType<typeof pixelStore>;
  sheet: Sheet;
  look: ScopeLook;
}

const scopes = new Map<string, Drawn>();
let newest: ScopeData | null = null;

function draw({ canvas, pixels, sheet, look }: Drawn): void {
  const pen = penFor(canvas, sheet, pixels);
  if (pen) paintScope(pen, look, newest);
}

const api = {
  ...watched(),

  /** Takes the house's type from where the page has it; without it labels are in the browser's own. */
  async type(url: string) {
    const face = new FontFace(font.medium, `url(${JSON.stringify(url)})`);
    (self as unknown as { fonts: FontFaceSet }).fonts.add(await face.load());
    for (const scope of scopes.values()) draw(scope);
  },
  add(id: string, canvas: OffscreenCanvas, sheet: Sheet, look: ScopeLook) {
    const scope = { canvas, pixels: pixelStore(), sheet, look };
    scopes.set(id, scope);
    draw(scope);
  },
  change(id: string, sheet: Sheet, look: ScopeLook) {
    const scope = scopes.get(id);
    if (!scope) return;
    Object.assign(scope, { sheet, look });
    draw(scope);
  },
  remove(id: string) {
    scopes.delete(id);
  },
  show(data: ScopeData | null) {
    newest = data;
    for (const scope of scopes.values()) draw(scope);
  },
};

export type PainterApi = typeof api;
Comlink.expose(api);
