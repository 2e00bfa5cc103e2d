// Hands something large to the person's disk, piece by piece: straight into a file where the browser lets it be chosen, else through its downloads.
import { saveBlob } from './save-file';

type Picker = (options: { suggestedName: string }) => Promise<{
  createWritable(): Promise<{
    write(bytes: Uint8Array): Promise<void>;
    close(): Promise<void>;
    abort(): Promise<void>;
  }>;
}>;

/**
 * @param next the next piece, null after the last
 * @returns false when the person chose no file @throws what `next` throws; a file that was begun is given up
 */
export async function saveStream(
  next: () => Promise<Uint8Array | null>,
  name: string,
  type: string,
): Promise<boolean> {
  const picker = (globalThis as { showSaveFilePicker?: Picker }).showSaveFilePicker;
  if (!picker) {
    const parts: Blob[] = [];
    // As a Blob a piece is the browser's to keep, on its disk where memory is short.
    for (let bytes = await next(); bytes; bytes = await next())
      parts.push(new Blob([bytes as Uint8Array<ArrayBuffer>]));
    saveBlob(new Blob(parts, { type }), name);
    return true;
  }
  let file;
  try {
    file = await picker({ suggestedName: name });
  } catch (error) {
    if ((error as Partial<Error>).name === 'AbortError') return false;
    throw error;
  }
  const writable = await file.createWritable();
  try {
    for (let bytes = await next(); bytes; bytes = await next()) await writable.write(bytes);
    await writable.close();
    return true;
  } catch (error) {
    await writable.abort().catch(() => undefined);
    throw error;
  }
}
