// Histograms over the picture, each named raw or picture; as large and as solid as the person wants them.
import { StyleSheet, View } from 'react-native';
import type { CheckSettings } from '../../live/check-settings';
import { useDesk } from '../../live/desk';
import { rawOf, useReport } from '../../live/report';
import { WHOLE_AXIS } from '../../ui/scopes/shape';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { LiveScope } from './live-scope';

/** Share of the picture's width, and height in pixels; the largest leaves the rail at the right free. */
const SIZES: Readonly<Record<CheckSettings['histogramSize'], readonly [number, number]>> = {
  small: [0.44, 64],
  medium: [0.62, 76],
  large: [0.8, 92],
};

export function HistogramBox({ width }: { width: number }) {
  const { histogram, histogramSize, histogramOpacity, heights } = useDesk((d) => d.check);
  const live = useReport((r) => r.report !== null);
  const hasRaw = useReport((r) => rawOf(r.report) !== null);
  if (histogram === 'off' || !live) return null;
  const [share, height] = SIZES[histogramSize];
  // At least as wide as its own words.
  const across = Math.max(148, Math.min(520, Math.round(width * share)) - 2 * space.half);
  const kinds = histogram === 'both' ? (['picture', 'raw'] as const) : ([histogram] as const);
  return (
    <View style={[styles.stack, { opacity: histogramOpacity }]} testID="histogram-box">
      {kinds.map((kind) => (
        <View key={kind} style={styles.box} testID={`histogram-${kind}-box`}>
          <Words kind="label" style={styles.name}>
            {kind === 'raw'
              ? hasRaw
                ? 'Raw R, G, B'
                : 'Raw: not shown by this camera'
              : 'Picture R, G, B and luminance'}
          </Words>
          {(kind === 'picture' || hasRaw) && (
            <LiveScope
              width={across}
              height={height}
              look={
                kind === 'raw'
                  ? { kind, axis: WHOLE_AXIS, heights, cleanDb: null, spans: null }
                  : { kind, heights }
              }
            />
          )}
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
