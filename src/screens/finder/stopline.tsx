// The stopline on the main screen: raw by stops as the capture will have it, dragged sideways to change exposure, zoomed by two
// fingers, the wheel or + and −; a tap swaps in the picture.
import { useRef, useState } from 'react';
import { StyleSheet, View, type LayoutChangeEvent } from 'react-native';
import { carrierOf } from '../../core/exposure/automatic';
import { nearestStep } from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../live/desk-controls';
import { LADDERS } from '../../live/desk-state';
import { colour, radius, space } from '../../ui/theme';
import { useDrag } from '../../ui/use-drag';
import { Words } from '../../ui/words';
import { headroomWords, percentWords, rangeWords, valueWords } from './format';
import { PictureDrawing, ScopeBox, StoplineDrawing } from './scopes';
import { evPerPixel, WHOLE_AXIS, zoomed } from './stopline-path';

export function Stopline({ height, scope }: { height: number; scope: 'raw' | 'picture' }) {
  const ref = useRef<View>(null);
  const report = useDesk((d) => d.report);
  const controls = useDesk((d) => d.controls);
  const [width, setWidth] = useState(0);
  const [dragging, setDragging] = useState(false);
  const [axis, setAxis] = useState(WHOLE_AXIS);
  const heights = useDesk((d) => d.check.heights);
  const cleanDb = useDesk((d) => d.check.cleanDb);
  const start = useRef(0);
  const carrier = carrierOf(
    controls,
    useDesk((d) => hasIris(d.lens)),
  );
  const carried = carrier === 'shutter' ? controls.shutter.exact : controls.compensationEv;
  const index = nearestStep(LADDERS[carrier], carried);
  const { nudge, toggleScope } = useDesk.getState();
  useDrag(ref, {
    onStart: () => {
      start.current = index;
      setDragging(true);
    },
    onMove: (dx) => {
      const wanted = start.current + Math.round(dx * evPerPixel(width, axis) * 3);
      const now = useDesk.getState().controls;
      const at = nearestStep(
        LADDERS[carrier],
        carrier === 'shutter' ? now.shutter.exact : now.compensationEv,
      );
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
  const clipped = report ? percentWords(report.clippedOfFrame) : '–';
  const room = report ? headroomWords(report.headroomEv) : '';
  return (
    <View
      ref={ref}
      role="slider"
      tabIndex={0}
      aria-label="Stopline"
      aria-valuemin={0}
      aria-valuemax={LADDERS[carrier].length - 1}
      aria-valuenow={index}
      aria-valuetext={`Raw: ${clipped} will be clipped, ${room}. ${report ? `${rangeWords(report.range)}. ` : ''}Exposure through ${carrying}`}
      {...{ dataSet: { fromEv: axis.fromEv.toFixed(2), toEv: axis.toEv.toFixed(2) } }}
      testID={`stopline-${scope}`}
      style={styles.frame}
      onLayout={(e: LayoutChangeEvent) => setWidth(e.nativeEvent.layout.width - 2 * space.one)}
    >
      <View style={styles.head}>
        <Words kind="label" style={styles.name}>
          {scope === 'raw' ? 'Raw' : 'Picture'}
          {scope === 'raw' && report && !dragging && (
            <Words kind="label" quiet testID="range">
              {'  '}
              {rangeWords(report.range)}
            </Words>
          )}
        </Words>
        {dragging ? (
          <Words kind="label" style={styles.carrying}>
            {carrying}
          </Words>
        ) : scope === 'raw' ? (
          <Words kind="label" quiet>
            clipped{' '}
            <Words
              kind="label"
              testID="clip-share"
              style={report && report.clippedOfFrame > 0.001 && styles.clip}
            >
              {clipped}
            </Words>
            {' · '}
            <Words kind="label" testID="headroom">
              {room}
            </Words>
          </Words>
        ) : (
          <Words kind="label" quiet>
            developed: R, G, B and luminance
          </Words>
        )}
      </View>
      {report && width > 0 && (
        <ScopeBox height={height - 24}>
          {scope === 'raw' ? (
            <StoplineDrawing
              data={report.stopline}
              floorEv={report.floorEv}
              midGreyEv={report.midGreyEv}
              clean={{ ev: report.cleanEv, db: cleanDb }}
              tones={report.toneLimits}
              pins={report.pins}
              axis={axis}
              heights={heights}
              width={width}
              height={height - 24}
            />
          ) : (
            report.picture && (
              <PictureDrawing data={report.picture} width={width} height={height - 24} heights={heights} />
            )
          )}
        </ScopeBox>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  frame: {
    backgroundColor: colour.panel,
    borderRadius: radius,
    paddingHorizontal: space.one,
    paddingTop: 4,
    cursor: 'ew-resize' as 'pointer',
  },
  head: { height: 20, flexDirection: 'row', justifyContent: 'space-between' },
  name: { color: colour.text },
  clip: { color: colour.clip },
  carrying: { color: colour.accent },
});
