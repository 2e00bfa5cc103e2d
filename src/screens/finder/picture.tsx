// The finder: the canvas that the camera draws on, what is read, and at most one remedy at its foot.
import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import Svg, { Circle, Ellipse } from 'react-native-svg';
import { firstRemedy } from '../../core/advice/remedy';
import { patternOf } from '../../core/meter/read';
import { formatThirds, formatEv } from '../../core/units/ladders';
import { camera } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { Button } from '../../ui/button';
import { colour, radius, space } from '../../ui/theme';
import { useDrag } from '../../ui/use-drag';
import { Words } from '../../ui/words';
import { luminanceWords } from './format';
import { OutsideChip } from './outside';

export function FinderPicture({
  width,
  height,
  onOutside,
}: {
  width: number;
  height: number;
  onOutside: () => void;
}) {
  const ref = useRef<View>(null);
  const state = useDesk((d) => d.camera);
  const setSpot = useDesk((d) => d.setSpot);
  const spot = useDesk((d) => d.spot);
  useDrag(ref, {
    onTap: (x, y) => setSpot({ x, y }),
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
        aria-label="Finder. Arrow keys move the spot."
        testID="finder"
        style={[StyleSheet.absoluteFill, styles.picture]}
      >
        <FinderCanvas />
        <ReadArea width={width} height={height} />
      </View>
      <View style={styles.top}>
        <View style={styles.topLeft}>
          <ReadingChip />
          {camera.profile.arrangedWorld && <OutsideChip onPress={onOutside} />}
        </View>
        <View style={styles.rail}>
          <ClipSwitch />
          <LensRail />
        </View>
      </View>
      {state.kind === 'starting' && (
        <View style={styles.middle}>
          <Words quiet>Opening the finder…</Words>
        </View>
      )}
      {state.kind === 'failed' && (
        <View style={styles.middle} role="alert">
          <Words style={styles.failed}>{state.message}</Words>
          <Button label="Try again" kind="primary" onPress={() => window.location.reload()} />
        </View>
      )}
      <RemedyLine />
    </View>
  );
}

const SPOT_KEYS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The canvas is made outside React: once its drawing is handed to the worker it must never be made again. */
function FinderCanvas() {
  const host = useRef<View>(null);
  useEffect(() => {
    const element = host.current as unknown as HTMLElement | null;
    if (!element) return;
    const canvas = document.createElement('canvas');
    Object.assign(canvas.style, { width: '100%', height: '100%', display: 'block', objectFit: 'cover' });
    element.appendChild(canvas);
    const { setReport, setCamera, setSceneStatus } = useDesk.getState();
    let first = true;
    camera
      .open(
        canvas,
        (report) => {
          setReport(report);
          // For whoever measures the page from outside.
          canvas.dataset.frameMs = Object.values(report.stageMs)
            .reduce((sum, ms) => sum + ms, 0)
            .toFixed(1);
          canvas.dataset.frame = String(report.frame);
          canvas.dataset.stageMs = JSON.stringify(report.stageMs);
          canvas.dataset.scene = `${report.scene}.${report.lens}`;
          if (first) {
            performance.mark('velmo-first-frame');
            setCamera({ kind: 'live' });
          }
          first = false;
        },
        setSceneStatus,
      )
      .catch((error: unknown) => {
        setCamera({ kind: 'failed', message: error instanceof Error ? error.message : String(error) });
      });
    return () => {
      camera.close();
      canvas.remove();
      setCamera({ kind: 'starting' });
    };
  }, []);
  return <View ref={host} style={StyleSheet.absoluteFill} />;
}

/** The area that the meter reads. */
function ReadArea({ width, height }: { width: number; height: number }) {
  const pattern = useDesk((d) => d.pattern);
  const spot = useDesk((d) => d.spot);
  const area = patternOf(pattern).area(spot, width / height);
  if (area.kind === 'frame') return null;
  const [cx, cy, rx, ry] = [area.cx * width, area.cy * height, area.rx * width, area.ry * height];
  const dash = pattern === 'centre' ? '5 5' : undefined;
  return (
    <Svg width={width} height={height} style={styles.over} aria-hidden>
      <Ellipse
        cx={cx}
        cy={cy}
        rx={rx + 1}
        ry={ry + 1}
        fill="none"
        stroke="#000"
        strokeOpacity={0.5}
        strokeWidth={4}
        strokeDasharray={dash}
      />
      <Ellipse
        cx={cx}
        cy={cy}
        rx={rx}
        ry={ry}
        fill="none"
        stroke={colour.text}
        strokeWidth={2}
        strokeDasharray={dash}
      />
      {pattern === 'spot' && <Circle cx={cx} cy={cy} r={2.5} fill={colour.text} />}
    </Svg>
  );
}

function ReadingChip() {
  const report = useDesk((d) => d.report);
  const locked = useDesk((d) => d.lockedEv100);
  if (!report) return <View />;
  const ev = locked ?? report.ev100;
  const deviation = report.deviationEv;
  return (
    <View style={styles.chip}>
      <Words kind="body" testID="reading">
        {locked === null ? '' : 'Locked · '}EV {formatEv(ev).replace('+', '')} ·{' '}
        {luminanceWords(report.luminance)} ·{' '}
        <Words kind="body" testID="deviation" style={Math.abs(deviation) > 0.5 && styles.warn}>
          {Math.abs(deviation) < 1 / 6 + 0.07
            ? 'on the meter'
            : `${formatThirds(deviation)} (${formatEv(deviation)})`}
        </Words>
      </Words>
    </View>
  );
}

/** From the longest lens down to the widest: up is farther. */
function LensRail() {
  const lens = useDesk((d) => d.lens);
  const setLens = useDesk((d) => d.setLens);
  return (
    <View role="group" aria-label="Lens" style={styles.lenses}>
      {[...camera.profile.lenses].reverse().map(({ id, equivalentMm, name }) => (
        <Button
          key={id}
          label={String(equivalentMm)}
          name={`${equivalentMm} mm lens, ${name}`}
          on={id === lens}
          onPress={() => setLens(id)}
          testID={`lens-${id}`}
          style={styles.lens}
        />
      ))}
    </View>
  );
}

function ClipSwitch() {
  const on = useDesk((d) => d.clipMarks);
  const toggle = useDesk((d) => d.toggleClipMarks);
  return (
    <Button
      label="Clip"
      name="Clip marks (O)"
      on={on}
      onPress={toggle}
      testID="clip-marks"
      style={styles.chipButton}
    />
  );
}

function RemedyLine() {
  const report = useDesk((d) => d.report);
  const controls = useDesk((d) => d.controls);
  const set = useDesk((d) => d.set);
  const setAutomatic = useDesk((d) => d.setAutomatic);
  const capture = useDesk((d) => d.capture);
  if (!report || capture.kind !== 'idle') return null;
  const remedy = firstRemedy({
    controls,
    shutterS: report.settings.shutterS,
    outOfRangeEv: report.outOfRangeEv,
    headroomEv: report.headroomEv,
    clippedOfFrame: report.clippedOfFrame,
    largestClippedShare: Math.max(...report.clippedShare),
    deviationEv: report.deviationEv,
  });
  if (!remedy) return null;
  const { action } = remedy;
  return (
    <View style={[styles.remedy, !action && styles.remedyAlone]} testID="remedy">
      <Words style={styles.warn}>{remedy.says}</Words>
      {action && (
        <Button
          label={action.label}
          kind="primary"
          onPress={() =>
            action.index === 'auto' ? setAutomatic(action.fader) : set(action.fader, action.index)
          }
          style={styles.remedyAction}
          testID="remedy-action"
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  picture: { backgroundColor: '#000', overflow: 'hidden', cursor: 'crosshair' as 'pointer' },
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
  chip: {
    backgroundColor: colour.chip,
    borderRadius: radius,
    paddingHorizontal: 12,
    minHeight: 32,
    justifyContent: 'center',
    pointerEvents: 'none',
  },
  chipButton: { backgroundColor: colour.chip },
  middle: {
    ...StyleSheet.absoluteFill,
    alignItems: 'center',
    justifyContent: 'center',
    gap: space.two,
    padding: space.three,
    pointerEvents: 'box-none',
  },
  failed: { textAlign: 'center', color: colour.warn },
  warn: { color: colour.warn },
  remedy: {
    position: 'absolute',
    left: space.one,
    bottom: space.one,
    maxWidth: '96%',
    flexDirection: 'row',
    alignItems: 'center',
    backgroundColor: colour.chip,
    borderRadius: radius,
    paddingLeft: 12,
    minHeight: 44,
  },
  remedyAlone: { paddingRight: 12 },
  remedyAction: { marginLeft: 12, minHeight: 44 },
});
