// The finder: the canvas that the camera draws on, what is read, and what the person switched on. A stroke down clears it, a stroke up brings
// back what was there.
import { useCallback, useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { useRawWords, useReport } from '../../live/report';
import { useWorld } from '../../live/world';
import { openFinder } from '../../live/feed';
import { useDesk } from '../../live/desk';
import { useReadOut } from '../../live/read-out';
import { useBody, useCamera, useOptic } from '../../live/in-use';
import { bodies, opticWith } from '../../live/camera';
import { LADDERS } from '../../live/desk-state';
import { at, CUT_LADDER, nearestStep } from '../../core/units/ladders';
import type { Camera } from '../../camera/port';
import type { Report } from '../../camera/report';
import { ARROWS } from '../../ui/arrows';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';
import { comparisonWords, HoldButton } from './check/hold';
import { FocusMark } from './focus-mark';
import { FrameLayer } from './frame-layer';
import { CutChip } from './cut-chip';
import { HistogramBox } from './histogram-box';
import { Loupe } from './loupe';
import { OutsideChip } from './outside-chip';
import { PinLayer } from './pins';
import { ReadArea } from './read-area';
import { ReadingNotes } from './reading';
import { WhiteLayer } from './white-layer';

export function FinderPicture({
  width,
  height,
  foot,
  bare,
  onOutside,
  onFrame,
  onPin,
}: {
  width: number;
  height: number;
  /** What lies on the picture's foot, pixels: what is switched on keeps clear of it. */
  foot: number;
  /** True where the picture has no room for anything but what is read. */
  bare: boolean;
  onOutside: () => void;
  onFrame: () => void;
  onPin: (what: 'pins' | 'hand') => void;
}) {
  const ref = useRef<View>(null);
  const state = useDesk((d) => d.camera);
  const { setSpot, addPin, clear } = useDesk.getState();
  const cleared = useDesk((d) => d.cleared);
  const stroke = useRef(0);
  const body = useBody();
  const camera = useCamera();
  const [attempt, setAttempt] = useState(0);
  const startAgain = useCallback(() => setAttempt((before) => before + 1), []);
  const spot = useDesk((d) => d.spot);
  const zoom = useZoom();
  const touches = useTouch(ref, {
    onTap: (x, y) => setSpot({ x, y }),
    onStart: () => {
      stroke.current = 0;
    },
    onMove: (_, dy) => {
      stroke.current = dy;
    },
    onEnd: () => {
      if (Math.abs(stroke.current) > STROKE_PX) clear(stroke.current > 0);
    },
    onLongPress: (x, y) => addPin({ x, y }),
    onZoom: zoom,
    onKey: (key) => {
      const step = ARROWS[key];
      if (!step) return false;
      setSpot({ x: spot.x + step[0] * 0.02, y: spot.y + step[1] * 0.02 });
      return true;
    },
  });
  return (
    <View style={{ width, height }}>
      <GestureDetector gesture={touches}>
        <View
          ref={ref}
          role="img"
          tabIndex={0}
          aria-label="Finder. Arrow keys move the spot, P puts a pin there."
          testID="finder"
          style={[StyleSheet.absoluteFill, styles.picture]}
        >
          <FinderCanvas key={attempt} camera={camera} onReplaced={startAgain} />
          {!cleared && <FrameLayer width={width} height={height} />}
          {!cleared && <ReadArea width={width} height={height} />}
        </View>
      </GestureDetector>
      {!cleared && (
        <>
          <PinLayer width={width} height={height} onPin={(pin) => onPin(pin === 'hand' ? 'hand' : 'pins')} />
          {!bare && (
            <View style={[styles.foot, { bottom: space.one + foot }]}>
              <HistogramBox width={width} />
            </View>
          )}
          {!bare && <Loupe width={width} height={height} />}
          <FocusMark width={width} height={height} />
          <WhiteLayer width={width} height={height} />
        </>
      )}
      <View style={[styles.top, cleared && styles.bare]}>
        {cleared ? (
          <Button
            label="Show"
            name="Show what was on the finder (B)"
            onPress={() => clear(false)}
            testID="show"
            style={styles.chip}
          />
        ) : (
          <>
            {body.arrangedWorld && !bare && <OutsideChip onPress={onOutside} />}
            {!bare && <CutChip onPress={onFrame} />}
            <DepthChip />
            <ReadingNotes />
            {!bare && <HoldButton testID="hold" />}
            <Held />
          </>
        )}
      </View>
      <Blink />
      <Count width={width} />
      {state.kind === 'starting' && (
        <View style={styles.middle}>
          <Words quiet>Opening the finder…</Words>
        </View>
      )}
      {state.kind === 'failed' && (
        <View style={[styles.middle, styles.dead]} role="alert">
          <Words style={styles.failed}>
            {state.message}.{state.what === 'finder' ? ' The picture stands still.' : ''}
          </Words>
          {state.what === 'finder' ? (
            <View style={styles.ways}>
              <Button
                label="Start the finder again"
                kind="primary"
                onPress={startAgain}
                testID="finder-again"
              />
              {!body.arrangedWorld && <OtherCamera />}
            </View>
          ) : (
            <Button
              label="Try again"
              kind="primary"
              onPress={useWorld.getState().tryAgain}
              testID="view-again"
            />
          )}
        </View>
      )}
    </View>
  );
}

/** Two fingers or the wheel: the device's own zoom where it has one, else the digital one. In steps; what is left of one is kept. */
function useZoom(): (times: number) => void {
  const { can } = useOptic();
  const [fader, ladder] = can.zoom ? (['zoom', LADDERS.zoom] as const) : (['cut', CUT_LADDER] as const);
  const wanted = useRef(1);
  return (times) => {
    const { settings, changeSetting, set } = useDesk.getState();
    const now = fader === 'cut' ? settings.cut.times : settings.zoom;
    if (nearestStep(ladder, wanted.current) !== nearestStep(ladder, now)) wanted.current = now;
    const most = at(ladder, ladder.length - 1).exact;
    wanted.current = Math.min(most, Math.max(1, wanted.current * times));
    const index = nearestStep(ladder, wanted.current);
    if (index === nearestStep(ladder, now)) return;
    if (fader === 'zoom') set('zoom', index);
    else if (can.cut) changeSetting('cut', { times: at(ladder, index).exact });
  };
}

/** The seconds that are left before a delayed release, to be read across a room. */
function Count({ width }: { width: number }) {
  const left = useDesk((d) => (d.capture.kind === 'waiting' ? d.capture.leftS : null));
  if (left === null) return null;
  const size = Math.min(260, width * 0.6);
  return (
    <View style={styles.count} aria-hidden>
      <Words style={[styles.digits, { fontSize: size, lineHeight: size * 1.1 }]}>{left}</Words>
    </View>
  );
}

/** How long the picture dims when a press is safe: once a press, whatever it takes. */
const BLINK_MS = 90;

/** Tells the eye that the press was taken. */
function Blink() {
  const taken = useDesk((d) => d.taken);
  const [shown, setShown] = useState(0);
  useEffect(() => {
    if (taken === shown) return;
    const timer = setTimeout(() => setShown(taken), BLINK_MS);
    return () => clearTimeout(timer);
  }, [taken, shown]);
  return taken === shown ? null : <View style={[StyleSheet.absoluteFill, styles.blink]} />;
}

/** The canvas is made outside React: once its drawing is handed to a worker it must never be made again. */
function FinderCanvas({ camera, onReplaced }: { camera: Camera; onReplaced: () => void }) {
  const host = useRef<View>(null);
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    const canvas = document.createElement('canvas');
    Object.assign(canvas.style, { width: '100%', height: '100%', display: 'block', objectFit: 'cover' });
    element.appendChild(canvas);
    const controller = new AbortController();
    const show = (report: Report) => {
      const { frame, view, seq, stageMs, reading, pins } = report;
      fitTo(canvas, report.zoomTimes);
      // For whoever measures the page from outside.
      const ms = Object.values(stageMs).reduce((sum, stage) => sum + stage, 0);
      if (!canvas.dataset.frame) performance.mark('velmo-first-frame');
      canvas.dataset.frameMs = ms.toFixed(1);
      canvas.dataset.frame = String(frame);
      canvas.dataset.order = String(seq);
      canvas.dataset.stageMs = JSON.stringify(stageMs);
      canvas.dataset.scene = view;
      canvas.dataset.focus = report.focus?.state ?? '';
      canvas.dataset.zoom = report.zoomTimes.toFixed(2);
      // Finer than words are.
      canvas.dataset.ev100 = reading.ev100.toFixed(3);
      canvas.dataset.pins = pins
        .map(({ letter, fromGreyEv }) => `${letter}${fromGreyEv.toFixed(3)}`)
        .join(' ');
    };
    void openFinder(camera, canvas, controller.signal, show, onReplaced);
    // Until the finder has followed, what it showed last is drawn as large as it will be.
    const stopZoom = useDesk.subscribe(() => {
      const shown = useReport.getState().report?.zoomTimes;
      if (shown !== undefined) fitTo(canvas, shown);
    });
    const tellTaken = () => {
      canvas.dataset.taken = String(useDesk.getState().taken);
      canvas.dataset.reading = String(useReadOut.getState().busy);
    };
    tellTaken();
    const stopTaken = [useDesk.subscribe(tellTaken), useReadOut.subscribe(tellTaken)];
    // Words follow more slowly than frames do.
    const stop = useReport.subscribe(({ words }) => {
      canvas.dataset.said = String(words?.frame ?? '');
    });
    return () => {
      stop();
      stopZoom();
      stopTaken.forEach((end) => end());
      controller.abort();
      canvas.remove();
    };
  }, [camera, onReplaced]);
  return <View ref={host} style={StyleSheet.absoluteFill} />;
}

