// Another framing, laid over all that counts of a frame: lines that are moved, drawn out at a corner and turned, and a line that is to be level.
import { useEffect, useRef, useState } from 'react';
import { PixelRatio, StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import Svg, { Circle, Line, Path, Polygon } from 'react-native-svg';
import type { FrameRecord } from '../../core/frame/record';
import {
  fitted,
  largest,
  LEAST_SIDE,
  levelled,
  linesSeen,
  linesStored,
  mirrored,
  MOST_TILT,
  turnedQuarter,
  type Reframe,
} from '../../core/raw/reframe';
import type { Rectangle } from '../../core/raw/shown';
import { placeInTilted, seenTilt } from '../../core/raw/tilt';
import type { Look } from '../../core/review/view';
import { ASPECT_IDS, ratioOf, type AspectId } from '../../core/setting/cut';
import { ARROWS } from '../../ui/arrows';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { colour, space } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';
import { useLayer } from './layer';

interface Props {
  readonly record: FrameRecord;
  readonly look: Look;
  /** What of the image counts. */
  readonly part: Rectangle;
  readonly value: Reframe;
  readonly onChange: (value: Reframe) => void;
  /** True while a drag draws a line that is to be level. */
  readonly drawing: boolean;
  readonly onDrawn: () => void;
  /** Width over height that corners keep, as it is seen; null for any. */
  readonly ratio: number | null;
  readonly width: number;
  readonly height: number;
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Room around the picture, so that corners at its edges can be taken hold of. */
const MARGIN = 16;
/** As near as a finger has to come to a corner, pixels. */
const REACH = 36;
/** What a key moves lines by, as a share of the picture. */
const KEY_SHARE = 0.02;
const KEY_SIZE = 1.05;
const KEY_TILT = 0.2;
const NO_CLIPPING = { raw: false, picture: false } as const;

export function Reframer(props: Props) {
  const { record, look, part, value, onChange, drawing, onDrawn, ratio, width, height } = props;
  const dense = PixelRatio.get();
  const { orientation, tiltDeg } = value;
  const seen =
    orientation >= 5
      ? { width: part.height, height: part.width }
      : { width: part.width, height: part.height };
  const scale = Math.min((width - 2 * MARGIN) / seen.width, (height - 2 * MARGIN) / seen.height);
  const box = { width: seen.width * scale, height: seen.height * scale };
  const left = (width - box.width) / 2;
  const top = (height - box.height) / 2;
  const layer = useLayer({
    id: record.id,
    look: { ...look, channel: null, whole: false, reframe: { lines: part, orientation, tiltDeg: 0 } },
    clipping: NO_CLIPPING,
    window: { width: Math.round(box.width * dense), height: Math.round(box.height * dense) },
    zoom: 'fit',
    at: { x: 0.5, y: 0.5 },
  });
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const { fit } = layer;
    const context = canvas.current?.getContext('2d');
    if (fit && context) context.drawImage(fit, 0, 0, context.canvas.width, context.canvas.height);
  });

  const tilt = seenTilt(tiltDeg, orientation);
  const lines = linesSeen(part, value);
  const middle = { x: lines.x + lines.width / 2, y: lines.y + lines.height / 2 };
  const corner = (sx: number, sy: number): Point =>
    placeInTilted({ x: (sx * lines.width) / 2, y: (sy * lines.height) / 2 }, { x: 0, y: 0 }, middle, tilt);
  const corners = [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)];
  const onPage = ({ x, y }: Point): Point => ({ x: left + x * scale, y: top + y * scale });

  /** Lines of that size about that middle, as near as the part holds them. */
  const lay = (centre: Point, w: number, h: number, deg = tiltDeg) => {
    const wanted = { x: centre.x - w / 2, y: centre.y - h / 2, width: w, height: h };
    onChange({ ...value, tiltDeg: deg, lines: fitted(part, linesStored(part, wanted, orientation), deg) });
  };

  const host = useRef<View>(null);
  const drag = useRef<{
    kind: 'move' | 'corner' | 'line' | 'none';
    at: Point;
    middle: Point;
    opposite: Point;
    sign: Point;
  }>({ kind: 'none', at: middle, middle, opposite: middle, sign: middle });
  const [line, setLine] = useState<readonly [Point, Point] | null>(null);
  const down = useRef<Point>({ x: 0, y: 0 });
  const start = () => {
    const at = { x: (down.current.x - left) / scale, y: (down.current.y - top) / scale };
    const far = corners.map((c) => Math.hypot(c.x - at.x, c.y - at.y) * scale);
    const nearest = far.indexOf(Math.min(...far));
    const sign = [
      { x: -1, y: -1 },
      { x: 1, y: -1 },
      { x: 1, y: 1 },
      { x: -1, y: 1 },
    ][nearest]!;
    const kind = drawing ? 'line' : far[nearest]! < REACH ? 'corner' : inside(at, corners) ? 'move' : 'none';
    drag.current = { kind, at, middle, opposite: corners[(nearest + 2) % 4]!, sign };
  };
  const move = (dx: number, dy: number) => {
    const { kind, at, middle: from, opposite, sign } = drag.current;
    const here = { x: at.x + dx / scale, y: at.y + dy / scale };
    if (kind === 'line') return setLine([at, here]);
    if (kind === 'move')
      return lay({ x: from.x + dx / scale, y: from.y + dy / scale }, lines.width, lines.height);
    if (kind !== 'corner') return;
    // In the lines' own directions, away from the corner that stays.
    const own = placeInTilted(here, opposite, { x: 0, y: 0 }, -tilt);
    let w = Math.max(LEAST_SIDE, sign.x * own.x);
    let h = Math.max(LEAST_SIDE, sign.y * own.y);
    if (ratio !== null) [w, h] = w / h > ratio ? [w, w / ratio] : [h * ratio, h];
    const to = placeInTilted({ x: (sign.x * w) / 2, y: (sign.y * h) / 2 }, { x: 0, y: 0 }, opposite, tilt);
    lay(to, w, h);
  };
  const end = () => {
    if (drag.current.kind === 'line' && line) {
      const deg = held(levelled(line, orientation));
      onChange({ ...value, tiltDeg: deg, lines: fitted(part, value.lines, deg) });
      onDrawn();
    }
    setLine(null);
    drag.current = { ...drag.current, kind: 'none' };
  };
  const touches = useTouch(host, {
    onStart: start,
    onMove: move,
    onEnd: end,
    onKey: (key) => {
      const step = ARROWS[key];
      const size = key === '+' || key === '=' ? KEY_SIZE : key === '-' ? 1 / KEY_SIZE : null;
      if (step)
        lay(
          { x: middle.x + step[0] * KEY_SHARE * seen.width, y: middle.y + step[1] * KEY_SHARE * seen.height },
          lines.width,
          lines.height,
        );
      else if (size) lay(middle, lines.width * size, lines.height * size);
      else if (key === '[' || key === ']') {
        const deg = held(tiltDeg + (key === ']' ? KEY_TILT : -KEY_TILT));
        lay(middle, lines.width, lines.height, deg);
      } else return false;
      return true;
    },
  });
  const on = corners.map(onPage);
  const polygon = on.map(({ x, y }) => `${x},${y}`).join(' ');
  const outside = `M0 0H${width}V${height}H0Z M${on.map(({ x, y }) => `${x} ${y}`).join('L')}Z`;
  const { width: w, height: h } = value.lines;
  const [across, downwards] = orientation >= 5 ? [h, w] : [w, h];
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={host}
        role="application"
        tabIndex={0}
        aria-label={`Frame lines, ${across} × ${downwards}, turned ${tiltDeg.toFixed(1)} degrees. Arrows move them, plus and minus change their size, brackets turn them`}
        style={[styles.ground, { width, height }]}
        testID={layer.fit ? 'reframer' : 'reframer-opening'}
        {...({
          onPointerDownCapture: (e: PointerEvent) => {
            const box = (host.current as unknown as HTMLElement).getBoundingClientRect();
            down.current = { x: e.clientX - box.left, y: e.clientY - box.top };
          },
        } as object)}
      >
        <canvas
          ref={canvas}
          width={Math.round(box.width * dense)}
          height={Math.round(box.height * dense)}
          style={{
            position: 'absolute',
            left,
            top,
            width: box.width,
            height: box.height,
            touchAction: 'none',
          }}
        />
        <Svg width={width} height={height} style={styles.over}>
          <Path d={outside} fill={colour.veil} fillRule="evenodd" />
          <Polygon points={polygon} fill="none" stroke={colour.halo} strokeWidth={4} />
          <Polygon points={polygon} fill="none" stroke={colour.mark} strokeWidth={2} />
          {on.map(({ x, y }, i) => (
            <Circle key={i} cx={x} cy={y} r={9} fill={colour.mark} stroke={colour.halo} strokeWidth={2} />
          ))}
          {line && (
            <Line
              x1={onPage(line[0]).x}
              y1={onPage(line[0]).y}
              x2={onPage(line[1]).x}
              y2={onPage(line[1]).y}
              stroke={colour.accent}
              strokeWidth={3}
            />
          )}
        </Svg>
      </View>
    </GestureDetector>
  );
}

