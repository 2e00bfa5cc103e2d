// A plan of depth seen from the side, to scale: the camera, what it sees, the subject, what is sharp, the background.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Path, Polygon, Rect } from 'react-native-svg';
import type { DepthPlan, PlanLens } from '../../core/optics/depth-plan';
import { lengthWords, type LengthUnit } from '../../core/units/lengths';
import { colour, radius } from '../../ui/theme';

const HEIGHT = 92;
const LEFT = 16;
const RIGHT = 14;

export function DepthDrawing({
  told,
  lens,
  focusM,
  backgroundM,
  lengths,
}: {
  told: DepthPlan;
  lens: PlanLens;
  focusM: number;
  backgroundM: number;
  lengths: LengthUnit;
}) {
  const [width, setWidth] = useState(340);
  // As far as there is something to be seen of the plan: a background that is very far off is past the edge.
  const ends = [
    1.3 * focusM,
    backgroundM <= 6 * focusM ? 1.12 * backgroundM : 0,
    1.12 * Math.min(told.farM, 3 * focusM),
  ];
  const far = Math.max(...ends);
  const perM = (width - LEFT - RIGHT) / far;
  const x = (m: number) => LEFT + Math.min(far, m) * perM;
  const cy = HEIGHT / 2;
  const half = (lens.sensor.height * lens.sensor.pitchMm) / (2 * lens.focalLengthMm);
  const reach = Math.min(far, (cy - 4) / (half * perM));
  const cone = `${LEFT},${cy} ${x(reach)},${cy - reach * perM * half} ${x(far)},${cy - Math.min(cy - 4, far * perM * half)} ${x(far)},${cy + Math.min(cy - 4, far * perM * half)} ${x(reach)},${cy + reach * perM * half}`;
  const tall = (m: number) => Math.min(cy - 4, m * perM * half);
  const words = `Side view to scale: sharp from ${lengthWords(told.nearM, lengths)} to ${lengthWords(told.farM, lengths)}, subject at ${lengthWords(focusM, lengths)}, background at ${lengthWords(backgroundM, lengths)}`;
  return (
    <View
      role="img"
      aria-label={words}
      onLayout={({ nativeEvent }) => setWidth(Math.max(120, nativeEvent.layout.width))}
      style={styles.drawing}
      testID="depth-drawing"
    >
      <Svg width={width} height={HEIGHT}>
        <Polygon points={cone} fill={colour.raised} />
        <Rect
          x={x(told.nearM)}
          y={4}
          width={Math.max(1.5, x(told.farM) - x(told.nearM))}
          height={HEIGHT - 8}
          fill={colour.good}
          fillOpacity={0.28}
        />
        <Line x1={LEFT} x2={width - RIGHT} y1={cy} y2={cy} stroke={colour.line} strokeDasharray="3 4" />
        <Line
          x1={x(focusM)}
          x2={x(focusM)}
          y1={cy - tall(focusM)}
          y2={cy + tall(focusM)}
          stroke={colour.accent}
          strokeWidth={2.5}
        />
        {backgroundM <= far ? (
          <Line
            x1={x(backgroundM)}
            x2={x(backgroundM)}
            y1={cy - tall(backgroundM)}
            y2={cy + tall(backgroundM)}
            stroke={colour.quiet}
            strokeWidth={2}
            strokeDasharray="5 3"
          />
        ) : (
          <Path
            d={`M${width - RIGHT} ${cy - 6}l7 6l-7 6`}
            stroke={colour.quiet}
            strokeWidth={2}
            fill="none"
          />
        )}
        <Rect x={3} y={cy - 9} width={13} height={18} rx={3} fill={colour.text} />
        <Circle cx={x(focusM)} cy={cy} r={3.5} fill={colour.accent} />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({
  drawing: { backgroundColor: colour.ground, borderRadius: radius, overflow: 'hidden', height: HEIGHT },
});
