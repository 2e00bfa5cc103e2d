// What one press does: at once or after a delay, one frame, a burst, or a set that differs in light; and the set that the scene asks for.
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import {
  bracketed,
  bracketThirds,
  BRACKET_ORDERS,
  BRACKET_WAYS,
  MOST_FRAMES,
  MOST_STEP_THIRDS,
  highlightsToClip,
  planBracket,
  roomOf,
  type Bracket,
  type BracketPlan,
} from '../../core/sequence/bracket';
import { burstEveryS, isBurst, MOST_BURST, MOST_PER_S } from '../../core/sequence/burst';
import { DELAYS_S } from '../../core/setting/delay';
import { beyondWords, bracketWords, evWords, leftOutWords } from '../../core/setting/bracket';
import {
  FILE_KINDS,
  hasJpeg,
  hasPicture,
  KIND_WORDS,
  LEAST_QUALITY,
  PICTURE_SIZES,
  SIZE_WORDS,
  type FileKind,
} from '../../core/setting/files';
import { formatThirds } from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import { useFrameBytes } from '../../live/frame-bytes';
import { useOptic } from '../../live/in-use';
import { moveMiddle } from '../../live/move-middle';
import { useExposureWords, useRawWords } from '../../live/report';
import { Button } from '../../ui/button';
import { Segmented, type Choice } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital, valueWords } from './format';

const ORDERS: Readonly<Record<Bracket['order'], Choice<Bracket['order']>>> = {
  middle: { id: 'middle', label: '0 − +', name: '0 − +: the middle first' },
  rising: { id: 'rising', label: '− 0 +', name: '− 0 +: from dark to bright' },
  falling: { id: 'falling', label: '+ 0 −', name: '+ 0 −: from bright to dark' },
};
const WAYS: Readonly<Record<Bracket['by'], Choice<Bracket['by']>>> = {
  shutter: { id: 'shutter', label: 'By time' },
  iso: { id: 'iso', label: 'By ISO' },
};

export function DrivePanel() {
  const delayS = useDesk((d) => d.settings.delayS);
  const { setSetting } = useDesk.getState();
  const { can } = useOptic();
  return (
    <>
      <Words kind="label" quiet>
        Release delay, so that a touch does not shake the camera:
      </Words>
      <Segmented
        name="Release delay"
        choices={DELAYS_S.map((id) => ({ id, label: id === 0 ? 'None' : `${id} s` }))}
        chosen={delayS}
        onChoose={(seconds) => setSetting('delayS', seconds)}
        testID="delay"
      />
      {can.bracket && can.burst ? (
        <SetPart />
      ) : (
        <Words kind="label" quiet>
          This camera takes one frame a press: its exposure cannot be set from frame to frame, and a still
          takes its time.
        </Words>
      )}
      {can.files && <FilesPart />}
      <MannersPart />
    </>
  );
}

const TRADE_OFFS: Readonly<Record<FileKind, string>> = {
  dng: 'All that the sensor counted. White and brightness can be set anew afterwards.',
  'dng+jpeg': 'Raw to work on, and a picture that can be handed on at once.',
  jpeg: 'Small and finished: what is burnt or lost in it stays so. No raw is kept.',
  tiff: 'Finished in 16 bits, nothing left out by coding, and very large. No raw is kept.',
  png: 'Finished in 8 bits, nothing left out by coding. No raw is kept.',
  png16:
    'Finished in 16 bits, nothing left out by coding, smaller than TIFF and slow to write. No raw is kept.',
};

/** What files a frame is kept as. */
function FilesPart() {
  const files = useDesk((d) => d.settings.files);
  const { changeSetting } = useDesk.getState();
  const { bytes, from } = useFrameBytes();
  const quality = (by: number) =>
    changeSetting('files', {
      quality: Math.min(100, Math.max(LEAST_QUALITY, files.quality + QUALITY_STEP * by)),
    });
  return (
    <>
      <Words kind="label" quiet>
        A frame is kept as:
      </Words>
      <Segmented
        name="A frame is kept as"
        choices={FILE_KINDS.map((id) => ({ id, label: KIND_WORDS[id] }))}
        chosen={files.kind}
        onChoose={(kind) => changeSetting('files', { kind })}
        columns={3}
        testID="files"
      />
      {hasPicture(files) && (
        <View style={styles.row}>
          {hasJpeg(files) && (
            <Stepper name="JPEG quality" value={`${files.quality}`} onStep={quality} testID="files-quality" />
          )}
          <Segmented
            name="Size of the picture"
            choices={PICTURE_SIZES.map((id) => ({ id, label: capital(SIZE_WORDS[id]) }))}
            chosen={files.size}
            onChoose={(size) => changeSetting('files', { size })}
            testID="files-size"
            style={styles.cell}
          />
        </View>
      )}
      <Words kind="label" quiet testID="files-words">
        {TRADE_OFFS[files.kind]} About {sizeWords(bytes)} a frame
        {from > 0 ? `, as the last ${from === 1 ? 'one' : from}` : ', as is usual'}.
      </Words>
    </>
  );
}

