// A meter that tells differences only becomes a light meter: by its own exposure, or by something of known light. Then it tells luminance,
// and what any camera would be set to.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  ev100OfTyped,
  offsetOfAperture,
  offsetOfKnown,
  SUNNY_EV100,
  toldBy,
  type Calibration,
  type CalibrationWay,
  type ToldExposure,
} from '../../core/meter/calibration';
import {
  APERTURE_LADDER,
  at,
  formatEv,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
} from '../../core/units/ladders';
import { useOptic } from '../../live/in-use';
import { useDesk } from '../../live/desk';
import { latestReport, useReport } from '../../live/report';
import type { Report } from '../../camera/report';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { TextField } from '../../ui/text-field';
import { colour, rem, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital, luminanceWords } from './format';

const WAY_NAMES: Readonly<Record<CalibrationWay, string>> = {
  exposure: 'Its exposure',
  ev: 'Known EV',
  luminance: 'Known cd/m²',
  sunny: 'Full sun',
};

const ASKS: Readonly<Record<CalibrationWay, string>> = {
  exposure:
    'The device tells its exposure time and ISO; type its f-number. What it hides of its processing stays unknown.',
  ev: 'Point the meter at an even surface, read the same with another meter, type its EV at ISO 100.',
  luminance: 'Point the meter at an even surface of known luminance: a light box, another meter’s cd/m².',
  sunny:
    'Point the meter at something in full front light of a clear sun: by the old practice that is f/16 at 1/ISO, EV 14.6.',
};

const TYPED: Readonly<Record<CalibrationWay, string | null>> = {
  exposure: 'f-number of the lens',
  ev: 'EV at ISO 100',
  luminance: 'Luminance, cd/m²',
  sunny: null,
};

