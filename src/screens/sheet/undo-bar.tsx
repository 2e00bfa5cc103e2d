// Deleting and moving with a way back: for a while what was done can be taken back, across screens; then the room of what was deleted is given free.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Roll } from '../../core/frame/roll';
import { knownFrames, purgeFrames, restoreFrames, trashFrames } from '../../library/roll';
import { deleteRoll, keepRoll, moveFrames } from '../../library/rolls';
import { leaveReadOut } from '../../live/read-out';
import { useUndo, type Done } from '../../live/undo';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital } from '../finder/format';

/** How long a deletion can be taken back before the room is given free. */
const UNDO_MS = 8000;

export function UndoBar() {
  const done = useUndo((u) => u.done);
  const clear = useUndo((u) => u.clear);
  const [failed, setFailed] = useState<{ of: Done; words: string } | null>(null);
  useEffect(() => {
    if (!done) return;
    const timer = setTimeout(() => {
      clear();
      // What cannot be removed now stays marked, and is swept when a page opens later.
      if (done.kind === 'deleted') void purgeFrames(done.ids).catch(() => undefined);
    }, UNDO_MS);
    return () => clearTimeout(timer);
  }, [done, clear]);
  if (!done) return null;
  return (
    <View style={styles.undo} role="status" testID="undo-bar">
      <Words style={styles.says}>{failed?.of === done ? failed.words : doneWords(done)}</Words>
      <Button
        label="Undo"
        kind="primary"
        onPress={() =>
          void takenBack(done).then(clear, (error: Error) =>
            setFailed({ of: done, words: `${error.message}.` }),
          )
        }
        testID="undo"
      />
    </View>
  );
}

function doneWords(done: Done): string {
  const ids = done.kind === 'deleted' ? done.ids : Object.values(done.from).flat();
  const frames = ids.length === 1 ? 'frame' : `${ids.length} frames`;
  const roll = done.roll && `Roll ${done.roll.name}`;
  if (done.kind === 'moved')
    return roll ? `${roll} deleted, ${frames} moved to ${done.to}` : `${capital(frames)} moved to ${done.to}`;
  if (!roll) return `${capital(frames)} deleted`;
  return ids.length > 0 ? `${roll} deleted, with ${frames}` : `${roll} deleted`;
}

/** Everything of it, the roll last: where only frames came back they are of it again. */
async function takenBack(done: Done): Promise<void> {
  if (done.kind === 'deleted') {
    if (done.ids.length > 0) await restoreFrames(done.ids);
  } else for (const [roll, ids] of Object.entries(done.from)) await moveFrames(ids, roll);
  if (done.roll) await keepRoll(done.roll);
}

/** Deletes frames, read out or not, and offers to take them back. A roll that broke is told of elsewhere. */
export async function deleteWithUndo(ids: readonly string[]): Promise<boolean> {
  try {
    await trashFrames(ids);
  } catch {
    return false;
  }
  leaveReadOut(ids);
  useUndo.getState().note({ kind: 'deleted', ids });
  return true;
}

/** Moves frames to another roll, and offers to take them back. */
export async function moveWithUndo(ids: readonly string[], to: Roll): Promise<void> {
  const from = byRoll(ids);
  await moveFrames(ids, to.id);
  useUndo.getState().note({ kind: 'moved', from, to: to.name });
}

/** Takes a roll away, and offers it back; its frames go with it, or to another roll. */
export async function deleteRollWithUndo(
  roll: Roll,
  ids: readonly string[],
  keepIn: Roll | null,
): Promise<void> {
  if (keepIn) await moveFrames(ids, keepIn.id);
  await deleteRoll(roll, keepIn ? [] : ids);
  if (!keepIn) leaveReadOut(ids);
  useUndo
    .getState()
    .note(
      keepIn
        ? { kind: 'moved', from: { [roll.id]: ids }, to: keepIn.name, roll }
        : { kind: 'deleted', ids, roll },
    );
}

function byRoll(ids: readonly string[]): Record<string, string[]> {
  const wanted = new Set(ids);
  const from: Record<string, string[]> = {};
  for (const { id, roll } of knownFrames()) if (wanted.has(id)) (from[roll] ??= []).push(id);
  return from;
}

const styles = StyleSheet.create({
  undo: {
    position: 'absolute',
    left: space.two,
    right: space.two,
    bottom: space.two,
    maxWidth: 480,
    marginHorizontal: 'auto',
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    backgroundColor: colour.raised,
    borderRadius: radius,
    paddingLeft: space.two,
    padding: space.one,
    zIndex: 10,
  },
  says: { flexShrink: 1 },
});
