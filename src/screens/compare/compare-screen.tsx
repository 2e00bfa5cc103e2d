// Two frames: one over the other, side by side through one glass, or divided by a line; and what the second has more or less, in figures.
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import { useRoll } from '../../library/roll';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { LookBar } from '../frame/look-bar';
import { useSizes } from '../frame/sizes';
import { useViewing } from '../frame/viewing';
import { say, saidByKey } from '../rolls/verdicts';
import { frameWords } from '../sheet/frame-words';
import { useCompared, WAYS, type Compared, type WayId } from './compared';
import { ComparedPicture } from './compared-picture';
import { DifferenceTable } from './difference-table';

export function CompareScreen({ first, second }: { first: string; second: string }) {
  const router = useRouter();
  const { data, isPending } = useRoll();
  const [a, b] = [first, second].map((id) => data?.frames.find((frame) => frame.id === id));
  if (!a || !b)
    return (
      <View style={[styles.page, styles.middle]} role="main" aria-label="Compare">
        <Words quiet>{isPending ? 'Reading the roll…' : 'One of these frames is not in the roll.'}</Words>
        {!isPending && (
          <Button label="To the sheet" kind="primary" onPress={() => router.replace('/sheet')} />
        )}
      </View>
    );
  return <Compare a={a} b={b} />;
}

function Compare({ a, b }: { a: FrameRecord; b: FrameRecord }) {
  const { wide, low, side, view } = useSizes({ bars: 112, share: 0.5 });
  const compared = useCompared(a, b, view);
  const [unkept, setUnkept] = useState<string | null>(null);
  const { flip, step, way, setWay, frame, opened } = compared;
  useKeys({ flip, step, way: setWay, frame, onFailed: setUnkept });
  const picture = <ComparedPicture {...{ compared, view }} />;
  const head = <Head compared={compared} />;
  const bars = (
    <View style={styles.bars}>
      <Segmented name="How" choices={WAYS} chosen={way} onChoose={setWay} testID="compare" />
      {opened && <LookBar kind={opened.kind} isCut={false} />}
    </View>
  );
  const figures = <Figures {...{ compared, unkept }} onFailed={setUnkept} />;
  if (low)
    return (
      <View style={[styles.page, styles.wide]} role="main" aria-label="Compare">
        {picture}
        <View style={{ width: side }}>
          {head}
          {bars}
          {figures}
        </View>
      </View>
    );
  return (
    <View style={styles.page} role="main" aria-label="Compare">
      {head}
      <View style={wide ? styles.wide : styles.phone}>
        <View style={{ width: view.width }}>
          {picture}
          {bars}
        </View>
        {figures}
      </View>
    </View>
  );
}

function Head({ compared: { a, b, step, flip } }: { compared: Compared }) {
  const router = useRouter();
  const turnOver = () => {
    flip();
    router.replace({ pathname: '/compare', params: { first: b.id, second: a.id } });
  };
  return (
    <View style={styles.head}>
      <Button label="Sheet" onPress={() => router.navigate('/sheet')} testID="to-sheet" />
      <View style={styles.actions}>
        <Button label="‹" name="‹ Second: frame before" onPress={() => step(-1)} testID="second-before" />
        <Button
          label="Turn over"
          name="Turn over: the second becomes the first"
          onPress={turnOver}
          testID="turn-over"
        />
        <Button label="›" name="› Second: frame after" onPress={() => step(1)} testID="second-after" />
      </View>
    </View>
  );
}

function Figures({
  compared: { a, b, ready, frame },
  unkept,
  onFailed,
}: {
  compared: Compared;
  unkept: string | null;
  onFailed: (words: string) => void;
}) {
  const router = useRouter();
  const keep = ({ id, verdict }: FrameRecord) =>
    void say([id], { verdict: verdict === 'kept' ? undefined : 'kept' }).catch((error: Error) =>
      onFailed(`Not kept: ${error.message}.`),
    );
  return (
    <ScrollView style={styles.side} contentContainerStyle={styles.inside} tabIndex={0}>
      <DifferenceTable a={a} b={b} ready={ready} words={[frameWords(a), frameWords(b)]} />
      {unkept && (
        <Words style={styles.warn} role="alert">
          {unkept}
        </Words>
      )}
      <View style={styles.verdicts}>
        {([a, b] as const).map((one, i) => (
          <Button
            key={one.id}
            label={i === 0 ? 'Keep first' : 'Keep second'}
            on={one.verdict === 'kept'}
            onPress={() => keep(one)}
            testID={i === 0 ? 'keep-first' : 'keep-second'}
          />
        ))}
        <Button
          label="Open"
          name={`Open the ${frame === a ? 'first' : 'second'} frame`}
          onPress={() => router.push({ pathname: '/frame/[id]', params: { id: frame.id } })}
          testID="open-frame"
        />
      </View>
    </ScrollView>
  );
}

function useKeys({
  flip,
  step,
  way,
  frame,
  onFailed,
}: {
  flip: () => void;
  step: (by: -1 | 1) => void;
  way: (way: WayId) => void;
  frame: FrameRecord;
  onFailed: (words: string) => void;
}): void {
  const router = useRouter();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
      const { look, toggle } = useViewing.getState();
      const said = saidByKey(e.key, [frame]);
      const index = ['i', 'o', 'u'].indexOf(e.key);
      if (said) say([frame.id], said).catch((error: Error) => onFailed(`Not kept: ${error.message}.`));
      else if (index >= 0) way(WAYS[index]!.id);
      else if (e.key === ' ') flip();
      else if (e.key === 'ArrowLeft') step(-1);
      else if (e.key === 'ArrowRight') step(1);
      else if (e.key === 'f') look({ zoom: 'fit' });
      else if (e.key === 'z') look({ zoom: 1 });
      else if (e.key === 'r') toggle('raw');
      else if (e.key === 'p') toggle('picture');
      else if (e.key === 'Escape') router.navigate('/sheet');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  });
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  head: { flexDirection: 'row', justifyContent: 'space-between', padding: space.one },
  actions: { flexDirection: 'row', gap: space.one },
  bars: { padding: space.half },
  phone: { flex: 1, minHeight: 0 },
  wide: { flex: 1, minHeight: 0, flexDirection: 'row' },
  side: { flex: 1 },
  inside: { padding: space.one, gap: space.one },
  verdicts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  warn: { color: colour.warn, textAlign: 'center' },
});
