// A few choices side by side, one of them chosen. Arrow keys move along them, as in any group of radio buttons.
import { useRef } from 'react';
import { StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';
import { Pressable } from 'react-native';
import { colour, radius, space, touch } from './theme';
import { Words } from './words';

export interface Choice<Id extends string | number> {
  readonly id: Id;
  readonly label: string;
  /** A longer name for assistive technology; must contain the label. */
  readonly name?: string;
}

export function Segmented<Id extends string | number>({
  name,
  choices,
  chosen,
  onChoose,
  testID,
  columns,
  style,
}: {
  name: string;
  choices: readonly Choice<Id>[];
  chosen: Id | null;
  onChoose: (id: Id) => void;
  testID: string;
  /** Choices a row, for more than fit into one. */
  columns?: number;
  style?: StyleProp<ViewStyle>;
}) {
  const ref = useRef<View>(null);
  const current = choices.findIndex((c) => c.id === chosen);
  const go = (by: number) => {
    const next = choices[(Math.max(0, current) + by + choices.length) % choices.length];
    if (!next) return;
    onChoose(next.id);
    const host = ref.current as unknown as HTMLElement | null;
    host?.querySelector<HTMLElement>(`[data-testid="${testID}-${next.id}"]`)?.focus();
  };
  const onKeyDown = (e: { key: string; preventDefault(): void; stopPropagation(): void }) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    e.stopPropagation();
    go(by);
  };
  return (
    <View
      ref={ref}
      role="radiogroup"
      aria-label={name}
      style={[styles.row, style]}
      testID={testID}
      {...({ onKeyDown } as object)}
    >
      {choices.map((choice, i) => {
        const on = choice.id === chosen;
        return (
          <Pressable
            key={choice.id}
            role="radio"
            aria-checked={on}
            aria-label={choice.name ?? choice.label}
            tabIndex={on || (current < 0 && i === 0) ? 0 : -1}
            onPress={() => onChoose(choice.id)}
            testID={`${testID}-${choice.id}`}
            style={({ pressed }) => [
              styles.choice,
              columns ? { minWidth: `${Math.floor(100 / columns) - 2}%` } : null,
              on && styles.on,
              pressed && styles.pressed,
            ]}
          >
            <Words kind="body" numberOfLines={1} style={on && styles.onText}>
              {choice.label}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  choice: {
    minHeight: touch,
    minWidth: touch,
    flexGrow: 1,
    paddingHorizontal: space.one,
    borderRadius: radius,
    backgroundColor: colour.raised,
    alignItems: 'center',
    justifyContent: 'center',
  },
  on: { backgroundColor: colour.chosen, boxShadow: `inset 0 0 0 1.5px ${colour.ring}` },
  onText: { color: colour.accent },
  pressed: { opacity: 0.6 },
});
