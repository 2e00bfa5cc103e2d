// JPEG by the browser.

/** Of small pictures. */
const QUALITY = 88;

/** @param quality 1 … 100 @throws Error where the browser cannot write JPEG */
export async function encodeJpeg(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
  quality = QUALITY,
): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  canvas
    .getContext('2d')
    ?.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: quality / 100 });
  if (blob.type !== 'image/jpeg') throw new Error('This browser cannot write JPEG');
  return new Uint8Array(await blob.arrayBuffer());
}
