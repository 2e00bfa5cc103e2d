// Setups: kept settings under a name. See what one changes before it is applied; save, rename, order, delete with undo, export
// and import.
import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { BUILT_IN } from '../../core/setup/built-in';
import {
  changesOf,
  partName,
  pickParts,
  setupName,
  setupParts,
  type Setup,
  type SetupPart,
} from '../../core/setup/setup';
import { asTaken } from '../../core/setup/as-taken';
import { takenOfFile, type TakenOfFile } from '../../core/formats/taken-of-file';
import { newSetupId, setups } from '../../library/setups';
import { readSetupFile, writeSetupFile } from '../../library/setup-file';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/camera';
import { setupValuesOf } from '../../live/desk-controls';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { TextField } from '../../ui/text-field';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { SetDesk } from '../rolls/set-desk';

export function SetupsPanel() {
  const { data, isPending, error } = setups.useList();
  const change = setups.useChange();
  const [open, setOpen] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<{ setup: Setup; at: number } | null>(null);
  const [saving, setSaving] = useState(false);
  const [said, setSaid] = useState<{ words: string; bad: boolean } | null>(null);
  const mine = data?.items ?? [];
  const toggle = (id: string) => setOpen(open === id ? null : id);
  const remove = (setup: Setup) => {
    setDeleted({ setup, at: mine.indexOf(setup) });
    change.mutate((list) => list.filter((s) => s.id !== setup.id));
  };
  const undo = ({ setup, at }: { setup: Setup; at: number }) => {
    change.mutate((list) => [...list.slice(0, at), setup, ...list.slice(at)]);
    setDeleted(null);
  };
  const take = async (text: string) => {
    try {
      const found = await readSetupFile(text);
      change.mutate((list) => [...list, ...found.map((s) => ({ ...s, id: newSetupId() }))]);
      setSaid({
        words: `${found.length === 1 ? 'One setup' : `${found.length} setups`} taken in.`,
        bad: false,
      });
    } catch (e) {
      setSaid({ words: `Not taken in: ${(e as Error).message}`, bad: true });
    }
  };
  return (
    <>
      <View style={styles.actions}>
        <Button
          label="Save what is set"
          kind="primary"
          onPress={() => setSaving(!saving)}
          testID="setup-save"
        />
        <Import onText={(text) => void take(text)} onFailed={(words) => setSaid({ words, bad: true })} />
        <Button
          label="Export"
          name="Export my setups as JSON"
          disabled={mine.length === 0}
          onPress={() =>
            saveFile(new TextEncoder().encode(writeSetupFile(mine)), 'setups.json', 'application/json')
          }
          testID="setup-export"
        />
      </View>
      <FromPicture />
      {said && (
        <Words style={said.bad && styles.bad} role={said.bad ? 'alert' : 'status'} testID="setup-said">
          {said.words}
        </Words>
      )}
      {error && <Words style={styles.bad}>Your setups could not be read: {error.message}</Words>}
      {change.error && <Words style={styles.bad}>Not kept: {change.error.message}</Words>}
      {data && data.setAside > 0 && (
        <Words style={styles.bad}>
          {data.setAside} of your setups cannot be read. They were set aside, not deleted.
        </Words>
      )}
      {saving && (
        <SaveForm
          onSave={(setup) => {
            change.mutate((list) => [...list, setup]);
            setSaving(false);
            setSaid({ words: `${setup.name} is kept.`, bad: false });
          }}
        />
      )}
      {deleted && (
        <View style={styles.undo} role="status">
          <Words style={styles.grow}>{deleted.setup.name} is deleted.</Words>
          <Button label="Undo" onPress={() => undo(deleted)} testID="setup-undo" />
        </View>
      )}
      <View style={styles.list} testID="setup-list">
        {isPending && <Words quiet>Looking for your setups…</Words>}
        {mine.map((setup, i) => (
          <SetupItem
            key={setup.id}
            setup={setup}
            open={open === setup.id}
            onToggle={() => toggle(setup.id)}
            onRename={(name) =>
              change.mutate((list) => list.map((s) => (s.id === setup.id ? { ...s, name } : s)))
            }
            onMove={i === 0 ? undefined : () => change.mutate((list) => movedUp(list, setup.id))}
            onDelete={() => remove(setup)}
          />
        ))}
        {BUILT_IN.map((setup) => (
          <SetupItem
            key={setup.id}
            setup={setup}
            open={open === setup.id}
            onToggle={() => toggle(setup.id)}
          />
        ))}
      </View>
    </>
  );
}

