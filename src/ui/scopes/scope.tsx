// A canvas that something is drawn on once, beside words that say the same: it is hidden from assistive technology.
import { useEffect, useRef, type RefObject } from 'react';
import { PixelRatio } from 'react-native';
import { useTextSize } from '../text-size';
import { drawnTheme, type ThemeId } from '../theme';
import { penFor, pixelStore, type Paint, type Sheet } from './paint';

/** A drawing of what does not move. */
export function Scope({
  width,
  height,
  theme,
  paint,
}: {
  width: number;
  height: number;
  theme: ThemeId;
  paint: Paint;
}) {
  const ref = useRef<HTMLCanvasElement>(null);
  const sheet = useSheet(width, height, theme);
  useEffect(() => {
    const pen = ref.current && penFor(ref.current, sheet, pixelStore());
    pen?.context.clearRect(0, 0, width, height);
    if (pen) paint(pen);
  });
  return <ScopeCanvas host={ref} width={width} height={height} />;
}

export function useSheet(width: number, height: number, theme: ThemeId): Sheet {
  return { width, height, theme: drawnTheme(theme), text: useTextSize(), dense: PixelRatio.get() };
}

/** The theme's colours are in it already. */
export function ScopeCanvas({
  host,
  width,
  height,
}: {
  host: RefObject<HTMLCanvasElement | null>;
  width: number;
  height: number;
}) {
  return (
    <canvas
      ref={host}
      data-scope=""
      aria-hidden
      style={{ width, height, display: 'block', pointerEvents: 'none' }}
    />
  );
}
