// The line between two pictures: dragged, or moved by keys.
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { colour, touch } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';

const STEP = 0.02;

/** @param at a share of the width @param width pixels */
export function SplitLine({
  at,
  width,
  onMove,
}: {
  at: number;
  width: number;
  onMove: (at: number) => void;
}) {
  const ref = useRef<View>(null);
  const from = useRef(at);
  const go = (to: number) => onMove(Math.min(1, Math.max(0, to)));
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = at;
    },
    onMove: (dx) => go(from.current + dx / width),
    onKey: (key) => {
      if (key === 'ArrowLeft') go(at - STEP);
      else if (key === 'ArrowRight') go(at + STEP);
      else if (key === 'Home') go(0);
      else if (key === 'End') go(1);
      else return false;
      return true;
    },
  });
  const percent = Math.round(100 * at);
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="slider"
        tabIndex={0}
        aria-label="Line between the two"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={percent}
        aria-valuetext={`first up to ${percent} percent of the width`}
        style={[styles.line, { left: at * width - touch / 2 }]}
        testID="split-line"
      >
        <View style={styles.stroke} />
        <View style={styles.grip} />
      </View>
    </GestureDetector>
  );
}

const styles = StyleSheet.create({
  line: {
    position: 'absolute',
    top: 0,
    bottom: 0,
    width: touch,
    alignItems: 'center',
    justifyContent: 'center',
  },
  stroke: {
    position: 'absolute',
    top: 0,
    bottom: 0,
    width: 2,
    backgroundColor: colour.mark,
    boxShadow: `0 0 0 1px ${colour.halo}`,
  },
  grip: {
    width: 18,
    height: 44,
    borderRadius: 9,
    backgroundColor: colour.mark,
    boxShadow: `0 0 0 1.5px ${colour.halo}`,
  },
});
