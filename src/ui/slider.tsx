// A lying slider over whole numbers with its zero in the middle or at an end. A double tap brings it back to where it usually stands.
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { colour, radius, touch } from './theme';
import { useTouch } from './use-touch';

export interface SliderProps {
  readonly name: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Where a double tap brings it. */
  readonly usual: number;
  /** Of a large step by key. */
  readonly large: number;
  readonly valueText: string;
  readonly onValue: (value: number) => void;
  readonly testID?: string;
}

export function Slider(props: SliderProps) {
  const { name, value, least, most, usual, large, valueText, onValue, testID } = props;
  const ref = useRef<View>(null);
  const from = useRef(value);
  const go = (to: number) => {
    const held = Math.min(most, Math.max(least, Math.round(to)));
    if (held !== value) onValue(held);
  };
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = value;
    },
    // Relative: the mark follows the thumb from wherever the thumb began.
    onMove: (dx) => {
      const width = (ref.current as unknown as HTMLElement | null)?.clientWidth ?? 0;
      if (width > 0) go(from.current + (dx / width) * (most - least));
    },
    onDoubleTap: () => go(usual),
    onKey: (key) => {
      const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: large, PageDown: -large }[
        key
      ];
      if (key === 'Home') go(least);
      else if (key === 'End') go(most);
      else if (key === 'Backspace') go(usual);
      else if (by !== undefined) go(value + by);
      else return false;
      return true;
    },
  });
  const share = (v: number): `${number}%` => `${(100 * (v - least)) / (most - least)}%`;
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="slider"
        tabIndex={0}
        aria-label={name}
        aria-valuemin={least}
        aria-valuemax={most}
        aria-valuenow={value}
        aria-valuetext={valueText}
        testID={testID}
        style={styles.slider}
      >
        <View style={styles.track} />
        <View style={[styles.usual, { left: share(usual) }]} />
        <View style={[styles.cap, { left: share(value) }]} />
      </View>
    </GestureDetector>
  );
}

const CAP = 18;

const styles = StyleSheet.create({
  slider: { minHeight: touch, justifyContent: 'center', marginHorizontal: CAP / 2, cursor: 'pointer' },
  track: { height: 4, borderRadius: 2, backgroundColor: colour.line },
  usual: { position: 'absolute', width: 2, height: 16, marginLeft: -1, backgroundColor: colour.quiet },
  cap: {
    position: 'absolute',
    width: CAP,
    height: 30,
    marginLeft: -CAP / 2,
    borderRadius: radius / 2,
    backgroundColor: colour.primary,
    borderWidth: 1.5,
    borderColor: colour.accent,
  },
});
