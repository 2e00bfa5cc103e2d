// The contact sheet: the frames of a roll, or all of them, in the person's order.
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useRecovery, useRoll } from '../../library/roll';
import { lightbox } from '../../library/staff';
import { useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { AboutRoll } from './about-roll';
import { useArranged } from './arranged';
import { Arranging, FilterNote } from './arranging';
import { ChoosingBar } from './choosing';
import { Grid } from './grid';
import { recoveredWords } from './recovered-words';
import { RollChips } from './roll-chips';
import { useSheet } from './sheet-state';
import { UndoBar } from './undo-bar';
import { KeeperFault, UnsavedBar } from './unsaved-bar';
import { ReadOutFault, WaitingNote } from './waiting';

export function SheetScreen() {
  const router = useRouter();
  const { data, error, isPending, refetch } = useRoll();
  const rolls = useRolls();
  const { roll: shown, chosen, about, arranging } = useSheet();
  const { choose, setAbout, setArranging } = useSheet.getState();
  const { items, frames, of: own } = useArranged();
  const [failed, setFailed] = useState<string | null>(null);
  // One that was deleted meanwhile, perhaps in another tab, is not shown any more.
  const roll = rolls.find((count) => count.roll.id === shown)?.roll ?? null;
  const of = roll?.id;
  const waiting = useMemo(
    () => (data?.waiting ?? []).filter((frame) => of === undefined || frame.roll === of),
    [data, of],
  );
  useEscape();
  // Whoever looks at the sheet opens a frame next.
  useEffect(() => void lightbox.ready().catch(() => undefined), []);
  // What is done with a roll is done with all of it, whatever is shown.
  const ofRoll = useMemo(
    () => (data?.frames ?? []).filter((frame) => of === undefined || frame.roll === of),
    [data, of],
  );
  return (
    <View style={styles.page} role="main" aria-label="Sheet">
      <View style={styles.head}>
        <Button label="Finder" onPress={() => router.navigate('/')} testID="to-finder" />
        <View role="heading" aria-level={1} style={styles.title}>
          <Words kind="title" numberOfLines={1}>
            {isPending ? 'Frames' : own === 1 ? '1 frame' : `${own} frames`}
            {waiting.length > 0 && ` · ${waiting.length} waiting`}
          </Words>
        </View>
        <Button
          label="Sort"
          name="Sort and filter"
          on={arranging}
          onPress={() => setArranging(!arranging)}
          testID="arrange"
        />
        <Button
          label="Roll"
          name={roll ? `Roll ${roll.name}: name, keywords, export, delete` : 'Roll: export and take in'}
          on={about}
          onPress={() => setAbout(!about)}
          testID="about-roll"
        />
        <Button
          label={chosen ? 'Done' : 'Choose'}
          name={chosen ? 'Done with choosing' : 'Choose frames to move, copy or delete'}
          on={chosen !== null}
          onPress={() => choose(chosen ? null : [])}
          testID="choose"
        />
      </View>
      {data && <RollChips rolls={rolls} />}
      {about && data && <AboutRoll roll={roll} frames={ofRoll} waiting={waiting} />}
      {arranging && data && <Arranging />}
      {data && <FilterNote shown={frames.length} of={own} />}
      {failed && (
        <View style={[styles.note, styles.noteRow]} role="alert">
          <Words style={[styles.says, styles.warn]}>{failed}</Words>
          <Button label="Close" name="Close this notice" kind="quiet" onPress={() => setFailed(null)} />
        </View>
      )}
      {/* What is told below stands at the bottom whatever is read here: nothing moves under a finger. */}
      <View style={styles.roll}>
        {isPending && (
          <Words quiet style={styles.note}>
            Reading the roll…
          </Words>
        )}
        {error && (
          <View style={styles.note} role="alert">
            <Words style={styles.warn}>
              The roll could not be read: {error.message || 'the browser gave no reason'}.
            </Words>
            <Button label="Try again" onPress={() => void refetch()} />
          </View>
        )}
        <RecoveryNote />
        {data && data.unreadable.length > 0 && (
          <Words style={[styles.note, styles.warn]}>
            {data.unreadable.length} {data.unreadable.length === 1 ? 'record' : 'records'} could not be read
            and stay set aside.
          </Words>
        )}
        {waiting.length > 0 && <WaitingNote waiting={waiting} />}
        {data && own > 0 && frames.length === 0 && waiting.length === 0 && (
          <View style={styles.empty}>
            <Words quiet>No frame of this roll is like that.</Words>
          </View>
        )}
        {data && own + waiting.length === 0 && (
          <View style={styles.empty}>
            <Words kind="title">No frames yet</Words>
            <Words quiet>
              {roll && data.frames.length > 0
                ? 'Choose this roll in the finder, or move frames into it from another.'
                : 'Press the hexagon in the finder; what you take appears here.'}
            </Words>
            <Button label="To the finder" kind="primary" onPress={() => router.navigate('/')} />
          </View>
        )}
        {frames.length + waiting.length > 0 && <Grid items={items} waiting={waiting} onFailed={setFailed} />}
      </View>
      <View style={styles.unsaved}>
        <KeeperFault />
        <ReadOutFault />
        <UnsavedBar />
      </View>
      <ChoosingBar frames={frames} />
      <UndoBar />
    </View>
  );
}

/** Escape ends what was begun: choosing, sorting, looking at the roll. */
function useEscape(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.key !== 'Escape' || e.defaultPrevented) return;
      const { chosen, arranging, about, choose, setArranging, setAbout } = useSheet.getState();
      if (chosen) choose(null);
      else if (arranging) setArranging(false);
      else if (about) setAbout(false);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** What was found in the store without a record when the page opened. */
function RecoveryNote() {
  const { recovered, unreadable, dismiss } = useRecovery();
  if (recovered + unreadable === 0) return null;
  return (
    <View style={[styles.note, styles.noteRow]} role="status" testID="recovered">
      <Words style={styles.says}>
        {recovered > 0 && recoveredWords(recovered)}
        {unreadable > 0 &&
          ` ${unreadable === 1 ? '1 stored file' : `${unreadable} stored files`} without a record could not be read and stay set aside.`}
      </Words>
      <Button label="Close" name="Close this notice" kind="quiet" onPress={dismiss} />
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.two, padding: space.one },
  roll: { flex: 1, minHeight: 0 },
  note: { padding: space.two, gap: space.one },
  noteRow: { flexDirection: 'row', alignItems: 'center' },
  says: { flex: 1 },
  unsaved: { paddingHorizontal: space.one },
  warn: { color: colour.warn },
  empty: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  title: { flexGrow: 1, flexShrink: 1 },
});
