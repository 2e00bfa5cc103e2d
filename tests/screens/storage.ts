// What the page keeps, in memory: in place of the browser's store, for screens under test.
const stores = new Map<string, Map<string, string>>();

/** What is kept under a name of a store. */
export function keptIn(name: string): Map<string, string> {
  const there = stores.get(name);
  if (there) return there;
  const made = new Map<string, string>();
  stores.set(name, made);
  return made;
}

export function createAsyncStorage(name: string) {
  const kept = keptIn(name);
  return {
    getItem: async (key: string) => kept.get(key) ?? null,
    setItem: async (key: string, value: string) => void kept.set(key, value),
    removeItem: async (key: string) => void kept.delete(key),
    removeMany: async (keys: readonly string[]) => keys.forEach((key) => kept.delete(key)),
    getMany: async (keys: readonly string[]) =>
      Object.fromEntries(keys.map((key) => [key, kept.get(key) ?? null])),
    setMany: async (entries: Readonly<Record<string, string>>) =>
      Object.entries(entries).forEach(([key, value]) => kept.set(key, value)),
    getAllKeys: async () => [...kept.keys()],
    clear: async () => kept.clear(),
  };
}
