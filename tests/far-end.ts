// A worker for units of the page: the far end of a channel, on which an api answers once its script is there.
import * as Comlink from 'comlink';

const opened: MessagePort[] = [];

/** Stands in for the platform's Worker. */
export class FarEnd extends EventTarget {
  readonly #port: MessagePort;
  ended = false;
  /** What it was sent while it hangs; null while it does not. */
  #unheard: unknown[] | null = null;
  /** Its script arrives. */
  readonly come: () => void;

  constructor(api: object) {
    super();
    const { port1, port2 } = new MessageChannel();
    opened.push(port1, port2);
    this.#port = port1;
    port1.start();
    port1.addEventListener('message', ({ data }) =>
      this.dispatchEvent(new MessageEvent('message', { data })),
    );
    this.come = () => Comlink.expose(api, port2 as unknown as Comlink.Endpoint);
  }

  postMessage(message: unknown): void {
    if (this.ended) return;
    if (this.#unheard) this.#unheard.push(message);
    else this.#port.postMessage(message);
  }

  /** It is in the midst of something, and hears nothing until that ends. */
  hang(): void {
    this.#unheard ??= [];
  }

  /** It comes to the end of it. */
  goOn(): void {
    const unheard = this.#unheard ?? [];
    this.#unheard = null;
    unheard.forEach((message) => this.postMessage(message));
  }

  terminate(): void {
    this.ended = true;
  }

  break(message: string): void {
    this.dispatchEvent(Object.assign(new Event('error'), { message }));
  }
}

/** Ends all channels, so that nothing keeps the process. */
export function closeFarEnds(): void {
  opened.splice(0).forEach((port) => port.close());
}
