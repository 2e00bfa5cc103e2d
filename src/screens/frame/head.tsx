// What is done with a frame as a whole: back, compared, handed on, deleted.
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { WhitePoint } from '../../core/colour/temperature';
import { fileName } from '../../core/frame/file-name';
import type { FrameRecord } from '../../core/frame/record';
import { lightbox } from '../../library/staff';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { space } from '../../ui/theme';
import { deleteWithUndo } from '../sheet/undo-bar';

export function Head({
  record,
  white,
  ready,
  broken,
  other,
}: {
  record: FrameRecord;
  white: WhitePoint | null;
  ready: boolean;
  broken: boolean;
  /** Id of a frame to compare with. */
  other: string | undefined;
}) {
  const router = useRouter();
  return (
    <View style={styles.head}>
      <Button label="Sheet" onPress={() => router.navigate('/sheet')} testID="to-sheet" />
      <View style={styles.actions}>
        {other && (
          <Button
            label="Compare"
            name="Compare with the frame after it"
            onPress={() => router.push({ pathname: '/compare', params: { first: record.id, second: other } })}
            testID="compare-next"
          />
        )}
        {!broken && <Download record={record} white={white} ready={ready} />}
        <Button
          label="Delete"
          onPress={() => void deleteWithUndo([record.id]).then((gone) => gone && router.navigate('/sheet'))}
          testID="delete"
        />
      </View>
    </View>
  );
}

function Download({
  record,
  white,
  ready,
}: {
  record: FrameRecord;
  white: WhitePoint | null;
  ready: boolean;
}) {
  const [state, setState] = useState<'idle' | 'busy' | 'failed'>('idle');
  const download = async () => {
    setState('busy');
    try {
      for (const entry of record.files) {
        const as = { ...record, rewhite: white ?? undefined };
        const bytes = await lightbox.call((api) => api.file(entry, as));
        saveFile(bytes, fileName(record, entry.format));
      }
      setState('idle');
    } catch {
      setState('failed');
    }
  };
  const label =
    state === 'busy'
      ? 'Preparing…'
      : state === 'failed'
        ? 'Failed: again'
        : `Download ${record.files.map(({ format }) => format.toUpperCase()).join(' and ')}`;
  return (
    <Button
      label={label}
      kind="primary"
      onPress={() => void download()}
      disabled={state === 'busy'}
      testID={ready ? 'download' : 'download-early'}
    />
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', justifyContent: 'space-between', padding: space.one },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
});