/** Scales what is shown to the zoom that is set. */
function fitTo(canvas: HTMLCanvasElement, shownTimes: number): void {
  const { settings, optic } = useDesk.getState();
  const wanted = 'cut' in opticWith(optic).can ? settings.cut.times : 1;
  const by = wanted / shownTimes;
  canvas.style.transform = Math.abs(by - 1) < 1e-6 ? '' : `scale(${by})`;
}

/** The way back from a camera that does not come. */
function OtherCamera() {
  const other = bodies().find(({ arrangedWorld }) => arrangedWorld);
  const { takeBody } = useDesk.getState();
  if (!other) return null;
  return <Button label={`Take ${other.name}`} onPress={() => takeBody(other.id)} testID="other-camera" />;
}

/** While distances are shown in place of the picture: what they are, and the way back. */
function DepthChip() {
  const { seesDepth } = useOptic();
  const depth = useDesk((d) => d.depth);
  const { setDepth } = useDesk.getState();
  if (!depth || !seesDepth) return null;
  return (
    <Button
      label="Distances: near is bright. Back"
      onPress={() => setDepth(false)}
      testID="depth-back"
      style={styles.chip}
    />
  );
}

/** What the exposure that is held up does to raw and to the picture. */
function Held() {
  const holding = useDesk((d) => d.holding);
  const compared = useRawWords((r) => r.comparison);
  const comparison = holding ? compared : null;
  if (!comparison) return null;
  return (
    <View style={styles.heldWords} role="status" testID="comparison">
      <Words kind="label">{comparisonWords(comparison)}</Words>
    </View>
  );
}

