// A tile of the sheet: a frame with what is thought of it and what went wrong with it, or a sequence that can be opened.
import { useRouter } from 'expo-router';
import { memo } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { clippedShareOf, likelyShaken, losesHighlights, type Item } from '../../core/frame/arrange';
import type { FrameRecord } from '../../core/frame/record';
import { useThumbnail } from '../../library/roll';
import { colour, radius } from '../../ui/theme';
import { Words } from '../../ui/words';
import { percentWords } from '../finder/format';
import { frameWords } from './frame-words';
import { useSheet } from './sheet-state';

export const CAPTION = 40;

export function framesIn(item: Item): readonly FrameRecord[] {
  return item.kind === 'frame' ? [item.frame] : item.frames;
}

interface Props {
  readonly item: Item;
  readonly index: number;
  readonly size: number;
  /** True for the one that is reached by Tab. */
  readonly current: boolean;
}

export const Tile = memo(function Tile({ item, index, size, current }: Props) {
  const router = useRouter();
  const frames = framesIn(item);
  const first = frames[0]!;
  const { data } = useThumbnail(first.id);
  const choosing = useSheet((s) => s.chosen !== null);
  const on = useSheet((s) => frames.every(({ id }) => s.chosen?.has(id)));
  const { toggle, unfold } = useSheet.getState();
  const ids = frames.map(({ id }) => id);
  const group = item.kind === 'group' ? item : null;
  const press = () => {
    if (choosing) toggle(ids);
    else if (group) unfold(group.id);
    else router.push({ pathname: '/frame/[id]', params: { id: first.id } });
  };
  const dropped = frames.every(({ verdict }) => verdict === 'dropped');
  const caption = group ? `${frames.length} frames · ${frameWords(first)}` : frameWords(first);
  return (
    <View role="listitem" style={{ width: size, height: size + CAPTION }}>
      <Pressable
        role={choosing ? 'checkbox' : group ? 'button' : 'link'}
        aria-checked={choosing ? on : undefined}
        aria-expanded={group && !choosing ? group.open : undefined}
        aria-label={`${group ? 'Sequence of ' : 'Frame '}${caption}${saidWords(item)}`}
        tabIndex={current ? 0 : -1}
        onPress={press}
        {...({ dataSet: { index } } as object)}
        style={[styles.cell, item.kind === 'frame' && item.in !== undefined && styles.inside]}
        testID={group ? 'sheet-group' : 'sheet-frame'}
      >
        <View
          style={[
            styles.picture,
            group && !group.open && styles.stack,
            choosing && !on && styles.other,
            dropped && styles.dropped,
          ]}
        >
          {data && <Image source={{ uri: data }} style={styles.image} resizeMode="contain" aria-hidden />}
        </View>
        {choosing && <View style={[styles.mark, on && styles.marked]} aria-hidden />}
        <Words kind="label" quiet numberOfLines={1} style={styles.caption}>
          {caption}
        </Words>
      </Pressable>
      {/* The tile's name says the same in words. */}
      <View style={styles.marks} aria-hidden>
        <Chips frames={frames} />
      </View>
    </View>
  );
});

/** What is said of it, and what went wrong, for who hears it. */
function saidWords(item: Item): string {
  const frames = framesIn(item);
  const [frame] = frames;
  const parts = [
    frames.every(({ verdict }) => verdict === 'kept') && 'kept',
    frames.every(({ verdict }) => verdict === 'dropped') && 'dropped',
    item.kind === 'frame' && frame!.rating && `rating ${frame!.rating}`,
    frames.some(losesHighlights) && 'clips in raw',
    frames.some(likelyShaken) && 'shake likely',
  ].filter(Boolean);
  return parts.length > 0 ? `, ${parts.join(', ')}` : '';
}

function Chips({ frames }: { frames: readonly FrameRecord[] }) {
  const kept = frames.filter(({ verdict }) => verdict === 'kept').length;
  const dropped = frames.filter(({ verdict }) => verdict === 'dropped').length;
  const rating = Math.max(0, ...frames.map((frame) => frame.rating ?? 0));
  const clipped = Math.max(0, ...frames.filter(losesHighlights).map((frame) => clippedShareOf(frame) ?? 0));
  const shake = Math.max(0, ...frames.filter(likelyShaken).map(({ shakePx = 0 }) => shakePx));
  const of = (count: number) => (frames.length > 1 ? `${count} ` : '');
  return (
    <>
      {kept > 0 && <Chip words={`${of(kept)}kept`} style={styles.good} />}
      {dropped > 0 && <Chip words={`${of(dropped)}dropped`} />}
      {rating > 0 && <Chip words={'●'.repeat(rating)} style={styles.accent} />}
      {clipped > 0 && <Chip words={`clips ${percentWords(clipped)}`} style={styles.clip} />}
      {shake > 0 && (
        <Chip words={`shake ${shake < 10 ? shake.toFixed(1) : Math.round(shake)} px`} style={styles.warn} />
      )}
    </>
  );
}

function Chip({ words, style }: { words: string; style?: { color: string } }) {
  return (
    <Words kind="label" style={[styles.chip, style]}>
      {words}
    </Words>
  );
}

const styles = StyleSheet.create({
  // A swipe across is ours, up and down the list's.
  cell: { flex: 1, padding: 4, touchAction: 'pan-y', userSelect: 'none' } as object,
  inside: { borderBottomWidth: 2, borderBottomColor: colour.accent },
  picture: { flex: 1, backgroundColor: colour.panel, borderRadius: radius, overflow: 'hidden' },
  // The edges of what lies under it.
  stack: {
    marginRight: 8,
    marginBottom: 8,
    boxShadow: `4px 4px 0 ${colour.line}, 8px 8px 0 ${colour.raised}`,
  },
  image: { width: '100%', height: '100%', pointerEvents: 'none' } as object,
  other: { opacity: 0.7 },
  dropped: { opacity: 0.4 },
  marks: {
    position: 'absolute',
    left: 10,
    right: 10,
    top: 10,
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: 4,
    pointerEvents: 'none',
  },
  chip: {
    backgroundColor: colour.chip,
    paddingHorizontal: 7,
    paddingVertical: 2,
    borderRadius: 6,
    overflow: 'hidden',
  },
  good: { color: colour.good },
  accent: { color: colour.accent },
  clip: { color: colour.clip },
  warn: { color: colour.warn },
  mark: {
    position: 'absolute',
    right: 12,
    bottom: CAPTION,
    width: 28,
    height: 28,
    borderRadius: 14,
    borderWidth: 2,
    borderColor: colour.text,
    backgroundColor: colour.chip,
    pointerEvents: 'none',
  },
  marked: { backgroundColor: colour.primary, boxShadow: `inset 0 0 0 5px ${colour.page}` },
  caption: { textAlign: 'center', paddingTop: 4, height: 24 },
});
