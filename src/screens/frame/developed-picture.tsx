// The developed picture of an opened frame: whole, or one picture pixel a screen pixel with pan. Pixels are developed in
// the lightbox and arrive as bitmaps; until then the thumbnail stands in.
import { useCallback, useEffect, useRef, useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import type { WhitePoint } from '../../core/colour/temperature';
import { partsOfFrame, type FrameRecord } from '../../core/frame/record';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import { lightbox } from '../../library/staff';
import { useThumbnail } from '../../library/roll';
import { ARROWS } from '../../ui/arrows';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';

interface Props {
  readonly record: FrameRecord;
  readonly open: boolean;
  /** Another white than the file's. */
  readonly white: WhitePoint | null;
  readonly width: number;
  readonly height: number;
  readonly onHistogram: (histogram: PictureHistogram) => void;
}

export function DevelopedPicture({ record, open, white, width, height, onHistogram }: Props) {
  const [full, setFull] = useState(false);
  const { image } = record;
  const { lines } = partsOfFrame(record);
  const isCut = lines.width < image.width || lines.height < image.height;
  /** All that raw holds, where pictures are cut. */
  const [whole, setWhole] = useState(false);
  const size = whole ? image : lines;
  const [centre, setCentre] = useState({ x: size.width / 2, y: size.height / 2 });
  const [ready, setReady] = useState<'fit' | 'full' | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const host = useRef<View>(null);
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const from = useRef(centre);
  const { data: thumbnail } = useThumbnail(record.id);
  const ratio = typeof devicePixelRatio === 'number' ? devicePixelRatio : 1;

  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    const made = document.createElement('canvas');
    Object.assign(made.style, {
      position: 'absolute',
      left: '50%',
      top: '50%',
      transform: 'translate(-50%,-50%)',
    });
    element.appendChild(made);
    canvas.current = made;
    return () => made.remove();
  }, []);

  const show = useCallback(
    (bitmap: ImageBitmap) => {
      const target = canvas.current;
      if (!target) return bitmap.close();
      target.width = bitmap.width;
      target.height = bitmap.height;
      Object.assign(target.style, {
        width: `${bitmap.width / ratio}px`,
        height: `${bitmap.height / ratio}px`,
      });
      target.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
    },
    [ratio],
  );

  // One request at a time; the newest place wins.
  const wanted = useRef(0);
  useEffect(() => {
    if (!open || width <= 0 || height <= 0) return;
    const ticket = ++wanted.current;
    const fail = (error: unknown) => setFailed(error instanceof Error ? error.message : String(error));
    if (!full) {
      lightbox
        .call((api) =>
          api.fit(record.id, Math.round(width * ratio), Math.round(height * ratio), { white, whole }),
        )
        .then(({ bitmap, histogram }) => {
          onHistogram(histogram);
          if (ticket !== wanted.current) return bitmap.close();
          show(bitmap);
          setReady('fit');
        }, fail);
      return;
    }
    const w = Math.min(size.width, Math.round(width * ratio));
    const h = Math.min(size.height, Math.round(height * ratio));
    const region = {
      x: hold(centre.x - w / 2, size.width - w),
      y: hold(centre.y - h / 2, size.height - h),
      width: w,
      height: h,
    };
    const request = requestAnimationFrame(() => {
      lightbox
        .call((api) => api.region(record.id, region, { white, whole }))
        .then((bitmap) => {
          if (ticket !== wanted.current) return bitmap.close();
          show(bitmap);
          setReady('full');
        }, fail);
    });
    return () => cancelAnimationFrame(request);
  }, [
    open,
    full,
    whole,
    centre,
    width,
    height,
    ratio,
    record,
    size.width,
    size.height,
    white,
    show,
    onHistogram,
  ]);

  const pan = (x: number, y: number) => {
    const [w, h] = [width * ratio, height * ratio];
    setCentre({
      x: within(x, w / 2, size.width - w / 2),
      y: within(y, h / 2, size.height - h / 2),
    });
  };
  const touches = useTouch(host, {
    onStart: () => {
      from.current = centre;
    },
    onMove: (dx, dy) => full && pan(from.current.x - dx * ratio, from.current.y - dy * ratio),
    onTap: (x, y) => {
      if (!full) pan(x * size.width, y * size.height);
      setFull(!full);
    },
    onKey: (key) => {
      const step = ARROWS[key];
      if (key === 'Enter' || key === ' ') setFull(!full);
      else if (step && full) pan(centre.x + step[0] * 120, centre.y + step[1] * 120);
      else return false;
      return true;
    },
  });
  return (
    <View style={[styles.frame, { width, height }]}>
      {thumbnail && ready === null && (
        <Image source={{ uri: thumbnail }} style={styles.image} resizeMode="contain" aria-hidden />
      )}
      <GestureDetector gesture={touches}>
        <View
          ref={host}
          role="img"
          tabIndex={0}
          aria-label={`Developed picture, ${full ? '100 percent; arrow keys pan' : 'fitted'}`}
          style={StyleSheet.absoluteFill}
          testID={ready ? `picture-${ready}` : 'picture-loading'}
        />
      </GestureDetector>
      <View style={styles.zoom}>
        <Button label="Fit" on={!full} onPress={() => setFull(false)} testID="fit" />
        <Button label="100 %" on={full} onPress={() => setFull(true)} testID="full" />
        {isCut && open && (
          <Button
            label="All of raw"
            name="All of raw: also what lies outside the cut"
            on={whole}
            onPress={() => {
              const next = whole ? lines : image;
              setWhole(!whole);
              setCentre({ x: next.width / 2, y: next.height / 2 });
            }}
            testID="whole"
          />
        )}
        {ready === null && (
          <Words kind="label" style={styles.note}>
            Opening the raw file…
          </Words>
        )}
        {failed && (
          <Words kind="label" style={styles.note}>
            {failed}
          </Words>
        )}
      </View>
    </View>
  );
}

function hold(start: number, last: number): number {
  return Math.max(0, Math.min(last, Math.round(start)));
}

function within(value: number, low: number, high: number): number {
  return low > high ? (low + high) / 2 : Math.min(high, Math.max(low, value));
}

const styles = StyleSheet.create({
  frame: { backgroundColor: colour.ground, overflow: 'hidden' },
  image: { position: 'absolute', width: '100%', height: '100%' },
  zoom: {
    position: 'absolute',
    left: space.one,
    bottom: space.one,
    flexDirection: 'row',
    gap: space.one,
    alignItems: 'center',
  },
  note: { backgroundColor: colour.chip, paddingHorizontal: 10, paddingVertical: 6, borderRadius: 8 },
});
