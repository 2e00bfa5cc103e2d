// The two histograms as drawings: raw over stops (the stopline), and the picture's code values.
import { View, StyleSheet } from 'react-native';
import Svg, { Defs, G, Line, LinearGradient, Path, Rect, Stop, Text as SvgText } from 'react-native-svg';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import type { Stopline as StoplineData } from '../../core/scopes/stopline';
import type { PinReading } from '../../core/meter/pins';
import { colour, font } from '../../ui/theme';
import { AXIS_FROM_EV, clippedBar, outline, pictureOutline, tallest, xOfEv } from './stopline-path';

const INKS = [colour.red, colour.green, colour.blue] as const;
const AXIS = 16;

export interface StoplineDrawingProps {
  readonly data: StoplineData;
  readonly floorEv: number;
  readonly midGreyEv: number;
  /** Pins by their letters: how far each is from raw clip in its first channel. */
  readonly pins?: readonly Pick<PinReading, 'letter' | 'toClipEv'>[];
  readonly width: number;
  readonly height: number;
}

export function StoplineDrawing({
  data,
  floorEv,
  midGreyEv,
  pins = [],
  width,
  height,
}: StoplineDrawingProps) {
  const plot = height - AXIS;
  const clipX = xOfEv(0, width);
  const floorX = Math.max(0, xOfEv(floorEv, width));
  const greyX = xOfEv(midGreyEv, width);
  const top = tallest(data.bins);
  const barWidth = (width - clipX - 5) / 3;
  return (
    <Svg width={width} height={height}>
      <Defs>
        <LinearGradient id="floor" x1="0" x2="1" y1="0" y2="0">
          <Stop offset="0" stopColor={colour.floor} stopOpacity={0.34} />
          <Stop offset="1" stopColor={colour.floor} stopOpacity={0.1} />
        </LinearGradient>
      </Defs>
      <Rect x={clipX} y={0} width={width - clipX} height={plot} fill={colour.clip} opacity={0.16} />
      <Rect x={0} y={0} width={floorX} height={plot} fill="url(#floor)" />
      {data.bins.map((bins, c) => (
        <Path key={c} d={outline(bins, top, width, plot)} fill={INKS[c]} opacity={0.52} />
      ))}
      {data.bins.map((bins, c) => {
        const bar = clippedBar(bins, plot);
        return (
          <Rect
            key={c}
            x={clipX + 3 + c * barWidth}
            y={plot - bar}
            width={Math.max(1, barWidth - 1)}
            height={bar}
            fill={INKS[c]}
          />
        );
      })}
      <Line x1={floorX} x2={floorX} y1={0} y2={plot} stroke={colour.floor} strokeWidth={1} />
      <Line
        x1={greyX}
        x2={greyX}
        y1={0}
        y2={plot}
        stroke={colour.text}
        strokeWidth={1.5}
        strokeDasharray="3 3"
      />
      <Line x1={clipX} x2={clipX} y1={0} y2={plot} stroke={colour.clip} strokeWidth={3} />
      <Line x1={0} x2={width} y1={plot + 0.5} y2={plot + 0.5} stroke={colour.line} strokeWidth={1} />
      {Array.from({ length: -AXIS_FROM_EV }, (_, i) => AXIS_FROM_EV + i).map((ev) => (
        <G key={ev}>
          <Line
            x1={xOfEv(ev, width)}
            x2={xOfEv(ev, width)}
            y1={plot}
            y2={plot + (ev % 3 === 0 ? 5 : 3)}
            stroke={colour.quiet}
            strokeWidth={1}
          />
          {ev % 3 === 0 && <Label x={xOfEv(ev, width)} y={height - 1} words={`−${-ev}`} />}
        </G>
      ))}
      <Label x={clipX} y={height - 1} words="clip" ink={colour.clip} />
      <Label x={greyX} y={11} words="mid-grey" anchor="end" dx={-5} ink={colour.text} />
      {pins.map(({ letter, toClipEv }) => {
        // What lies beyond the axis stands at its end.
        const x = Math.min(width - 6, Math.max(6, xOfEv(-toClipEv, width)));
        return (
          <G key={letter}>
            <Line x1={x} x2={x} y1={plot * 0.3} y2={plot} stroke={colour.accent} strokeWidth={1.5} />
            <Label x={x} y={plot * 0.3 - 3} words={letter} ink={colour.accent} />
          </G>
        );
      })}
      {floorX > 34 && <Label x={floorX} y={11} words="noise" anchor="end" dx={-4} ink={colour.floor} />}
    </Svg>
  );
}

export function PictureDrawing({
  data,
  width,
  height,
}: {
  data: PictureHistogram;
  width: number;
  height: number;
}) {
  const plot = height - AXIS;
  const channels = [data.r, data.g, data.b];
  let top = 1;
  for (const counts of channels) for (let i = 1; i < 255; i++) top = Math.max(top, counts[i]!);
  return (
    <Svg width={width} height={height}>
      {channels.map((counts, c) => (
        <Path key={c} d={pictureOutline(counts, top, width, plot)} fill={INKS[c]} opacity={0.5} />
      ))}
      <Line x1={0} x2={width} y1={plot + 0.5} y2={plot + 0.5} stroke={colour.line} strokeWidth={1} />
      <Label x={2} y={height - 1} words="0" anchor="start" />
      <Label x={width * (118 / 255)} y={height - 1} words="118" />
      <Label x={width - 2} y={height - 1} words="255" anchor="end" />
    </Svg>
  );
}

function Label({
  x,
  y,
  words,
  anchor = 'middle',
  dx = 0,
  ink = colour.quiet,
}: {
  x: number;
  y: number;
  words: string;
  anchor?: 'start' | 'middle' | 'end';
  dx?: number;
  ink?: string;
}) {
  return (
    <SvgText x={x + dx} y={y} fill={ink} fontSize={11} fontFamily={font.medium} textAnchor={anchor}>
      {words}
    </SvgText>
  );
}

/** A stretch of a set height whose drawing is hidden from assistive technology: the words beside it say the same. */
export function ScopeBox({ height, children }: { height: number; children: React.ReactNode }) {
  return (
    <View style={[styles.box, { height }]} aria-hidden>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({ box: { overflow: 'hidden', pointerEvents: 'none' } });
