// JPEG by the browser.

const QUALITY = 0.88;

/** @throws Error where the browser cannot write JPEG */
export async function encodeJpeg(
  rgba: Uint8ClampedArray,
  width: number,
  height: number,
): Promise<Uint8Array> {
  const canvas = new OffscreenCanvas(width, height);
  canvas
    .getContext('2d')
    ?.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  if (blob.type !== 'image/jpeg') throw new Error('This browser cannot write JPEG');
  return new Uint8Array(await blob.arrayBuffer());
}
