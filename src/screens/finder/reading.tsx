// What the meter says: the reading, with everything manual a scale of how far the settings lie off it, and over the picture by what it is held or
// why it is in doubt.
import { StyleSheet, View } from 'react-native';
import Svg, { Line, Path } from 'react-native-svg';
import { isAllManual } from '../../core/exposure/automatic';
import { doubtOf } from '../../core/meter/read';
import { formatEv, formatThirds } from '../../core/units/ladders';
import { exposureOf, useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/camera';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { luminanceWords, settingsWords } from './format';

/** Off by less than this is on the meter: half a third and the automatic's own margin. */
const ON_METER_EV = 1 / 6 + 0.07;
const SCALE_EV = 5;

/** The reading, in short without its luminance, and how far the settings lie off it; with everything manual on a scale. */
export function Reading({ short }: { short: boolean }) {
  const report = useReport((r) => r.words);
  const lock = useDesk((d) => d.lock);
  const trade = useDesk((d) => d.trade);
  const manual = useDesk((d) => isAllManual(d.settings, hasIris(d.optic)));
  if (!report) return <View />;
  const { reading, relative, fromGreyEv } = report;
  const deviationEv = exposureOf(report)?.deviationEv ?? fromGreyEv;
  const held = lock ? (trade ? 'Held · ' : 'Locked · ') : '';
  if (manual && deviationEv !== null)
    return (
      <View style={styles.line} testID="reading-chip">
        <Words kind="body" testID="reading">
          {held}
          {relative === null ? evWords(lock?.ev100 ?? reading.ev100) : 'relative'}
        </Words>
        <Scale deviationEv={deviationEv} />
      </View>
    );
  return (
    <View style={styles.line} testID="reading-chip">
      <Words kind="body" testID="reading">
        {held}
        {relative === null
          ? [
              evWords(lock?.ev100 ?? reading.ev100),
              ...(short ? [] : [luminanceWords(reading.luminance)]),
            ].join(' · ')
          : 'relative meter'}
        {deviationEv === null ? '' : ' · '}
        {deviationEv !== null && (
          <Words kind="body" testID="deviation" style={Math.abs(deviationEv) > 0.5 && styles.warn}>
            {fromGreyEv === null ? deviationWords(deviationEv) : fromGreyWords(fromGreyEv)}
          </Words>
        )}
      </Words>
    </View>
  );
}

/** By what the reading is held, and whether it is in doubt: over the picture, while there is something to say. */
export function ReadingNotes() {
  const report = useReport((r) => r.words);
  const lock = useDesk((d) => d.lock);
  const trade = useDesk((d) => d.trade);
  const lens = useDesk((d) => d.optic);
  if (!report) return null;
  const { reading } = report;
  const exposure = exposureOf(report);
  const doubt = lock ? null : doubtOf(reading);
  if (!lock && !doubt) return null;
  return (
    <View style={styles.chip}>
      {lock && (
        <Words kind="label" style={styles.lock} testID="lock-words">
          {trade ? 'brightness of' : `by ${lock.by}:`}{' '}
          {exposure ? settingsWords(exposure.settings, hasIris(lens)) : 'the device holds its exposure'}
        </Words>
      )}
      {doubt && (
        <Words kind="label" style={styles.warn} testID="doubt">
          {doubt === 'clipped'
            ? `at least: ${percent(reading.clippedShare)} is past the meter’s range`
            : `uncertain: ${percent(reading.floorShare)} is in the meter’s noise`}
        </Words>
      )}
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

/** Of a picture that exposes itself: how far what is read lies from its mid-grey. */
function fromGreyWords(ev: number): string {
  return Number.isFinite(ev) ? `${formatEv(ev)} from mid-grey` : 'black';
}

const WIDTH = 140;
const HEIGHT = 24;

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
      style={styles.line}
    >
      <Svg width={WIDTH} height={HEIGHT} aria-hidden>
        {Array.from({ length: 2 * SCALE_EV + 1 }, (_, i) => {
          const ev = i - SCALE_EV;
          return (
            <Line
              key={ev}
              x1={x(ev)}
              x2={x(ev)}
              y1={ev === 0 ? 4 : Math.abs(ev) === SCALE_EV ? 8 : 11}
              y2={17}
              stroke={ev === 0 ? colour.text : colour.quiet}
              strokeWidth={ev === 0 ? 2 : 1}
            />
          );
        })}
        <Path
          d={
            beyond
              ? `M${x(held)} 1l${deviationEv > 0 ? 7 : -7} 5l${deviationEv > 0 ? -7 : 7} 5z`
              : `M${x(held)} 16l-5 7h10z`
          }
          fill={far ? colour.warn : colour.good}
        />
      </Svg>
      <Words kind="body" testID="deviation" style={far && styles.warn}>
        {beyond
          ? `${deviationEv > 0 ? 'over' : 'under'} by ${formatEv(Math.abs(deviationEv)).replace('+', '')}`
          : deviationWords(deviationEv)}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'center', gap: space.one, flexShrink: 0 },
  chip: {
    backgroundColor: colour.chip,
    borderRadius: radius,
    paddingHorizontal: 12,
    paddingVertical: 5,
    pointerEvents: 'none',
  },
  lock: { color: colour.accent },
  warn: { color: colour.warn },
});
