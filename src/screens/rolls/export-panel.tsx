// Frames handed on: as they are or developed, in which size, with or without places, under which names. With progress, and a way to stop.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { EXPORT_KINDS, USUAL_EXPORT, type ExportChoice, type ExportKind } from '../../core/frame/export';
import { NAME_WORDS, nameBy, patternTrouble, USUAL_PATTERN } from '../../core/frame/file-name';
import type { FrameRecord } from '../../core/frame/record';
import { LEAST_QUALITY, PICTURE_SIZES, SIZE_WORDS } from '../../core/setting/files';
import { exportFrames, type Exported } from '../../library/exports';
import { rollIn, useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { TextField } from '../../ui/text-field';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital } from '../finder/format';

const KINDS: Readonly<Record<ExportKind, string>> = {
  ...{ stored: 'As they are', jpeg: 'JPEG', tiff: 'TIFF 16-bit', png: 'PNG 8-bit', png16: 'PNG 16-bit' },
};
const QUALITY_STEP = 4;

/** What was chosen last, for the next time. */
let last: ExportChoice = { ...USUAL_EXPORT, pattern: USUAL_PATTERN };

export function ExportPanel({ records }: { records: readonly FrameRecord[] }) {
  const rolls = useRolls();
  const [choice, setChoice] = useState(last);
  const [running, setRunning] = useState<AbortController | null>(null);
  const [course, setCourse] = useState<string | null>(null);
  const [said, setSaid] = useState<{ words: string; bad: boolean } | null>(null);
  // Nobody is there to be told any more.
  const alive = useRef<AbortController | null>(null);
  useEffect(() => () => alive.current?.abort(), []);
  const set = (change: Partial<ExportChoice>) => {
    last = { ...choice, ...change };
    setChoice(last);
    setSaid(null);
  };
  const { kind, size, quality, pattern, withoutPlaces } = choice;
  const wrong = patternTrouble(pattern);
  const [first] = records;
  const many = records.length === 1 ? '1 frame' : `${records.length} frames`;
  const run = async () => {
    const controller = new AbortController();
    alive.current = controller;
    setRunning(controller);
    setSaid(null);
    setCourse(`0 of ${many}`);
    try {
      const onCourse = (done: number, bytes: number) =>
        setCourse(`${done} of ${many}, ${(bytes / 1e6).toFixed(0)} MB`);
      const exported = await exportFrames(records, rolls, choice, onCourse, controller.signal);
      setSaid(exported && { words: exportedWords(exported), bad: exported.failed.length > 0 });
    } catch (error) {
      const cancelled = controller.signal.aborted;
      setSaid({
        words: cancelled ? 'Cancelled: nothing was kept of it.' : `${capital((error as Error).message)}.`,
        bad: !cancelled,
      });
    } finally {
      alive.current = null;
      setRunning(null);
      setCourse(null);
    }
  };
  return (
    <View style={styles.box} testID="export-panel">
      <Segmented
        name="Exported as"
        choices={EXPORT_KINDS.map((id) => ({ id, label: KINDS[id] }))}
        chosen={kind}
        onChoose={(id) => set({ kind: id })}
        columns={3}
        testID="export-kind"
      />
      {kind !== 'stored' && (
        <View style={styles.row}>
          {kind === 'jpeg' && (
            <Stepper
              name="JPEG quality"
              value={String(quality)}
              onStep={(by) =>
                set({ quality: Math.min(100, Math.max(LEAST_QUALITY, quality + QUALITY_STEP * by)) })
              }
              testID="export-quality"
            />
          )}
          <Segmented
            name="Size"
            choices={PICTURE_SIZES.map((id) => ({ id, label: capital(SIZE_WORDS[id]) }))}
            chosen={size}
            onChoose={(id) => set({ size: id })}
            testID="export-size"
          />
        </View>
      )}
      <TextField
        label="Names"
        value={pattern}
        onChange={(text) => set({ pattern: text })}
        error={wrong && `${wrong}.`}
        testID="export-pattern"
      />
      <Words kind="label" quiet testID="export-sample">
        {wrong || !first
          ? `Words in braces: ${Object.keys(NAME_WORDS).join(', ')}`
          : `${nameBy(pattern, { frame: first, roll: rollIn(rolls, first.roll).name, index: 0, of: records.length })} … {${Object.keys(NAME_WORDS).join('} {')}}`}
      </Words>
      <View style={styles.row}>
        <Button
          label="Leave places out"
          on={withoutPlaces}
          onPress={() => set({ withoutPlaces: !withoutPlaces })}
          testID="export-placeless"
        />
        {running ? (
          <Button label="Cancel" onPress={() => running.abort()} testID="export-cancel" />
        ) : (
          <Button
            label={`Export ${many}`}
            kind="primary"
            disabled={wrong !== null || records.length === 0}
            onPress={() => void run()}
            testID="export-run"
          />
        )}
      </View>
      {(course ?? said) && (
        <Words
          role={said?.bad ? 'alert' : 'status'}
          style={said?.bad && !course ? styles.bad : null}
          testID="export-said"
        >
          {course ?? said?.words}
        </Words>
      )}
      <Words kind="label" quiet>
        {kind === 'stored'
          ? 'Raw as it was taken, with white, print, framing and rating in its tags. '
          : 'Developed with its white and its print, and cut as it is framed. '}
        {records.length > 1 && 'Several come as one ZIP.'}
      </Words>
    </View>
  );
}

function exportedWords({ frames, failed }: Exported): string {
  const done = frames === 1 ? '1 frame exported.' : `${frames} frames exported.`;
  if (failed.length === 0) return done;
  const [one] = failed;
  return `${done} ${failed.length} not: ${one!.name}: ${one!.why}${failed.length > 1 ? ', and others' : ''}.`;
}

const styles = StyleSheet.create({
  box: { gap: space.one },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  bad: { color: colour.warn },
});
