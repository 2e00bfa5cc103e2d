// Which roll the sheet shows: all frames first, then the rolls, in a line that moves under the thumb.
import { useRef } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import type { RollCount } from '../../core/frame/roll';
import { colour, radius, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import { countWords } from '../rolls/roll-choice';
import { useSheet } from './sheet-state';

export function RollChips({ rolls }: { rolls: readonly RollCount[] }) {
  const chosen = useSheet((s) => s.roll);
  const { show } = useSheet.getState();
  const ref = useRef<View>(null);
  const sum = (of: 'frames' | 'waiting') => rolls.reduce((all, count) => all + count[of], 0);
  const chips = [
    { id: null, name: 'All frames', frames: sum('frames'), waiting: sum('waiting') },
    ...rolls.map(({ roll, ...count }) => ({ id: roll.id as string | null, name: roll.name, ...count })),
  ];
  const at = chips.findIndex(({ id }) => id === chosen);
  // Arrow keys move along them, as in any group of radio buttons.
  const onKeyDown = (e: { key: string; preventDefault(): void }) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    const next = chips[(at + by + chips.length) % chips.length]!;
    show(next.id);
    const host = ref.current as unknown as HTMLElement | null;
    host?.querySelector<HTMLElement>(`[data-testid="chip-${next.id ?? 'all'}"]`)?.focus();
  };
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} style={styles.line}>
      <View
        ref={ref}
        role="radiogroup"
        aria-label="Roll that is shown"
        style={styles.chips}
        testID="roll-chips"
        {...({ onKeyDown } as object)}
      >
        {chips.map(({ id, name, ...count }) => {
          const on = id === chosen;
          return (
            <Pressable
              key={id ?? 'all'}
              role="radio"
              aria-checked={on}
              aria-label={`${name}, ${countWords(count)}`}
              tabIndex={on || (at < 0 && id === null) ? 0 : -1}
              onPress={() => show(id)}
              style={[styles.chip, on && styles.on]}
              testID={`chip-${id ?? 'all'}`}
            >
              <Words style={on && styles.accent} numberOfLines={1}>
                {name}
              </Words>
              <Words kind="label" quiet>
                {count.frames + count.waiting}
              </Words>
            </Pressable>
          );
        })}
      </View>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  line: { flexGrow: 0 },
  chips: { flexDirection: 'row', gap: space.half, paddingHorizontal: space.one, paddingBottom: space.half },
  chip: {
    minHeight: touch,
    maxWidth: 220,
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.one,
    paddingHorizontal: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
  },
  on: { backgroundColor: colour.chosen, boxShadow: `inset 0 0 0 1.5px ${colour.ring}` },
  accent: { color: colour.accent },
});
