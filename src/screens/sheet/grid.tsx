// Tiles in rows, of which only those near the view are drawn.
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Item } from '../../core/frame/arrange';
import type { Latent } from '../../core/frame/queue';
import { space } from '../../ui/theme';
import { say } from '../rolls/verdicts';
import { useGridKeys } from './grid-keys';
import { useGridTouch } from './grid-touch';
import { useSheet } from './sheet-state';
import { CAPTION, Tile } from './tile';
import { WaitingTile } from './waiting';

interface Props {
  readonly items: readonly Item[];
  readonly waiting: readonly Latent[];
  readonly onFailed: (words: string) => void;
}

export function Grid({ items, waiting, onFailed }: Props) {
  const { width } = useWindowDimensions();
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
  const keys = useGridKeys(scroll, items, {
    ...{ columns, rowHeight, onFailed },
    onGo: (index) => virtual.scrollToIndex(Math.floor((newest.length + index) / columns)),
  });
  const { between, idsOf } = keys;
  const { choose, toggle } = useSheet.getState();
  useGridTouch(
    scroll,
    {
      choosing: useSheet((s) => s.chosen !== null),
      onSwipe: (index, to) =>
        void say(idsOf(index), { verdict: to > 0 ? 'kept' : 'dropped' }).catch((error: Error) =>
          onFailed(`Not kept: ${error.message}.`),
        ),
      onPick: (index) => toggle(idsOf(index)),
      onRange: (from, to) => choose(between(from, to)),
    },
    keys.anchor,
  );
  return (
    <View
      ref={scroll}
      style={styles.scroll}
      tabIndex={-1}
      testID="grid"
      aria-label="Frames"
      role="list"
      {...({ onKeyDown: keys.onKeyDown, onFocus: keys.onFocus } as object)}
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
              if (latent) return <WaitingCell key={latent.id} latent={latent} size={cell} />;
              const index = place - newest.length;
              const item = items[index];
              return (
                item && (
                  <Tile
                    key={item.kind === 'frame' ? item.frame.id : item.id}
                    item={item}
                    index={index}
                    size={cell}
                    current={index === keys.held}
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

function WaitingCell({ latent, size }: { latent: Latent; size: number }) {
  return (
    <View role="listitem" style={{ width: size, height: size + CAPTION }} testID="waiting-frame">
      <View style={styles.cell}>
        <WaitingTile latent={latent} />
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
