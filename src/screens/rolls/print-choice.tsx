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

/** A value of a print as a slider. */
interface Sliding {
  readonly label: string;
  readonly id: string;
  readonly span: readonly [least: number, most: number];
  /** Steps that 1 has. */
  readonly steps: number;
  readonly usual: number;
  words(value: number): string;
}

/** Those of a print that are single numbers. */
const SLIDERS: Readonly<Record<'exposureEv' | 'warmthMired' | 'contrast' | 'saturation', Sliding>> = {
  exposureEv: {
    ...{ label: 'Brightness', id: 'exposure', span: PRINT_SPAN.exposureEv, steps: 3, usual: 0 },
    words: (ev) => `${formatThirds(ev)} EV`,
  },
  warmthMired: {
    ...{ label: 'Warmth', id: 'warmth', span: PRINT_SPAN.warmthMired, steps: 1, usual: 0 },
    words: (mired) => `${Math.round(mired)} mired`,
  },
  contrast: {
    ...{ label: 'Contrast', id: 'contrast', span: PRINT_SPAN.contrast, steps: 50, usual: 1 },
    words: (times) => times.toFixed(2),
  },
  saturation: {
    ...{ label: 'Strength of colours', id: 'saturation', span: PRINT_SPAN.saturation, steps: 20, usual: 1 },
    words: (times) => times.toFixed(2),
  },
};

/** Shares of red, green and blue in black and white. */
const MIX: readonly Sliding[] = MIX_NAMES.map((label, i) => ({
  ...{ label, id: label.toLowerCase(), span: PRINT_SPAN.mix, steps: 20, usual: AS_SEEN[i]! },
  words: (share) => `${Math.round(100 * share)} %`,
}));

function PrintSlider({
  of: { label, id, span, steps, usual, words },
  value,
  onValue,
}: {
  of: Sliding;
  value: number;
  onValue: (value: number) => void;
}) {
  const said = words(value);
  return (
    <>
      <Words kind="label" quiet>
        {label}: {said}
      </Words>
      <Slider
        name={label}
        value={Math.round(value * steps)}
        least={Math.round(span[0] * steps)}
        most={Math.round(span[1] * steps)}
        usual={Math.round(usual * steps)}
        large={Math.max(3, Math.round(steps / 5))}
        valueText={said}
        onValue={(to) => onValue(to / steps)}
        testID={`print-${id}`}
      />
    </>
  );
}

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
  const slider = (key: keyof typeof SLIDERS) => (
    <PrintSlider of={SLIDERS[key]} value={print[key]} onValue={(to) => set({ [key]: to })} />
  );
  const keep = () => {
    const text = name.trim().replace(/\s+/g, ' ');
    const trouble = nameTrouble(text);
    if (trouble) setWrong(trouble);
    else onKeep({ ...print, name: text });
  };
  const { mix } = print;
  return (
    <View style={styles.changing} role="group" aria-label="Change this print">
      {slider('exposureEv')}
      {slider('warmthMired')}
      {slider('contrast')}
      <Segmented
        name="Colours"
        choices={[
          { id: 'colours', label: 'Colours' },
          { id: 'mix', label: 'Black and white' },
        ]}
        chosen={mix ? 'mix' : 'colours'}
        onChoose={(id) => set({ mix: id === 'mix' ? [...AS_SEEN] : null })}
        testID="print-kind"
      />
      {mix
        ? MIX.map((of, i) => (
            <View key={of.id}>
              <PrintSlider
                of={of}
                value={mix[i]!}
                onValue={(to) =>
                  set({ mix: mix.map((old, c) => (c === i ? to : old)) as [number, number, number] })
                }
              />
            </View>
          ))
        : slider('saturation')}
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

/** Why a print cannot be kept under a name; null where it can. */
function nameTrouble(name: string): string | null {
  if (name === '') return 'A print needs a name.';
  if (name.length > MOST_PRINT_NAME) return `A name has at most ${MOST_PRINT_NAME} characters.`;
  const same = (own: string) => own.toLowerCase() === name.toLowerCase();
  return ['plain', ...OWN_PRINTS.map((own) => own.name)].some(same)
    ? 'This name is one of the program’s own.'
    : null;
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
