// The contact sheet: the frames of a roll, or all of them, newest first. Only the rows near the view are drawn, so a long roll opens at once.
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useRef } from 'react';
import { Image, Pressable, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { LatentFrame } from '../../core/frame/latent';
import type { FrameRecord } from '../../core/frame/record';
import { useRecovery, useRoll, useThumbnail } from '../../library/roll';
import { useRolls } from '../../library/rolls';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { AboutRoll } from './about-roll';
import { ChoosingBar } from './choosing';
import { frameWords } from './frame-words';
import { recoveredWords } from './recovered-words';
import { RollChips } from './roll-chips';
import { useSheet } from './sheet-state';
import { UndoBar } from './undo-bar';
import { KeeperFault, UnsavedBar } from './unsaved-bar';
import { ReadOutFault, WaitingNote, WaitingTile } from './waiting';

const CAPTION = 40;

export function SheetScreen() {
  const router = useRouter();
  const { data, error, isPending, refetch } = useRoll();
  const rolls = useRolls();
  const { roll: shown, chosen, about } = useSheet();
  const { choose, setAbout } = useSheet.getState();
  // One that was deleted meanwhile, perhaps in another tab, is not shown any more.
  const roll = rolls.find((count) => count.roll.id === shown)?.roll ?? null;
  const of = roll?.id;
  const frames = useMemo(
    () => (data?.frames ?? []).filter((frame) => of === undefined || frame.roll === of),
    [data, of],
  );
  const waiting = useMemo(
    () => (data?.waiting ?? []).filter((frame) => of === undefined || frame.roll === of),
    [data, of],
  );
  return (
    <View style={styles.page} role="main" aria-label="Sheet">
      <View style={styles.head}>
        <Button label="Finder" onPress={() => router.navigate('/')} testID="to-finder" />
        <View role="heading" aria-level={1} style={styles.title}>
          <Words kind="title" numberOfLines={1}>
            {isPending ? 'Frames' : frames.length === 1 ? '1 frame' : `${frames.length} frames`}
            {waiting.length > 0 && ` · ${waiting.length} waiting`}
          </Words>
        </View>
        <Button
          label="Roll"
          name={roll ? `Roll ${roll.name}: name, keywords, export, delete` : 'Roll: export and take in'}
          on={about}
          onPress={() => setAbout(!about)}
          testID="about-roll"
        />
        <Button
          label={chosen ? 'Done' : 'Choose'}
          name={chosen ? 'Done with choosing' : 'Choose frames to move, copy or delete'}
          on={chosen !== null}
          onPress={() => choose(chosen ? null : [])}
          testID="choose"
        />
      </View>
      {data && <RollChips rolls={rolls} />}
      {about && data && <AboutRoll roll={roll} frames={frames} waiting={waiting} />}
      {/* What is told below stands at the bottom whatever is read here: nothing moves under a finger. */}
      <View style={styles.roll}>
        {isPending && (
          <Words quiet style={styles.note}>
            Reading the roll…
          </Words>
        )}
        {error && (
          <View style={styles.note} role="alert">
            <Words style={styles.warn}>
              The roll could not be read: {error.message || 'the browser gave no reason'}.
            </Words>
            <Button label="Try again" onPress={() => void refetch()} />
          </View>
        )}
        <RecoveryNote />
        {data && data.unreadable.length > 0 && (
          <Words style={[styles.note, styles.warn]}>
            {data.unreadable.length} {data.unreadable.length === 1 ? 'record' : 'records'} could not be read
            and stay set aside.
          </Words>
        )}
        {waiting.length > 0 && <WaitingNote waiting={waiting} />}
        {data && frames.length + waiting.length === 0 && (
          <View style={styles.empty}>
            <Words kind="title">No frames yet</Words>
            <Words quiet>
              {roll && data.frames.length > 0
                ? 'Choose this roll in the finder, or move frames into it from another.'
                : 'Press the hexagon in the finder; what you take appears here.'}
            </Words>
            <Button label="To the finder" kind="primary" onPress={() => router.navigate('/')} />
          </View>
        )}
        {frames.length + waiting.length > 0 && <Grid frames={frames} waiting={waiting} />}
      </View>
      <View style={styles.unsaved}>
        <KeeperFault />
        <ReadOutFault />
        <UnsavedBar />
      </View>
      <ChoosingBar frames={frames} />
      <UndoBar />
    </View>
  );
}

/** What was found in the store without a record when the page opened. */
function RecoveryNote() {
  const { recovered, unreadable, dismiss } = useRecovery();
  if (recovered + unreadable === 0) return null;
  return (
    <View style={[styles.note, styles.noteRow]} role="status" testID="recovered">
      <Words style={styles.says}>
        {recovered > 0 && recoveredWords(recovered)}
        {unreadable > 0 &&
          ` ${unreadable === 1 ? '1 stored file' : `${unreadable} stored files`} without a record could not be read and stay set aside.`}
      </Words>
      <Button label="Close" name="Close this notice" kind="quiet" onPress={dismiss} />
    </View>
  );
}

function Grid({ frames, waiting }: { frames: readonly FrameRecord[]; waiting: readonly LatentFrame[] }) {
  const { width } = useWindowDimensions();
  const scroll = useRef<View>(null);
  const columns = Math.max(2, Math.floor(width / 210));
  const cell = (width - space.one) / columns;
  // The newest first, read out or not.
  const newest = [...waiting].reverse();
  const rows = Math.ceil((newest.length + frames.length) / columns);
  const rowHeight = Math.round(cell + CAPTION);
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => scroll.current as unknown as HTMLElement | null,
    estimateSize: () => rowHeight,
    overscan: 6,
  });
  useEffect(() => virtual.measure(), [rowHeight, virtual]);
  return (
    <View ref={scroll} style={styles.scroll} tabIndex={0} testID="grid" aria-label="Frames" role="list">
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
              const frame = frames[place - newest.length];
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
              return frame && <Cell key={frame.id} frame={frame} size={cell} />;
            })}
          </View>
        ))}
      </View>
    </View>
  );
}

