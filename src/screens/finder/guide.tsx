// What things on the finder mean, in short labels that point at them: on the first visit, and whenever it is asked for. It takes no touch of its
// own: the next one does what it would do, and puts the labels away.
import { useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { useDesk } from '../../live/desk';
import { useTextSize } from '../../ui/text-size';
import { colour, radius } from '../../ui/theme';
import { Words } from '../../ui/words';
import { placeSigns, signSize, type Placed, type Sign } from './guide-signs';

/** From the top of the screen to its foot. */
const SIGNS: readonly Sign[] = [
  { target: 'outside', at: [0.2, 0.8], says: 'Dashed: the simulated world. Tap to arrange it' },
  {
    target: 'finder',
    at: [0.55, 0.55],
    says: 'Pink hatching: clipped in raw. Tap sets the spot, hold sets a pin',
  },
  { target: 'stopline-raw', at: [0.94, 0.4], says: 'Pink wall: raw clips here. Drag sideways to expose' },
  { target: 'stopline-picture', at: [0.94, 0.4], says: 'The picture’s tones, 0 to 255' },
  {
    target: 'fader-shutter',
    part: 'rect',
    at: [0.5, 0.5],
    says: 'Hollow cap: moves by itself. Drag it, and it is yours',
  },
  { target: 'release', at: [0.5, 0.4], says: 'Takes what the finder shows' },
];

export function Guide() {
  const shown = useDesk((d) => d.guide);
  return shown ? <Signs /> : null;
}

function Signs() {
  const window = useWindowDimensions();
  const text = useTextSize();
  const { width, height } = signSize(text, window);
  const [signs, setSigns] = useState<readonly Placed[]>([]);
  useEffect(() => {
    const found = SIGNS.flatMap((sign) => {
      const part = sign.part ? ` ${sign.part}` : '';
      const box = document.querySelector(`[data-testid="${sign.target}"]${part}`)?.getBoundingClientRect();
      if (!box || box.width === 0) return [];
      return [{ ...sign, x: box.left + sign.at[0] * box.width, y: box.top + sign.at[1] * box.height }];
    }).sort((a, b) => a.y - b.y);
    setSigns(placeSigns(found, window, text));
  }, [window, text]);
  useEffect(() => {
    const away = () => useDesk.getState().showGuide(false);
    addEventListener('pointerdown', away, true);
    addEventListener('keydown', away, true);
    return () => {
      removeEventListener('pointerdown', away, true);
      removeEventListener('keydown', away, true);
    };
  }, []);
  return (
    <View style={styles.layer} role="note" aria-label="What things mean" testID="guide">
      <Svg width={window.width} height={window.height} style={styles.lines} aria-hidden>
        {signs.map(({ target, x, y, left, top }) => (
          <Line
            key={target}
            x1={left + width / 2}
            y1={top + height / 2}
            x2={x}
            y2={y}
            stroke={colour.accent}
            strokeWidth={1.5}
          />
        ))}
        {signs.map(({ target, x, y }) => (
          <Circle key={target} cx={x} cy={y} r={4} fill={colour.accent} />
        ))}
      </Svg>
      {signs.map(({ target, says, left, top }) => (
        <View key={target} style={[styles.sign, { left, top, width, minHeight: height }]}>
          <Words kind="label">{says}</Words>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  layer: { ...StyleSheet.absoluteFill, zIndex: 30, pointerEvents: 'none' },
  lines: { position: 'absolute', left: 0, top: 0 },
  sign: {
    position: 'absolute',
    justifyContent: 'center',
    backgroundColor: colour.raised,
    borderColor: colour.accent,
    borderWidth: 1,
    borderRadius: radius,
    paddingHorizontal: 10,
    paddingVertical: 4,
  },
});
