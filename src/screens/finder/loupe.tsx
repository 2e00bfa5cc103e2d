// The loupe: a piece of the capture as it will be, one pixel a site, anywhere on the picture. The camera exposes it
// at full size, with the settings that stand; while it works the last piece stays.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { cameraWith } from '../../live/camera';
import { useCamera } from '../../live/in-use';
import { useDesk } from '../../live/desk';
import { latestReport } from '../../live/report';
import { ARROWS } from '../../ui/arrows';
import { colour, radius } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';

const SIZE = 176;
/** After this a new piece is exposed though nothing was changed: noise and hand are alive. */
const AGAIN_MS = 400;
const STEP = 0.02;

export function Loupe({ width, height }: { width: number; height: number }) {
  const at = useDesk((d) => d.loupe);
  // A camera that cannot know the capture before the press has none to show.
  const shows = useCamera().loupe !== undefined;
  useFocusLoupe();
  if (!at || !shows) return null;
  return <OpenLoupe at={at} width={width} height={height} />;
}

/** It is gone so long after focus was last moved, ms. */
const STAYS_MS = 2000;

/** Opens the loupe at the place of focus while focus is moved by hand, and puts it away again. One that the person opened stays. */
function useFocusLoupe(): void {
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const stop = useDesk.subscribe((now, before) => {
      const { focus } = now.settings;
      const moved = focus.exact !== before.settings.focus.exact || focus.auto !== before.settings.focus.auto;
      if (!moved || focus.auto || !now.focusLoupe || now.camera.kind !== 'live') return;
      if (now.loupe && timer === undefined) return;
      clearTimeout(timer);
      timer = setTimeout(() => {
        timer = undefined;
        now.setLoupe(null);
      }, STAYS_MS);
      if (!now.loupe) now.setLoupe(now.focusAt ?? latestReport()?.focus?.at ?? now.spot);
    });
    return () => {
      clearTimeout(timer);
      stop();
    };
  }, []);
}

function OpenLoupe({ at, width, height }: { at: { x: number; y: number }; width: number; height: number }) {
  const ref = useRef<View>(null);
  const host = useRef<View>(null);
  const from = useRef(at);
  const [failed, setFailed] = useState<string | null>(null);
  const { setLoupe } = useDesk.getState();
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = at;
    },
    onMove: (dx, dy) => setLoupe({ x: from.current.x + dx / width, y: from.current.y + dy / height }),
    onKey: (key) => {
      const step = ARROWS[key];
      if (step) setLoupe({ x: at.x + step[0] * STEP, y: at.y + step[1] * STEP });
      else if (key === 'Delete' || key === 'Backspace') setLoupe(null);
      else return false;
      return true;
    },
  });
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: SIZE, height: SIZE });
    Object.assign(canvas.style, { width: '100%', height: '100%', imageRendering: 'pixelated' });
    element.appendChild(canvas);
    const context = canvas.getContext('bitmaprenderer');
    let gone = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let pieces = 0;
    const draw = async () => {
      const asked = ask();
      if (asked && context) {
        try {
          const bitmap = await asked;
          if (gone) return bitmap.close();
          canvas.width = bitmap.width;
          canvas.height = bitmap.height;
          context.transferFromImageBitmap(bitmap);
          // For whoever looks at the page from outside.
          canvas.dataset.loupe = `${++pieces}`;
          setFailed(null);
        } catch (error) {
          if (gone) return;
          setFailed(error instanceof Error ? error.message : String(error));
        }
      }
      timer = setTimeout(() => void draw(), AGAIN_MS);
    };
    void draw();
    const stop = useDesk.subscribe((now, before) => {
      if (now.loupe === before.loupe) return;
      clearTimeout(timer);
      timer = setTimeout(() => void draw(), 60);
    });
    return () => {
      gone = true;
      clearTimeout(timer);
      stop();
      canvas.remove();
    };
  }, []);
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="button"
        tabIndex={0}
        aria-label={`Loupe. ${failed ?? '1:1 as captured'}. Arrow keys move it, Delete puts it away`}
        testID="loupe"
        style={[
          styles.loupe,
          {
            left: Math.min(width - SIZE - 4, Math.max(0, at.x * width - SIZE / 2)),
            top: Math.min(height - SIZE - 4, Math.max(0, at.y * height - SIZE / 2)),
          },
        ]}
      >
        <View ref={host} style={styles.host} />
        <View style={styles.words}>
          <Words kind="label">{failed ?? '1:1 as captured'}</Words>
        </View>
      </View>
    </GestureDetector>
  );
}

/** A piece of what the finder shows now; null while there is none to be had. */
function ask(): Promise<ImageBitmap> | null {
  const { loupe, capture } = useDesk.getState();
  const report = latestReport();
  // While a frame is taken the camera has better things to do.
  if (!report || !loupe || capture.kind === 'busy') return null;
  return cameraWith(report.optic).loupe?.({ at: loupe, width: SIZE, height: SIZE }, report) ?? null;
}

const styles = StyleSheet.create({
  loupe: {
    position: 'absolute',
    width: SIZE + 4,
    height: SIZE + 4,
    borderWidth: 2,
    borderColor: colour.mark,
    borderRadius: radius,
    overflow: 'hidden',
    backgroundColor: colour.ground,
    cursor: 'grab' as 'pointer',
  },
  host: { width: SIZE, height: SIZE, pointerEvents: 'none' },
  words: {
    position: 'absolute',
    left: 4,
    bottom: 4,
    paddingHorizontal: 6,
    borderRadius: radius,
    backgroundColor: colour.chip,
    pointerEvents: 'none',
  },
});
