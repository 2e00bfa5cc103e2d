// WebAssembly as the platform has it. Where it has none, or not all of it, whoever asks is told by an error.

export interface WasmInstance<Functions> {
  readonly call: Functions;
  /** What its memory is now: another buffer once it has grown. */
  memory(): ArrayBuffer;
  grow(pages: number): void;
}

export type WasmModule = WebAssembly.Module;

/** Bytes of a page of memory. */
export const PAGE = 65536;

/** @throws for bytes that are no module here: SIMD may be missing, or all of it */
export function wasmModule(bytes: Uint8Array<ArrayBuffer>): WasmModule {
  return new WebAssembly.Module(bytes);
}

/** One with memory of its own, exported as `memory`. @throws where it cannot be made */
export function wasmInstance<Functions>(module: WasmModule): WasmInstance<Functions> {
  const { exports } = new WebAssembly.Instance(module);
  const memory = exports.memory as WebAssembly.Memory;
  return {
    call: exports as Functions,
    memory: () => memory.buffer,
    grow: (pages) => void memory.grow(pages),
  };
}
