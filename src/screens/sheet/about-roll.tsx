// A roll itself: its name and keywords, out as a ZIP, in from one, and gone.
import { useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import { FIRST_ROLL } from '../../core/facts/facts';
import type { Latent } from '../../core/frame/queue';
import { FIRST, rollName, type Roll } from '../../core/frame/roll';
import { exportRoll, keepRoll, rollIn, takeInRoll, useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/text-field';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { Keywords } from '../finder/roll-panel';
import { capital } from '../finder/format';
import { useSheet } from './sheet-state';
import { deleteRollWithUndo } from './undo-bar';

/** @param roll null for all frames */
export function AboutRoll({
  roll,
  frames,
  waiting,
}: {
  roll: Roll | null;
  frames: readonly FrameRecord[];
  waiting: readonly Latent[];
}) {
  return (
    <View
      style={styles.panel}
      role="region"
      aria-label={roll ? `Roll ${roll.name}` : 'All frames'}
      testID="about"
    >
      <ScrollView contentContainerStyle={styles.body} tabIndex={0}>
        {roll && <Name key={roll.id} roll={roll} />}
        {roll && <Keywords key={`keywords ${roll.id}`} roll={roll} />}
        <Archive roll={roll ?? { ...FIRST, name: 'All frames' }} frames={frames} />
        {roll && roll.id !== FIRST_ROLL && (
          <Remove key={`remove ${roll.id}`} roll={roll} ids={[...frames, ...waiting].map(({ id }) => id)} />
        )}
      </ScrollView>
    </View>
  );
}

function Name({ roll }: { roll: Roll }) {
  const others = useRolls()
    .filter((count) => count.roll.id !== roll.id)
    .map((count) => count.roll.name);
  const [text, setText] = useState(roll.name);
  const [wrong, setWrong] = useState<string | null>(null);
  const keep = async () => {
    const found = rollName(text, others);
    if ('wrong' in found) {
      setWrong(found.wrong);
      return;
    }
    try {
      await keepRoll({ ...roll, name: found.name });
      setWrong(null);
    } catch (error) {
      setWrong(`Not kept: ${(error as Error).message}.`);
    }
  };
  return (
    <View style={styles.row}>
      <TextField
        label="Name of the roll"
        value={text}
        onChange={(next) => {
          setText(next);
          setWrong(null);
        }}
        onSubmit={() => void keep()}
        error={wrong}
        testID="roll-name"
      />
      <Button
        label="Keep"
        name="Keep the name"
        disabled={text === roll.name}
        onPress={() => void keep()}
        testID="keep-roll-name"
      />
    </View>
  );
}

/** Out as a ZIP and in from one, with progress; either can be cancelled. */
function Archive({ roll, frames }: { roll: Roll; frames: readonly FrameRecord[] }) {
  const [course, setCourse] = useState<string | null>(null);
  const [said, setSaid] = useState<{ words: string; failed: boolean } | null>(null);
  const [withoutPlaces, setWithoutPlaces] = useState(false);
  const [running, setRunning] = useState<AbortController | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const { show } = useSheet.getState();
  const run = async (act: (signal: AbortSignal) => Promise<string | null>) => {
    const controller = new AbortController();
    setRunning(controller);
    setSaid(null);
    try {
      const words = await act(controller.signal);
      setSaid(words === null ? null : { words, failed: false });
    } catch (error) {
      const cancelled = controller.signal.aborted;
      setSaid({
        words: cancelled ? 'Cancelled: nothing was kept of it.' : `${capital((error as Error).message)}.`,
        failed: !cancelled,
      });
    } finally {
      setRunning(null);
      setCourse(null);
    }
  };
  const out = () =>
    run(async (signal) => {
      const course = (done: number, bytes: number) =>
        setCourse(`${done} of ${frames.length} frames, ${(bytes / 1e6).toFixed(0)} MB`);
      const kept = await exportRoll({ roll, records: frames, withoutPlaces }, course, signal);
      const many = frames.length === 1 ? '1 frame' : `${frames.length} frames`;
      return kept ? `Exported: ${many}, and what is known of them in roll.json.` : null;
    });
  const takeIn = (file: File) =>
    run(async (signal) => {
      const onFrame = (done: number, of: number) => setCourse(`${done} of ${of} frames taken in`);
      const found = await takeInRoll(file, onFrame, signal);
      show(found.roll.id);
      return takenInWords(found);
    });
  const placed = frames.some(({ position }) => position);
  return (
    <>
      <View style={styles.row}>
        <Button
          label="Export as ZIP"
          name={`Export as ZIP: ${roll.name}`}
          disabled={running !== null || frames.length === 0}
          onPress={() => void out()}
          testID="export-roll"
        />
        {placed && (
          <Button
            label="Leave places out"
            on={withoutPlaces}
            onPress={() => setWithoutPlaces(!withoutPlaces)}
            testID="without-places"
          />
        )}
        <Button
          label="Take in a ZIP"
          disabled={running !== null}
          onPress={() => chooser.current?.click()}
          testID="take-in"
        />
        {/* The browser's own chooser is the only way to a file. */}
        <input
          ref={chooser}
          type="file"
          accept=".zip,application/zip"
          hidden
          aria-hidden
          tabIndex={-1}
          data-testid="take-in-file"
          onChange={({ currentTarget }) => {
            const file = currentTarget.files?.[0];
            // The same file can be chosen again.
            currentTarget.value = '';
            if (file) void takeIn(file);
          }}
        />
      </View>
      {running && (
        <View style={styles.row}>
          <Words role="status" style={styles.says} testID="archive-course">
            {course ?? 'Beginning…'}
          </Words>
          <Button label="Cancel" onPress={() => running.abort()} testID="archive-cancel" />
        </View>
      )}
      {said && (
        <Words role="status" style={said.failed && styles.warn} testID="archive-said">
          {said.words}
        </Words>
      )}
    </>
  );
}

function takenInWords({
  roll,
  added,
  known,
  restored,
  failed,
  stopped,
}: Awaited<ReturnType<typeof takeInRoll>>): string {
  const frames = (n: number) => (n === 1 ? '1 frame' : `${n} frames`);
  return [
    `${capital(frames(added))} taken into ${roll.name}.`,
    known > 0 && `${capital(frames(known))} ${known === 1 ? 'was' : 'were'} there already.`,
    restored > 0 &&
      `${capital(frames(restored))} ${restored === 1 ? 'was' : 'were'} deleted here and ${restored === 1 ? 'is' : 'are'} back in the sheet.`,
    failed[0] &&
      `${capital(frames(failed.length))} could not be taken in: ${failed[0].name}: ${failed[0].why}${failed.length > 1 ? ', and others' : ''}.`,
    stopped && `Not all of it: ${stopped}.`,
  ]
    .filter(Boolean)
    .join(' ');
}

/** Its frames are asked about first; either way can be taken back. */
function Remove({ roll, ids }: { roll: Roll; ids: readonly string[] }) {
  const rolls = useRolls();
  const [asked, setAsked] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const { show, setAbout } = useSheet.getState();
  const first = rollIn(rolls, FIRST_ROLL);
  const remove = async (keepIn: Roll | null) => {
    try {
      await deleteRollWithUndo(roll, ids, keepIn);
      setAbout(false);
      show(null);
    } catch (error) {
      setFailed(`Not deleted: ${(error as Error).message}.`);
    }
  };
  const many = ids.length === 1 ? 'its frame' : `its ${ids.length} frames`;
  return (
    <View style={styles.remove}>
      {!asked && (
        <Button
          label="Delete this roll"
          onPress={() => (ids.length === 0 ? void remove(null) : setAsked(true))}
          testID="delete-roll"
        />
      )}
      {asked && (
        <>
          <Words role="alert">What is to become of {many}?</Words>
          <View style={styles.row}>
            <Button
              label={`Keep in ${first.name}`}
              onPress={() => void remove(first)}
              testID="delete-roll-keep"
            />
            <Button label={`Delete ${many} too`} onPress={() => void remove(null)} testID="delete-roll-all" />
            <Button
              label="Keep the roll"
              kind="quiet"
              onPress={() => setAsked(false)}
              testID="delete-roll-not"
            />
          </View>
        </>
      )}
      {failed && (
        <Words role="alert" style={styles.warn}>
          {failed}
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  panel: {
    maxHeight: '60%',
    marginHorizontal: space.one,
    marginBottom: space.one,
    borderRadius: radius,
    backgroundColor: colour.panel,
  },
  body: { gap: space.one, padding: space.one + space.half },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: space.one },
  remove: { gap: space.one, alignItems: 'flex-start' },
  says: { flexGrow: 1 },
  warn: { color: colour.warn },
});