/** A stroke at least this long clears the finder or brings it back, pixels. */
const STROKE_PX = 70;

const styles = StyleSheet.create({
  picture: { backgroundColor: colour.halo, overflow: 'hidden', cursor: 'crosshair' as 'pointer' },
  over: { position: 'absolute', left: 0, top: 0, pointerEvents: 'none' },
  top: {
    position: 'absolute',
    ...{ top: space.half, left: space.one, right: space.one },
    gap: space.half,
    alignItems: 'flex-start',
    pointerEvents: 'box-none',
  },
  bare: { alignItems: 'flex-end' },
  count: {
    ...StyleSheet.absoluteFill,
    alignItems: 'center',
    justifyContent: 'center',
    pointerEvents: 'none',
  },
  digits: {
    paddingHorizontal: space.three,
    borderRadius: radius,
    backgroundColor: colour.chip,
    fontVariant: ['tabular-nums'],
  },
  blink: { backgroundColor: colour.ground, opacity: 0.6, pointerEvents: 'none' },
  chip: { backgroundColor: colour.chip },
  ways: { flexDirection: 'row', flexWrap: 'wrap', justifyContent: 'center', gap: space.one },
  foot: { position: 'absolute', left: space.one, pointerEvents: 'none' },
  heldWords: {
    maxWidth: 220,
    backgroundColor: colour.chip,
    borderRadius: radius,
    padding: space.one,
    pointerEvents: 'none',
  },
  middle: {
    ...StyleSheet.absoluteFill,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.two,
    padding: space.three,
    pointerEvents: 'box-none',
  },
  // What stands still must not be taken for what is there now.
  dead: { backgroundColor: colour.chip, pointerEvents: 'auto' },
  failed: { textAlign: 'center', color: colour.warn },
});
