// The finder: the canvas that the camera draws on, what is read, and at most one remedy at its foot. A stroke down clears it, a
// stroke up brings back what was there.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useRawWords, useReport } from '../../live/report';
import { useWorld } from '../../live/world';
import { openFinder } from '../../live/feed';
import { useDesk } from '../../live/desk';
import { bodyWith, cameraWith } from '../../live/camera';
import type { Camera } from '../../camera/port';
import { isUnknown } from '../../core/units/known';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { useDrag } from '../../ui/use-drag';
import { Words } from '../../ui/words';
import { fitLabel } from './check/fit-panel';
import { comparisonWords, HoldButton } from './check/hold';
import { HistogramBox } from './histogram-box';
import { Loupe } from './loupe';
import { OutsideChip } from './outside';
import { PinLayer } from './pins';
import { ReadArea } from './read-area';
import { ReadingChip } from './reading';
import { RemedyLine } from './remedies';

export function FinderPicture({
  width,
  height,
  onOutside,
  onPin,
  onRemedies,
  onCheck,
  remedies = true,
}: {
  width: number;
  height: number;
  onOutside: () => void;
  onPin: (what: 'pins' | 'hand') => void;
  onRemedies: () => void;
  onCheck: () => void;
  /** False where the list of remedies stands beside the picture. */
  remedies?: boolean;
}) {
  const ref = useRef<View>(null);
  const state = useDesk((d) => d.camera);
  const { setSpot, addPin, clear } = useDesk.getState();
  const cleared = useDesk((d) => d.cleared);
  const stroke = useRef(0);
  const optic = useDesk((d) => d.optic);
  const body = bodyWith(optic);
  const [attempt, setAttempt] = useState(0);
  const spot = useDesk((d) => d.spot);
  useDrag(ref, {
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
    onKey: (key) => {
      const step = SPOT_KEYS[key];
      if (!step) return false;
      setSpot({ x: spot.x + step[0] * 0.02, y: spot.y + step[1] * 0.02 });
      return true;
    },
  });
  return (
    <View style={{ width, height }}>
      <View
        ref={ref}
        role="img"
        tabIndex={0}
        aria-label="Finder. Arrow keys move the spot, P puts a pin there."
        testID="finder"
        style={[StyleSheet.absoluteFill, styles.picture]}
      >
        <FinderCanvas key={attempt} camera={cameraWith(optic)} />
        {!cleared && <ReadArea width={width} height={height} />}
      </View>
      {cleared ? (
        <View style={[styles.top, styles.bare]}>
          <Button
            label="Show"
            name="Show what was on the finder (B)"
            onPress={() => clear(false)}
            testID="show"
            style={styles.chipButton}
          />
        </View>
      ) : (
        <>
          <PinLayer width={width} height={height} onPin={(pin) => onPin(pin === 'hand' ? 'hand' : 'pins')} />
          <View style={styles.foot}>
            <HistogramBox width={width} />
          </View>
          <Loupe width={width} height={height} />
          <View style={styles.top}>
            <View style={styles.topLeft}>
              <ReadingChip />
              {body.arrangedWorld && <OutsideChip onPress={onOutside} />}
              <HoldButton testID="hold" />
              <Held />
            </View>
            <View style={styles.rail}>
              <CheckButtons onCheck={onCheck} />
              <LensRail />
            </View>
          </View>
        </>
      )}
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
            <Button
              label="Start the finder again"
              kind="primary"
              onPress={() => setAttempt(attempt + 1)}
              testID="finder-again"
            />
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
      {remedies && !cleared && <RemedyLine onAll={onRemedies} />}
    </View>
  );
}

const SPOT_KEYS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The canvas is made outside React: once its drawing is handed to a worker it must never be made again. */
function FinderCanvas({ camera }: { camera: Camera }) {
  const host = useRef<View>(null);
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    const canvas = document.createElement('canvas');
    Object.assign(canvas.style, { width: '100%', height: '100%', display: 'block', objectFit: 'cover' });
    element.appendChild(canvas);
    const controller = new AbortController();
    void openFinder(camera, canvas, controller.signal, ({ frame, view, seq, stageMs }) => {
      // For whoever measures the page from outside.
      const ms = Object.values(stageMs).reduce((sum, stage) => sum + stage, 0);
      if (!canvas.dataset.frame) performance.mark('velmo-first-frame');
      canvas.dataset.frameMs = ms.toFixed(1);
      canvas.dataset.frame = String(frame);
      canvas.dataset.order = String(seq);
      canvas.dataset.stageMs = JSON.stringify(stageMs);
      canvas.dataset.scene = view;
    });
    // Words follow more slowly than frames do.
    const stop = useReport.subscribe(({ words }) => {
      canvas.dataset.said = String(words?.frame ?? '');
    });
    return () => {
      stop();
      controller.abort();
      canvas.remove();
    };
  }, [camera]);
  return <View ref={host} style={StyleSheet.absoluteFill} />;
}

/** From the longest lens down to the widest: up is farther. */
function LensRail() {
  const lens = useDesk((d) => d.optic);
  const setOptic = useDesk((d) => d.setOptic);
  const { optics } = bodyWith(lens);
  if (optics.length < 2) return null;
  return (
    <View role="group" aria-label="Lens" style={styles.lenses}>
      {[...optics].reverse().map(({ id, equivalentMm, name }) => (
        <Button
          key={id}
          label={isUnknown(equivalentMm) ? name : String(equivalentMm)}
          name={isUnknown(equivalentMm) ? name : `${equivalentMm} mm lens, ${name}`}
          on={id === lens}
          onPress={() => setOptic(id)}
          testID={`lens-${id}`}
          style={styles.lens}
        />
      ))}
    </View>
  );
}

/** The way to all checks, the one action that fits exposure to the highlights, and the bare finder. */
function CheckButtons({ onCheck }: { onCheck: () => void }) {
  const fit = useRawWords((r) => r.fit);
  const { takeFit, clear } = useDesk.getState();
  return (
    <>
      <Button
        label="Check"
        name="Check: marks, zebra, histograms, fit, compare, view (K)"
        onPress={onCheck}
        testID="check"
        style={styles.chipButton}
      />
      {fit && fit.thirds !== 0 && (
        <Button
          label={fitLabel(fit)}
          name={`${fitLabel(fit)} EV: exposes to the highlights (U)`}
          onPress={() => takeFit(fit)}
          testID="fit-now"
          style={styles.chipButton}
        />
      )}
      <Button
        label="Bare"
        name="Bare: clears the finder (B)"
        onPress={() => clear(true)}
        testID="clear"
        style={styles.chipButton}
      />
    </>
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
    left: space.one,
    right: space.one,
    top: space.one,
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'flex-start',
    pointerEvents: 'box-none',
  },
  topLeft: { gap: space.one, alignItems: 'flex-start', pointerEvents: 'box-none' },
  rail: { gap: space.one, alignItems: 'flex-end', pointerEvents: 'box-none' },
  lenses: { borderRadius: radius, overflow: 'hidden', backgroundColor: colour.chip },
  lens: { backgroundColor: 'transparent', paddingHorizontal: 0, borderRadius: 0 },
  chipButton: { backgroundColor: colour.chip },
  bare: { justifyContent: 'flex-end' },
  foot: { position: 'absolute', left: space.one, bottom: 64, pointerEvents: 'none' },
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
  warn: { color: colour.warn },
});
