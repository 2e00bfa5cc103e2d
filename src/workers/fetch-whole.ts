// A file fetched whole, with progress. A server that answers nothing, or stops in the middle, is given up after a few seconds.

/** Nothing for this long, and it is told: people give up after about eight seconds. */
export const STALL_MS = 6000;

interface Options {
  /** What it is, to begin a sentence with: "The scene". */
  readonly what: string;
  readonly onShare?: (share: number) => void;
  /** Used where the server does not tell the length. */
  readonly usualBytes?: number;
  readonly stallMs?: number;
  /** True asks past every cache: what came before was of no use. */
  readonly anew?: boolean;
  /**
   * True for what may be larger than what the browser's cache keeps of one file: it is kept out of it. In a private window, whose cache is in memory, Chromium lets those
   * who ask for a file that is on its way wait for the same answer, and fails them when the file turns out to be too large (9 MB; 4 MB are not).
   */
  readonly large?: boolean;
}

/** @throws Error in words for people: not there, no connection, stalled, ended early */
export async function fetchWhole(
  url: string,
  { what, onShare, usualBytes = 1_000_000, stallMs = STALL_MS, anew = false, large = false }: Options,
): Promise<Uint8Array> {
  const controller = new AbortController();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stalled = false;
  const awaitMore = () => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      stalled = true;
      controller.abort();
    }, stallMs);
  };
  awaitMore();
  try {
    const cache = large ? 'no-store' : anew ? 'reload' : 'default';
    const response = await fetch(url, { signal: controller.signal, cache });
    if (!response.ok || !response.body) throw new NotThere(`${what} did not load (${response.status})`);
    const total = Number(response.headers.get('content-length'));
    const parts: Uint8Array[] = [];
    let length = 0;
    const reader = response.body.getReader();
    for (let next = await reader.read(); !next.done; next = await reader.read()) {
      awaitMore();
      parts.push(next.value);
      length += next.value.length;
      onShare?.(Math.min(1, length / (total || usualBytes)));
    }
    return joined(parts, length);
  } catch (error) {
    if (error instanceof NotThere) throw error;
    throw new Error(
      stalled
        ? `${what} does not come: nothing from the server for ${Math.round(stallMs / 1000)} s`
        : `${what} did not load: the connection to the server broke`,
    );
  } finally {
    clearTimeout(timer);
  }
}

class NotThere extends Error {}

function joined(parts: readonly Uint8Array[], length: number): Uint8Array {
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.length;
  }
  return bytes;
}
