// What is laid over the picture to compose by: lines of the shape that is cut, a grid inside them, and the level.
import { StyleSheet, View } from 'react-native';
import Svg, { G, Line, Path, Rect } from 'react-native-svg';
import { isLevel, levelView, rollWords, type Attitude } from '../../core/body/attitude';
import { FULL_FRAME_DIAGONAL_MM } from '../../core/optics/lens';
import { linesSize } from '../../core/raw/cut';
import { known } from '../../core/units/known';
import { useAttitude } from '../../live/attitude';
import { useDesk } from '../../live/desk';
import type { Grid } from '../../live/desk-state';
import { useOptic } from '../../live/in-use';
import { useReport } from '../../live/report';
import { colour, radius } from '../../ui/theme';
import { Words } from '../../ui/words';

type Segment = readonly [x1: number, y1: number, x2: number, y2: number];

/** The smaller part of the golden section. */
const GOLDEN = (3 - Math.sqrt(5)) / 2;

/** Lines of a grid as shares of what it lies in. */
const GRID_LINES: Readonly<Record<Grid, readonly Segment[]>> = {
  none: [],
  thirds: crossing(1 / 3),
  golden: crossing(GOLDEN),
  cross: [
    [0.5, 0, 0.5, 1],
    [0, 0.5, 1, 0.5],
  ],
  diagonals: [
    [0, 0, 1, 1],
    [0, 1, 1, 0],
  ],
};

/** Two lines across and two down, so far from each edge. */
function crossing(share: number): Segment[] {
  return [share, 1 - share].flatMap((v): Segment[] => [
    [v, 0, v, 1],
    [0, v, 1, v],
  ]);
}

export function FrameLayer({ width, height }: { width: number; height: number }) {
  const aspect = useDesk((d) => d.settings.cut.aspect);
  const cuts = useOptic().can.cut !== undefined;
  const grid = useDesk((d) => d.grid);
  const level = useDesk((d) => d.level);
  const lines = linesSize({ width, height }, cuts ? aspect : 'whole');
  const [left, top] = [(width - lines.width) / 2, (height - lines.height) / 2];
  const isCut = lines.width < width - 0.5 || lines.height < height - 0.5;
  return (
    <>
      {(isCut || grid !== 'none') && (
        <Svg width={width} height={height} style={styles.over} aria-hidden testID="frame-lines">
          {isCut && (
            <>
              <Path
                d={`M0 0H${width}V${height}H0ZM${left} ${top}v${lines.height}h${lines.width}v${-lines.height}Z`}
                fill={colour.veil}
              />
              <Rect
                x={left}
                y={top}
                {...lines}
                fill="none"
                stroke={colour.mark}
                strokeWidth={1.5}
                testID={`lines-${aspect}`}
              />
            </>
          )}
          {[3, 1].map((stroke) => (
            <G key={stroke} testID={stroke === 1 ? `grid-${grid}` : undefined}>
              {GRID_LINES[grid].map(([x1, y1, x2, y2], i) => (
                <Line
                  key={i}
                  x1={left + x1 * lines.width}
                  y1={top + y1 * lines.height}
                  x2={left + x2 * lines.width}
                  y2={top + y2 * lines.height}
                  stroke={stroke === 1 ? colour.mark : colour.halo}
                  strokeOpacity={stroke === 1 ? 0.8 : 0.4}
                  strokeWidth={stroke}
                />
              ))}
            </G>
          ))}
        </Svg>
      )}
      {level && <Level width={width} height={height} />}
    </>
  );
}

