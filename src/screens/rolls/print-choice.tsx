// Prints to choose from, the program's own and the person's; and one of them changed and kept under a name.
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import {
  MOST_PRINT_NAME,
  OWN_PRINTS,
  PRINT_SPAN,
  printSays,
  printTrouble,
  type Print,
} from '../../core/setting/print';
import { formatThirds } from '../../core/units/ladders';
import { prints } from '../../library/prints';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Slider } from '../../ui/slider';
import { TextField } from '../../ui/text-field';
import { colour, radius, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

/** @param print null for plainly */
export function PrintChoice({
  print,
  onPrint,
  plainWords,
}: {
  print: Print | null;
  /** @param moving true while a slider is moved, and more will follow */
  onPrint: (print: Print | null, moving?: boolean) => void;
  /** What plainly means here. */
  plainWords: string;
}) {
  const { data, error } = prints.useList();
  const change = prints.useChange();
  const [changing, setChanging] = useState(false);
  const mine = data?.items ?? [];
  const all = [...OWN_PRINTS, ...mine];
  const known = print === null || all.some((one) => same(one, print));
  const shown = known ? all : [...all, print];
  return (
    <View style={styles.box}>
      <View role="radiogroup" aria-label="Print" style={styles.list} testID="prints">
        <Choice
          name="Plain"
          says={plainWords}
          on={print === null}
          onPress={() => {
            setChanging(false);
            onPrint(null);
          }}
          testID="print-plain"
        />
        {shown.map((one) => (
          <Choice
            key={JSON.stringify(one)}
            name={one.name}
            says={printSays(one)}
            on={print !== null && same(one, print)}
            onPress={() => onPrint(one)}
            testID={`print-${one.name.toLowerCase().replace(/\s+/g, '-')}`}
          />
        ))}
      </View>
      {error && <Words style={styles.bad}>Your prints could not be read: {error.message}</Words>}
      {change.error && <Words style={styles.bad}>Not kept: {change.error.message}</Words>}
      <View style={styles.row}>
        <Button
          label="Change"
          name="Change this print"
          on={changing}
          disabled={print === null}
          onPress={() => setChanging(!changing)}
          testID="print-change"
        />
        {print && mine.some((one) => same(one, print)) && (
          <Button
            label="Remove from mine"
            onPress={() => change.mutate((list) => list.filter((one) => !same(one, print)))}
            testID="print-remove"
          />
        )}
      </View>
      {changing && print && (
        <Changing
          print={print}
          onPrint={(changed) => onPrint(changed, true)}
          onKeep={(kept) => {
            change.mutate((list) => [...list.filter((one) => one.name !== kept.name), kept]);
            onPrint(kept);
            setChanging(false);
          }}
        />
      )}
    </View>
  );
}

function same(a: Print, b: Print): boolean {
  return JSON.stringify(ordered(a)) === JSON.stringify(ordered(b));
}

function ordered({ name, exposureEv, warmthMired, contrast, saturation, mix }: Print) {
  return [name, exposureEv, warmthMired, contrast, saturation, mix];
}

function Choice({
  name,
  says,
  on,
  onPress,
  testID,
}: {
  name: string;
  says: string;
  on: boolean;
  onPress: () => void;
  testID: string;
}) {
  return (
    <Pressable
      role="radio"
      aria-checked={on}
      aria-label={`${name}: ${says}`}
      onPress={onPress}
      style={[styles.choice, on && styles.on]}
      testID={testID}
    >
      <Words style={on && styles.accent}>{name}</Words>
      <Words kind="label" quiet style={styles.says}>
        {says}
      </Words>
    </Pressable>
  );
}

const MIX_NAMES = ['Red', 'Green', 'Blue'] as const;
/** Black and white as eyes see light (Rec. 709). */
const AS_SEEN = [0.21, 0.72, 0.07] as const;

function Changing({
  print,
  onPrint,
  onKeep,
}: {
  print: Print;
  onPrint: (print: Print) => void;
  onKeep: (print: Print) => void;
}) {
  const [name, setName] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (part: Partial<Print>) => {
    const next = {
      ...print,
      ...part,
      name: print.name.endsWith(', changed') ? print.name : changedName(print.name),
    };
    const trouble = printTrouble(next);
    setWrong(trouble ? `The shares ${trouble.why}.` : null);
    if (!trouble) onPrint(next);
  };
  const slider = (
    label: string,
    id: string,
    value: number,
    span: readonly [number, number],
    steps: number,
    usual: number,
    words: string,
    part: (value: number) => Partial<Print>,
  ) => (
    <>
      <Words kind="label" quiet>
        {label}: {words}
      </Words>
      <Slider
        name={label}
        value={Math.round(value * steps)}
        least={Math.round(span[0] * steps)}
        most={Math.round(span[1] * steps)}
        usual={Math.round(usual * steps)}
        large={Math.max(3, Math.round(steps / 5))}
        valueText={words}
        onValue={(to) => set(part(to / steps))}
        testID={`print-${id}`}
      />
    </>
  );
  const keep = () => {
    const text = name.trim().replace(/\s+/g, ' ');
    if (text === '' || text.length > MOST_PRINT_NAME)
      return setWrong(
        text === '' ? 'A print needs a name.' : `A name has at most ${MOST_PRINT_NAME} characters.`,
      );
    if (
      text.toLowerCase() === 'plain' ||
      OWN_PRINTS.some((own) => own.name.toLowerCase() === text.toLowerCase())
    )
      return setWrong('This name is one of the program’s own.');
    onKeep({ ...print, name: text });
  };
  return (
    <View style={styles.changing} role="group" aria-label="Change this print">
      {slider(
        'Brightness',
        'exposure',
        print.exposureEv,
        PRINT_SPAN.exposureEv,
        3,
        0,
        `${formatThirds(print.exposureEv)} EV`,
        (v) => ({ exposureEv: v }),
      )}
      {slider(
        'Warmth',
        'warmth',
        print.warmthMired,
        PRINT_SPAN.warmthMired,
        1,
        0,
        `${Math.round(print.warmthMired)} mired`,
        (v) => ({ warmthMired: v }),
      )}
      {slider(
        'Contrast',
        'contrast',
        print.contrast,
        PRINT_SPAN.contrast,
        50,
        1,
        print.contrast.toFixed(2),
        (v) => ({ contrast: v }),
      )}
      <Segmented
        name="Colours"
        choices={[
          { id: 'colours', label: 'Colours' },
          { id: 'mix', label: 'Black and white' },
        ]}
        chosen={print.mix ? 'mix' : 'colours'}
        onChoose={(id) => set({ mix: id === 'mix' ? [...AS_SEEN] : null })}
        testID="print-kind"
      />
      {print.mix
        ? MIX_NAMES.map((channel, i) => (
            <View key={channel}>
              {slider(
                channel,
                channel.toLowerCase(),
                print.mix![i]!,
                PRINT_SPAN.mix,
                20,
                AS_SEEN[i]!,
                `${Math.round(100 * print.mix![i]!)} %`,
                (v) => ({ mix: print.mix!.map((old, c) => (c === i ? v : old)) as [number, number, number] }),
              )}
            </View>
          ))
        : slider(
            'Strength of colours',
            'saturation',
            print.saturation,
            PRINT_SPAN.saturation,
            20,
            1,
            print.saturation.toFixed(2),
            (v) => ({ saturation: v }),
          )}
      <TextField
        label="Keep it as mine, under the name"
        value={name}
        onChange={(text) => {
          setName(text);
          setWrong(null);
        }}
        onSubmit={keep}
        error={wrong}
        testID="print-name"
      />
      <Button label="Keep as mine" onPress={keep} testID="print-keep" />
    </View>
  );
}

function changedName(name: string): string {
  return `${name.slice(0, MOST_PRINT_NAME - 9)}, changed`;
}

const styles = StyleSheet.create({
  box: { gap: space.one },
  list: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  choice: {
    minHeight: touch,
    flexGrow: 1,
    flexBasis: '46%',
    paddingHorizontal: space.one,
    paddingVertical: space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
    justifyContent: 'center',
  },
  on: { backgroundColor: colour.chosen, boxShadow: `inset 0 0 0 1.5px ${colour.ring}` },
  accent: { color: colour.accent },
  says: { flexShrink: 1 },
  bad: { color: colour.warn },
  changing: { gap: space.half },
});
