// Frames that are safe and not read out yet: their tiles in the sheet, with progress and a way to cancel, and what is said of all of them.
import { StyleSheet, View } from 'react-native';
import type { Latent } from '../../core/frame/queue';
import { shareOf, useReadOut, type ReadOut } from '../../live/read-out';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { frameWords } from './frame-words';
import { deleteWithUndo } from './undo-bar';

/** Frames that could not be read out: why, and the way to try again. They wait, and are safe. */
export function ReadOutFault() {
  const failed = Object.values(useReadOut((r) => r.failed));
  const { again } = useReadOut.getState();
  if (failed[0] === undefined) return null;
  const what = failed.length === 1 ? 'A frame waits, it' : `${failed.length} frames wait, they`;
  return (
    <View style={styles.fault} role="alert" testID="read-out-fault">
      <Words kind="label" style={[styles.says, styles.warn]}>
        {what} could not be read out: {failed[0]}. What was taken is safe.
      </Words>
      <Button label="Try again" kind="primary" onPress={again} testID="read-out-again" />
    </View>
  );
}

/** Several frames wait: what that means, and a way to have none of them. */
export function WaitingNote({ waiting }: { waiting: readonly Latent[] }) {
  if (waiting.length < 2) return null;
  return (
    <View style={styles.note} role="status" testID="waiting-note">
      <Words style={styles.says}>Taken and safe. They are read out one after the other.</Words>
      <Button
        label="Cancel all"
        name="Cancel all frames that wait"
        kind="quiet"
        onPress={() => void deleteWithUndo(waiting.map(({ id }) => id))}
        testID="cancel-all"
      />
    </View>
  );
}

const STAGES: Readonly<Record<NonNullable<ReadOut['now']>['stage'], string>> = {
  expose: 'Exposing',
  picture: 'Developing the preview',
  encode: 'Writing the files',
  verify: 'Reading back',
  store: 'Storing',
};

/** A frame that is safe and not read out yet. */
export function WaitingTile({ latent }: { latent: Latent }) {
  const now = useReadOut((r) => (r.now?.id === latent.id ? r.now : null));
  const failed = useReadOut((r) => r.failed[latent.id]);
  const words = frameWords({ exposure: latent.settings });
  return (
    <>
      <View style={styles.picture}>
        <Words kind="label" style={failed ? styles.warn : undefined}>
          {failed ? 'Not read out' : now ? STAGES[now.stage] : 'Waiting'}
        </Words>
        {now && (
          <View
            style={styles.bar}
            role="progressbar"
            aria-label="Read out"
            aria-valuenow={Math.round(100 * shareOf(now))}
          >
            <View style={[styles.done, { width: `${Math.round(100 * shareOf(now))}%` }]} />
          </View>
        )}
        <Button
          label="Cancel"
          name={`Cancel the frame ${words}`}
          kind="quiet"
          onPress={() => void deleteWithUndo([latent.id])}
          testID="cancel-frame"
        />
      </View>
      <Words kind="label" quiet numberOfLines={1} style={styles.caption}>
        {words}
      </Words>
    </>
  );
}

const styles = StyleSheet.create({
  note: { flexDirection: 'row', alignItems: 'center', gap: space.one, paddingHorizontal: space.two },
  fault: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.half,
    backgroundColor: colour.raised,
    borderRadius: radius,
    paddingHorizontal: 12,
    paddingVertical: 4,
  },
  says: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
  warn: { color: colour.warn },
  picture: {
    flex: 1,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.one,
    backgroundColor: colour.panel,
    borderRadius: radius,
    overflow: 'hidden',
  },
  bar: { width: '70%', height: 6, borderRadius: 3, backgroundColor: colour.line, overflow: 'hidden' },
  done: { height: 6, backgroundColor: colour.accent },
  caption: { textAlign: 'center', paddingTop: 4, height: 24 },
});
