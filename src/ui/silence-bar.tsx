// Tells of workers that do not answer, over whatever screen there is, with the way back.
import { useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { onSilence, silentNow } from '../workers/silence';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function SilenceBar() {
  const silent = useSyncExternalStore(onSilence, silentNow, silentNow);
  if (silent.length === 0) return null;
  return (
    <View style={styles.over}>
      {silent.map(({ what, startAgain }) => (
        <View key={what} style={styles.bar} role="alert" testID="silent">
          <Words kind="label" style={styles.says}>
            {what} does not answer. It may be at work still. What was stored is safe.
          </Words>
          <Button label="Start it again" kind="primary" onPress={startAgain} testID="silent-again" />
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  over: {
    position: 'absolute',
    ...{ top: space.one, left: space.one, right: space.one },
    alignItems: 'center',
    gap: space.half,
    pointerEvents: 'box-none',
  },
  bar: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    ...{ gap: space.one, padding: space.one, maxWidth: 560 },
    backgroundColor: colour.panel,
    borderColor: colour.warn,
    borderWidth: 1,
    borderRadius: radius,
  },
  says: { flexShrink: 1, flexGrow: 1, flexBasis: 180, color: colour.warn },
});
