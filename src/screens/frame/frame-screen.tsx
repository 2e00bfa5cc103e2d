// One frame: the picture at any scale, developed or a channel of raw, its histograms, what clips, all that is known of it, and what is thought of it.
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { partsOfFrame, type FrameRecord } from '../../core/frame/record';
import { useRoll } from '../../library/roll';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { say, saidByKey } from '../rolls/verdicts';
import { useFrameInView } from './frame-in-view';
import { FramePanels } from './frame-panels';
import { FramePicture } from './frame-picture';
import { Head } from './head';
import { LookBar } from './look-bar';
import { useNeighbours, type Neighbours } from './neighbours';
import { useAhead } from './opened';
import { ReframingPanel } from './reframing-panel';
import { useSizes } from './sizes';
import { VerdictBar } from './verdict-bar';
import { useViewing } from './viewing';

export function FrameScreen({ id }: { id: string }) {
  const router = useRouter();
  const { data, isPending } = useRoll();
  const record = data?.frames.find((f) => f.id === id);
  if (!record) {
    return (
      <View style={[styles.page, styles.middle]} role="main" aria-label="Frame">
        <Words quiet>{isPending ? 'Reading the roll…' : 'This frame is not in the roll.'}</Words>
        {!isPending && (
          <Button label="To the sheet" kind="primary" onPress={() => router.replace('/sheet')} />
        )}
      </View>
    );
  }
  return <OpenFrame key={record.id} record={record} />;
}

function OpenFrame({ record }: { record: FrameRecord }) {
  const { wide, low, side, view, scopeWidth } = useSizes({ bars: 128, share: 0.52 });
  const frame = useFrameInView(record, view);
  const neighbours = useNeighbours(record);
  const { step, beside } = neighbours;
  const { opening, opened, reframing } = frame;
  useAhead(frame.file !== null, beside);
  useKeys(record, reframing ? null : step, frame.setFailed);
  const framing = opened?.framing;
  const head = (
    <Head
      record={record}
      white={frame.white}
      ready={frame.shown !== 'loading'}
      broken={opening.kind === 'failed' && !opening.there}
      other={beside[0]?.id}
    />
  );
  const lookBar = opened && !reframing && (
    <LookBar kind={opened.kind} isCut={opened.kind !== 'picture' && isCut(record)} />
  );
  const verdicts = !reframing && <Verdicts record={record} {...neighbours} />;
  const picture = <FramePicture {...{ frame, view, step }} />;
  const panels =
    reframing && framing ? (
      <ReframingPanel {...{ frame, reframing }} part={framing.part} />
    ) : (
      <FramePanels {...{ frame, scopeWidth }} />
    );
  if (low)
    return (
      <View style={[styles.page, styles.wide]} role="main" aria-label="Frame">
        {picture}
        <View style={{ width: side }}>
          {head}
          {lookBar}
          {panels}
          {verdicts}
        </View>
      </View>
    );
  return (
    <View style={styles.page} role="main" aria-label="Frame">
      {head}
      <View style={wide ? styles.wide : styles.phone}>
        <View style={{ width: view.width }}>
          {picture}
          {lookBar}
          {wide && verdicts}
        </View>
        {panels}
      </View>
      {!wide && verdicts}
    </View>
  );
}

/** Something of it lies outside of its frame lines, or it was framed anew. */
function isCut(record: FrameRecord): boolean {
  const { lines } = partsOfFrame(record);
  const { width, height } = record.image;
  return record.reframe !== undefined || lines.width < width || lines.height < height;
}

/** Verdicts and the way to the next frame by keys, wherever on the screen the focus is; Escape goes back. */
function useKeys(
  record: FrameRecord,
  step: ((by: -1 | 1) => void) | null,
  onFailed: (words: string) => void,
): void {
  const router = useRouter();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
      const target = e.target as HTMLElement;
      if (['INPUT', 'TEXTAREA'].includes(target.tagName)) return;
      // Where arrows mean something else, as on a slider, they have been taken already.
      const { toggle, look } = useViewing.getState();
      const said = saidByKey(e.key, [record]);
      if (said) say([record.id], said).catch((error: Error) => onFailed(`Not kept: ${error.message}.`));
      else if (e.key === 'ArrowLeft') step?.(-1);
      else if (e.key === 'ArrowRight') step?.(1);
      else if (e.key === 'r') toggle('raw');
      else if (e.key === 'p') toggle('picture');
      else if (e.key === 'f') look({ zoom: 'fit' });
      else if (e.key === 'z') look({ zoom: 1 });
      else if (e.key === 'Escape') router.navigate('/sheet');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [record, step, router, onFailed]);
}

function Verdicts({ record, place, of, step }: { record: FrameRecord } & Neighbours) {
  return (
    <VerdictBar
      record={record}
      place={place < 0 ? 'not among those that the sheet shows' : `${place + 1} of ${of}`}
      onStep={step}
    />
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  phone: { flex: 1, minHeight: 0 },
  wide: { flex: 1, minHeight: 0, flexDirection: 'row' },
});
