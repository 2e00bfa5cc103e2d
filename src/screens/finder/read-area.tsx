// What the meter reads, drawn on the picture: the spot's disc, the soft middle, or the fields of the whole frame by how much
// they count. The brightest part is dotted into the picture itself.
import { StyleSheet } from 'react-native';
import Svg, { Circle, Ellipse, Path } from 'react-native-svg';
import { patternOf } from '../../core/meter/read';
import { useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { colour } from '../../ui/theme';

const BRACKET = 22;
const INSET = 5;

export function ReadArea({ width, height }: { width: number; height: number }) {
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const spot = useDesk((d) => d.spot);
  const spotShare = useDesk((d) => d.settings.meter.spotShare);
  const weights = useReport((r) => r.report?.weights ?? null);
  const area = patternOf(pattern).area({ at: spot, spotShare, burnShare: 0 }, width / height);
  if (area.kind === 'brightest') return null;
  if (area.kind === 'frame') {
    return (
      <Svg width={width} height={height} style={styles.over} aria-hidden>
        <Path
          d={brackets(width, height)}
          fill="none"
          stroke={colour.halo}
          strokeOpacity={0.5}
          strokeWidth={4}
        />
        <Path d={brackets(width, height)} fill="none" stroke={colour.mark} strokeWidth={1.5} />
        {weights?.values.map((weight, i) => (
          <Circle
            key={i}
            cx={(((i % weights.across) + 0.5) * width) / weights.across}
            cy={((Math.floor(i / weights.across) + 0.5) * height * weights.across) / weights.values.length}
            r={Math.max(0.8, weight * 3.2)}
            fill={colour.mark}
            stroke={colour.halo}
            strokeOpacity={0.6}
          />
        ))}
      </Svg>
    );
  }
  const [cx, cy, rx, ry] = [area.cx * width, area.cy * height, area.rx * width, area.ry * height];
  const dash = pattern === 'centre' ? '5 5' : undefined;
  return (
    <Svg width={width} height={height} style={styles.over} aria-hidden>
      <Ellipse
        cx={cx}
        cy={cy}
        rx={rx + 1}
        ry={ry + 1}
        fill="none"
        stroke={colour.halo}
        strokeOpacity={0.5}
        strokeWidth={4}
        strokeDasharray={dash}
      />
      <Ellipse
        cx={cx}
        cy={cy}
        rx={rx}
        ry={ry}
        fill="none"
        stroke={colour.mark}
        strokeWidth={2}
        strokeDasharray={dash}
      />
      {pattern === 'spot' && <Circle cx={cx} cy={cy} r={2.5} fill={colour.mark} />}
    </Svg>
  );
}

/** Half-open sides: the whole frame is read. */
function brackets(width: number, height: number): string {
  const [left, right] = [INSET, width - INSET];
  const [top, bottom] = [height / 2 - BRACKET, height / 2 + BRACKET];
  return `M${left + 6} ${top}H${left}V${bottom}H${left + 6}M${right - 6} ${top}H${right}V${bottom}H${right - 6}`;
}

const styles = StyleSheet.create({
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' },
});
