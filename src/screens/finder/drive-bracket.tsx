// A bracket as it is set, whether it fits, and the smallest set that the scene asks for.
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  bracketed,
  bracketThirds,
  BRACKET_ORDERS,
  BRACKET_WAYS,
  MOST_FRAMES,
  MOST_STEP_THIRDS,
  roomOf,
  type Bracket,
} from '../../core/sequence/bracket';
import { beyondWords, bracketWords, evWords, leftOutWords } from '../../core/sequence/drives/bracket';
import { highlightsToClip, planBracket, type BracketPlan } from '../../core/sequence/plan-bracket';
import { formatThirds } from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import { useOptic } from '../../live/in-use';
import { moveMiddle } from '../../live/move-middle';
import { useExposureWords, useRawWords } from '../../live/report';
import { Button } from '../../ui/button';
import { Segmented, type Choice } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { valueWords } from './format';

const ORDERS: Readonly<Record<Bracket['order'], Choice<Bracket['order']>>> = {
  middle: { id: 'middle', label: '0 − +', name: '0 − +: the middle first' },
  rising: { id: 'rising', label: '− 0 +', name: '− 0 +: from dark to bright' },
  falling: { id: 'falling', label: '+ 0 −', name: '+ 0 −: from bright to dark' },
};
const WAYS: Readonly<Record<Bracket['by'], Choice<Bracket['by']>>> = {
  shutter: { id: 'shutter', label: 'By time' },
  iso: { id: 'iso', label: 'By ISO' },
};

export function BracketPart() {
  const bracket = useDesk((d) => d.settings.bracket);
  const { changeSetting } = useDesk.getState();
  const change = (next: Partial<Bracket>) => changeSetting('bracket', next);
  const step = (by: number) => Math.min(MOST_STEP_THIRDS, Math.max(1, bracket.stepThirds + by));
  const frames = (by: number) => Math.min(MOST_FRAMES, Math.max(2, bracket.frames + by));
  return (
    <>
      <View style={styles.row}>
        <Stepper
          name="Frames"
          value={`${bracket.frames}`}
          onStep={(by) => change({ frames: frames(by) })}
          testID="bracket-frames"
        />
        <Stepper
          name="Apart, EV"
          value={evWords(bracket.stepThirds)}
          onStep={(by) => change({ stepThirds: step(by) })}
          testID="bracket-step"
        />
      </View>
      <View style={styles.row}>
        <Segmented
          name="Order"
          choices={BRACKET_ORDERS.map((id) => ORDERS[id])}
          chosen={bracket.order}
          onChoose={(order) => change({ order })}
          testID="bracket-order"
          style={styles.cell}
        />
        <Segmented
          name="What differs"
          choices={BRACKET_WAYS.map((id) => WAYS[id])}
          chosen={bracket.by}
          onChoose={(by) => change({ by })}
          testID="bracket-by"
          style={styles.cell}
        />
      </View>
      <Set bracket={bracket} change={change} />
      <BracketPlanPart />
    </>
  );
}

/** The exposures of the set as it stands, or why it does not fit and what does. */
function Set({ bracket, change }: { bracket: Bracket; change: (next: Partial<Bracket>) => void }) {
  const settings = useExposureWords((e) => e.settings);
  if (!settings) return null;
  const made = bracketed(settings, bracket);
  if (made.kind === 'fits')
    return (
      <Words testID="bracket-set">
        {made.shots
          .map(({ shutterS, iso }) =>
            bracket.by === 'shutter' ? valueWords('shutter', shutterS) : `ISO ${valueWords('iso', iso)}`,
          )
          .join(' · ')}
      </Words>
    );
  const { shiftThirds, frames, by } = made.remedies;
  return (
    <>
      <Words role="status" style={styles.warn} testID="bracket-set">
        {beyondWords(made).replace(/^t/, 'T')}
      </Words>
      <View style={styles.row}>
        {shiftThirds !== null && (
          <Button
            label={`Middle ${formatThirds(shiftThirds / 3)} EV`}
            onPress={() => moveMiddle(settings, shiftThirds)}
            testID="bracket-shift"
          />
        )}
        {frames !== null && (
          <Button label={`${frames} frames`} onPress={() => change({ frames })} testID="bracket-fewer" />
        )}
        {by !== null && (
          <Button
            label={by === 'iso' ? 'Through ISO' : 'Through time'}
            onPress={() => change({ by })}
            testID="bracket-other"
          />
        )}
      </View>
    </>
  );
}

