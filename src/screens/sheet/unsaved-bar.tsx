// A frame that was taken and could not be saved, and what can be done for it. It stays until it is saved or let go.
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { useKeeperFault } from '../../library/roll';
import { guardUnsaved, useUnsaved } from '../../live/unsaved';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';

/** Nothing can be written just now: why, and the way to try again. */
export function KeeperFault() {
  const fault = useKeeperFault();
  if (!fault) return null;
  return (
    <View style={styles.bar} role="alert" testID="keeper-fault">
      <Words kind="label" style={styles.says}>
        {fault.message}. What was stored is safe.
      </Words>
      <Button label="Try again" kind="primary" onPress={fault.again} testID="keeper-again" />
    </View>
  );
}

export function UnsavedBar() {
  const frames = useUnsaved((u) => u.frames);
  const saving = useUnsaved((u) => u.saving);
  const { download, letGo, saveAgain } = useUnsaved.getState();
  const [first] = frames;
  if (!first) return null;
  const many = frames.length > 1 ? ` ${frames.length} frames wait.` : '';
  return (
    <View style={styles.bar} role="alert" testID="unsaved">
      <Words kind="label" style={styles.says}>
        {first.downloaded
          ? `Not saved here: ${first.reason}. Let it go once the download is on its disk.${many}`
          : `Taken, but not saved: ${first.reason}. It waits here for a download or for room.${many}`}
      </Words>
      <Button
        label="Download"
        kind={first.downloaded ? 'quiet' : 'primary'}
        onPress={download}
        testID="rescue"
      />
      <Button
        label={saving ? 'Saving…' : 'Save again'}
        kind="quiet"
        disabled={saving}
        onPress={() => void saveAgain()}
        testID="save-again"
      />
      {first.downloaded && <Button label="Let go" kind="quiet" onPress={letGo} testID="let-go" />}
    </View>
  );
}

/** Keeps watch over frames that wait, as long as the page is open. */
export function useUnsavedGuard(): void {
  useEffect(guardUnsaved, []);
}

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.half,
    backgroundColor: colour.raised,
    borderRadius: radius,
    paddingHorizontal: 12,
    paddingVertical: 4,
  },
  says: { flexGrow: 1, flexShrink: 1, flexBasis: 160, color: colour.warn },
});
