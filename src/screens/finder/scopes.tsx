// The two histograms as drawings: raw over stops (the stopline), and the picture's code values.
import { View, StyleSheet } from 'react-native';
import Svg, { Defs, G, Line, LinearGradient, Path, Rect, Stop, Text as SvgText } from 'react-native-svg';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import type { ToneLimits } from '../../core/scopes/limits';
import { STOPLINE_BINS, type Stopline as StoplineData } from '../../core/scopes/stopline';
import type { PinReading } from '../../core/meter/pins';
import type { Heights } from '../../live/check-settings';
import { useDesk } from '../../live/desk';
import { colour, font, strokeOf } from '../../ui/theme';
import { clippedBar, outline, pictureOutline, tallest, WHOLE_AXIS, xOfEv, type Axis } from './stopline-path';

const INKS = [colour.red, colour.green, colour.blue] as const;
const AXIS = 16;

export interface StoplineDrawingProps {
  readonly data: StoplineData;
  /** null where nobody knows the noise. */
  readonly floorEv: number | null;
  readonly midGreyEv: number;
  /** Where raw is clean, and by which ratio. */
  readonly clean?: { readonly ev: number; readonly db: number };
  /** The ends of the picture's tones by channel. */
  readonly tones?: ToneLimits;
  /** Pins by their letters: how far each is from raw clip in its first channel. */
  readonly pins?: readonly Pick<PinReading, 'letter' | 'toClipEv'>[];
  readonly width: number;
  readonly height: number;
  readonly axis?: Axis;
  readonly heights?: Heights;
}

export function StoplineDrawing({
  data,
  floorEv,
  midGreyEv,
  clean,
  tones,
  pins = [],
  width,
  height,
  axis = WHOLE_AXIS,
  heights = 'root',
}: StoplineDrawingProps) {
  const bold = useDesk((d) => strokeOf(d.theme));
  const plot = height - AXIS;
  const x = (ev: number) => xOfEv(ev, width, axis);
  const clipX = x(0);
  const floorX = floorEv === null ? 0 : Math.max(0, x(floorEv));
  const greyX = x(midGreyEv);
  const top = tallest(data.bins, 1, STOPLINE_BINS - 1);
  const barWidth = (width - clipX - 5) / 3;
  const first = Math.ceil(axis.fromEv);
  const stops = Array.from({ length: Math.max(0, Math.floor(axis.toEv) - first + 1) }, (_, i) => first + i);
  const every = axis.toEv - axis.fromEv > 8 ? 3 : 1;
  return (
    <Svg width={width} height={height}>
      <Defs>
        <LinearGradient id="floor" x1="0" x2="1" y1="0" y2="0">
          <Stop offset="0" stopColor={colour.floor} stopOpacity={0.34} />
          <Stop offset="1" stopColor={colour.floor} stopOpacity={0.1} />
        </LinearGradient>
      </Defs>
      <Rect
        x={clipX}
        y={0}
        width={Math.max(0, width - clipX)}
        height={plot}
        fill={colour.clip}
        opacity={0.16}
      />
      <Rect x={0} y={0} width={floorX} height={plot} fill="url(#floor)" />
      {data.bins.map((bins, c) => (
        <Path
          key={c}
          d={outline(bins, top, width, plot, axis, heights)}
          fill={INKS[c]}
          fillOpacity={0.5}
          stroke={INKS[c]}
          strokeWidth={bold - 0.4}
        />
      ))}
      {data.bins.map((bins, c) => {
        const bar = clippedBar(bins, plot, heights);
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
      {tones?.whiteEv.map((white, c) => (
        <Line
          key={c}
          x1={Math.max(0, x(tones.blackEv[c]!))}
          x2={Math.max(0, x(white))}
          y1={2 + 3 * c}
          y2={2 + 3 * c}
          stroke={INKS[c]}
          strokeWidth={2}
        />
      ))}
      <Line x1={floorX} x2={floorX} y1={0} y2={plot} stroke={colour.floor} strokeWidth={bold} />
      {clean && x(clean.ev) > 0 && (
        <Line
          x1={x(clean.ev)}
          x2={x(clean.ev)}
          y1={0}
          y2={plot}
          stroke={colour.good}
          strokeWidth={bold}
          strokeDasharray="1 3"
        />
      )}
      <Line
        x1={greyX}
        x2={greyX}
        y1={0}
        y2={plot}
        stroke={colour.text}
        strokeWidth={1.5 * bold}
        strokeDasharray="3 3"
      />
      <Line x1={clipX} x2={clipX} y1={0} y2={plot} stroke={colour.clip} strokeWidth={3 * bold} />
      <Line x1={0} x2={width} y1={plot + 0.5} y2={plot + 0.5} stroke={colour.line} strokeWidth={bold} />
      {stops.map((ev) => (
        <G key={ev}>
          <Line
            x1={x(ev)}
            x2={x(ev)}
            y1={plot}
            y2={plot + (ev % every === 0 ? 5 : 3)}
            stroke={colour.quiet}
            strokeWidth={bold}
          />
          {ev % every === 0 && ev < 0 && <Label x={x(ev)} y={height - 1} words={`−${-ev}`} />}
        </G>
      ))}
      <Label x={clipX} y={height - 1} words="clip" ink={colour.clip} />
      {greyX > 50 && (
        <Label x={greyX} y={tones ? 21 : 11} words="mid-grey" anchor="end" dx={-5} ink={colour.text} />
      )}
      {pins.map(({ letter, toClipEv }) => {
        // What lies beyond the axis stands at its end.
        const at = Math.min(width - 6, Math.max(6, x(-toClipEv)));
        return (
          <G key={letter}>
            <Line x1={at} x2={at} y1={plot * 0.3} y2={plot} stroke={colour.accent} strokeWidth={1.5 * bold} />
            <Label x={at} y={plot * 0.3 - 3} words={letter} ink={colour.accent} />
          </G>
        );
      })}
      {floorX > 34 && (
        <Label x={floorX} y={tones ? 21 : 11} words="noise" anchor="end" dx={-4} ink={colour.floor} />
      )}
      {clean && x(clean.ev) - floorX > 64 && (
        <Label x={x(clean.ev)} y={33} words={`clean ${clean.db} dB`} anchor="end" dx={-4} ink={colour.good} />
      )}
    </Svg>
  );
}

export function PictureDrawing({
  data,
  width,
  height,
  heights = 'root',
}: {
  data: PictureHistogram;
  width: number;
  height: number;
  heights?: Heights;
}) {
  const bold = useDesk((d) => strokeOf(d.theme));
  const plot = height - AXIS;
  const channels = [data.r, data.g, data.b];
  const top = tallest(channels, 1, 255);
  return (
    <Svg width={width} height={height}>
      {channels.map((counts, c) => (
        <Path
          key={c}
          d={pictureOutline(counts, top, width, plot, heights)}
          fill={INKS[c]}
          fillOpacity={0.5}
          stroke={INKS[c]}
          strokeWidth={bold - 0.4}
        />
      ))}
      <Path
        d={pictureOutline(data.luminance, top, width, plot, heights, false)}
        fill="none"
        stroke={colour.text}
        strokeWidth={1.2 * bold}
      />
      <Line x1={0} x2={width} y1={plot + 0.5} y2={plot + 0.5} stroke={colour.line} strokeWidth={bold} />
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
