// Kernels: small WebAssembly modules with 128-bit SIMD, made from AssemblyScript (`assembly/`, built by tools/kernels.mjs) and carried along as text, so that
// workers, terminal and tests load them alike. Each has a twin in plain TypeScript that does the same: it says what is right, and stands in where a
// kernel cannot be loaded.

import { PAGE, wasmInstance, wasmModule, type WasmModule } from '../platform/wasm';

/** So many numbers in a row: addresses and figures that a kernel is called with. */
export type Numbers<N extends number, Taken extends number[] = []> = Taken['length'] extends N
  ? Taken
  : Numbers<N, [...Taken, number]>;

/** The bytes that a text in base64 stands for. */
function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  const text = atob(base64);
  return Uint8Array.from(text, (c) => c.charCodeAt(0));
}

let allowed = true;

/** Whether kernels are used: tests hold them against their twins. */
export function allowKernels(use: boolean): void {
  allowed = use;
}

export interface Kernel<Functions> {
  readonly call: Functions;
  readonly memory: ArrayBuffer;
}

/** Another one each time, with memory of its own: for what keeps rows there. Null where there is no SIMD or no WebAssembly is let in. */
export function kernels<Functions>(base64: string): (bytes: number) => Kernel<Functions> | null {
  let module: WasmModule | null | undefined;
  return (bytes) => {
    if (!allowed || module === null) return null;
    try {
      module ??= wasmModule(bytesOf(base64));
      return withRoom(module, bytes);
    } catch {
      module = null;
      return null;
    }
  };
}

function withRoom<Functions>(module: WasmModule, bytes: number): Kernel<Functions> {
  const { call, grow, memory } = wasmInstance<Functions>(module);
  grow(Math.ceil(bytes / PAGE));
  return { call, memory: memory() };
}

/** A kernel whose memory grows as it is asked for. What was in it stays, but where it lies in the page may change: views are made anew. */
export interface GrowingKernel<Functions> {
  readonly call: Functions;
  room(bytes: number): ArrayBuffer;
}

/** @returns a function that gives the kernel, as `kernel` does */
export function growingKernel<Functions>(base64: string): () => GrowingKernel<Functions> | null {
  return onceAllowed(() => {
    const { call, grow, memory } = wasmInstance<Functions>(wasmModule(bytesOf(base64)));
    const room = (bytes: number) => {
      const more = bytes - memory().byteLength;
      if (more > 0) grow(Math.ceil(more / PAGE));
      return memory();
    };
    return { call, room };
  });
}

/**
 * @param bytes of memory that its caller lays out
 * @returns a function that gives the kernel, loaded when it is first wanted; null where there is no SIMD or no WebAssembly is let in
 */
export function kernel<Functions>(base64: string, bytes: number): () => Kernel<Functions> | null {
  return onceAllowed(() => withRoom<Functions>(wasmModule(bytesOf(base64)), bytes));
}

/** Made when it is first wanted; null where it cannot be, or kernels are not to be used. */
function onceAllowed<Made>(make: () => Made): () => Made | null {
  let made: Made | null | undefined;
  return () => {
    if (!allowed) return null;
    if (made !== undefined) return made;
    try {
      made = make();
    } catch {
      made = null;
    }
    return made;
  };
}
