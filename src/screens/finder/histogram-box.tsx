// Histograms over the picture, each named raw or picture; as large and as solid as the person wants them.
import { StyleSheet, View } from 'react-native';
import type { CheckSettings } from '../../live/check-settings';
import { useDesk } from '../../live/desk';
import { rawOf, useReport } from '../../live/report';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { PictureDrawing, ScopeBox, StoplineDrawing } from './scopes';

/** Share of the picture's width, and height in pixels; the largest leaves the rail at the right free. */
const SIZES: Readonly<Record<CheckSettings['histogramSize'], readonly [number, number]>> = {
  small: [0.44, 64],
  medium: [0.62, 76],
  large: [0.8, 92],
};

export function HistogramBox({ width }: { width: number }) {
  const { histogram, histogramSize, histogramOpacity, heights } = useDesk((d) => d.check);
  const report = useReport((r) => r.report);
  const raw = rawOf(report);
  if (histogram === 'off' || !report) return null;
  const [share, height] = SIZES[histogramSize];
  const across = Math.min(520, Math.round(width * share)) - 2 * space.half;
  const kinds = histogram === 'both' ? (['picture', 'raw'] as const) : ([histogram] as const);
  return (
    <View style={[styles.stack, { opacity: histogramOpacity }]} testID="histogram-box">
      {kinds.map((kind) => (
        <View key={kind} style={styles.box} testID={`histogram-${kind}-box`}>
          <Words kind="label" style={styles.name}>
            {kind === 'raw'
              ? raw
                ? 'Raw R, G, B'
                : 'Raw: not shown by this camera'
              : 'Picture R, G, B and luminance'}
          </Words>
          <ScopeBox height={height}>
            {kind === 'raw'
              ? raw && (
                  <StoplineDrawing
                    data={raw.stopline}
                    floorEv={raw.floorEv}
                    midGreyEv={raw.midGreyEv}
                    width={across}
                    height={height}
                    heights={heights}
                  />
                )
              : report.picture && (
                  <PictureDrawing data={report.picture} width={across} height={height} heights={heights} />
                )}
          </ScopeBox>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  stack: { gap: space.half, pointerEvents: 'none' },
  box: { backgroundColor: colour.chip, borderRadius: radius, padding: space.half },
  name: { marginLeft: 2 },
});
