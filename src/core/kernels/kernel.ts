// Kernels: small WebAssembly modules with 128-bit SIMD, made from AssemblyScript (`assembly/`, built by tools/kernels.mjs) and carried along as text, so that
// workers, terminal and tests load them alike. Each has a twin in plain TypeScript that does the same: it says what is right, and stands in where a
// kernel cannot be loaded.

/** So many numbers in a row: addresses and figures that a kernel is called with. */
export type Numbers<N extends number, Taken extends number[] = []> = Taken['length'] extends N
  ? Taken
  : Numbers<N, [...Taken, number]>;

/** The bytes that a text in base64 stands for. */
function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  const text = atob(base64);
  return Uint8Array.from(text, (c) => c.charCodeAt(0));
}

const PAGE = 65536;
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
  let module: WebAssembly.Module | null | undefined;
  return (bytes) => {
    if (!allowed || module === null) return null;
    try {
      module ??= new WebAssembly.Module(bytesOf(base64));
      return instanceOf(module, bytes);
    } catch {
      module = null;
      return null;
    }
  };
}

function instanceOf<Functions>(module: WebAssembly.Module, bytes: number): Kernel<Functions> {
  const { exports } = new WebAssembly.Instance(module);
  const memory = exports.memory as WebAssembly.Memory;
  memory.grow(Math.ceil(bytes / PAGE));
  return { call: exports as Functions, memory: memory.buffer };
}

/** A kernel whose memory grows as it is asked for. What was in it stays, but where it lies in the page may change: views are made anew. */
export interface GrowingKernel<Functions> {
  readonly call: Functions;
  room(bytes: number): ArrayBuffer;
}

/** @returns a function that gives the kernel, as `kernel` does */
export function growingKernel<Functions>(base64: string): () => GrowingKernel<Functions> | null {
  let made: GrowingKernel<Functions> | null | undefined;
  return () => {
    if (!allowed) return null;
    if (made !== undefined) return made;
    try {
      const { exports } = new WebAssembly.Instance(new WebAssembly.Module(bytesOf(base64)));
      const memory = exports.memory as WebAssembly.Memory;
      const room = (bytes: number) => {
        const more = bytes - memory.buffer.byteLength;
        if (more > 0) memory.grow(Math.ceil(more / PAGE));
        return memory.buffer;
      };
      made = { call: exports as Functions, room };
    } catch {
      made = null;
    }
    return made;
  };
}

/**
 * @param bytes of memory that its caller lays out
 * @returns a function that gives the kernel, loaded when it is first wanted; null where there is no SIMD or no WebAssembly is let in
 */
export function kernel<Functions>(base64: string, bytes: number): () => Kernel<Functions> | null {
  let loaded: Kernel<Functions> | null | undefined;
  return () => {
    if (!allowed) return null;
    if (loaded !== undefined) return loaded;
    try {
      loaded = instanceOf<Functions>(new WebAssembly.Module(bytesOf(base64)), bytes);
    } catch {
      loaded = null;
    }
    return loaded;
  };
}
