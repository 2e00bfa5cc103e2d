// White on the picture: the ring that is dragged onto a thing, and which part is lit by which of two lights.
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import Svg, { Circle, Path } from 'react-native-svg';
import type { Ring } from '../../core/white/ring';
import type { MixedLight } from '../../core/white/mixed';
import { useDesk } from '../../live/desk';
import { useReport } from '../../live/report';
import { takeRing } from '../../live/take-ring';
import { ARROWS } from '../../ui/arrows';
import { colour, radius, touch } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';
import { ringWords } from './format';

const KEY_STEP = 0.01;
const KEY_GROWS = 1.3;
const LABEL_HEIGHT = 26;
const LABEL_GAP = 6;
export function WhiteLayer({ width, height }: { width: number; height: number }) {
  const ring = useDesk((d) => d.ring);
  const shown = useDesk((d) => d.showLights);
  const mixed = useReport((r) => r.words?.mixed ?? null);
  return (
    <>
      {shown && mixed && <Lights mixed={mixed} width={width} height={height} />}
      {ring && <RingHandle ring={ring} width={width} height={height} />}
    </>
  );
}

function RingHandle({ ring, width, height }: { ring: Ring; width: number; height: number }) {
  const ref = useRef<View>(null);
  const from = useRef(ring);
  // Every frame's, so that the figure follows the finger.
  const reading = useReport((r) => r.report?.ring ?? null);
  const { setRing } = useDesk.getState();
  const now = () => useDesk.getState().ring ?? ring;
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = now();
    },
    onMove: (dx, dy) => {
      const { at } = from.current;
      setRing({ ...now(), at: { x: at.x + dx / width, y: at.y + dy / height } });
    },
    onEnd: () => void takeRing(),
    onTap: () => void takeRing(),
    onZoom: (times) => setRing({ ...now(), radius: now().radius * times }),
    onKey: (key) => {
      const step = ARROWS[key];
      const { at, radius: r } = now();
      if (step) setRing({ radius: r, at: { x: at.x + step[0] * KEY_STEP, y: at.y + step[1] * KEY_STEP } });
      else if (key === '+' || key === '-') setRing({ at, radius: r * KEY_GROWS ** (key === '+' ? 1 : -1) });
      else if (key === 'Enter') void takeRing();
      else if (key === 'Delete' || key === 'Backspace') setRing(null);
      else return false;
      return true;
    },
  });
  const drawn = ring.radius * Math.max(width, height);
  const half = Math.max(touch / 2, drawn + 4);
  const words = ringWords(reading);
  const { at } = ring;
  const below = at.y * height + drawn + LABEL_GAP;
  const place =
    below + LABEL_HEIGHT < height ? { top: below } : { bottom: height - at.y * height + drawn + LABEL_GAP };
  return (
    <>
      <GestureDetector gesture={touches}>
        <View
          ref={ref}
          role="button"
          tabIndex={0}
          aria-label={`White ring: ${words}. Arrow keys move it, plus and minus size it, Enter takes, Delete puts it away`}
          testID="white-ring"
          style={[
            styles.handle,
            {
              left: ring.at.x * width - half,
              top: ring.at.y * height - half,
              width: 2 * half,
              height: 2 * half,
            },
          ]}
        >
          <Svg width={2 * half} height={2 * half} style={styles.svg} aria-hidden>
            <Circle
              cx={half}
              cy={half}
              r={drawn}
              fill="none"
              stroke={colour.halo}
              strokeOpacity={0.6}
              strokeWidth={6}
            />
            <Circle
              cx={half}
              cy={half}
              r={drawn}
              fill="none"
              stroke={colour.mark}
              strokeWidth={2}
              strokeDasharray="9 4"
            />
          </Svg>
        </View>
      </GestureDetector>
      {/* Under the ring, or over it near the foot: as wide as the picture, so that it never leaves it. */}
      <View
        style={[
          styles.aside,
          { width, alignItems: at.x < 0.35 ? 'flex-start' : at.x > 0.65 ? 'flex-end' : 'center' },
          place,
        ]}
      >
        <View style={styles.label}>
          <Words kind="label" style={reading?.kind === 'refused' && styles.warn} testID="ring-label">
            {words}
          </Words>
        </View>
      </View>
    </>
  );
}

/** A filled disc in each field that is lit by the warmer light, an open square in each of the cooler. */
function Lights({ mixed, width, height }: { mixed: MixedLight; width: number; height: number }) {
  const { across, fields } = mixed;
  const [w, h] = [width / across, (height * across) / fields.length];
  const size = 0.16 * Math.min(w, h);
  return (
    <Svg
      width={width}
      height={height}
      style={styles.over}
      aria-label="Discs: lit by the warmer light. Squares: by the cooler."
      testID="lights"
    >
      {fields.map((field, i) => {
        const [cx, cy] = [((i % across) + 0.5) * w, (Math.floor(i / across) + 0.5) * h];
        if (field === 0)
          return (
            <Circle
              key={i}
              cx={cx}
              cy={cy}
              r={size}
              fill={colour.warn}
              stroke={colour.halo}
              strokeWidth={1.5}
            />
          );
        if (field !== 1) return null;
        const d = `M${cx - size} ${cy - size}h${2 * size}v${2 * size}h${-2 * size}z`;
        return <Path key={i} d={d} fill="none" stroke={colour.mark} strokeWidth={2} />;
      })}
    </Svg>
  );
}

const styles = StyleSheet.create({
  handle: { position: 'absolute', cursor: 'grab' as 'pointer' },
  svg: { pointerEvents: 'none' },
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' },
  aside: { position: 'absolute', left: 0, paddingHorizontal: 4, pointerEvents: 'none' },
  label: {
    minHeight: LABEL_HEIGHT,
    justifyContent: 'center',
    paddingHorizontal: 7,
    borderRadius: radius,
    backgroundColor: colour.chip,
  },
  warn: { color: colour.warn },
});
