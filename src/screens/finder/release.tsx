// The release, the hexagon of an iris, and what stands beside it: last frame, lock, meter pattern, all automatic.
import { useRouter } from 'expo-router';
import { useEffect, useRef, type RefObject } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, Polygon } from 'react-native-svg';
import { patternOf } from '../../core/meter/read';
import { useFramesLeft, useRecovery, useRoll, useThumbnail } from '../../library/roll';
import { useFrameBytes } from '../../live/frame-bytes';
import { cancelCapture, driveWith, letGo, press, pressDown } from '../../live/press';
import { useDesk } from '../../live/desk';
import { shareOf, useReadOut } from '../../live/read-out';
import type { CaptureState } from '../../live/desk-state';
import { Button } from '../../ui/button';
import { colour, radius, space, touch } from '../../ui/theme';
import { recoveredWords } from '../sheet/recovered-words';
import { Words } from '../../ui/words';
import { KeeperFault, UnsavedBar } from '../sheet/unsaved-bar';
import { ReadOutFault } from '../sheet/waiting';
import type { ReleaseSize } from './places';

/** Notices, what is not saved, and the course of a capture. */
export function CaptureNotes() {
  const capture = useDesk((d) => d.capture);
  return (
    <>
      <Notice />
      <KeeperFault />
      <ReadOutFault />
      <UnsavedBar />
      <CaptureLine capture={capture} />
    </>
  );
}

/**
 * @param outer true where the release stands at the edge of the screen, under the thumb of the hand that holds it
 * @param turned true for the left hand
 */
export function ReleaseRow({
  of,
  outer,
  turned,
  onMeter,
  onMore,
}: {
  of: ReleaseSize;
  outer: boolean;
  turned: boolean;
  onMeter: () => void;
  onMore: () => void;
}) {
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const lock = useDesk((d) => d.lock);
  const { toggleLock, setAllAutomatic } = useDesk.getState();
  const { name, says } = patternOf(pattern);
  return (
    <View style={[styles.row, of === 'least' && styles.least, turned && styles.turned]}>
      <LastFrame />
      {of !== 'least' && (
        <>
          <Button
            label={lock ? 'Unlock' : 'Lock'}
            name={lock ? `Unlock: exposure is held by ${lock.by} (L)` : 'Lock exposure (L)'}
            on={lock !== null}
            onPress={toggleLock}
            style={styles.side}
            testID="lock"
          />
          <Button
            label={name}
            name={`${name} meter. ${says} Open the meter (N)`}
            onPress={onMeter}
            style={styles.meter}
            testID="pattern"
          />
        </>
      )}
      {!outer && <Release />}
      {of === 'whole' && (
        <Button
          label="Auto"
          name="Auto: everything automatic (0)"
          onPress={setAllAutomatic}
          style={styles.side}
          testID="all-auto"
        />
      )}
      {of !== 'least' && (
        <Button
          label="More"
          name="More: trade, setups, remedies, automatic, filter, camera (X)"
          onPress={onMore}
          style={styles.side}
          testID="more"
        />
      )}
      {outer && <Release />}
    </View>
  );
}

/** What changed by itself, once. */
function Notice() {
  const said = useDesk((d) => d.notice);
  const setNotice = useDesk((d) => d.setNotice);
  const { recovered, dismiss } = useRecovery();
  const notice = said ?? (recovered > 0 ? recoveredWords(recovered) : null);
  if (!notice) return null;
  return (
    <View style={styles.line} role="status" testID="notice">
      <Words kind="label" style={styles.says}>
        {notice}
      </Words>
      <Button
        label="Close"
        name="Close this notice"
        kind="quiet"
        onPress={() => (said ? setNotice(null) : dismiss())}
        testID="notice-read"
      />
    </View>
  );
}

const SIZE = 68;

/** How hard the finger presses, 0 … 1, where the screen tells; the middle where it does not. */
function usePressure(ref: RefObject<View | null>): () => number {
  const last = useRef(0.5);
  useEffect(() => {
    const element = ref.current as unknown as HTMLElement | null;
    const down = (e: PointerEvent) => {
      last.current = e.pressure > 0 ? e.pressure : 0.5;
    };
    element?.addEventListener('pointerdown', down);
    return () => element?.removeEventListener('pointerdown', down);
  }, [ref]);
  return () => last.current;
}

function Release() {
  const ref = useRef<View>(null);
  const pressure = usePressure(ref);
  const busy = useDesk((d) => d.capture.kind === 'busy' || d.capture.kind === 'waiting');
  const live = useDesk((d) => d.camera.kind === 'live');
  const { data: left } = useFramesLeft(useFrameBytes().bytes);
  const full = left === 0;
  const optic = useDesk((d) => d.optic);
  const held = useDesk((d) => driveWith(d.settings, optic).whileHeld);
  return (
    <Pressable
      ref={ref}
      role="button"
      aria-label={
        busy
          ? 'Cancel the capture'
          : full
            ? 'Release: the store is full'
            : held
              ? 'Release: hold for a burst'
              : 'Release'
      }
      aria-disabled={!live}
      disabled={!live}
      onPress={() => {
        if (busy) cancelCapture();
        else if (!held) void press(pressure());
      }}
      onPressIn={() => {
        if (held && !busy) pressDown(pressure());
      }}
      onPressOut={letGo}
      style={({ pressed }) => [styles.release, pressed && styles.pressed, !live && styles.dead]}
      testID="release"
    >
      <Svg width={SIZE} height={SIZE} viewBox="0 0 72 72" aria-hidden>
        <Polygon points={hexagon(35)} fill={full ? colour.warn : colour.release} />
        <Polygon points={hexagon(27)} fill="none" stroke={colour.page} strokeWidth={2.5} />
        {busy && <Circle cx={36} cy={36} r={11} fill={colour.accent} />}
      </Svg>
    </Pressable>
  );
}

