export const wasm: string;
