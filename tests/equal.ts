// Pixels and files are long: two arrays with the same bytes are equal without a look at each number. Where they differ the usual way finds where.
// And a pattern within an object that is expected stands for text that it matches: without that any text would pass (`toMatchObject` looks at the
// pattern's own keys, of which it has none).
type Tester = (a: unknown, b: unknown) => boolean | undefined;
/** Jest 29.4; its types do not know it. */
const { addEqualityTesters } = expect as unknown as {
  addEqualityTesters: (testers: readonly Tester[]) => void;
};

addEqualityTesters([
  (a, b) => {
    if (!ArrayBuffer.isView(a) || !ArrayBuffer.isView(b)) return undefined;
    if (a.constructor !== b.constructor || a.byteLength !== b.byteLength) return undefined;
    return bytesOf(a).equals(bytesOf(b)) || undefined;
  },
  (a, b) => (b instanceof RegExp && !(a instanceof RegExp) ? typeof a === 'string' && b.test(a) : undefined),
]);

function bytesOf({ buffer, byteOffset, byteLength }: ArrayBufferView): Buffer {
  return Buffer.from(buffer as ArrayBuffer, byteOffset, byteLength);
}

export {};