function hexagon(r: number): string {
  return Array.from({ length: 6 }, (_, i) => {
    const a = (Math.PI / 3) * i + Math.PI / 6;
    return `${(36 + r * Math.cos(a)).toFixed(2)},${(36 + r * Math.sin(a)).toFixed(2)}`;
  }).join(' ');
}

function LastFrame() {
  const router = useRouter();
  const { data } = useRoll();
  const last = data?.frames[0];
  const waiting = data?.waiting.length ?? 0;
  return (
    <Pressable
      role="link"
      aria-label={
        last || waiting > 0
          ? `Sheet, ${data?.frames.length} frames${waiting > 0 ? `, ${waiting} waiting` : ''}`
          : 'Sheet, no frames yet'
      }
      onPress={() => router.push('/sheet')}
      style={styles.last}
      testID="open-sheet"
    >
      {last ? <LastThumbnail id={last.id} /> : <Words kind="label">Sheet</Words>}
      {waiting > 0 && <Waiting count={waiting} />}
    </Pressable>
  );
}

/** How many frames are safe and wait to be read out, and how far the one is that is read out now. */
function Waiting({ count }: { count: number }) {
  const share = useReadOut((r) => r.now && shareOf(r.now));
  return (
    <View style={styles.waiting} testID="waiting" aria-hidden>
      <Words kind="label" style={styles.count}>
        {count}
      </Words>
      <View style={[styles.thread, styles.left]}>
        <View style={[styles.done, styles.thread, { width: `${Math.round(100 * (share ?? 0))}%` }]} />
      </View>
    </View>
  );
}

function LastThumbnail({ id }: { id: string }) {
  const { data } = useThumbnail(id);
  return data ? (
    <Image source={{ uri: data }} style={styles.thumb} aria-hidden />
  ) : (
    <Words kind="label">Sheet</Words>
  );
}

const STAGE_WORDS = {
  answer: 'Waiting for the finder',
  expose: 'Exposing',
  picture: 'Developing the preview',
  encode: 'Writing the DNG',
  store: 'Storing',
  verify: 'Reading back',
} as const;

/** Progress and failure of a capture, over the row. */
function CaptureLine({ capture }: { capture: CaptureState }) {
  const router = useRouter();
  const setCapture = useDesk((d) => d.setCapture);
  if (capture.kind === 'idle') return null;
  if (capture.kind === 'waiting') {
    return (
      <View style={styles.line} role="status" testID="capture-waiting">
        <Words kind="value">{capture.leftS}</Words>
        <Words kind="label">Press again to cancel.</Words>
      </View>
    );
  }
  if (capture.kind === 'busy') {
    return (
      <View style={styles.line} role="status" testID="capture-busy">
        <Words kind="label">
          {capture.of === undefined ? '' : `${capture.shot} of ${capture.of}: `}
          {STAGE_WORDS[capture.stage]}…
        </Words>
        <View style={styles.bar}>
          <View style={[styles.done, { width: `${Math.round(capture.share * 100)}%` }]} />
        </View>
      </View>
    );
  }
  return (
    <View style={styles.line} role="alert" testID="capture-failed">
      <Words kind="label" style={styles.failed}>
        {capture.message}
      </Words>
      <Button label="Sheet" kind="quiet" onPress={() => router.push('/sheet')} />
      <Button label="Dismiss" kind="quiet" onPress={() => setCapture({ kind: 'idle' })} />
    </View>
  );
}

const styles = StyleSheet.create({
  row: {
    flex: 1,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.half,
  },
  least: { justifyContent: 'space-evenly' },
  turned: { flexDirection: 'row-reverse' },
  release: { width: SIZE, height: SIZE, borderRadius: SIZE / 2 },
  dead: { opacity: 0.35 },
  pressed: { transform: [{ scale: 0.94 }] },
  side: { paddingHorizontal: 2 },
  meter: { minWidth: 56, paddingHorizontal: 2, flexGrow: 1, maxWidth: 88 },
  last: {
    minWidth: touch,
    height: touch,
    borderRadius: radius,
    backgroundColor: colour.raised,
    overflow: 'hidden',
    alignItems: 'center',
    justifyContent: 'center',
  },
  thumb: { width: touch, height: touch },
  waiting: {
    position: 'absolute',
    right: 0,
    bottom: 0,
    left: 0,
    alignItems: 'flex-end',
  },
  count: { backgroundColor: colour.chip, borderTopLeftRadius: radius, paddingHorizontal: 8 },
  thread: { alignSelf: 'stretch', height: 4 },
  left: { backgroundColor: colour.line },
  line: {
    minHeight: touch,
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.one,
    backgroundColor: colour.raised,
    borderRadius: radius,
    paddingHorizontal: 12,
  },
  bar: { flex: 1, height: 6, borderRadius: 3, backgroundColor: colour.line, overflow: 'hidden' },
  done: { height: 6, backgroundColor: colour.accent },
  failed: { flexGrow: 1, flexShrink: 1, flexBasis: 150, color: colour.warn },
  says: { flexGrow: 1, flexShrink: 1, flexBasis: 150 },
});
