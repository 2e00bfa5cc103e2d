// The largest still that a device takes (W3C Image Capture).

interface Capture {
  getPhotoCapabilities?(): Promise<{ imageWidth?: { max?: number }; imageHeight?: { max?: number } }>;
  takePhoto(settings?: object): Promise<Blob>;
}

/** A device that has not answered in this time does not take stills. */
const STILL_MS = 5000;

/** The still as JPEG; null where the browser or the device takes none. */
export async function takeStill(track: MediaStreamTrack): Promise<Uint8Array | null> {
  const Made = (globalThis as { ImageCapture?: new (track: MediaStreamTrack) => Capture }).ImageCapture;
  if (!Made || track.readyState !== 'live') return null;
  const capture = new Made(track);
  try {
    const can = await capture.getPhotoCapabilities?.().catch(() => undefined);
    const [imageWidth, imageHeight] = [can?.imageWidth?.max, can?.imageHeight?.max];
    const largest = imageWidth && imageHeight ? { imageWidth, imageHeight } : undefined;
    const blob = await inTime(
      largest ? capture.takePhoto(largest).catch(() => capture.takePhoto()) : capture.takePhoto(),
    );
    const bytes = new Uint8Array(await blob.arrayBuffer());
    return bytes[0] === 0xff && bytes[1] === 0xd8 ? bytes : null;
  } catch {
    // A frame stands in, and the record tells its size.
    return null;
  }
}

function inTime<T>(wait: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no still came')), STILL_MS);
  });
  return Promise.race([wait, late]).finally(() => clearTimeout(timer));
}