export function LightPanel() {
  const optic = useOptic();
  const report = useReport((r) => r.words);
  const relative = report?.relative ?? null;
  const calibration = useDesk((d) => d.calibrations[optic.id] ?? null);
  const { calibrate } = useDesk.getState();
  const told = toldOf(report);
  const ways = (Object.keys(WAY_NAMES) as CalibrationWay[]).filter(
    (way) => way !== 'exposure' || (told.shutterS !== undefined && told.iso !== undefined),
  );
  const [chosen, setWay] = useState<CalibrationWay>('ev');
  const way = ways.includes(chosen) ? chosen : 'ev';
  const [typed, setTyped] = useState('');
  const [error, setError] = useState<string | null>(null);
  if (!report) return <Words quiet>Waiting for the finder…</Words>;
  const take = () => {
    try {
      calibrate(calibrationBy(way, typed, latestReport() ?? report));
      setTyped('');
      setError(null);
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <>
      <Words testID="calibration-words">
        {relative !== null
          ? capital(`${relative}.`)
          : `Calibrated ${calibration ? dateWords(calibration) : ''}: EV and luminance are absolute.`}
      </Words>
      {relative === null && told.shutterS === undefined && told.iso === undefined && (
        <Words kind="label" quiet>
          This device does not tell its exposure: what is read holds for as long as the device keeps the
          exposure that it had then.
        </Words>
      )}
      {relative === null && <Elsewhere ev100={report.reading.ev100} luminance={report.reading.luminance} />}
      <Words kind="label" quiet>
        {relative === null ? 'Calibrate anew by:' : 'Calibrate by:'}
      </Words>
      <Segmented
        name="Calibrate by"
        choices={ways.map((id) => ({ id, label: WAY_NAMES[id] }))}
        chosen={way}
        onChoose={(next) => {
          setWay(next);
          setError(null);
        }}
        columns={2}
        testID="calibrate-by"
      />
      <Words kind="label" quiet>
        {ASKS[way]}
      </Words>
      {TYPED[way] !== null && (
        <TextField
          label={TYPED[way]}
          value={typed}
          onChange={setTyped}
          onSubmit={take}
          error={error}
          numeric
          testID="known-light"
        />
      )}
      {TYPED[way] === null && error && <Words style={styles.warn}>{error}</Words>}
      <View style={styles.row}>
        <Button label="Calibrate" kind="primary" onPress={take} testID="calibrate" />
        {calibration && <Button label="Forget it" onPress={() => calibrate(null)} testID="uncalibrate" />}
      </View>
    </>
  );
}

/** What any camera would be set to for what is read. */
function Elsewhere({ ev100, luminance }: { ev100: number; luminance: number }) {
  const [iso, setIso] = useState(() => nearestStep(ISO_LADDER, 100));
  const [aperture, setAperture] = useState(() => nearestStep(APERTURE_LADDER, 8));
  const move = (index: number, by: number, count: number) => Math.min(count - 1, Math.max(0, index + by));
  const seconds = at(APERTURE_LADDER, aperture).exact ** 2 / (2 ** ev100 * (at(ISO_LADDER, iso).exact / 100));
  return (
    <>
      <View style={styles.row}>
        <Words style={styles.big} testID="light-words">
          {Number.isFinite(ev100)
            ? `EV ${formatEv(ev100).replace('+', '')} · ${luminanceWords(luminance)}`
            : 'no light'}
        </Words>
      </View>
      <View style={styles.row}>
        <Stepper
          name="ISO"
          value={at(ISO_LADDER, iso).label}
          onStep={(by) => setIso((i) => move(i, by, ISO_LADDER.length))}
          testID="elsewhere-iso"
        />
        <Stepper
          name="Aperture"
          value={at(APERTURE_LADDER, aperture).label}
          // Up is more light on the ladder; a step up here is a larger number.
          onStep={(by) => setAperture((i) => move(i, -by, APERTURE_LADDER.length))}
          testID="elsewhere-aperture"
        />
      </View>
      <Words testID="elsewhere-words">Any camera set so needs {timeWords(seconds)}.</Words>
    </>
  );
}

/** A step of the ladder, or beyond it the seconds. */
function timeWords(seconds: number): string {
  if (!(seconds > 0) || !Number.isFinite(seconds)) return 'light';
  const [first, last] = [at(SHUTTER_LADDER, 0).exact, at(SHUTTER_LADDER, SHUTTER_LADDER.length - 1).exact];
  if (seconds > last * 2 ** (1 / 6)) return `${Math.round(seconds)} s`;
  if (seconds < first / 2 ** (1 / 6)) return `1/${Math.round(1 / seconds)} s`;
  return at(SHUTTER_LADDER, nearestStep(SHUTTER_LADDER, seconds)).label.replace(/^(1\/\d+)$/, '$1 s');
}

/** @throws RangeError in words for people */
function calibrationBy(way: CalibrationWay, typed: string, report: Report): Calibration {
  const told = toldOf(report);
  const number = typed.trim() === '' ? NaN : Number(typed.replace(',', '.'));
  if (TYPED[way] !== null && Number.isNaN(number)) throw new RangeError('Type a number');
  const { calibrations, optic } = useDesk.getState();
  // What is read now has the present calibration in it, unless it does not hold.
  const present = report.relative === null ? (calibrations[optic]?.offsetEv ?? 0) : 0;
  const relativeEv100 = report.reading.ev100 - present;
  const offsetEv =
    way === 'exposure'
      ? offsetOfAperture(number)
      : offsetOfKnown(
          relativeEv100,
          way === 'sunny' ? SUNNY_EV100 : way === 'ev' ? number : ev100OfTyped(number),
        );
  return { way, offsetEv, told: toldBy(told), timeMs: Date.now() };
}

function toldOf(report: Report | null): ToldExposure {
  const { shutter, iso } = report?.standing ?? {};
  return {
    ...(shutter === undefined ? null : { shutterS: shutter }),
    ...(iso === undefined ? null : { iso }),
  };
}

function dateWords({ timeMs, way }: Calibration): string {
  const day = new Date(timeMs - new Date(timeMs).getTimezoneOffset() * 60000).toISOString();
  return `${day.slice(0, 10)} ${day.slice(11, 16)} by ${WAY_NAMES[way].replace(/^[IKF]/, (c) => c.toLowerCase())}`;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.one },
  big: { fontSize: rem(20), lineHeight: rem(26) },
  warn: { color: colour.warn },
});