/** The horizon where the lens sees it; looking steeply down a cross that is to meet the one in the middle. */
function Level({ width, height }: { width: number; height: number }) {
  const attitude = known(useAttitude());
  const equivalentMm = known(useOptic().equivalentMm);
  const times = useReport((r) => r.report?.zoomTimes ?? 1);
  if (!attitude) return null;
  const focalPx =
    equivalentMm === undefined
      ? null
      : ((equivalentMm * times) / FULL_FRAME_DIAGONAL_MM) * Math.hypot(width, height);
  const level = isLevel(attitude);
  return (
    <View style={styles.over} role="img" aria-label={`Level: ${levelWords(attitude)}`} testID="level">
      <LevelDrawing {...{ width, height, attitude, focalPx, level }} />
      {!level && (
        <View style={[styles.words, { left: width / 2 - WORDS / 2, top: height / 2 + 14, width: WORDS }]}>
          <View style={styles.chip}>
            <Words kind="label">{levelWords(attitude)}</Words>
          </View>
        </View>
      )}
    </View>
  );
}

/** How it is held, in words. */
export function levelWords(attitude: Attitude): string {
  const view = levelView(attitude);
  const pitch = `${Math.abs(attitude.pitchDeg).toFixed(0)}° ${attitude.pitchDeg < 0 ? 'down' : 'up'}`;
  if (view.kind === 'down')
    return isLevel(attitude)
      ? 'straight down'
      : `${Math.hypot(view.rightDeg, view.aheadDeg).toFixed(1)}° off straight down`;
  return Math.abs(attitude.pitchDeg) < 1 ? rollWords(attitude) : `${rollWords(attitude)}, ${pitch}`;
}

function LevelDrawing({
  width,
  height,
  attitude,
  focalPx,
  level,
}: {
  width: number;
  height: number;
  attitude: Attitude;
  /** null where the focal length is not known: the horizon stays in the middle then. */
  focalPx: number | null;
  level: boolean;
}) {
  const view = levelView(attitude);
  const [cx, cy] = [width / 2, height / 2];
  const side = Math.min(width, height);
  const stroke = level ? colour.good : colour.mark;
  if (view.kind === 'down') {
    const perDeg = side / 40;
    const x = cx + Math.max(-0.4 * side, Math.min(0.4 * side, view.rightDeg * perDeg));
    const y = cy - Math.max(-0.4 * side, Math.min(0.4 * side, view.aheadDeg * perDeg));
    const cross = (px: number, py: number, r: number) => `M${px - r} ${py}h${2 * r}M${px} ${py - r}v${2 * r}`;
    return (
      <Svg width={width} height={height}>
        <Stroke d={cross(cx, cy, 26)} colour={colour.mark} width={1.5} />
        <Stroke d={cross(x, y, 14)} colour={stroke} width={level ? 4 : 3} />
      </Svg>
    );
  }
  const away = focalPx === null ? 0 : -view.above * focalPx;
  const [inner, outer] = [0.08 * side, 0.22 * side];
  const tick = `M${cx - outer - 16} ${cy}h12M${cx + outer + 4} ${cy}h12`;
  const line = level
    ? `M${cx - outer} ${cy + away}h${2 * outer}`
    : `M${cx - outer} ${cy + away}h${outer - inner}M${cx + inner} ${cy + away}h${outer - inner}`;
  return (
    <Svg width={width} height={height}>
      <Stroke d={tick} colour={colour.mark} width={2} />
      <G rotation={-view.rollDeg} origin={`${cx}, ${cy}`}>
        <Stroke d={line} colour={stroke} width={level ? 3 : 2} />
      </G>
    </Svg>
  );
}

/** A line that is seen on anything. */
function Stroke({ d, colour: ink, width }: { d: string; colour: string; width: number }) {
  return (
    <>
      <Path d={d} stroke={colour.halo} strokeOpacity={0.55} strokeWidth={width + 3} fill="none" />
      <Path d={d} stroke={ink} strokeWidth={width} fill="none" />
    </>
  );
}

const WORDS = 220;

const styles = StyleSheet.create({
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' },
  words: { position: 'absolute', alignItems: 'center' },
  chip: { backgroundColor: colour.chip, borderRadius: radius, paddingHorizontal: 8, paddingVertical: 3 },
});
