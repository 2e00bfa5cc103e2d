// The stopline on the main screen: raw by stops as the capture will have it, dragged sideways to change exposure, zoomed by two
// fingers, the wheel or + and −; a tap swaps in the picture.
import { useRef, useState } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { GestureDetector } from 'react-native-gesture-handler';
import { carrierOf } from '../../core/exposure/automatic';
import { driveOf } from '../../core/sequence/in-use';
import { nearestStep } from '../../core/units/ladders';
import { exactOf } from '../../live/desk-controls';
import { latestReport, rawOf, reasonOf, useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/camera';
import { useBody, useOptic } from '../../live/in-use';
import { LADDERS } from '../../live/desk-state';
import { colour, radius, rem, space } from '../../ui/theme';
import { evPerPixel, WHOLE_AXIS, zoomed } from '../../ui/scopes/shape';
import { useTextSize } from '../../ui/text-size';
import { useTouch } from '../../ui/use-touch';
import { Words } from '../../ui/words';
import { headroomFigure, headroomWords, percentWords, rangeWords, valueWords } from './format';
import { LiveScope } from './live-scope';

/** What the frames of the set hold that is chosen; while none is, of the one that the scene asks for, as long as that is being told. */
function useSpans() {
  const settings = useDesk((d) => d.settings);
  const plan = useDesk((d) => d.planShown);
  const { lightThirds } = driveOf(settings, useOptic());
  if (lightThirds) return { thirds: lightThirds, token: 'accent' as const };
  return plan && { thirds: plan, token: 'good' as const };
}

/** Narrower than this the head has no room for the scene's range. */
const RANGE_FROM = 340;
/** Narrower than this it has room for the figures and hardly a word: beside a panel, or with large text. */
const WORDS_FROM = 250;
/** Narrower than this, beside a panel with large text, for what clips only. */
const HEADROOM_FROM = 130;

export function Stopline({ height, scope }: { height: number; scope: 'raw' | 'picture' }) {
  const ref = useRef<View>(null);
  const words = useReport((r) => r.words);
  const said = rawOf(words);
  const controls = useDesk((d) => d.settings);
  const { evidence } = useBody();
  const { whiteOnPicture } = useOptic();
  const whiteOn = whiteOnPicture === true && !controls.white.auto;
  const text = useTextSize();
  const [width, setWidth] = useState(0);
  const [dragging, setDragging] = useState(false);
  const [axis, setAxis] = useState(WHOLE_AXIS);
  const heights = useDesk((d) => d.check.heights);
  const cleanDb = useDesk((d) => d.check.cleanDb);
  const spans = useSpans();
  const start = useRef(0);
  const carrier = carrierOf(
    controls,
    useDesk((d) => hasIris(d.optic)),
  );
  const carried = exactOf(controls, words, carrier);
  const index = nearestStep(LADDERS[carrier], carried);
  const { nudge, toggleScope } = useDesk.getState();
  const touches = useTouch(ref, {
    onStart: () => {
      start.current = nearestStep(
        LADDERS[carrier],
        exactOf(useDesk.getState().settings, latestReport(), carrier),
      );
      setDragging(true);
    },
    onMove: (dx) => {
      const wanted = start.current + Math.round(dx * evPerPixel(width, axis) * 3);
      const now = exactOf(useDesk.getState().settings, latestReport(), carrier);
      const at = nearestStep(LADDERS[carrier], now);
      if (wanted !== at) nudge(wanted - at);
    },
    onEnd: () => setDragging(false),
    onTap: () => toggleScope(),
    onZoom: (times, about) => scope === 'raw' && setAxis((now) => zoomed(now, times, about)),
    onKey: (key) => {
      if (key === 'ArrowRight' || key === 'ArrowUp') nudge(1);
      else if (key === 'ArrowLeft' || key === 'ArrowDown') nudge(-1);
      else if (key === 'Enter') toggleScope();
      else if (key === '+' || key === '=') setAxis((now) => zoomed(now, 1.25, 0.5));
      else if (key === '-') setAxis((now) => zoomed(now, 1 / 1.25, 0.5));
      else return false;
      return true;
    },
  });
  const carrying = `${carrier === 'shutter' ? 'Shutter' : 'Compensation'} ${valueWords(carrier, carried)}`;
  const clipped = said ? percentWords(said.clippedOfFrame) : '–';
  const room = said ? headroomWords(said.headroomEv) : '';
  const narrow = width > 0 && width < WORDS_FROM * text;
  const tiny = width > 0 && width < HEADROOM_FROM * text;
  const unknown = reasonOf(words?.raw);
  const share = (
    <Words kind="label" testID="clip-share" style={said && said.clippedOfFrame > 0.001 && styles.clip}>
      {clipped}
    </Words>
  );
  return (
    <GestureDetector gesture={touches}>
      <View
        ref={ref}
        role="slider"
        tabIndex={0}
        aria-label="Stopline"
        aria-valuemin={0}
        aria-valuemax={LADDERS[carrier].length - 1}
        aria-valuenow={index}
        aria-valuetext={`${said ? `Raw: ${clipped} will be clipped, ${room}. ${rangeWords(said.range)}` : `Raw: ${unknown ?? 'not yet'}`}. Exposure through ${carrying}`}
        {...{ dataSet: { fromEv: axis.fromEv.toFixed(2), toEv: axis.toEv.toFixed(2) } }}
        testID={`stopline-${scope}`}
        style={styles.frame}
        onLayout={(e: LayoutChangeEvent) => setWidth(e.nativeEvent.layout.width - 2 * space.one)}
      >
        <View style={styles.head}>
          <Words kind="label" style={styles.name} numberOfLines={1}>
            {scope === 'raw' ? 'Raw' : 'Picture'}
            {scope === 'raw' && said && !dragging && narrow && <> clips {share}</>}
            {scope === 'raw' && said && !dragging && width >= RANGE_FROM * text && (
              <Words kind="label" quiet testID="range">
                {'  '}
                {rangeWords(said.range)}
              </Words>
            )}
          </Words>
          {dragging ? (
            <Words kind="label" style={styles.carrying}>
              {carrying}
            </Words>
          ) : scope === 'raw' && !said ? (
            <Words kind="label" quiet testID="no-raw">
              {unknown ?? 'not yet'}
            </Words>
          ) : scope === 'raw' ? (
            <Words kind="label" quiet numberOfLines={1}>
              {!narrow && (
                <>
                  clipped {share}
                  {' · '}
                </>
              )}
              {!tiny && (
                <Words kind="label" testID="headroom">
                  {narrow && said ? headroomFigure(said.headroomEv) : room}
                </Words>
              )}
            </Words>
          ) : (
            <Words kind="label" quiet>
              {evidence === 'raw' ? 'developed' : whiteOn ? 'with white put on it' : 'as the device made it'}
              {width >= RANGE_FROM * text ? ': R, G, B and luminance' : ''}
            </Words>
          )}
        </View>
        {width > 0 && (
          <LiveScope
            width={width}
            height={height - HEAD * text}
            look={
              scope === 'raw' ? { kind: 'raw', axis, heights, cleanDb, spans } : { kind: 'picture', heights }
            }
          />
        )}
      </View>
    </GestureDetector>
  );
}

/** Height of the words and of the space above them. */
const HEAD = 24;

const styles = StyleSheet.create({
  frame: {
    backgroundColor: colour.panel,
    borderRadius: radius,
    paddingHorizontal: space.one,
    paddingTop: rem(4),
    cursor: 'ew-resize' as 'pointer',
  },
  head: {
    height: rem(HEAD - 4),
    flexDirection: 'row',
    justifyContent: 'space-between',
    columnGap: space.one,
  },
  name: { color: colour.text },
  clip: { color: colour.clip },
  carrying: { color: colour.accent },
});
