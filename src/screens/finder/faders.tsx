// The faders of the desk side by side: name and value above (a tap opens the exact ladder), the track below.
import { useEffect, useRef, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { explain } from '../../core/advice/explain';
import { isAllManual, type ExposureControls } from '../../core/exposure/automatic';
import type { Optic } from '../../core/body/body';
import { stepsOn, type Steps } from '../../core/setting/ladder';
import { known } from '../../core/units/known';
import { extendedStops, SETTING_IDS } from '../../core/exposure/settings';
import { handHeldLimitS } from '../../core/optics/lens';
import {
  COMPENSATION_LADDER,
  FOCUS_LADDER,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
} from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import { hasIris, opticWith } from '../../live/camera';
import { exactOf, isAuto, isTold } from '../../live/desk-controls';
import { exposureOf, rawOf, useRawWords, useReport } from '../../live/report';
import { LADDERS, settingOf, type FaderId } from '../../live/desk-state';
import { Button } from '../../ui/button';
import { Fader, type FaderMark } from '../../ui/fader';
import { SlidePanel } from '../../ui/slide-panel';
import { colour, radius, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { distanceWords, valueWords } from './format';
import { NoRaw } from './no-raw';

const NAMES: Record<FaderId, string> = {
  shutter: 'Shutter',
  aperture: 'Aperture',
  iso: 'ISO',
  compensation: 'Compensation',
  focus: 'Focus',
};
const SHORT: Record<FaderId, string> = { ...NAMES, compensation: 'Comp.' };

export function Faders({ onLadder, hints }: { onLadder: (fader: FaderId) => void; hints?: boolean }) {
  const lens = opticWith(useDesk((d) => d.optic));
  // What the camera cannot do is not there; a lens that is focused at one distance says so.
  const ids = FADERS.filter(
    (id) => settingOf(id) in lens.can || (id === 'focus' && lens.fixedFocusM !== undefined),
  );
  return (
    <View style={styles.row}>
      {ids.map((id) => (
        <DeskFader key={id} id={id} onLadder={onLadder} hint={hints ? KEY_HINTS[id] : undefined} />
      ))}
    </View>
  );
}

const KEY_HINTS: Record<FaderId, string> = {
  shutter: 'Q / A',
  aperture: 'T / G',
  iso: 'W / S',
  compensation: 'E / D',
  focus: 'R / F',
};

const FADERS: readonly FaderId[] = ['shutter', 'aperture', 'iso', 'compensation', 'focus'];

/** Steps of a fader that the lens has, and how many of the ladder's first it has not. */
function stepsOf(id: FaderId, lens: Optic): Steps {
  return stepsOn(LADDERS[id], settingOf(id), lens);
}

function DeskFader({
  id,
  onLadder,
  hint,
}: {
  id: FaderId;
  onLadder: (fader: FaderId) => void;
  hint?: string;
}) {
  const controls = useDesk((d) => d.settings);
  const exact = useReport((r) => exactOf(controls, r.words, id));
  const told = useReport((r) => isTold(controls, r.words, id));
  const auto = isAuto(controls, id);
  const gives = useDesk((d) => d.trade?.gives === id);
  const habit = useDesk((d) => (id === 'compensation' ? d.check.habitEv : 0));
  const headroomEv = useRawWords((r) => (id === 'compensation' ? r.headroomEv : null));
  const lens = opticWith(useDesk((d) => d.optic));
  const { set, setAutomatic } = useDesk.getState();
  const iris = lens.can.aperture !== undefined;
  const manual = isAllManual(controls, iris);
  const { ladder, skipped } = stepsOf(id, lens);
  const index = Math.max(0, nearestStep(LADDERS[id], exact) - skipped);
  const words = told ? valueWords(id, exact) : '–';
  if (id === 'focus' && lens.fixedFocusM !== undefined) return <FixedFocus lens={lens} />;
  return (
    <View style={[styles.fader, !auto && styles.set]}>
      <Pressable role="button" onPress={() => onLadder(id)} style={styles.head} testID={`value-${id}`}>
        <Words kind="label" quiet>
          {SHORT[id]}
          {hint ? `  ${hint}` : ''}
        </Words>
        <Words kind="value" style={!auto && styles.accent} testID={`${id}-words`}>
          {words}
        </Words>
        <Words kind="label" quiet style={styles.state} numberOfLines={1} testID={`state-${id}`}>
          {gives
            ? 'gives way'
            : habit
              ? `habit ${formatThirds(habit)}`
              : stateWords(id, auto, exact, controls, iris)}
        </Words>
      </Pressable>
      <Fader
        name={NAMES[id]}
        count={ladder.length}
        index={index}
        valueText={told ? words : 'not known yet'}
        auto={auto}
        longEvery={id === 'compensation' ? 6 : 3}
        marks={marksOf(id, exact, headroomEv, manual, lens).map((m) => ({ ...m, index: m.index - skipped }))}
        onIndex={(i) => set(id, i + skipped)}
        onAuto={() => setAutomatic(id)}
        testID={`fader-${id}`}
      />
    </View>
  );
}

/** A lens without a focus drive says so, and from where on it is sharp. */
function FixedFocus({ lens }: { lens: Optic }) {
  const hyperfocalM = known(lens.hyperfocalM);
  return (
    <View style={styles.fader} testID="fixed-focus">
      <View style={styles.head}>
        <Words kind="label" quiet>
          Focus
        </Words>
        <Words kind="value">fixed</Words>
        <Words kind="label" quiet style={styles.state}>
          {hyperfocalM === undefined ? 'at one distance' : `sharp from ${distanceWords(hyperfocalM / 2)}`}
        </Words>
      </View>
    </View>
  );
}

function stateWords(
  id: FaderId,
  auto: boolean,
  exact: number,
  controls: ExposureControls,
  iris: boolean,
): string {
  if (id === 'compensation') return compensationWords(controls, iris);
  if (auto) return 'automatic';
  return id === 'iso' && extendedStops(exact) > 0 ? 'extended: raw as at 100' : 'by hand';
}

/** What compensation does now: it moves what is automatic, or with nothing automatic the zero of the meter. */
export function compensationWords(controls: ExposureControls, iris: boolean): string {
  const moving = SETTING_IDS.filter((id) => controls[id].auto && (id !== 'aperture' || iris));
  if (moving.length === 0) return 'shifts zero';
  return moving.length === 1
    ? `moves ${SHORT[moving[0]!].replace(/^[SA]/, (c) => c.toLowerCase())}`
    : 'moves target';
}

/** What the tool knows, at the track's edge: hand-held limit, base ISO, the compensation that just fits the highlights. */
function marksOf(
  id: FaderId,
  exact: number,
  headroomEv: number | null,
  manual: boolean,
  lens: Optic,
): FaderMark[] {
  if (id === 'shutter') {
    const equivalentMm = known(lens.equivalentMm);
    if (equivalentMm === undefined) return [];
    const limit = nearestStep(SHUTTER_LADDER, handHeldLimitS(equivalentMm));
    return [{ index: limit, kind: 'warn', says: 'hand-held limit marked' }];
  }
  if (id === 'focus') {
    const hyperfocalM = known(lens.hyperfocalM);
    if (hyperfocalM === undefined) return [];
    const says = `hyperfocal ${distanceWords(hyperfocalM)} marked`;
    return [{ index: nearestStep(FOCUS_LADDER, hyperfocalM), kind: 'good', says }];
  }
  if (id === 'aperture') return [];
  if (id === 'iso') return [{ index: nearestStep(ISO_LADDER, 100), kind: 'good', says: 'base ISO marked' }];
  if (headroomEv === null || manual || !Number.isFinite(headroomEv)) return [];
  const fits = Math.floor((exact + headroomEv) * 3) / 3;
  if (Math.abs(fits) > 5) return [];
  return [
    { index: nearestStep(COMPENSATION_LADDER, fits), kind: 'good', says: 'highlights just fit at the mark' },
  ];
}

/** What a setting does, with a figure of the present scene. */
function Explanation({ of }: { of: FaderId }) {
  const report = useReport((r) => r.words);
  const allManual = useDesk((d) => isAllManual(d.settings, hasIris(d.optic)));
  const [exposure, raw] = [exposureOf(report), rawOf(report)];
  const focusM = report ? known(report.focusM) : undefined;
  if (!exposure || !raw || focusM === undefined) return <NoRaw />;
  const { settings } = exposure;
  const { effects, headroomEv } = raw;
  return (
    <Words kind="body" quiet style={styles.explanation} testID="explanation">
      {explain(of, { settings, effects, headroomEv, allManual, focusM })}
    </Words>
  );
}

/** The exact ladder of one fader. */
export function LadderPanel({ fader, onClose }: { fader: FaderId; onClose: () => void }) {
  const settings = useDesk((d) => d.settings);
  const exact = useReport((r) => exactOf(settings, r.words, fader));
  const auto = isAuto(settings, fader);
  const lens = opticWith(useDesk((d) => d.optic));
  const { set, setAutomatic, restore } = useDesk.getState();
  const [opened] = useState(() => {
    const { settings: before, trade, lock } = useDesk.getState();
    return { settings: before, trade, lock };
  });
  const { ladder, skipped } = stepsOf(fader, lens);
  const current = nearestStep(LADDERS[fader], exact);
  const steps = ladder.map((step, k) => ({ step, i: k + skipped })).reverse();
  const scroll = useRef<View>(null);
  // Opens where the value stands, not at the ladder's end.
  useEffect(() => {
    const list = scroll.current as unknown as HTMLElement | null;
    list?.querySelector('[data-current]')?.scrollIntoView({ block: 'center' });
  }, []);
  return (
    <SlidePanel title={NAMES[fader]} onClose={onClose}>
      <Explanation of={fader} />
      <View style={styles.sheetHead}>
        <Button
          label={fader === 'compensation' ? 'Zero' : 'Automatic'}
          on={auto}
          onPress={() => setAutomatic(fader)}
          testID="ladder-auto"
        />
        <Button label="As it was" kind="quiet" onPress={() => restore(opened)} />
      </View>
      <ScrollView style={styles.sheetScroll} tabIndex={0}>
        <View ref={scroll} style={styles.grid}>
          {steps.map(({ step, i }) => (
            <Button
              key={step.label}
              current={i === current}
              label={step.label}
              on={!auto && i === current}
              onPress={() => set(fader, i)}
              style={styles.step}
              testID={`step-${step.label}`}
            />
          ))}
        </View>
      </ScrollView>
    </SlidePanel>
  );
}

const styles = StyleSheet.create({
  row: { flex: 1, flexDirection: 'row', gap: space.one },
  fader: { flex: 1, backgroundColor: colour.panel, borderRadius: radius, paddingBottom: 4 },
  set: { backgroundColor: colour.held },
  head: { minHeight: touch, alignItems: 'center', paddingTop: 4 },
  accent: { color: colour.accent },
  state: { fontSize: 11, lineHeight: 13 },
  explanation: { marginBottom: space.one },
  sheetHead: { flexDirection: 'row', gap: space.one, marginBottom: space.one },
  sheetScroll: { flexShrink: 1 },
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  step: { width: '23%' },
});
