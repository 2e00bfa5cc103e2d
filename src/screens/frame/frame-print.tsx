// How a frame that was taken is developed: chosen, changed, taken away; kept with the frame, and written into what leaves the program.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import type { Print } from '../../core/setting/print';
import { keepLook } from '../../library/looks';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { PrintChoice } from '../rolls/print-choice';

/** A slider that moves is not written at each of its steps. */
const REST_MS = 400;

export function FramePrint({
  record,
  print,
  onPrint,
}: {
  record: FrameRecord;
  print: Print | null;
  onPrint: (print: Print | null) => void;
}) {
  const [said, setSaid] = useState<string | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const due = useRef<(() => void) | null>(null);
  // What was chosen last is kept also when the frame is left before the slider has come to rest.
  useEffect(() => () => due.current?.(), []);
  const choose = (to: Print | null, moving = false) => {
    onPrint(to);
    setSaid(null);
    clearTimeout(timer.current);
    due.current = () => {
      due.current = null;
      keepLook(record, { print: to }).then(
        (kept) => setSaid(kept ? 'Kept with the frame.' : 'Not kept: the frame is gone.'),
        (error: Error) => setSaid(`Not kept: ${error.message}.`),
      );
    };
    if (moving) timer.current = setTimeout(() => due.current?.(), REST_MS);
    else due.current();
  };
  return (
    <View style={styles.box}>
      <PrintChoice print={print} onPrint={choose} plainWords="no print: as raw is developed" />
      {said && (
        <Words style={said.startsWith('Not') && styles.warn} role="status" testID="print-said">
          {said}
        </Words>
      )}
      <Words kind="label" quiet>
        Written into what leaves the program in a namespace of its own; taken away, the file is as it was to
        the last byte. Raw and the file that is kept here are never touched.
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: space.one }, warn: { color: colour.warn } });