/** How much more light its frames get than the exposure that stands. */
function thirdsOfPlan({ frames, stepThirds, middleThirds }: BracketPlan & { kind: 'set' }): number[] {
  return bracketThirds({ frames, stepThirds, order: 'rising' }).map((third) => middleThirds + third);
}

/** The smallest set that holds the scene, at the ISO that stands. */
export function BracketPlanPart() {
  const bracket = useDesk((d) => d.settings.bracket);
  const range = useRawWords((r) => r.range);
  const headroomEv = useRawWords((r) => r.headroomEv);
  const settings = useExposureWords((e) => e.settings);
  const { can } = useOptic();
  const plan =
    range && headroomEv !== null && settings
      ? planBracket(range, headroomEv, roomOf(bracket.by, settings))
      : null;
  const key = plan && JSON.stringify(plan);
  useEffect(() => {
    const { showPlan } = useDesk.getState();
    showPlan(plan?.kind === 'set' ? thirdsOfPlan(plan) : null);
    return () => showPlan(null);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the same plan is another object with every report
  }, [key]);
  if (!plan || !range || headroomEv === null || !settings) return null;
  const scene = `The scene spans ${range.sceneEv.toFixed(1)} EV, this camera ${range.sensorEv.toFixed(1)} clean at ISO ${valueWords('iso', settings.iso)}`;
  if (plan.kind === 'none')
    return (
      <Words kind="label" quiet testID="bracket-plan">
        {scene}. No set holds it: {plan.why}.
      </Words>
    );
  const wanted =
    plan.kind === 'one'
      ? { ...bracket, frames: 1 }
      : { ...bracket, frames: plan.frames, stepThirds: plan.stepThirds };
  const take = () => {
    useDesk.getState().changeSetting('bracket', wanted);
    moveMiddle(settings, plan.middleThirds);
  };
  const toClip = Number.isFinite(headroomEv) ? highlightsToClip(bracket, headroomEv) : 0;
  const left = leftOutWords(plan.left, bracket.by, can.aperture !== undefined);
  const there =
    plan.middleThirds === 0 && wanted.frames === bracket.frames && wanted.stepThirds === bracket.stepThirds;
  const middle =
    plan.middleThirds === 0 ? '' : `, the middle ${formatThirds(plan.middleThirds / 3)} EV from here`;
  return (
    <>
      <Words kind="label" quiet testID="bracket-plan">
        {scene}:{' '}
        {plan.kind === 'one'
          ? `one frame ${left ? 'is all that there is room for' : 'holds it'}${plan.middleThirds === 0 ? '' : `, ${formatThirds(plan.middleThirds / 3)} EV from here`}.`
          : `${bracketWords(wanted).split(',')[0]} hold ${left ? 'what they can' : 'it'} with a stop in common${middle}.`}
      </Words>
      {left && (
        <Words kind="label" style={styles.warn} testID="bracket-left">
          {left}
        </Words>
      )}
      <View style={styles.row}>
        <Button
          label="Take it over"
          name="Take it over: the set that the scene asks for"
          disabled={there}
          onPress={take}
          testID="bracket-take"
        />
        <Button
          label="Highlights to clip"
          name="Highlights to clip: the darkest frame just holds what counts, no more"
          disabled={toClip === 0}
          onPress={() => moveMiddle(settings, toClip)}
          testID="bracket-to-clip"
        />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  cell: { flexGrow: 1, flexBasis: 150 },
  warn: { color: colour.warn },
});
