// Where the automatic focus looks: a lozenge on the picture, broken while it searches. Without a spot it chooses the place, else it lies with the
// spot until the person gives it a place of its own; then it can be dragged.
import { useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import Svg, { Path } from 'react-native-svg';
import type { FocusInUse } from '../../core/focus/follow';
import type { FramePoint } from '../../core/meter/luminance-map';
import { lengthWords, type LengthUnit } from '../../core/units/lengths';
import { useDesk } from '../../live/desk';
import { useOptic } from '../../live/in-use';
import { useReport } from '../../live/report';
import { ARROWS } from '../../ui/arrows';
import { colour, radius, touch } from '../../ui/theme';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';

const REACH = 13;
const KEY_STEP = 0.02;

/** How the lens came to stand where it stands. */
export function focusWords(focus: FocusInUse | null, lengths: LengthUnit): string {
  if (!focus) return 'The device focuses by itself and does not tell how';
  const { state, focusM, why, tookS } = focus;
  const stands = lengthWords(focusM, lengths);
  if (state === 'fixed') return `Fixed at ${stands}`;
  if (state === 'hand') return `${stands}, set by hand`;
  if (state === 'waiting') return `${stands}, until the whole picture is there`;
  if (state === 'searching') return `Searching: ${stands}`;
  const { wide } = focus;
  if (state === 'found')
    return `${stands}${tookS === null ? '' : `, found in ${tookS.toFixed(2)} s`}${wide ? ' in a wider area: the place itself is plain' : ''}`;
  const reason = why === 'dark' ? 'too dark there to see detail' : 'nothing there that gets sharp: too plain';
  return `Not found: ${reason}. It stands at ${stands}, where most is sharp`;
}

export function FocusMark({ width, height }: { width: number; height: number }) {
  const auto = useDesk((d) => d.settings.focus.auto);
  const focusAt = useDesk((d) => d.focusAt);
  const spot = useDesk((d) => d.spot);
  const spotted = useDesk((d) => d.settings.meter.pattern === 'spot');
  const state = useReport((r) => r.report?.focus?.state ?? null);
  const looked = useReport((r) => r.report?.focus?.at ?? null);
  const { can } = useOptic();
  if (!auto || !can.focus || state === null || !looked) return null;
  const at = spotted ? spot : looked;
  if (focusAt) return <OwnPlace at={focusAt} state={state} width={width} height={height} />;
  return (
    <View
      style={[styles.still, { left: at.x * width - REACH, top: at.y * height - REACH }]}
      testID="focus-mark"
      aria-hidden
    >
      <Lozenge state={state} />
    </View>
  );
}

function OwnPlace({
  at,
  state,
  width,
  height,
}: {
  at: FramePoint;
  state: FocusInUse['state'];
  width: number;
  height: number;
}) {
  const ref = useRef<View>(null);
  const from = useRef(at);
  const lengths = useDesk((d) => d.lengths);
  const said = useReport((r) => focusWords(r.words?.focus ?? null, lengths));
  const { setFocusAt, lookAgain } = useDesk.getState();
  const now = () => useDesk.getState().focusAt ?? at;
  const touches = useTouch(ref, {
    onStart: () => {
      from.current = now();
    },
    onMove: (dx, dy) => setFocusAt({ x: from.current.x + dx / width, y: from.current.y + dy / height }),
    onTap: lookAgain,
    onDoubleTap: () => setFocusAt(null),
    onKey: (key) => {
      const step = ARROWS[key];
      if (step) setFocusAt({ x: now().x + step[0] * KEY_STEP, y: now().y + step[1] * KEY_STEP });
      else if (key === 'Enter') lookAgain();
      else if (key === 'Delete' || key === 'Backspace') setFocusAt(null);
      else return false;
      return true;
    },
  });
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="button"
        tabIndex={0}
        aria-label={`Focus place: ${said}. Arrow keys move it, Enter looks again, Delete gives it back to the spot`}
        testID="focus-place"
        style={[styles.handle, { left: at.x * width - touch / 2, top: at.y * height - touch / 2 }]}
      >
        <Lozenge state={state} />
        <View style={styles.label}>
          <Words kind="label">focus</Words>
        </View>
      </View>
    </GestureDetector>
  );
}

function Lozenge({ state }: { state: FocusInUse['state'] }) {
  const d = `M${REACH} 2L${2 * REACH - 2} ${REACH}L${REACH} ${2 * REACH - 2}L2 ${REACH}Z`;
  const dash = state === 'searching' || state === 'waiting' ? '4 4' : undefined;
  return (
    <Svg width={2 * REACH} height={2 * REACH} style={styles.svg}>
      <Path
        d={d}
        fill="none"
        stroke={colour.halo}
        strokeOpacity={0.6}
        strokeWidth={4}
        strokeDasharray={dash}
      />
      <Path
        d={d}
        fill="none"
        stroke={state === 'failed' ? colour.warn : colour.mark}
        strokeWidth={state === 'found' ? 2 : 1.5}
        strokeDasharray={dash}
      />
      {state === 'failed' && <Path d={`M7 ${REACH}H${2 * REACH - 7}`} stroke={colour.warn} strokeWidth={2} />}
    </Svg>
  );
}

const styles = StyleSheet.create({
  still: { position: 'absolute', pointerEvents: 'none' },
  handle: {
    position: 'absolute',
    width: touch,
    height: touch,
    alignItems: 'center',
    justifyContent: 'center',
    cursor: 'grab' as 'pointer',
  },
  svg: { pointerEvents: 'none' },
  label: {
    position: 'absolute',
    top: touch - 8,
    paddingHorizontal: 5,
    borderRadius: radius,
    backgroundColor: colour.chip,
    pointerEvents: 'none',
  },
});