function movedUp(list: readonly Setup[], id: string): readonly Setup[] {
  const i = list.findIndex((s) => s.id === id);
  if (i < 1) return list;
  return [...list.slice(0, i - 1), list[i]!, list[i - 1]!, ...list.slice(i + 1)];
}

function SetupItem({
  setup,
  open,
  onToggle,
  onRename,
  onMove,
  onDelete,
}: {
  setup: Setup;
  open: boolean;
  onToggle: () => void;
  onRename?: (name: string) => void;
  onMove?: (() => void) | undefined;
  onDelete?: () => void;
}) {
  return (
    <View style={[styles.item, open && styles.open]} testID="setup-item">
      <Button
        label={setup.name}
        name={`${setup.name}: ${open ? 'close' : 'see what it changes'}`}
        kind="quiet"
        onPress={onToggle}
        style={styles.name}
        testID={`setup-${setup.id}`}
      />
      {open && (
        <View style={styles.inside}>
          {setup.says && <Words quiet>{setup.says}</Words>}
          <Changes setup={setup} />
          {onRename && <Rename name={setup.name} onRename={onRename} />}
          {onDelete && (
            <View style={styles.actions}>
              {onMove && <Button label="Move up" onPress={onMove} testID="setup-up" />}
              <Button label="Delete" onPress={onDelete} testID="setup-delete" />
            </View>
          )}
        </View>
      )}
    </View>
  );
}

/** What would change, and the press that changes it. */
function Changes({ setup }: { setup: Setup }) {
  const settings = useDesk((d) => d.settings);
  const lock = useDesk((d) => d.lock);
  const iris = useDesk((d) => hasIris(d.optic));
  const { applySetup } = useDesk.getState();
  const changes = changesOf(setupValuesOf({ settings, lock }), setup.values).filter(
    ({ part }) => part !== 'aperture' || iris,
  );
  return (
    <>
      {changes.length === 0 ? (
        <Words quiet testID="setup-changes">
          All of it is set already.
        </Words>
      ) : (
        <View testID="setup-changes">
          {changes.map(({ part, from, to }) => (
            <Words key={part}>
              {partName(part)}: <Words quiet>{from} → </Words>
              {to}
            </Words>
          ))}
        </View>
      )}
      <Button
        label="Apply"
        name={`Apply ${setup.name}`}
        kind="primary"
        disabled={changes.length === 0}
        onPress={() => applySetup(setup.values)}
        testID="setup-apply"
      />
    </>
  );
}

function Rename({ name, onRename }: { name: string; onRename: (name: string) => void }) {
  const [text, setText] = useState(name);
  let error: string | null = null;
  let next = name;
  try {
    next = setupName(text);
  } catch (e) {
    error = (e as Error).message;
  }
  const submit = () => {
    if (!error && next !== name) onRename(next);
  };
  return (
    <View style={styles.actions}>
      <TextField
        label="Name"
        value={text}
        onChange={setText}
        onSubmit={submit}
        error={error}
        testID="setup-rename"
      />
      <Button
        label="Rename"
        disabled={error !== null || next === name}
        onPress={submit}
        style={styles.beside}
        testID="setup-rename-do"
      />
    </View>
  );
}

/** More of a file than this is not looked through for its Exif. */
const MOST_PICTURE = 200_000_000;

