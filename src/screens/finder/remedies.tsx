// Remedies: the worst one at the finder's foot, all of them in a list. Each is worked out from the present frame.
import { useEffect, useMemo, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { remediesFor } from '../../core/advice/remedy';
import { REMEDY_KINDS, type Remedy, type RemedyAction, type RemedyKind } from '../../core/advice/situation';
import type { LensFacts } from '../../core/advice/situation';
import type { Optic } from '../../core/body/body';
import { doubtOf } from '../../core/meter/read';
import { known } from '../../core/units/known';
import { useAttitude } from '../../live/attitude';
import { useBody, useOptic } from '../../live/in-use';
import { exposureOf, rawOf, useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { sendOrder } from '../../live/feed';
import { Button } from '../../ui/button';
import { colour, radius, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

export const KIND_NAMES: Readonly<Record<RemedyKind, string>> = {
  range: 'Out of range',
  clipping: 'Clipping',
  meter: 'Off the meter',
  doubt: 'Uncertain reading',
  spot: 'Spot on dark or light',
  shake: 'Shake by hand',
  motion: 'Subject motion',
  flicker: 'Lamp bands',
  trails: 'Star trails',
  touch: 'Touch on a tripod',
  noise: 'ISO over the ceiling',
  diffraction: 'Diffraction',
  extended: 'Extended ISO',
  white: 'White off the light',
  focus: 'Focus not found',
  lights: 'Two lights',
  horizon: 'Tilted horizon',
  closest: 'Nearer than the lens can',
  depth: 'Out of what is sharp',
  lens: 'Another lens',
  detail: 'More zoom than detail',
};

/** What is wrong now, the worst first. */
export function useRemedies(): readonly Remedy[] {
  const report = useReport((r) => r.words);
  const controls = useDesk((d) => d.settings);
  const rules = useDesk((d) => d.settings.rules);
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const locked = useDesk((d) => d.lock !== null);
  const delayS = useDesk((d) => d.settings.delayS);
  const off = useDesk((d) => d.remediesOff);
  const lengths = useDesk((d) => d.lengths);
  const levelShown = useDesk((d) => d.level);
  const optic = useOptic();
  const { optics } = useBody();
  const attitude = known(useAttitude());
  const burntShare = useDesk((d) => d.check.share);
  const held = levelShown ? undefined : attitude;
  return useMemo(() => {
    const [exposure, raw] = [exposureOf(report), rawOf(report)];
    if (!report || !exposure || !raw) return [];
    const { settings, plan, outOfRangeEv, deviationEv } = exposure;
    const { reading, wholeEv100 } = report;
    const { effects, headroomEv, clippedOfFrame } = raw;
    const told = known(report.white);
    return remediesFor(
      {
        ...{ controls, rules, pattern, locked, delayS, settings, plan, wholeEv100, effects, headroomEv },
        ...{ outOfRangeEv, deviationEv },
        clippedOfFrame,
        lens: { ...optic, ...lensFacts(optic) },
        others: optics
          .filter(({ id }) => id !== optic.id)
          .map((other) => ({ ...other, ...lensFacts(other) })),
        cut: controls.cut,
        focusSet: controls.focus,
        sites: raw.sites,
        held: held ?? null,
        subjectM: known(report.subjectM) ?? null,
        lengths,
        burntShare,
        readingEv100: reading.ev100,
        doubt: doubtOf(reading),
        focus: report.focus,
        white: told
          ? {
              stands: { kelvin: told.kelvin, tint: told.tint ?? 0 },
              byHand: told.by === 'hand',
              measured: told.measured,
              mixed: report.mixed,
            }
          : null,
      },
      off,
    );
  }, [report, controls, rules, pattern, locked, delayS, off, burntShare, optic, optics, held, lengths]);
}

/** Of a camera that shows raw they are known. */
function lensFacts({ equivalentMm, apertureN }: Optic): LensFacts {
  return { equivalentMm: known(equivalentMm) ?? NaN, apertureN: known(apertureN) ?? NaN };
}

/**
 * Does what an action says. If something has been set since the frame that it was worked out from, a frame that answers is waited for, and the
 * action is done if that one offers it still, under the same words.
 */
function useMend(remedies: readonly Remedy[]): (kind: RemedyKind, action: RemedyAction) => void {
  const seen = useReport((r) => r.words?.seq);
  const pressed = useRef<{ readonly kind: RemedyKind; readonly label: string } | null>(null);
  const mend = ({ changes }: RemedyAction) => {
    pressed.current = null;
    useDesk.getState().change(changes);
  };
  const answers = () => seen !== undefined && seen >= sendOrder();
  useEffect(() => {
    if (!pressed.current || !answers()) return;
    const { kind, label } = pressed.current;
    pressed.current = null;
    const offered = remedies.find((r) => r.kind === kind)?.actions.find((a) => a.label === label);
    if (offered) mend(offered);
  });
  return (kind, action) => {
    if (answers()) mend(action);
    else pressed.current = { kind, label: action.label };
  };
}

/** The worst, with what mends it; the rest behind its number. */
export function RemedyLine({ onAll }: { onAll: () => void }) {
  const capture = useDesk((d) => d.capture);
  const remedies = useRemedies();
  const mend = useMend(remedies);
  const [first, ...others] = remedies;
  if (!first || capture.kind !== 'idle') return null;
  const action = first.actions[0];
  return (
    <View style={styles.line} testID="remedy">
      <Words style={styles.said}>{first.says}</Words>
      {action && (
        <Button
          label={action.label}
          kind="primary"
          onPress={() => mend(first.kind, action)}
          testID="remedy-action"
        />
      )}
      {others.length > 0 && (
        <Button
          label={`+${others.length}`}
          name={`+${others.length} more ${others.length === 1 ? 'remedy' : 'remedies'}: open the list`}
          kind="quiet"
          onPress={onAll}
          style={styles.more}
          testID="more-remedies"
        />
      )}
    </View>
  );
}

/**
 * All remedies with all their actions; each kind can be turned off.
 * @param most so many at most, in short, each with its first action
 */
export function RemedyList({ most }: { most?: number }) {
  const compact = most !== undefined;
  const remedies = useRemedies();
  const mend = useMend(remedies);
  const off = useDesk((d) => d.remediesOff);
  const blind = useBody().evidence === 'picture';
  const { turnRemedy } = useDesk.getState();
  return (
    <View style={styles.list} testID="remedy-list">
      {blind && (
        <Words quiet kind={compact ? 'label' : 'body'} testID="no-remedies">
          What goes wrong is judged on raw, and this camera shows none.
        </Words>
      )}
      {remedies.length === 0 && !blind && (
        <Words quiet kind={compact ? 'label' : 'body'}>
          Nothing will go wrong that is known of.
        </Words>
      )}
      {remedies.slice(0, most).map(({ kind, says, actions }) => (
        <View key={kind} style={[styles.item, compact && styles.compact]} testID={`remedy-${kind}`}>
          <Words kind={compact ? 'label' : 'body'} style={styles.says}>
            {says}
          </Words>
          <View style={styles.actions}>
            {actions.slice(0, compact ? 1 : undefined).map((action) => (
              <Button
                key={action.label}
                label={action.label}
                kind={compact ? 'plain' : 'primary'}
                onPress={() => mend(kind, action)}
              />
            ))}
            {!compact && (
              <Button
                label="Not this kind"
                name={`Not this kind: stop telling of ${KIND_NAMES[kind].toLowerCase()}`}
                kind="quiet"
                onPress={() => turnRemedy(kind, false)}
                testID={`turn-off-${kind}`}
              />
            )}
          </View>
        </View>
      ))}
      {!compact && off.length > 0 && (
        <View style={styles.off}>
          <Words kind="label" quiet>
            Turned off; press one to hear of it again:
          </Words>
          <View style={styles.actions}>
            {REMEDY_KINDS.filter((kind) => off.includes(kind)).map((kind) => (
              <Button
                key={kind}
                label={KIND_NAMES[kind]}
                onPress={() => turnRemedy(kind, true)}
                testID={`turn-on-${kind}`}
              />
            ))}
          </View>
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  line: {
    alignSelf: 'flex-start',
    maxWidth: '100%',
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    columnGap: space.one,
    backgroundColor: colour.chip,
    borderRadius: radius,
    paddingLeft: 12,
    minHeight: touch,
  },
  // In a narrow place its action goes to a line of its own.
  said: {
    color: colour.warn,
    flexGrow: 1,
    flexShrink: 1,
    flexBasis: 140,
    paddingVertical: 2,
    paddingRight: space.one,
  },
  says: { color: colour.warn, flexShrink: 1 },
  more: { paddingHorizontal: 4, marginLeft: -space.one },
  list: { gap: space.one },
  item: {
    gap: space.half,
    backgroundColor: colour.raised,
    borderRadius: radius,
    padding: space.one + space.half,
  },
  compact: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.one,
    paddingVertical: 0,
    paddingRight: 0,
    backgroundColor: colour.panel,
  },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  off: { gap: space.half, marginTop: space.one },
});
