// Why the store refused to write, in words. A full one is told by the error's name, or its message; the library between us and the browser hands on the
// message alone, and one browser leaves that empty: then as much is written elsewhere, where the name can be read, and removed again.
import { STORE_IS_FULL } from './save-outcome';

/** A store this full refuses without always saying why. */
const NEARLY_FULL = 0.9;

/**
 * @param bytes that were to be written
 * @param tryWriting as much; rejects as the browser does
 */
export async function refusalWords(
  error: unknown,
  bytes: number,
  tryWriting: (bytes: number) => Promise<void> = writeAndRemove,
): Promise<string> {
  const words = wordsOf(error) ?? (await tryWriting(bytes).then(() => null, wordsOf));
  if (words) return words;
  const { usage = 0, quota = Infinity } =
    (await navigator.storage?.estimate?.().catch(() => undefined)) ?? {};
  return usage > NEARLY_FULL * quota ? STORE_IS_FULL : 'the browser refused to store it and gave no reason';
}

/** Null where the error says nothing. */
function wordsOf(error: unknown): string | null {
  const { name = '', message = '' } = (error ?? {}) as Partial<Error>;
  if (/quota/i.test(name + message)) return STORE_IS_FULL;
  return message || null;
}

const ELSEWHERE = 'velmo-room';

/** Writes so many bytes into a database of their own, and removes it. @throws DOMException as the browser says it */
async function writeAndRemove(bytes: number): Promise<void> {
  const db = await new Promise<IDBDatabase>((resolve, reject) => {
    const asked = indexedDB.open(ELSEWHERE, 1);
    asked.onupgradeneeded = () => asked.result.createObjectStore('bytes');
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error as DOMException);
  });
  try {
    await new Promise<void>((resolve, reject) => {
      const change = db.transaction('bytes', 'readwrite');
      change.objectStore('bytes').put(new Uint8Array(bytes), 0);
      change.oncomplete = () => resolve();
      change.onabort = () => reject(change.error ?? new DOMException('', 'AbortError'));
    });
  } finally {
    db.close();
    indexedDB.deleteDatabase(ELSEWHERE);
  }
}
