// A vertical fader over a row of steps. Up is more. A filled cap is set by hand, a hollow one moves by itself. Dragging
// is relative: the cap follows the thumb from wherever the thumb began.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import Svg, { Line, Path, Rect } from 'react-native-svg';
import { colour, radius, touch } from './theme';
import { useTouch } from './use-touch';

export interface FaderMark {
  readonly index: number;
  readonly kind: 'good' | 'warn';
  readonly says: string;
}

/** A stretch of the track, in steps. */
export interface FaderBand {
  readonly from: number;
  readonly to: number;
  readonly says: string;
}

export interface FaderProps {
  readonly name: string;
  readonly count: number;
  readonly index: number;
  /** The value in words, for assistive technology. */
  readonly valueText: string;
  readonly auto: boolean;
  /** Steps between long ticks. */
  readonly longEvery: number;
  readonly marks?: readonly FaderMark[];
  readonly band?: FaderBand | undefined;
  readonly onIndex: (index: number) => void;
  readonly onAuto: () => void;
  readonly testID?: string;
}

/** Thumb travel for one step. */
const PX_PER_STEP = 7;
const CAP_HEIGHT = 18;

export function Fader({
  name,
  count,
  index,
  valueText,
  auto,
  longEvery,
  marks = [],
  band,
  onIndex,
  onAuto,
  testID,
}: FaderProps) {
  const ref = useRef<View>(null);
  const from = useRef(index);
  const [size, setSize] = useState({ width: 0, height: 0 });
  // Compared with what was asked for last, not with what is drawn: a quick thumb is ahead of the drawing.
  const asked = useRef<number | null>(null);
  useEffect(() => {
    asked.current = null;
  }, [index, auto]);
  const go = (to: number) => {
    const held = Math.min(count - 1, Math.max(0, to));
    if (held === (asked.current ?? (auto ? null : index))) return;
    asked.current = held;
    onIndex(held);
  };
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = index;
    },
    onMove: (_, dy) => go(from.current - Math.round(dy / PX_PER_STEP)),
    onDoubleTap: onAuto,
    onKey: (key) => {
      const step = KEYS[key];
      if (key === 'Home') go(0);
      else if (key === 'End') go(count - 1);
      else if (key === 'a' || key === 'Backspace') onAuto();
      else if (step !== undefined) go((asked.current ?? index) + step);
      else return false;
      return true;
    },
  });
  const { width, height } = size;
  const y = (i: number) => {
    const room = height - CAP_HEIGHT - 4;
    return CAP_HEIGHT / 2 + 2 + room * (1 - i / (count - 1));
  };
  const middle = width / 2;
  const capWidth = Math.min(64, width - 26);
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="slider"
        tabIndex={0}
        aria-label={name}
        aria-orientation="vertical"
        aria-valuemin={0}
        aria-valuemax={count - 1}
        aria-valuenow={index}
        aria-valuetext={`${valueText}, ${auto ? 'automatic' : 'set by hand'}${[...marks, ...(band ? [band] : [])].map((m) => `, ${m.says}`).join('')}`}
        testID={testID}
        style={styles.track}
        onLayout={(e: LayoutChangeEvent) => setSize(e.nativeEvent.layout)}
      >
        {width > 0 && (
          <Svg width={width} height={height} style={styles.svg}>
            {band && (
              <Rect
                x={4}
                y={y(band.to) - 1}
                width={7}
                height={Math.max(3, y(band.from) - y(band.to) + 2)}
                rx={3}
                fill={colour.good}
                fillOpacity={0.75}
              />
            )}
            {ticks(count, longEvery).map((i) => {
              const half = i % longEvery === 0 ? capWidth * 0.36 : capWidth * 0.2;
              return (
                <Line
                  key={i}
                  x1={middle - half}
                  x2={middle + half}
                  y1={y(i)}
                  y2={y(i)}
                  stroke={colour.line}
                  strokeWidth={1}
                />
              );
            })}
            {marks.map((mark) => (
              <Path
                key={mark.says}
                d={`M${width - 4} ${y(mark.index) - 5} l-8 5 l8 5 z`}
                fill={mark.kind === 'good' ? colour.good : colour.warn}
              />
            ))}
            <Rect
              x={middle - capWidth / 2}
              y={y(index) - CAP_HEIGHT / 2}
              width={capWidth}
              height={CAP_HEIGHT}
              rx={5}
              fill={auto ? colour.panel : colour.primary}
              stroke={auto ? colour.quiet : colour.accent}
              strokeWidth={1.5}
            />
            <Line
              x1={middle - capWidth * 0.38}
              x2={middle + capWidth * 0.38}
              y1={y(index)}
              y2={y(index)}
              stroke={auto ? colour.quiet : colour.onPrimary}
              strokeWidth={2}
            />
          </Svg>
        )}
      </View>
    </GestureDetector>
  );
}

const KEYS: Record<string, number> = {
  ArrowUp: 1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowLeft: -1,
  PageUp: 3,
  PageDown: -3,
};

/** About a dozen ticks, on whole stops. */
function ticks(count: number, longEvery: number): number[] {
  const every = count > 40 ? longEvery : Math.max(1, Math.round(longEvery / 2));
  return Array.from({ length: Math.floor((count - 1) / every) + 1 }, (_, i) => i * every);
}

const styles = StyleSheet.create({
  track: { flex: 1, minHeight: touch, borderRadius: radius, cursor: 'pointer' },
  svg: { pointerEvents: 'none' },
});
