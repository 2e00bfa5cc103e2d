// What the meter says, over the picture: the reading, whether it is held or in doubt, and with everything manual a scale of how
// far the settings lie off it.
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { isAllManual } from '../../core/exposure/automatic';
import { doubtOf } from '../../core/meter/read';
import { formatEv, formatThirds } from '../../core/units/ladders';
import { exposureOf, useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/camera';
import { colour, radius } from '../../ui/theme';
import { Words } from '../../ui/words';
import { luminanceWords, settingsWords } from './format';

/** Off by less than this is on the meter: half a third and the automatic's own margin. */
const ON_METER_EV = 1 / 6 + 0.07;
const SCALE_EV = 5;

export function ReadingChip() {
  const report = useReport((r) => r.words);
  const lock = useDesk((d) => d.lock);
  const trade = useDesk((d) => d.trade);
  const manual = useDesk((d) => isAllManual(d.settings, hasIris(d.optic)));
  const lens = useDesk((d) => d.optic);
  if (!report) return <View />;
  const { reading } = report;
  const exposure = exposureOf(report);
  const deviationEv = exposure?.deviationEv ?? null;
  const doubt = lock ? null : doubtOf(reading);
  return (
    <View style={styles.chip} testID="reading-chip">
      <Words kind="body" testID="reading">
        {lock ? (trade ? 'Held · ' : 'Locked · ') : ''}
        {evWords(lock?.ev100 ?? reading.ev100)} · {luminanceWords(reading.luminance)}
        {manual || deviationEv === null ? '' : ' · '}
        {!manual && deviationEv !== null && (
          <Words kind="body" testID="deviation" style={Math.abs(deviationEv) > 0.5 && styles.warn}>
            {deviationWords(deviationEv)}
          </Words>
        )}
      </Words>
      {lock && (
        <Words kind="label" style={styles.lock} testID="lock-words">
          {trade ? 'brightness of' : `by ${lock.by}:`}{' '}
          {exposure && settingsWords(exposure.settings, hasIris(lens))}
        </Words>
      )}
      {doubt && (
        <Words kind="label" style={styles.warn} testID="doubt">
          {doubt === 'clipped'
            ? `at least: ${percent(reading.clippedShare)} is past the meter’s range`
            : `uncertain: ${percent(reading.floorShare)} is in the meter’s noise`}
        </Words>
      )}
      {manual && deviationEv !== null && <Scale deviationEv={deviationEv} />}
    </View>
  );
}

function evWords(ev100: number): string {
  return Number.isFinite(ev100) ? `EV ${formatEv(ev100).replace('+', '')}` : 'no light';
}

function percent(share: number): string {
  return `${Math.max(1, Math.round(share * 100))} %`;
}

export function deviationWords(ev: number): string {
  return Math.abs(ev) < ON_METER_EV ? 'on the meter' : `${formatThirds(ev)} (${formatEv(ev)})`;
}

const WIDTH = 214;
const HEIGHT = 26;

/** ±5 EV in thirds; the needle stops at the ends and the words go on. */
function Scale({ deviationEv }: { deviationEv: number }) {
  const x = (ev: number) => WIDTH / 2 + (ev / SCALE_EV) * (WIDTH / 2 - 8);
  const beyond = Math.abs(deviationEv) > SCALE_EV + 1 / 6;
  const held = Math.min(SCALE_EV, Math.max(-SCALE_EV, deviationEv));
  const far = Math.abs(deviationEv) > 0.5;
  const words = beyond
    ? `${deviationEv > 0 ? 'over' : 'under'} by more than ${SCALE_EV} EV (${formatEv(deviationEv)})`
    : deviationWords(deviationEv);
  return (
    <View
      role="meter"
      aria-label="Off the meter"
      aria-valuemin={-SCALE_EV}
      aria-valuemax={SCALE_EV}
      aria-valuenow={Math.round(held * 100) / 100}
      aria-valuetext={words}
      testID="manual-scale"
    >
      <Svg width={WIDTH} height={HEIGHT} aria-hidden>
        {Array.from({ length: 6 * SCALE_EV + 1 }, (_, i) => {
          const third = i - 3 * SCALE_EV;
          const whole = third % 3 === 0;
          return (
            <Line
              key={third}
              x1={x(third / 3)}
              x2={x(third / 3)}
              y1={third === 0 ? 8 : whole ? 12 : 16}
              y2={20}
              stroke={third === 0 ? colour.text : colour.quiet}
              strokeWidth={third === 0 ? 2 : 1}
            />
          );
        })}
        <Path
          d={
            beyond
              ? `M${x(held)} 1l${deviationEv > 0 ? 7 : -7} 5l${deviationEv > 0 ? -7 : 7} 5z`
              : `M${x(held)} 20l-5 6h10z`
          }
          fill={far ? colour.warn : colour.good}
        />
      </Svg>
      <View style={styles.ends} aria-hidden>
        <Words kind="label" quiet style={styles.end}>
          −{SCALE_EV}
        </Words>
        <Words kind="label" quiet style={styles.end}>
          +{SCALE_EV}
        </Words>
      </View>
      <Words kind="label" testID="deviation" style={[styles.middle, far && styles.warn]}>
        {words}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  chip: {
    backgroundColor: colour.chip,
    borderRadius: radius,
    paddingHorizontal: 12,
    paddingVertical: 5,
    minHeight: 32,
    justifyContent: 'center',
    pointerEvents: 'none',
  },
  // The words below stand between the ends of the scale.
  ends: { flexDirection: 'row', justifyContent: 'space-between', width: WIDTH, marginBottom: -16 },
  end: { fontSize: 11 },
  middle: { textAlign: 'center', width: WIDTH },
  lock: { color: colour.accent },
  warn: { color: colour.warn },
});
