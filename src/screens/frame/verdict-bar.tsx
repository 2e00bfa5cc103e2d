// What the person thinks of a frame, and the way to the next: under the thumb.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { say } from '../rolls/verdicts';

interface Props {
  readonly record: FrameRecord;
  readonly place: string;
  readonly onStep: ((by: -1 | 1) => void) | null;
}

export function VerdictBar({ record, place, onStep }: Props) {
  const { verdict, rating = 0 } = record;
  const [rates, setRates] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const told = (said: Parameters<typeof say>[1]) => {
    setFailed(null);
    say([record.id], said).catch((error: Error) => setFailed(`Not kept: ${error.message}.`));
  };
  return (
    <View style={styles.bar} role="region" aria-label="Verdict">
      {failed && (
        <Words role="alert" style={styles.warn}>
          {failed}
        </Words>
      )}
      {rates && (
        <Segmented
          name="Rating"
          choices={[0, 1, 2, 3, 4, 5].map((id) => ({ id, label: id === 0 ? 'None' : String(id) }))}
          chosen={rating}
          onChoose={(to) => told({ rating: to === 0 ? undefined : to })}
          testID="rating"
        />
      )}
      <View style={styles.row}>
        <Button
          label="‹"
          name="‹ Frame before"
          disabled={!onStep}
          onPress={() => onStep?.(-1)}
          testID="frame-before"
        />
        <Button
          label="Drop"
          on={verdict === 'dropped'}
          onPress={() => told({ verdict: verdict === 'dropped' ? undefined : 'dropped' })}
          style={styles.grow}
          testID="drop"
        />
        <Button
          label={rating === 0 ? 'Rate' : '●'.repeat(rating)}
          name={rating === 0 ? 'Rate: no rating' : `${'●'.repeat(rating)} Rating ${rating}`}
          on={rates}
          onPress={() => setRates(!rates)}
          style={styles.rate}
          testID="rate"
        />
        <Button
          label="Keep"
          on={verdict === 'kept'}
          onPress={() => told({ verdict: verdict === 'kept' ? undefined : 'kept' })}
          style={styles.grow}
          testID="keep"
        />
        <Button
          label="›"
          name="› Frame after"
          disabled={!onStep}
          onPress={() => onStep?.(1)}
          testID="frame-after"
        />
      </View>
      <Words kind="label" quiet style={styles.place} testID="frame-place">
        {place}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: { padding: space.one, paddingBottom: space.half, gap: space.half, backgroundColor: colour.page },
  row: { flexDirection: 'row', gap: space.half },
  grow: { flexGrow: 1 },
  rate: { minWidth: 84 },
  place: { textAlign: 'center' },
  warn: { color: colour.warn },
});
