// Hands a file to the browser's downloads.

/** Long enough for the browser to have taken the bytes. */
const KEEP_URL_MS = 60_000;

export function saveFile(bytes: Uint8Array, name: string, type = 'image/x-adobe-dng'): void {
  saveBlob(new Blob([bytes as Uint8Array<ArrayBuffer>], { type }), name);
}

export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), KEEP_URL_MS);
}
