// Tiles in rows, of which only those near the view are drawn; by keys from tile to tile.
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Item } from '../../core/frame/arrange';
import type { Latent } from '../../core/frame/queue';
import { space } from '../../ui/theme';
import { saidByKey, say } from '../rolls/verdicts';
import { useGridTouch } from './grid-touch';
import { useSheet } from './sheet-state';
import { CAPTION, framesIn, Tile } from './tile';
import { deleteWithUndo } from './undo-bar';
import { WaitingTile } from './waiting';

interface Props {
  readonly items: readonly Item[];
  readonly waiting: readonly Latent[];
  readonly onFailed: (words: string) => void;
}

export function Grid({ items, waiting, onFailed }: Props) {
  const { width } = useWindowDimensions();
  const router = useRouter();
  const scroll = useRef<View>(null);
  const columns = Math.max(2, Math.floor(width / 210));
  const cell = (width - space.one) / columns;
  // The newest first, read out or not.
  const newest = [...waiting].reverse();
  const rows = Math.ceil((newest.length + items.length) / columns);
  const rowHeight = Math.round(cell + CAPTION);
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroll.current as unknown as HTMLElement | null,
    estimateSize: () => rowHeight,
    overscan: 6,
  });
  useEffect(() => virtual.measure(), [rowHeight, virtual]);
  const [current, setCurrent] = useState(0);
  const held = Math.min(current, Math.max(0, items.length - 1));
  const anchor = useRef(0);

  const idsOf = (index: number) => framesIn(items[index]!).map(({ id }) => id);
  const between = (from: number, to: number) => {
    const [first, last] = from < to ? [from, to] : [to, from];
    return items.slice(first, last + 1).flatMap((item) => framesIn(item).map(({ id }) => id));
  };
  const { choose, toggle, unfold } = useSheet.getState();
  const told = (index: number, said: Parameters<typeof say>[1]) =>
    void say(idsOf(index), said).catch((error: Error) => onFailed(`Not kept: ${error.message}.`));
  useGridTouch(
    scroll,
    {
      choosing: useSheet((s) => s.chosen !== null),
      onSwipe: (index, to) => told(index, { verdict: to > 0 ? 'kept' : 'dropped' }),
      onPick: (index) => toggle(idsOf(index)),
      onRange: (from, to) => choose(between(from, to)),
    },
    anchor,
  );

  const focusOn = useRef(false);
  const go = (to: number, ranging: boolean) => {
    const next = Math.max(0, Math.min(items.length - 1, to));
    if (ranging) choose(between(anchor.current, next));
    else anchor.current = next;
    focusOn.current = true;
    setCurrent(next);
    virtual.scrollToIndex(Math.floor((newest.length + next) / columns));
  };
  // Its row may be drawn only now.
  useEffect(() => {
    if (!focusOn.current) return;
    const host = scroll.current as unknown as HTMLElement | null;
    const tile = host?.querySelector<HTMLElement>(`[data-index="${held}"]`);
    if (!tile) return;
    focusOn.current = false;
    tile.focus({ preventScroll: true });
  });
  const onKeyDown = (e: KeyboardEvent & { nativeEvent?: KeyboardEvent }) => {
    const { key, shiftKey, ctrlKey, metaKey, altKey } = e;
    const item = items[held];
    if (!item || altKey) return;
    const done = () => {
      e.preventDefault();
      e.stopPropagation();
    };
    const { chosen } = useSheet.getState();
    if ((ctrlKey || metaKey) && key === 'a') {
      choose(between(0, items.length - 1));
      return done();
    }
    if (ctrlKey || metaKey) return;
    const page =
      columns * Math.max(1, Math.floor(((e.currentTarget as HTMLElement).clientHeight || 0) / rowHeight));
    const to = {
      ArrowLeft: held - 1,
      ArrowRight: held + 1,
      ArrowUp: held - columns,
      ArrowDown: held + columns,
      PageUp: held - page,
      PageDown: held + page,
      Home: 0,
      End: items.length - 1,
    }[key];
    const frames = framesIn(item);
    // What is said by a key is said of all that are chosen, or of the one that has the focus.
    const meant =
      chosen && chosen.size > 0 ? items.flatMap(framesIn).filter(({ id }) => chosen.has(id)) : frames;
    const said = saidByKey(key, meant);
    if (to !== undefined) go(to, shiftKey);
    else if (said)
      say(
        meant.map(({ id }) => id),
        said,
      ).catch((error: Error) => onFailed(`Not kept: ${error.message}.`));
    else if (key === ' ') toggle(frames.map(({ id }) => id));
    else if (key === 'Delete')
      void deleteWithUndo(meant.map(({ id }) => id)).then((gone) => gone && choose(null));
    else if (key === 'o' && item.kind === 'group') unfold(item.id);
    else if (key === 'c' && chosen?.size === 2) {
      const [first, second] = [...chosen];
      router.push({ pathname: '/compare', params: { first: first!, second: second! } });
    } else return;
    done();
  };
  return (
    <View
      ref={scroll}
      style={styles.scroll}
      tabIndex={-1}
      testID="grid"
      aria-label="Frames"
      role="list"
      {...({
        onKeyDown,
        // Whatever tile has the focus is the one that keys are about.
        onFocus: (e: FocusEvent) => {
          const index = (e.target as HTMLElement).dataset.index;
          if (index !== undefined) setCurrent(Number(index));
        },
      } as object)}
    >
      <View style={{ height: virtual.getTotalSize() }} role="presentation">
        {virtual.getVirtualItems().map((row) => (
          <View
            key={row.key}
            role="presentation"
            style={[styles.row, { height: rowHeight, transform: [{ translateY: row.start }] }]}
          >
            {Array.from({ length: columns }, (_, column) => {
              const place = row.index * columns + column;
              const latent = newest[place];
              const index = place - newest.length;
              const item = items[index];
              if (latent)
                return (
                  <View
                    key={latent.id}
                    role="listitem"
                    style={{ width: cell, height: cell + CAPTION }}
                    testID="waiting-frame"
                  >
                    <View style={styles.cell}>
                      <WaitingTile latent={latent} />
                    </View>
                  </View>
                );
              return (
                item && (
                  <Tile
                    key={item.kind === 'frame' ? item.frame.id : item.id}
                    item={item}
                    index={index}
                    size={cell}
                    current={index === held}
                  />
                )
              );
            })}
          </View>
        ))}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  scroll: { flex: 1, overflow: 'scroll' },
  row: {
    position: 'absolute',
    top: 0,
    left: 0,
    right: 0,
    flexDirection: 'row',
    paddingHorizontal: space.half,
  },
  cell: { flex: 1, padding: 4 },
});
