// The depth planner: what a lens at a distance will show, and where to stand with another one for the same size of the subject. It begins with the
// lens and the distance in use; nothing of the camera moves until the plan is taken.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Optic } from '../../core/body/body';
import { zoomedSize } from '../../core/raw/cut';
import {
  movedBackgroundM,
  planDepth,
  sameSizeM,
  type DepthPlan,
  type PlanLens,
} from '../../core/optics/depth-plan';
import {
  APERTURE_LADDER,
  at,
  FAR_M,
  FOCUS_LADDER,
  nearestStep,
  stepOf,
  type Ladder,
} from '../../core/units/ladders';
import { LENGTH_UNITS, lengthWords, type LengthUnit } from '../../core/units/lengths';
import { stepsOn } from '../../core/setting/ladder';
import { isUnknown, known } from '../../core/units/known';
import { useDesk } from '../../live/desk';
import { useBody, useOptic } from '../../live/in-use';
import { exposureOf, latestReport } from '../../live/report';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { Stepper } from '../../ui/stepper';
import { space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { DepthDrawing } from './depth-drawing';

interface Plan {
  readonly optic: string;
  readonly apertureN: number;
  readonly focusM: number;
  readonly backgroundM: number;
}

/** Where nothing is known of a distance. */
const USUAL_M = 2;
/** A background that is looked at first, times the distance. */
const BEHIND = 3;

/** As the camera stands now. */
function presentPlan(optic: Optic): Plan {
  const report = latestReport();
  const focusM = Math.min(FAR_M, (report && known(report.focusM)) ?? USUAL_M);
  return {
    optic: optic.id,
    apertureN: exposureOf(report)?.settings.apertureN ?? known(optic.apertureN) ?? 2,
    focusM: Math.min(focusM, 100),
    backgroundM: stepOf(FOCUS_LADDER, Math.min(FAR_M, BEHIND * Math.min(focusM, 100))).exact,
  };
}

/** @param times how many times narrower the part is that is the picture */
function lensOf(optic: Optic, apertureN: number, times: number): PlanLens | null {
  const { geometry, can } = optic;
  if (isUnknown(geometry)) return null;
  const { sensor } = geometry;
  const widest = known(optic.apertureN) ?? apertureN;
  const n = can.aperture ? Math.min(can.aperture.high, Math.max(can.aperture.low, apertureN)) : widest;
  return { ...geometry, sensor: { ...sensor, ...zoomedSize(sensor, times) }, apertureN: n };
}

export function DepthPanel() {
  const present = useOptic();
  const { optics } = useBody();
  const lengths = useDesk((d) => d.lengths);
  const { setLengths } = useDesk.getState();
  const [began] = useState(() => presentPlan(present));
  const [plan, setPlan] = useState(began);
  const [same, setSame] = useState(true);
  const optic = optics.find(({ id }) => id === plan.optic) ?? present;
  // Another lens is planned with whole.
  const { times } = useDesk((d) => d.settings.cut);
  const timesOf = ({ id }: Optic) => (id === present.id ? times : 1);
  const lens = lensOf(optic, plan.apertureN, timesOf(optic));
  const unit = (
    <Segmented
      name="Distances in"
      choices={LENGTH_UNITS.map((id) => ({ id, label: id === 'm' ? 'Metres' : 'Feet' }))}
      chosen={lengths}
      onChoose={setLengths}
      testID="lengths"
    />
  );
  if (!lens)
    return (
      <>
        <Words quiet testID="depth-unknown">
          Depth is not known: this device tells neither its focal length nor the size of its sensor.
        </Words>
        {unit}
      </>
    );
  const told = planDepth(lens, plan.focusM, plan.backgroundM);
  const from = optics.find(({ id }) => id === began.optic);
  const before = from && lensOf(from, began.apertureN, timesOf(from));
  const behindM = plan.backgroundM - plan.focusM;
  const take = (id: string) => {
    const next = optics.find((o) => o.id === id);
    const to = next && lensOf(next, plan.apertureN, timesOf(next));
    if (!to) return;
    const closest = next.can.focus?.low ?? 0;
    const focusM = same ? Math.max(closest, sameSizeM(lens, plan.focusM, to)) : plan.focusM;
    // What lies behind the subject stays as far behind it; what would lie behind the camera stays where it was.
    const moved = same ? movedBackgroundM(plan.focusM, plan.backgroundM, focusM) : null;
    const backgroundM = Math.min(FAR_M, moved ?? plan.backgroundM);
    setPlan({ ...plan, optic: id, focusM, backgroundM });
  };
  const apply = () => {
    const { change } = useDesk.getState();
    change([
      { optic: optic.id },
      { setting: 'cut', value: { times: timesOf(optic) } },
      ...(optic.can.focus ? [{ setting: 'focus' as const, value: { auto: false, exact: plan.focusM } }] : []),
      ...(optic.can.aperture
        ? [{ fader: 'aperture' as const, index: nearestStep(APERTURE_LADDER, lens.apertureN) }]
        : []),
    ]);
  };
  const { ladder: apertures, skipped } = stepsOn(APERTURE_LADDER, 'aperture', optic);
  const n = nearestStep(APERTURE_LADDER, lens.apertureN) - skipped;
  return (
    <>
      <DepthDrawing {...{ told, lens, lengths }} focusM={plan.focusM} backgroundM={plan.backgroundM} />
      {optics.length > 1 && (
        <View style={styles.row}>
          <Segmented
            name="Lens of the plan"
            choices={optics.map(({ id, equivalentMm, name }) => ({
              id,
              label: known(equivalentMm) === undefined ? name : `${known(equivalentMm)} mm`,
            }))}
            chosen={optic.id}
            onChoose={take}
            testID="plan-lens"
            style={styles.flex}
          />
          <Button
            label="Same size"
            name="Same size: another lens is moved so that the subject stays as large"
            on={same}
            onPress={() => setSame(!same)}
            testID="plan-same"
          />
        </View>
      )}
      <Distance
        name="Subject"
        ladder={FOCUS_LADDER}
        value={plan.focusM}
        usual={began.focusM}
        lengths={lengths}
        onValue={(focusM) => setPlan({ ...plan, focusM })}
        testID="plan-focus"
      />
      <Distance
        name="Background"
        ladder={FOCUS_LADDER}
        value={plan.backgroundM}
        usual={began.backgroundM}
        lengths={lengths}
        onValue={(backgroundM) => setPlan({ ...plan, backgroundM })}
        testID="plan-background"
      />
      {optic.can.aperture && (
        <Stepper
          name="Aperture of the plan"
          value={at(apertures, n).label}
          onStep={(by) => setPlan({ ...plan, apertureN: at(apertures, n + by).exact })}
          testID="plan-aperture"
        />
      )}
      <Told told={told} lengths={lengths} />
      {before && (
        <Words kind="label">
          {comparedWords(told, planDepth(before, began.focusM, began.focusM + Math.max(0, behindM)))}
        </Words>
      )}
      <View style={styles.row}>
        <Button
          label="Set it so"
          name="Set it so: lens, aperture and focus"
          kind="primary"
          onPress={apply}
          testID="plan-take"
        />
        <View style={styles.flex}>{unit}</View>
      </View>
    </>
  );
}

function Distance({
  name,
  ladder,
  value,
  usual,
  lengths,
  onValue,
  testID,
}: {
  name: string;
  ladder: Ladder;
  value: number;
  usual: number;
  lengths: LengthUnit;
  onValue: (metres: number) => void;
  testID: string;
}) {
  return (
    <View style={styles.row}>
      <Words kind="label" quiet style={styles.name}>
        {name}
      </Words>
      <View style={styles.flex}>
        <Slider
          name={`${name} at`}
          value={nearestStep(ladder, value)}
          least={0}
          most={ladder.length - 1}
          usual={nearestStep(ladder, usual)}
          large={5}
          valueText={lengthWords(value, lengths)}
          onValue={(i) => onValue(at(ladder, i).exact)}
          testID={testID}
        />
      </View>
      <Words kind="value" style={styles.value} testID={`${testID}-words`}>
        {lengthWords(value, lengths)}
      </Words>
    </View>
  );
}

function Told({ told, lengths }: { told: DepthPlan; lengths: LengthUnit }) {
  const words = (m: number) => lengthWords(m, lengths);
  const px = told.backgroundPx.toFixed(told.backgroundPx < 10 ? 1 : 0);
  const degrees = [told.acrossDeg, told.downDeg].map((deg) => `${deg.toFixed(0)}°`).join(' × ');
  const rows: readonly (readonly [string, string])[] = [
    ['Sharp', `${words(told.nearM)} to ${words(told.farM)}; hyperfocal ${words(told.hyperfocalM)}`],
    [
      'Frame',
      `${words(told.widthM)} × ${words(told.heightM)} there; ${degrees}, corners ${told.diagonalDeg.toFixed(0)}°`,
    ],
    ['Background', `blurred ${px} px, ${told.backgroundPercent.toFixed(2)} % of the height`],
  ];
  return (
    <View role="table" aria-label="What the plan shows" testID="plan-told">
      {rows.map(([name, value]) => (
        <View key={name} role="row" style={styles.told}>
          <Words kind="label" quiet role="cell" style={styles.toldName}>
            {name}
          </Words>
          <Words kind="label" role="cell" style={styles.flex}>
            {value}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** Against what stood when the panel was opened, the background as far behind the subject. */
function comparedWords(told: DepthPlan, before: DepthPlan): string {
  if (!(before.backgroundPercent > 0)) return 'As the camera stands, nothing behind is blurred.';
  const times = told.backgroundPercent / before.backgroundPercent;
  return Math.abs(times - 1) < 0.02
    ? 'The background is blurred as it would be now.'
    : `The background is blurred ${times.toFixed(times < 10 ? 2 : 0)} times as much as it would be now.`;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.one, minHeight: touch },
  name: { width: 82 },
  flex: { flex: 1 },
  value: { width: 74, textAlign: 'right' },
  told: { flexDirection: 'row', paddingVertical: 2, gap: space.one },
  toldName: { width: 82 },
});
