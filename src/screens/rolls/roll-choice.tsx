// Rolls in a list, one of them chosen; and a field that makes another.
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { rollName, type RollCount } from '../../core/frame/roll';
import { makeRoll, useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { TextField } from '../../ui/text-field';
import { colour, radius, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

/** "12 frames, 2 waiting". */
export function countWords({ frames, waiting }: Pick<RollCount, 'frames' | 'waiting'>): string {
  const taken = frames === 1 ? '1 frame' : `${frames} frames`;
  return waiting > 0 ? `${taken}, ${waiting} waiting` : taken;
}

export function RollChoice({
  name,
  chosen,
  onChoose,
}: {
  name: string;
  chosen: string;
  onChoose: (id: string) => void;
}) {
  const rolls = useRolls();
  return (
    <View role="radiogroup" aria-label={name} style={styles.list} testID="roll-choice">
      {rolls.map((count) => {
        const { id, name: title } = count.roll;
        const on = id === chosen;
        return (
          <Pressable
            key={id}
            role="radio"
            aria-checked={on}
            aria-label={`${title}, ${countWords(count)}`}
            onPress={() => onChoose(id)}
            style={[styles.roll, on && styles.on]}
            testID={`roll-${id}`}
          >
            <Words numberOfLines={1} style={[styles.title, on && styles.accent]}>
              {title}
            </Words>
            <Words kind="label" quiet>
              {countWords(count)}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

/** A name to type, and a roll of that name. What is wrong with it is said under it, and nothing typed is lost. */
export function NewRoll({ label, onMade }: { label: string; onMade: (id: string) => void }) {
  const names = useRolls().map(({ roll }) => roll.name);
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const make = async () => {
    const found = rollName(text, names);
    if ('wrong' in found) {
      setWrong(found.wrong);
      return;
    }
    try {
      const { id } = await makeRoll(found.name);
      setText('');
      setWrong(null);
      onMade(id);
    } catch (error) {
      setWrong(`Not made: ${(error as Error).message}.`);
    }
  };
  return (
    <View style={styles.make}>
      <TextField
        label={label}
        value={text}
        onChange={(next) => {
          setText(next);
          setWrong(null);
        }}
        onSubmit={() => void make()}
        error={wrong}
        testID="new-roll"
      />
      <Button label="Make" name={`Make: ${label}`} onPress={() => void make()} testID="make-roll" />
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: 4 },
  roll: {
    minHeight: touch,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.one,
    paddingHorizontal: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
  },
  on: { backgroundColor: colour.chosen, boxShadow: `inset 0 0 0 1.5px ${colour.ring}` },
  title: { flexShrink: 1 },
  accent: { color: colour.accent },
  make: { flexDirection: 'row', alignItems: 'flex-end', gap: space.one },
});