function Cell({ frame, size }: { frame: FrameRecord; size: number }) {
  const router = useRouter();
  const { data } = useThumbnail(frame.id);
  const words = frameWords(frame);
  const choosing = useSheet((s) => s.chosen !== null);
  const on = useSheet((s) => s.chosen?.has(frame.id) ?? false);
  const { toggle } = useSheet.getState();
  // A box is ticked by the space bar; by Enter it is pressed like everything else.
  const onKeyDown = (e: { key: string; preventDefault(): void }) => {
    if (e.key !== ' ') return;
    e.preventDefault();
    toggle(frame.id);
  };
  return (
    <View role="listitem" style={{ width: size, height: size + CAPTION }}>
      <Pressable
        role={choosing ? 'checkbox' : 'link'}
        aria-checked={choosing ? on : undefined}
        aria-label={`Frame ${words}`}
        onPress={() =>
          choosing ? toggle(frame.id) : router.push({ pathname: '/frame/[id]', params: { id: frame.id } })
        }
        {...(choosing ? ({ onKeyDown } as object) : null)}
        style={styles.cell}
        testID="sheet-frame"
      >
        <View style={[styles.picture, choosing && !on && styles.other]}>
          {data && <Image source={{ uri: data }} style={styles.image} resizeMode="contain" aria-hidden />}
          {choosing && <View style={[styles.mark, on && styles.marked]} aria-hidden />}
        </View>
        <Words kind="label" quiet numberOfLines={1} style={styles.caption}>
          {words}
        </Words>
      </Pressable>
    </View>
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.two, padding: space.one },
  roll: { flex: 1, minHeight: 0 },
  note: { padding: space.two, gap: space.one },
  noteRow: { flexDirection: 'row', alignItems: 'center' },
  says: { flex: 1 },
  unsaved: { paddingHorizontal: space.one },
  warn: { color: colour.warn },
  empty: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
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
  picture: { flex: 1, backgroundColor: colour.panel, borderRadius: radius, overflow: 'hidden' },
  image: { width: '100%', height: '100%' },
  other: { opacity: 0.7 },
  mark: {
    position: 'absolute',
    right: 8,
    top: 8,
    width: 28,
    height: 28,
    borderRadius: 14,
    borderWidth: 2,
    borderColor: colour.text,
    backgroundColor: colour.chip,
  },
  marked: { backgroundColor: colour.primary, boxShadow: `inset 0 0 0 5px ${colour.page}` },
  title: { flexGrow: 1, flexShrink: 1 },
  caption: { textAlign: 'center', paddingTop: 4, height: 24 },
});