/** How a picture of anyone's was taken, onto the desk. */
function FromPicture() {
  const input = useRef<HTMLInputElement | null>(null);
  const [found, setFound] = useState<{ name: string; taken: TakenOfFile } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const read = async (file: File | undefined) => {
    if (!file) return;
    setFound(null);
    setFailed(null);
    try {
      if (file.size > MOST_PICTURE) throw new Error('This file is too large to be looked through');
      const taken = takenOfFile(new Uint8Array(await file.arrayBuffer()));
      setFound({ name: file.name, taken });
    } catch (error) {
      setFailed(`${(error as Error).message}.`);
    }
    if (input.current) input.current.value = '';
  };
  return (
    <View style={styles.taken}>
      <input
        ref={input}
        type="file"
        accept="image/*,.dng,.tif,.tiff"
        aria-label="Picture to take settings from"
        tabIndex={-1}
        style={{ display: 'none' }}
        data-testid="picture-file"
        onChange={(e) => void read(e.target.files?.[0])}
      />
      <Button
        label="From a picture"
        name="From a picture: set the desk as it was taken"
        onPress={() => input.current?.click()}
        testID="from-picture"
      />
      {failed && (
        <Words style={styles.bad} role="alert" testID="from-picture-failed">
          {failed}
        </Words>
      )}
      {found && (
        <View style={[styles.item, styles.inside]} testID="from-picture-found">
          <Words kind="label" quiet>
            {[found.name, found.taken.camera].filter(Boolean).join(', ')}
          </Words>
          <SetDesk
            key={found.name}
            ways={[{ id: 'out', label: 'As it came out', values: asTaken(found.taken) }]}
            onSet={() => setFound(null)}
          />
          <Button label="Leave it" kind="quiet" onPress={() => setFound(null)} testID="from-picture-leave" />
        </View>
      )}
    </View>
  );
}

/** Which settings go into a new setup, and its name. */
function SaveForm({ onSave }: { onSave: (setup: Setup) => void }) {
  const iris = useDesk((d) => hasIris(d.optic));
  const offered = setupParts().filter((part) => part !== 'aperture' || iris);
  const [name, setName] = useState('');
  const [parts, setParts] = useState<readonly SetupPart[]>(offered.filter((part) => part !== 'lock'));
  const [error, setError] = useState<string | null>(null);
  const save = () => {
    try {
      onSave({
        id: newSetupId(),
        name: setupName(name),
        values: pickParts(setupValuesOf(useDesk.getState()), parts),
      });
    } catch (e) {
      setError((e as Error).message);
    }
  };
  return (
    <View style={[styles.item, styles.inside]}>
      <TextField
        label="Name of the setup"
        value={name}
        onChange={setName}
        onSubmit={save}
        error={error}
        testID="setup-name"
      />
      <Words kind="label" quiet>
        What is in it; the rest stays as it is when the setup is applied:
      </Words>
      <View style={styles.actions}>
        {offered.map((part) => (
          <Button
            key={part}
            label={partName(part)}
            on={parts.includes(part)}
            onPress={() =>
              setParts(parts.includes(part) ? parts.filter((p) => p !== part) : [...parts, part])
            }
            testID={`part-${part}`}
          />
        ))}
      </View>
      <Button label="Keep it" kind="primary" onPress={save} testID="setup-keep" />
    </View>
  );
}

/** A file chosen from the person's own; the input is the browser's. */
function Import({ onText, onFailed }: { onText: (text: string) => void; onFailed: (words: string) => void }) {
  const input = useRef<HTMLInputElement | null>(null);
  const read = async (file: File | undefined) => {
    if (!file) return;
    try {
      onText(await file.text());
    } catch {
      onFailed('This file could not be read. Choose it again.');
    }
    if (input.current) input.current.value = '';
  };
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        aria-label="File of setups"
        tabIndex={-1}
        style={{ display: 'none' }}
        data-testid="setup-file"
        onChange={(e) => void read(e.target.files?.[0])}
      />
      <Button label="Import" onPress={() => input.current?.click()} testID="setup-import" />
    </>
  );
}

const styles = StyleSheet.create({
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one, alignItems: 'flex-start' },
  beside: { alignSelf: 'flex-end' },
  taken: { gap: space.one, alignItems: 'flex-start' },
  bad: { color: colour.warn },
  grow: { flex: 1 },
  undo: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.one,
    paddingLeft: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
  },
  list: { gap: space.half },
  item: { borderRadius: radius, backgroundColor: colour.raised },
  open: { borderWidth: 1, borderColor: colour.line },
  name: { alignItems: 'flex-start' },
  inside: { gap: space.one, padding: space.one + space.half, paddingTop: space.half },
});
