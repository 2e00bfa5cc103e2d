// Frames that were chosen in the sheet, and what can be done with them: moved or copied to another roll, deleted.
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import type { Roll } from '../../core/frame/roll';
import { copyFrames, rollIn, useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { ExportPanel } from '../rolls/export-panel';
import { NewRoll } from '../rolls/roll-choice';
import { say } from '../rolls/verdicts';
import { useSheet } from './sheet-state';
import { deleteWithUndo, moveWithUndo } from './undo-bar';

type Aim = 'move' | 'copy' | 'export' | 'rate';
type Where = Extract<Aim, 'move' | 'copy'>;
const AIM_WORDS: Readonly<Record<Where, string>> = { move: 'Move to', copy: 'Copy to' };

/** @param frames that can be chosen: those that the sheet shows */
export function ChoosingBar({ frames }: { frames: readonly FrameRecord[] }) {
  const chosen = useSheet((s) => s.chosen);
  const { choose } = useSheet.getState();
  const router = useRouter();
  const [aim, setAim] = useState<Aim | null>(null);
  const [course, setCourse] = useState<string | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  if (!chosen) {
    // The next choice begins without an aim.
    if (aim) setAim(null);
    return null;
  }
  const ids = frames.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const ratings = new Set(frames.filter(({ id }) => chosen.has(id)).map(({ rating = 0 }) => rating));
  const sameRating = ratings.size === 1 ? [...ratings][0]! : null;
  const told = (said: Parameters<typeof say>[1]) => {
    setFailed(null);
    say(ids, said).catch((error: Error) => setFailed(`Not kept: ${error.message}.`));
  };
  const run = async (act: () => Promise<void>) => {
    setFailed(null);
    try {
      await act();
      setAim(null);
      choose(null);
    } catch (error) {
      setFailed(`${(error as Error).message}.`);
    } finally {
      setCourse(null);
    }
  };
  const to = (roll: Roll) =>
    void run(async () => {
      if (aim === 'move') await moveWithUndo(ids, roll);
      else await copyFrames(ids, roll.id, (done) => setCourse(`Copying: ${done} of ${ids.length}`));
    });
  return (
    <View style={styles.bar} role="region" aria-label="Chosen frames" testID="choosing">
      <Words role="status" style={failed ? styles.warn : null} testID="choosing-words">
        {failed ?? course ?? (ids.length === 0 ? 'Tap the frames that are meant.' : `${ids.length} chosen`)}
      </Words>
      {aim === 'export' && <ExportPanel records={frames.filter(({ id }) => chosen.has(id))} />}
      {aim === 'rate' && (
        <Segmented
          name="Rating of the chosen frames"
          choices={[0, 1, 2, 3, 4, 5].map((id) => ({
            id,
            label: id === 0 ? 'None' : '●'.repeat(id),
            ...(id > 0 && { name: `${'●'.repeat(id)} rating ${id}` }),
          }))}
          chosen={sameRating}
          onChoose={(rating) => told({ rating: rating === 0 ? undefined : rating })}
          testID="choosing-rating"
        />
      )}
      {(aim === 'move' || aim === 'copy') && !course && (
        <Targets aim={aim} records={frames.filter(({ id }) => chosen.has(id))} onRoll={to} />
      )}
      <View style={styles.row}>
        {(['kept', 'dropped'] as const).map((verdict) => (
          <Button
            key={verdict}
            label={verdict === 'kept' ? 'Keep' : 'Drop'}
            name={verdict === 'kept' ? 'Keep the chosen frames' : 'Drop the chosen frames'}
            disabled={ids.length === 0 || course !== null}
            onPress={() => told({ verdict })}
            testID={`choosing-${verdict}`}
          />
        ))}
        <Button
          label="Rate"
          name="Rate the chosen frames"
          on={aim === 'rate'}
          disabled={ids.length === 0 || course !== null}
          onPress={() => setAim(aim === 'rate' ? null : 'rate')}
          testID="choosing-rate"
        />
        {ids.length === 2 && (
          <Button
            label="Compare"
            name="Compare the two chosen frames"
            onPress={() => router.push({ pathname: '/compare', params: { first: ids[0]!, second: ids[1]! } })}
            testID="choosing-compare"
          />
        )}
        {(['move', 'copy'] as const).map((id) => (
          <Button
            key={id}
            label={id === 'move' ? 'Move' : 'Copy'}
            name={id === 'move' ? 'Move the chosen frames' : 'Copy the chosen frames'}
            on={aim === id}
            disabled={ids.length === 0 || course !== null}
            onPress={() => setAim(aim === id ? null : id)}
            testID={`choosing-${id}`}
          />
        ))}
        <Button
          label="Export"
          name="Export the chosen frames"
          on={aim === 'export'}
          disabled={ids.length === 0 || course !== null}
          onPress={() => setAim(aim === 'export' ? null : 'export')}
          testID="choosing-export"
        />
        <Button
          label="Delete"
          name="Delete the chosen frames"
          disabled={ids.length === 0 || course !== null}
          onPress={() =>
            void run(async () => {
              if (!(await deleteWithUndo(ids))) throw new Error('They could not be deleted');
            })
          }
          testID="choosing-delete"
        />
        <Button
          label={ids.length === frames.length ? 'None' : 'All'}
          name={ids.length === frames.length ? 'None of the frames' : 'All of the frames'}
          kind="quiet"
          onPress={() => choose(ids.length === frames.length ? [] : frames.map(({ id }) => id))}
          testID="choosing-all"
        />
      </View>
    </View>
  );
}

/** Rolls that the frames are not all in already, and a new one. */
function Targets({
  aim,
  records,
  onRoll,
}: {
  aim: Where;
  records: readonly FrameRecord[];
  onRoll: (roll: Roll) => void;
}) {
  const rolls = useRolls();
  const [made, setMade] = useState<string | null>(null);
  // A roll that was just made is there once the rolls have been read again.
  const fresh = made !== null && rolls.some(({ roll }) => roll.id === made) ? rollIn(rolls, made) : null;
  const others = rolls.filter(({ roll }) => records.some((record) => record.roll !== roll.id));
  return (
    <View style={styles.targets} role="group" aria-label={AIM_WORDS[aim]}>
      {others.map(({ roll }) => (
        <Button
          key={roll.id}
          label={roll.name}
          name={`${AIM_WORDS[aim]} ${roll.name}`}
          current={roll === fresh}
          onPress={() => onRoll(roll)}
          testID={`to-roll-${roll.id}`}
        />
      ))}
      <NewRoll label="New roll" onMade={setMade} />
    </View>
  );
}

const styles = StyleSheet.create({
  // On a screen that lies there is not the height for all of it.
  bar: {
    maxHeight: '72%',
    overflow: 'scroll',
    gap: space.one,
    padding: space.one,
    margin: space.one,
    borderRadius: radius,
    backgroundColor: colour.panel,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  targets: { gap: space.half },
  warn: { color: colour.warn },
});
