// Pins and the hand meter on the picture: dragged by a finger, moved by arrow keys, chosen by a tap.
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import type { FramePoint } from '../../core/meter/luminance-map';
import type { Pin, PinReading } from '../../core/meter/pins';
import { formatEv } from '../../core/units/ladders';
import { useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import type { HandReading } from '../../camera/report';
import { ARROWS } from '../../ui/arrows';
import { colour, radius, touch } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';
import { luxWords } from './format';

const KEY_STEP = 0.02;
export function PinLayer({
  width,
  height,
  onPin,
}: {
  width: number;
  height: number;
  onPin: (pin: Pin | 'hand') => void;
}) {
  const pins = useDesk((d) => d.pins);
  const readings = useReport((r) => r.words?.pins);
  const hand = useDesk((d) => d.hand);
  const handReading = useReport((r) => r.words?.hand ?? null);
  const { movePin, removePin, setHand } = useDesk.getState();
  return (
    <View style={[styles.layer, { width, height }]}>
      {pins.map((pin) => {
        const reading = readings?.find((r) => r.letter === pin.letter);
        const words = reading ? pinWords(reading) : '…';
        return (
          <Marker
            key={pin.letter}
            at={pin}
            size={{ width, height }}
            name={`Pin ${pin.letter} ${words}`}
            testID={`pin-${pin.letter}`}
            onMove={(place) => movePin(pin.letter, place)}
            onPick={() => onPin(pin)}
            onRemove={() => removePin(pin.letter)}
          >
            <View style={styles.label}>
              <Words kind="label" style={reading && isBurnt(reading) && styles.clipped}>
                <Words kind="label" style={styles.letter}>
                  {pin.letter}
                </Words>{' '}
                {words}
              </Words>
            </View>
          </Marker>
        );
      })}
      {hand && (
        <Marker
          at={hand}
          size={{ width, height }}
          name={`Hand meter ${handWords(handReading)}`}
          testID="hand-marker"
          onMove={setHand}
          onPick={() => onPin('hand')}
          onRemove={() => setHand(null)}
        >
          <View style={styles.label}>
            <View style={styles.dome} />
            <Words kind="label">{handWords(handReading)}</Words>
          </View>
        </Marker>
      )}
    </View>
  );
}

export function pinWords({ fromGreyEv, toClipEv, bound }: PinReading): string {
  if (toClipEv !== null && toClipEv < 0) return `clips by ${(-toClipEv).toFixed(1)}`;
  if (!Number.isFinite(fromGreyEv)) return 'black';
  return `${bound === 'least' ? '≥ ' : bound === 'most' ? '≤ ' : ''}${formatEv(fromGreyEv)}`;
}

/** Raw clips there, or the picture does. */
export function isBurnt({ toClipEv, bound }: PinReading): boolean {
  return toClipEv === null ? bound === 'least' : toClipEv < 0;
}

export function handWords(reading: HandReading | null): string {
  if (!reading || reading.kind === 'loading') return '…';
  if (reading.kind === 'no-surface') return 'no surface here';
  return reading.kind === 'failed' ? 'no reading' : luxWords(reading.lux);
}

/** A handle whose cross marks the place; its words stand beside it, towards the middle of the frame. */
function Marker({
  at,
  size,
  name,
  testID,
  onMove,
  onPick,
  onRemove,
  children,
}: {
  at: FramePoint;
  size: { width: number; height: number };
  name: string;
  testID: string;
  onMove: (place: FramePoint) => void;
  onPick: () => void;
  onRemove: () => void;
  children: React.ReactNode;
}) {
  const ref = useRef<View>(null);
  const from = useRef(at);
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = at;
    },
    onMove: (dx, dy) => onMove({ x: from.current.x + dx / size.width, y: from.current.y + dy / size.height }),
    onTap: onPick,
    onKey: (key) => {
      const step = ARROWS[key];
      if (step) onMove({ x: at.x + step[0] * KEY_STEP, y: at.y + step[1] * KEY_STEP });
      else if (key === 'Delete' || key === 'Backspace') onRemove();
      else if (key === 'Enter' || key === ' ') onPick();
      else return false;
      return true;
    },
  });
  const left = at.x > 0.6;
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="button"
        tabIndex={0}
        aria-label={`${name}. Arrow keys move it, Delete removes it`}
        testID={testID}
        style={[styles.marker, { left: at.x * size.width - touch / 2, top: at.y * size.height - touch / 2 }]}
      >
        <View style={styles.ring} />
        <View style={[styles.aside, left ? styles.toLeft : styles.toRight]}>{children}</View>
      </View>
    </GestureDetector>
  );
}

const styles = StyleSheet.create({
  layer: { position: 'absolute', left: 0, top: 0, overflow: 'hidden', pointerEvents: 'box-none' },
  marker: {
    position: 'absolute',
    width: touch,
    height: touch,
    alignItems: 'center',
    justifyContent: 'center',
    cursor: 'grab' as 'pointer',
  },
  // A small diamond: nothing else on the picture has that shape.
  ring: {
    width: 13,
    height: 13,
    borderWidth: 2,
    borderColor: colour.mark,
    backgroundColor: 'rgba(0,0,0,0.5)',
    transform: [{ rotate: '45deg' }],
  },
  // As wide as its words, however narrow the handle is.
  aside: { position: 'absolute', top: 10, width: 'max-content' as unknown as number },
  toRight: { left: 34 },
  toLeft: { right: 34 },
  label: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 5,
    height: 24,
    paddingHorizontal: 7,
    borderRadius: radius,
    backgroundColor: colour.chip,
  },
  letter: { color: colour.accent },
  clipped: { color: colour.clip },
  dome: {
    width: 12,
    height: 7,
    borderTopLeftRadius: 7,
    borderTopRightRadius: 7,
    backgroundColor: colour.text,
  },
});