function held(deg: number): number {
  return Math.min(MOST_TILT, Math.max(-MOST_TILT, Math.round(deg * 100) / 100));
}

/** True inside a polygon whose corners go round. */
function inside(at: Point, corners: readonly Point[]): boolean {
  const sides = corners.map((a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    return (b.x - a.x) * (at.y - a.y) - (b.y - a.y) * (at.x - a.x);
  });
  return sides.every((side) => side >= 0) || sides.every((side) => side <= 0);
}

const SHAPES: readonly { readonly id: AspectId | 'free'; readonly label: string }[] = [
  { id: 'free', label: 'Free' },
  ...ASPECT_IDS.filter((id) => id !== 'whole').map((id) => ({ id, label: id })),
];

/** What is done to a framing beside dragging. */
export function ReframeControls({
  part,
  value,
  onChange,
  drawing,
  onDrawing,
  shape,
  onShape,
}: {
  part: Rectangle;
  value: Reframe;
  onChange: (value: Reframe) => void;
  drawing: boolean;
  onDrawing: (drawing: boolean) => void;
  shape: Shape;
  onShape: (shape: Shape) => void;
}) {
  const { orientation, tiltDeg } = value;
  const tilt = (deg: number) => onChange({ ...value, tiltDeg: deg, lines: fitted(part, value.lines, deg) });
  const lay = (next: Shape) => {
    onShape(next);
    const ratio = ratioSeen(next, part, orientation);
    if (ratio === null) return;
    const stored = orientation >= 5 ? 1 / ratio : ratio;
    onChange({ ...value, lines: largest(part, value.lines, stored, tiltDeg) });
  };
  return (
    <View style={styles.controls}>
      <Segmented
        name="Shape"
        choices={SHAPES}
        chosen={shape.id}
        onChoose={(id) => lay({ ...shape, id })}
        testID="reframe-shape"
      />
      <View style={styles.row}>
        {shape.id !== 'free' && shape.id !== '1:1' && (
          <Button
            label={shape.turned ? 'Turn the shape back' : 'Turn the shape'}
            onPress={() => lay({ ...shape, turned: !shape.turned })}
            testID="reframe-turn-shape"
          />
        )}
        <Button
          label="Whole"
          name="Whole: all that counts of the frame"
          onPress={() => onChange({ ...value, lines: part, tiltDeg: 0 })}
          testID="reframe-whole"
        />
        <Button
          label="Quarter turn"
          onPress={() => onChange(turnedQuarter(value))}
          testID="reframe-quarter"
        />
        <Button label="Mirror" onPress={() => onChange(mirrored(value))} testID="reframe-mirror" />
        <Button
          label={drawing ? 'Draw it now' : 'Draw a level line'}
          name={drawing ? 'Draw it now: along what should be level or upright' : 'Draw a level line'}
          on={drawing}
          onPress={() => onDrawing(!drawing)}
          testID="reframe-line"
        />
      </View>
      <Words kind="label" quiet>
        Straighten: {tiltDeg.toFixed(1).replace('-', '−')}°
      </Words>
      <Slider
        name="Straighten"
        value={Math.round(seenTilt(tiltDeg, orientation) * 10)}
        least={-MOST_TILT * 10}
        most={MOST_TILT * 10}
        usual={0}
        large={10}
        valueText={`${tiltDeg.toFixed(1)} degrees`}
        onValue={(tenths) => tilt(seenTilt(tenths / 10, orientation))}
        testID="reframe-tilt"
      />
    </View>
  );
}

/** What shape lines are to keep. */
export interface Shape {
  readonly id: AspectId | 'free';
  /** Upright in what lies, and lying in what stands upright. */
  readonly turned: boolean;
}

/** Width over height as it is seen; null for any. A shape stands upright in what is upright. */
export function ratioSeen({ id, turned }: Shape, part: Rectangle, orientation: number): number | null {
  const ratio = id === 'free' ? null : ratioOf(id);
  if (ratio === null) return null;
  const lies = orientation >= 5 ? part.height >= part.width : part.width >= part.height;
  return lies !== turned ? ratio : 1 / ratio;
}

const styles = StyleSheet.create({
  ground: { backgroundColor: colour.ground, overflow: 'hidden', touchAction: 'none' } as object,
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' } as object,
  controls: { gap: space.one },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
});
