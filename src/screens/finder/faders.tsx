// The faders of the desk side by side: name and value above (a tap opens the exact ladder), the track below.
import { useMemo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { Effects } from '../../core/advice/effects';
import { isAllManual, type ExposureControls } from '../../core/exposure/automatic';
import type { SettingValues } from '../../core/setting/settings';
import type { Optic } from '../../core/body/body';
import { USUAL_LIGHTS, whiteStepsOn } from '../../core/setting/white';
import { stepsOn, type Steps } from '../../core/setting/ladder';
import type { Cut } from '../../core/setting/cut';
import { isUnknown, known, type Known } from '../../core/units/known';
import { extendedStops, SETTING_IDS } from '../../core/exposure/settings';
import { handHeldLimitS } from '../../core/optics/lens';
import {
  COMPENSATION_LADDER,
  FAR_M,
  FOCUS_LADDER,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  nominalKelvin,
  SHUTTER_LADDER,
  WHITE_LADDER,
} from '../../core/units/ladders';
import { lengthFigure, lengthWords, type LengthUnit } from '../../core/units/lengths';
import { useDesk } from '../../live/desk';
import { useOptic } from '../../live/in-use';
import { exactOf, isAuto, isTold, standingWhite, toldOf } from '../../live/desk-controls';
import { useRawWords, useReport } from '../../live/report';
import { LADDERS, settingOf, type FaderId } from '../../live/desk-state';
import { Fader, type FaderBand, type FaderMark } from '../../ui/fader';
import { useTextSize } from '../../ui/text-size';
import { colour, radius, rem, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { signedWords, valueWords } from './format';
import { faderKeys } from './keys';

export const FADER_NAMES: Record<FaderId, string> = {
  shutter: 'Shutter',
  aperture: 'Aperture',
  iso: 'ISO',
  compensation: 'Compensation',
  focus: 'Focus',
  white: 'White',
  zoom: 'Zoom',
};
const SHORT: Record<FaderId, string> = { ...FADER_NAMES, compensation: 'Comp.', white: 'White, K' };

/** What can be set on a lens: what it cannot do is not there, and one that is focused at one distance says so. */
export function fadersOf(lens: Optic): readonly FaderId[] {
  return FADERS.filter(
    (id) => settingOf(id) in lens.can || (id === 'focus' && lens.fixedFocusM !== undefined),
  );
}

export function Faders({
  rows,
  width,
  onLadder,
  hints,
}: {
  rows: number;
  width: number;
  onLadder: (fader: FaderId) => void;
  hints: boolean;
}) {
  const ids = fadersOf(useOptic());
  const text = useTextSize();
  if (ids.length === 0)
    return (
      <View style={styles.none} testID="no-faders">
        <Words quiet>This device sets its exposure and focus by itself, and lets nobody set them.</Words>
      </View>
    );
  const inRow = Math.ceil(ids.length / rows);
  const each = width / inRow / text;
  const crowded = each < CROWDED;
  return (
    <View style={styles.rows}>
      {Array.from({ length: rows }, (_, row) => (
        <View key={row} style={styles.row}>
          {ids.slice(row * inRow, (row + 1) * inRow).map((id) => (
            <DeskFader
              key={id}
              id={id}
              crowded={crowded}
              room={each - space.half / text}
              onLadder={onLadder}
              hint={(hints && !crowded && faderKeys(id)) || undefined}
            />
          ))}
        </View>
      ))}
    </View>
  );
}

/** Narrower than this, pixels of text of the usual size, a fader has no room for hints, nor for a unit beside its value. */
const CROWDED = 68;
/** Values stay on one line: as large as this, or smaller where one is too long for that. */
const VALUE = 20;
const VALUE_CROWDED = 18;
/** Figures of the house's face are less than half as wide as they are high. */
const FIGURE = 0.5;

/** Size of type in which so many signs take no more than that width. */
function sizeFor(signs: number, room: number, crowded: boolean): number {
  return Math.min(crowded ? VALUE_CROWDED : VALUE, room / (FIGURE * signs));
}

const FADERS: readonly FaderId[] = ['shutter', 'aperture', 'iso', 'compensation', 'focus', 'white', 'zoom'];

/** Steps of a fader that the lens has, and how many of the ladder's first it has not; of white those that go with the tint that stands. */
export function useSteps(id: FaderId): Steps {
  const lens = useOptic();
  const settings = useDesk((d) => d.settings);
  const tint = useReport((r) => (id === 'white' ? standingWhite(settings, r.words).tint : 0));
  return useMemo(
    () => (id === 'white' ? whiteStepsOn(lens, tint) : stepsOn(LADDERS[id], settingOf(id), lens)),
    [id, lens, tint],
  );
}

function DeskFader({
  id,
  crowded,
  room,
  onLadder,
  hint,
}: {
  id: FaderId;
  crowded: boolean;
  /** Its width, pixels of text of the usual size. */
  room: number;
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
  const lens = useOptic();
  const onPicture = id === 'white' && !auto && lens.whiteOnPicture === true;
  const toldExact = useReport((r) => toldOf(r.words, id));
  const focusState = useReport((r) => (id === 'focus' ? (r.words?.focus?.state ?? null) : null));
  const sharp = useRawWords((r) => (id === 'focus' ? r.effects : null));
  const whiteBy = useReport((r) => (id === 'white' && r.words ? known(r.words.white)?.by : undefined));
  const { set, setAutomatic } = useDesk.getState();
  const lengths = useDesk((d) => d.lengths);
  const iris = lens.can.aperture !== undefined;
  const manual = isAllManual(controls, iris);
  const { ladder, skipped } = useSteps(id);
  const index = Math.max(0, nearestStep(LADDERS[id], exact) - skipped);
  const words = told ? valueWords(id, exact, lengths) : '–';
  // Where it is tight a unit stands with the name.
  const unitApart = id === 'focus' && crowded;
  const shown = unitApart && told ? lengthFigure(exact, lengths) : words;
  if (id === 'focus' && lens.fixedFocusM !== undefined) return <FixedFocus lens={lens} />;
  return (
    <View style={[styles.fader, !auto && styles.set]}>
      <Pressable role="button" onPress={() => onLadder(id)} style={styles.head} testID={`value-${id}`}>
        <Words kind="label" quiet>
          {SHORT[id]}
          {unitApart && `, ${lengths}`}
          {hint ? `  ${hint}` : ''}
        </Words>
        <Words
          kind="value"
          style={[
            styles.value,
            { fontSize: rem(sizeFor(shown.length, room, crowded)) },
            !auto && styles.accent,
          ]}
          testID={`${id}-words`}
        >
          {shown}
        </Words>
        <Words kind="label" quiet style={styles.state} testID={`state-${id}`}>
          {gives
            ? 'gives way'
            : habit
              ? `habit ${formatThirds(habit)}`
              : onPicture
                ? 'on the picture'
                : (FOCUS_STATES[focusState ?? 'hand'] ??
                  WHITE_STATES[whiteBy ?? 'hand'] ??
                  stateWords(id, lens, controls, exact, toldExact))}
        </Words>
      </Pressable>
      <Fader
        name={FADER_NAMES[id]}
        count={ladder.length}
        index={index}
        valueText={told ? words : 'not known yet'}
        auto={auto}
        longEvery={id === 'compensation' ? 6 : 3}
        marks={marksOf(id, exact, headroomEv, manual, seenThrough(lens, controls.cut), lengths).map((m) => ({
          ...m,
          index: m.index - skipped,
        }))}
        band={sharp ? bandOf(sharp, skipped, ladder.length, lengths) : undefined}
        onIndex={(i) => set(id, i + skipped)}
        onAuto={() => setAutomatic(id)}
        testID={`fader-${id}`}
      />
    </View>
  );
}

/** A lens without a focus drive says so, and from where on it is sharp. */
function FixedFocus({ lens }: { lens: Optic }) {
  const lengths = useDesk((d) => d.lengths);
  const hyperfocalM = known(lens.hyperfocalM);
  return (
    <View style={styles.fader} testID="fixed-focus">
      <View style={styles.head}>
        <Words kind="label" quiet>
          Focus
        </Words>
        <Words kind="value">fixed</Words>
        <Words kind="label" quiet style={styles.state}>
          {hyperfocalM === undefined
            ? 'at one distance'
            : `sharp from ${lengthWords(hyperfocalM / 2, lengths)}`}
        </Words>
      </View>
    </View>
  );
}

/** Where the automatic focus has not found yet, or cannot. */
const FOCUS_STATES: Readonly<Record<string, string | undefined>> = {
  searching: 'searching',
  waiting: 'waiting',
  failed: 'not found',
};
/** Where the camera's white is less than found. */
const WHITE_STATES: Readonly<Record<string, string | undefined>> = { guess: 'a guess', held: 'held' };

/** How a setting came to stand where it stands, and where the camera did something else than it was asked. */
function stateWords(
  id: FaderId,
  lens: Optic,
  controls: SettingValues,
  exact: number,
  told: number | undefined,
): string {
  if (id === 'compensation')
    return lens.exposesWhole
      ? exact === 0
        ? 'none'
        : 'by hand'
      : compensationWords(controls, lens.can.aperture !== undefined);
  if (id === 'zoom') return exact === 1 ? 'widest' : 'by hand';
  if (id === 'white' && !controls.white.auto && !lens.exposesWhole)
    return `tint ${signedWords(controls.white.tint)}`;
  const others = lens.exposesWhole ? SETTING_IDS.filter((other) => other !== id && other in lens.can) : [];
  const isExposure = id === 'shutter' || id === 'iso';
  if (controls[id].auto)
    return isExposure && others.some((other) => !controls[other].auto) ? 'held with the other' : 'automatic';
  if (lens.exposesWhole && told !== undefined && Math.abs(Math.log2(told / exact)) > OFF_EV)
    return `device: ${exactWords(id, told)}`;
  return id === 'iso' && extendedStops(exact) > 0 ? 'raw as at 100' : 'by hand';
}

/** What a device did may lie this far off a click, stops, without being told. */
const OFF_EV = 0.09;

/** A value between clicks. */
function exactWords(id: FaderId, exact: number): string {
  if (id === 'shutter')
    return exact < 0.3 ? `1/${Math.round(1 / exact)}` : `${Number(exact.toPrecision(2))} s`;
  return id === 'white' ? `${Math.round(exact)} K` : String(Math.round(exact));
}

/** What compensation does now: it moves what is automatic, or with nothing automatic the zero of the meter. */
export function compensationWords(controls: ExposureControls, iris: boolean): string {
  const moving = SETTING_IDS.filter((id) => controls[id].auto && (id !== 'aperture' || iris));
  if (moving.length === 0) return 'shifts zero';
  return moving.length === 1
    ? `moves ${SHORT[moving[0]!].replace(/^[SA]/, (c) => c.toLowerCase())}`
    : 'moves target';
}

/** A lens of which a part is seen: as a longer one, with a circle of confusion that is smaller by as much. */
function seenThrough(lens: Optic, { times }: Cut): Optic {
  const longer = (value: Known<number>) => (isUnknown(value) ? value : value * times);
  if (times === 1 || !lens.can.cut) return lens;
  return { ...lens, equivalentMm: longer(lens.equivalentMm), hyperfocalM: longer(lens.hyperfocalM) };
}

/** What the tool knows, at the track's edge: hand-held limit, base ISO, the compensation that just fits the highlights. */
function marksOf(
  id: FaderId,
  exact: number,
  headroomEv: number | null,
  manual: boolean,
  lens: Optic,
  lengths: LengthUnit,
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
    const says = `hyperfocal ${lengthWords(hyperfocalM, lengths)} marked`;
    return [{ index: nearestStep(FOCUS_LADDER, hyperfocalM), kind: 'good', says }];
  }
  if (id === 'white')
    return USUAL_LIGHTS.map(({ name, kelvin }) => ({
      index: nearestStep(WHITE_LADDER, kelvin),
      kind: 'good',
      says: `${name} ${nominalKelvin(kelvin)} K marked`,
    }));
  if (id === 'aperture' || id === 'zoom') return [];
  if (id === 'iso' && lens.exposesWhole) return [];
  if (id === 'iso') return [{ index: nearestStep(ISO_LADDER, 100), kind: 'good', says: 'base ISO marked' }];
  if (headroomEv === null || manual || !Number.isFinite(headroomEv)) return [];
  const fits = Math.floor((exact + headroomEv) * 3) / 3;
  if (Math.abs(fits) > 5) return [];
  return [
    { index: nearestStep(COMPENSATION_LADDER, fits), kind: 'good', says: 'highlights just fit at the mark' },
  ];
}

/** What is sharp, as a stretch of the track. */
function bandOf(
  { nearM, farM }: Pick<Effects, 'nearM' | 'farM'>,
  skipped: number,
  count: number,
  lengths: LengthUnit,
): FaderBand {
  const place = (m: number) => Math.min(count - 1, Math.max(0, placeOnFocus(Math.min(FAR_M, m)) - skipped));
  return {
    from: place(nearM),
    to: place(farM),
    says: `sharp from ${lengthWords(nearM, lengths)} to ${lengthWords(farM, lengths)}`,
  };
}

/** Where a distance lies on the focus ladder, between its steps by the logarithm. */
function placeOnFocus(m: number): number {
  const after = FOCUS_LADDER.findIndex(({ exact }) => exact >= m);
  if (after <= 0) return after < 0 ? FOCUS_LADDER.length - 1 : 0;
  const [a, b] = [FOCUS_LADDER[after - 1]!.exact, FOCUS_LADDER[after]!.exact];
  return after - 1 + Math.log(m / a) / Math.log(b / a);
}

const styles = StyleSheet.create({
  rows: { flex: 1, gap: space.half },
  row: { flex: 1, flexDirection: 'row', gap: space.half },
  none: { flex: 1, alignItems: 'center', justifyContent: 'center', padding: space.two },
  fader: { flex: 1, minWidth: 0, backgroundColor: colour.panel, borderRadius: radius, paddingBottom: 4 },
  set: { backgroundColor: colour.held },
  head: { minHeight: touch, alignItems: 'center', paddingTop: 4 },
  // A second line would push the track out of its place.
  value: { whiteSpace: 'nowrap' } as object,
  accent: { color: colour.accent },
  state: { fontSize: rem(11), lineHeight: rem(13), textAlign: 'center' },
});
