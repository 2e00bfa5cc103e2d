// The frames of a track, for a worker to look at: as a stream where the browser has one, else picture by picture from a video element.

interface Processor {
  readonly readable: ReadableStream<VideoFrame>;
}

/** A stream of the track's frames, to be given to a worker; undefined where the browser has none. */
export function streamOfFrames(track: MediaStreamTrack): ReadableStream<VideoFrame> | undefined {
  const Made = (globalThis as { MediaStreamTrackProcessor?: new (init: object) => Processor })
    .MediaStreamTrackProcessor;
  // A frame that waits is old: one is enough.
  return Made && new Made({ track, maxBufferSize: 1 }).readable;
}

/** A video that does not tell of a new picture for so long is looked at all the same, ms. */
const SILENT_MS = 1000;

/**
 * Hands over a picture of the stream at a time, the next one when the one before is done with.
 * @param onPicture once it rejects it gets no more
 * @returns a function that ends it
 */
export function pump(
  stream: MediaStream,
  onPicture: (bitmap: ImageBitmap) => Promise<unknown>,
  onError: (error: unknown) => void,
): () => void {
  const video = document.createElement('video');
  Object.assign(video, { muted: true, playsInline: true, srcObject: stream });
  // There are engines that tell nothing of a video which is not in the page.
  Object.assign(video.style, { position: 'fixed', width: '1px', height: '1px', opacity: '0' });
  Object.assign(video.style, { pointerEvents: 'none' });
  video.setAttribute('aria-hidden', 'true');
  document.body.append(video);
  let over = false;
  /** False while the engine does not tell of new pictures, or says that it would and does not. */
  let tells = typeof (video as Partial<HTMLVideoElement>).requestVideoFrameCallback === 'function';
  const look = () => {
    createImageBitmap(video).then(
      (bitmap) => onPicture(bitmap).then(next, onError),
      // Between two pictures, or before the first, there is none.
      next,
    );
  };
  const next = () => {
    if (over) return;
    let looked = false;
    const once = () => {
      if (looked || over) return;
      looked = true;
      clearTimeout(silent);
      look();
    };
    const silent = setTimeout(() => {
      tells = false;
      once();
    }, SILENT_MS);
    if (tells)
      video.requestVideoFrameCallback(() => {
        // One that was long in coming, as the first is, tells of the next ones too: no picture is to be taken twice.
        tells = true;
        once();
      });
    else requestAnimationFrame(once);
  };
  void video.play().catch(() => undefined);
  next();
  return () => {
    over = true;
    video.srcObject = null;
    video.remove();
  };
}
