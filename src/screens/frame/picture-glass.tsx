// A window onto one open frame, or two of them divided by a line: fitted, at any scale, moved by drag, pinch, wheel and keys. What is drawn lies on a canvas;
// where it lies is shared by all windows that look through the same glass.
import { useEffect, useRef } from 'react';
import { PixelRatio, StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { ARROWS } from '../../ui/arrows';
import { useTouch } from '../../ui/use-touch';
import { fitScale, glassOver, type Glass, type Layer } from './layer';
import { MOST_ZOOM, useViewing, type Zoom } from './viewing';

interface Props {
  readonly layers: readonly [Layer] | readonly [Layer, Layer];
  /** Where the second begins, a share of the width; with one layer of no meaning. */
  readonly split?: number;
  /** Pixels of the page. */
  readonly width: number;
  readonly height: number;
  readonly name: string;
  readonly testID: string;
  /** A drag across a picture that is fitted: −1 to the right, 1 to the left. */
  readonly onSwipe?: (to: -1 | 1) => void;
  /** A tap; where nothing is given it goes to 100 % there, and back. */
  readonly onTap?: (at: { x: number; y: number }) => void;
  readonly onKey?: (key: string) => boolean;
}

/** Pixels of the page that are a swipe. */
const SWIPE = 48;
/** What a key moves by, as a share of what is seen. */
const KEY_SHARE = 0.2;
/** What a key zooms by. */
const KEY_ZOOM = Math.SQRT2;

export function PictureGlass(props: Props) {
  const { layers, split = 1, width, height, name, testID, onSwipe, onTap, onKey } = props;
  const zoom = useViewing((v) => v.zoom);
  const at = useViewing((v) => v.at);
  const { look } = useViewing.getState();
  const host = useRef<View>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const ratio = PixelRatio.get();
  const window = { width: Math.round(width * ratio), height: Math.round(height * ratio) };
  const size = layers[0].size ?? layers[1]?.size ?? null;
  const glass = size && glassOver(size, window, zoom, at);

  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    context.clearRect(0, 0, window.width, window.height);
    const line = Math.round(split * window.width);
    const [first, second] = layers;
    if (second) {
      drawn(context, first, glassOf(first, zoom, at, window), window, 0, line);
      drawn(context, second, glassOf(second, zoom, at, window), window, line, window.width);
    } else drawn(context, first, glassOf(first, zoom, at, window), window, 0, window.width);
  });

  const from = useRef({ x: 0, y: 0, moved: 0, fits: false });
  const goTo = (x: number, y: number, scale: Zoom = zoom) => {
    if (!size) return;
    const held = glassOver(size, window, scale, { x: x / size.width, y: y / size.height });
    look({ zoom: scale, at: { x: held.x / size.width, y: held.y / size.height } });
  };
  /** The picture's pixel at a place of the window, shares of it. */
  const under = (x: number, y: number, { scale, x: cx, y: cy }: Glass) => ({
    x: cx + ((x - 0.5) * window.width) / scale,
    y: cy + ((y - 0.5) * window.height) / scale,
  });
  const zoomAbout = (times: number, x: number, y: number) => {
    if (!size || !glass) return;
    const least = fitScale(size, window);
    const scale = Math.min(Math.max(glass.scale * times, least), Math.max(MOST_ZOOM * ratio, least));
    if (scale <= least * 1.01) return look({ zoom: 'fit' });
    const here = under(x, y, glass);
    goTo(here.x - ((x - 0.5) * window.width) / scale, here.y - ((y - 0.5) * window.height) / scale, scale);
  };
  const toFull = (x: number, y: number) => {
    if (!size || !glass) return;
    if (zoom !== 'fit') return look({ zoom: 'fit' });
    const here = under(x, y, glass);
    goTo(here.x, here.y, 1);
  };
  const touches = useTouch(host, {
    onStart: () => {
      from.current = {
        x: glass?.x ?? 0,
        y: glass?.y ?? 0,
        moved: 0,
        fits: zoom === 'fit',
      };
    },
    onMove: (dx, dy) => {
      if (!glass) return;
      from.current.moved = Math.abs(dx) > 1.5 * Math.abs(dy) ? dx : 0;
      if (!from.current.fits)
        goTo(from.current.x - (dx * ratio) / glass.scale, from.current.y - (dy * ratio) / glass.scale);
    },
    onEnd: () => {
      const { moved, fits } = from.current;
      if (fits && Math.abs(moved) > SWIPE) onSwipe?.(moved > 0 ? -1 : 1);
    },
    onTap: (x, y) => {
      if (onTap && size && glass) {
        const here = under(x, y, glass);
        onTap({ x: here.x / size.width, y: here.y / size.height });
      } else toFull(x, y);
    },
    onZoom: zoomAbout,
    onKey: (key) => {
      const step = ARROWS[key];
      if (onKey?.(key)) return true;
      if (key === 'Enter' || key === ' ') toFull(0.5, 0.5);
      else if (key === '+' || key === '=') zoomAbout(KEY_ZOOM, 0.5, 0.5);
      else if (key === '-') zoomAbout(1 / KEY_ZOOM, 0.5, 0.5);
      else if (step && zoom !== 'fit' && glass) {
        const by = (KEY_SHARE * Math.min(window.width, window.height)) / glass.scale;
        goTo(glass.x + step[0] * by, glass.y + step[1] * by);
      } else return false;
      return true;
    },
  });
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={host}
        role="img"
        tabIndex={0}
        aria-label={name}
        style={[styles.glass, { width, height }]}
        testID={testID}
        {...(size ? { dataSet: { seen: `${size.width}x${size.height}` } } : null)}
      >
        <canvas
          ref={canvas}
          width={window.width}
          height={window.height}
          style={{ width, height, display: 'block', touchAction: 'none' }}
        />
      </View>
    </GestureDetector>
  );
}

function glassOf(layer: Layer, zoom: Zoom, at: { x: number; y: number }, window: Size): Glass | null {
  return layer.size && glassOver(layer.size, window, zoom, at);
}

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Draws a layer between two columns of the window. */
function drawn(
  context: CanvasRenderingContext2D,
  { size, fit, part }: Layer,
  glass: Glass | null,
  window: Size,
  left: number,
  right: number,
): void {
  if (!size || !glass || right <= left) return;
  context.save();
  context.beginPath();
  context.rect(left, 0, right - left, window.height);
  context.clip();
  context.translate(window.width / 2, window.height / 2);
  context.scale(glass.scale, glass.scale);
  context.translate(-glass.x, -glass.y);
  context.imageSmoothingQuality = 'high';
  context.imageSmoothingEnabled = true;
  if (fit) context.drawImage(fit, 0, 0, size.width, size.height);
  if (part) {
    // From 100 % on pixels are shown as they are.
    context.imageSmoothingEnabled = glass.scale < 1;
    const { x, y, width, height } = part.region;
    context.drawImage(part.bitmap, x, y, width, height);
  }
  context.restore();
}

const styles = StyleSheet.create({ glass: { overflow: 'hidden' } });
