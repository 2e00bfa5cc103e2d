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
  let over = false;
  const next = () => {
    if (over) return;
    const soon = (video as { requestVideoFrameCallback?: (call: () => void) => number })
      .requestVideoFrameCallback
      ? (call: () => void) => void video.requestVideoFrameCallback(call)
      : (call: () => void) => void requestAnimationFrame(call);
    soon(() => {
      if (over) return;
      createImageBitmap(video).then(
        (bitmap) => onPicture(bitmap).then(next, onError),
        // Between two pictures, or before the first, there is none.
        next,
      );
    });
  };
  void video.play().catch(() => undefined);
  next();
  return () => {
    over = true;
    video.srcObject = null;
  };
}
