// What the focus panel has beside its ladder: what the automatic found, how and where it looks, and the loupe that opens while focus is moved.
import { StyleSheet, View } from 'react-native';
import type { FocusWay } from '../../core/setting/focus';
import { isUnknown } from '../../core/units/known';
import { lengthWords } from '../../core/units/lengths';
import { useCamera, useOptic } from '../../live/in-use';
import { useDesk } from '../../live/desk';
import { useReport } from '../../live/report';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { focusWords } from './focus-mark';
import { PeakingPart } from './peaking-part';

const WAYS: readonly { id: FocusWay; label: string; name: string }[] = [
  {
    id: 'continuous',
    label: 'Goes on looking',
    name: 'Goes on looking, and searches again when what it sees changes',
  },
  { id: 'single', label: 'Once', name: 'Looks once at each place' },
];

/** What a depth sensor adds: how far what lies at the place is, a mesh over what is sharp, distances in place of the picture. */
function Depth() {
  const { seesDepth } = useOptic();
  const lengths = useDesk((d) => d.lengths);
  const subjectM = useReport((r) => r.words?.subjectM ?? null);
  const inFocus = useDesk((d) => d.inFocus);
  const depth = useDesk((d) => d.depth);
  const { setInFocus, setDepth } = useDesk.getState();
  if (!seesDepth) return null;
  return (
    <View style={styles.row}>
      <Button
        label="Mesh on what is sharp"
        name="Mesh on what is sharp (;)"
        on={inFocus}
        onPress={() => setInFocus(!inFocus)}
        testID="in-focus"
      />
      <Button
        label="Distances"
        name="Distances in place of the picture"
        on={depth}
        onPress={() => setDepth(!depth)}
        testID="depth"
      />
      <Words kind="label" quiet testID="subject">
        {subjectM === null
          ? ''
          : isUnknown(subjectM)
            ? `Distance there: ${subjectM.unknown}.`
            : `There: ${lengthWords(subjectM, lengths)}, by the depth sensor.`}
      </Words>
    </View>
  );
}

export function FocusPart() {
  const focus = useReport((r) => r.words?.focus ?? null);
  const { auto, how } = useDesk((d) => d.settings.focus);
  const focusAt = useDesk((d) => d.focusAt);
  const lengths = useDesk((d) => d.lengths);
  const loupes = useDesk((d) => d.focusLoupe);
  const hasLoupe = useCamera().loupe !== undefined;
  const { changeSetting, holdFocus, lookAgain, setFocusAt, setFocusLoupe } = useDesk.getState();
  return (
    <View style={styles.part}>
      <Words role="status" style={focus?.state === 'failed' && styles.warn} testID="focus-stands">
        {focusWords(focus, lengths)}.
      </Words>
      <View style={styles.row}>
        <Button
          label="Hold it here"
          name="Hold it here: the focus stays where it stands"
          disabled={!auto || focus?.state === 'searching'}
          onPress={holdFocus}
          testID="focus-hold"
        />
        <Button
          label="Look again"
          disabled={!auto || focus === null}
          onPress={lookAgain}
          testID="focus-again"
        />
        <Button
          label="A place of its own"
          name="Focus at a place of its own, apart from the spot"
          on={focusAt !== null}
          onPress={() => setFocusAt(focusAt ? null : (focus?.at ?? { x: 0.5, y: 0.5 }))}
          testID="focus-part"
        />
      </View>
      <Segmented
        name="The automatic"
        choices={WAYS}
        chosen={how}
        onChoose={(next) => changeSetting('focus', { how: next })}
        testID="focus-how"
      />
      <Depth />
      <PeakingPart />
      {hasLoupe && (
        <View style={styles.row}>
          <Button
            label="Loupe while it moves"
            name="Loupe while it moves by hand"
            on={loupes}
            onPress={() => setFocusLoupe(!loupes)}
            testID="focus-loupe"
          />
        </View>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  part: { gap: space.half, marginBottom: space.one },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.half },
  warn: { color: colour.warn },
});
