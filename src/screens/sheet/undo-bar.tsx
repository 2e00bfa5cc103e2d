// Deleting with a way back: for a while what was deleted can be taken back, across screens; then the room is given free.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { purgeFrames, useDelete, useRestore } from '../../library/roll';
import { leaveReadOut } from '../../live/read-out';
import { useUndo } from '../../live/undo';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';

/** How long a deletion can be taken back before the room is given free. */
const UNDO_MS = 8000;

export function UndoBar() {
  const deleted = useUndo((u) => u.deleted);
  const clear = useUndo((u) => u.clear);
  const restore = useRestore();
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => {
    if (!deleted) return;
    const timer = setTimeout(() => {
      clear();
      // What cannot be removed now stays marked, and is swept when a page opens later.
      void purgeFrames(deleted).catch(() => undefined);
    }, UNDO_MS);
    return () => clearTimeout(timer);
  }, [deleted, clear]);
  if (!deleted) return null;
  return (
    <View style={styles.undo} role="status" testID="undo-bar">
      <Words>
        {failed ? failed : deleted.length === 1 ? 'Frame deleted' : `${deleted.length} frames deleted`}
      </Words>
      <Button
        label="Undo"
        kind="primary"
        onPress={() =>
          restore.mutate(deleted, { onSuccess: clear, onError: (error) => setFailed(`${error.message}.`) })
        }
        testID="undo"
      />
    </View>
  );
}

/** Deletes frames, read out or not, and offers to take them back. */
export function useDeleteWithUndo() {
  const remove = useDelete();
  const note = useUndo((u) => u.note);
  return (ids: readonly string[], then: () => void) =>
    // What was deleted may have gone from the screen by now, and its button with it. A roll that broke is told of elsewhere.
    void remove.mutateAsync(ids).then(
      () => {
        leaveReadOut(ids);
        note(ids);
        then();
      },
      () => undefined,
    );
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
});