/** What a press is heard and felt by, and whether the screen sleeps. */
function MannersPart() {
  const { sound, haptics, awake } = useDesk((d) => d.manners);
  const { setManners } = useDesk.getState();
  return (
    <>
      <Words kind="label" quiet>
        When frames are taken, and while a count runs:
      </Words>
      <View style={styles.row}>
        <Button
          label="Sound"
          on={sound}
          onPress={() => setManners({ sound: !sound })}
          testID="manners-sound"
        />
        <Button
          label="Vibration"
          on={haptics}
          onPress={() => setManners({ haptics: !haptics })}
          testID="manners-haptics"
        />
        <Button
          label="Screen stays on"
          name="Screen stays on while the finder is open"
          on={awake}
          onPress={() => setManners({ awake: !awake })}
          testID="manners-awake"
        />
      </View>
      <Words kind="label" quiet>
        A page cannot set the screen’s brightness: in sun take the theme Sun, and turn it up by the device.
      </Words>
    </>
  );
}

/** Steps of a JPEG's quality. */
const QUALITY_STEP = 4;

function sizeWords(bytes: number): string {
  return bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;
}

type Takes = 'one' | 'burst' | 'bracket';
const TAKES: readonly Choice<Takes>[] = [
  { id: 'one', label: 'One frame' },
  { id: 'burst', label: 'A burst' },
  { id: 'bracket', label: 'A bracket' },
];
/** What a burst and a bracket begin with. */
const USUAL = { burst: 10, bracket: 3 };

/** What one press takes. */
function SetPart() {
  const takes = useDesk(({ settings: { bracket, burst } }): Takes => {
    if (bracket.frames > 1) return 'bracket';
    return isBurst(burst) ? 'burst' : 'one';
  });
  const { changeSetting } = useDesk.getState();
  const choose = (next: Takes) => {
    changeSetting('bracket', { frames: next === 'bracket' ? USUAL.bracket : 1 });
    changeSetting('burst', { frames: next === 'burst' ? USUAL.burst : 1, held: false });
  };
  return (
    <>
      <Words kind="label" quiet>
        A press takes:
      </Words>
      <Segmented name="A press takes" choices={TAKES} chosen={takes} onChoose={choose} testID="takes" />
      {takes === 'burst' && <BurstPart />}
      {takes === 'bracket' && <BracketPart />}
      {takes !== 'burst' && <Plan />}
    </>
  );
}

const HOW_LONG: readonly Choice<'count' | 'held'>[] = [
  { id: 'count', label: 'So many' },
  { id: 'held', label: 'While held' },
];

function BurstPart() {
  const burst = useDesk((d) => d.settings.burst);
  const settings = useExposureWords((e) => e.settings);
  const { changeSetting } = useDesk.getState();
  const within = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
  const everyS = settings && burstEveryS(burst, settings.shutterS);
  return (
    <>
      <Segmented
        name="How long"
        choices={HOW_LONG}
        chosen={burst.held ? 'held' : 'count'}
        onChoose={(how) =>
          changeSetting(
            'burst',
            how === 'held' ? { held: true } : { held: false, frames: Math.max(2, burst.frames) },
          )
        }
        testID="burst-how"
      />
      <View style={styles.row}>
        {!burst.held && (
          <Stepper
            name="Frames"
            value={`${burst.frames}`}
            onStep={(by) => changeSetting('burst', { frames: within(burst.frames + by, 2, MOST_BURST) })}
            testID="burst-frames"
          />
        )}
        <Stepper
          name="A second"
          value={`${burst.perS}`}
          onStep={(by) => changeSetting('burst', { perS: within(burst.perS + by, 1, MOST_PER_S) })}
          testID="burst-rate"
        />
      </View>
      {everyS !== null && everyS !== undefined && (
        <Words testID="burst-words">
          {burst.held
            ? `Hold the release, or Space: up to ${MOST_BURST} frames`
            : `${burst.frames} frames in ${((burst.frames - 1) * everyS).toFixed(1)} s`}
          {everyS > 1.001 / burst.perS &&
            `. ${valueWords('shutter', settings!.shutterS)} and the read-out let ${(1 / everyS).toFixed(1)} a second follow`}
          .
        </Words>
      )}
    </>
  );
}

function BracketPart() {
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
function Plan() {
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
