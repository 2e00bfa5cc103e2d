// Two frames: one over the other, side by side through one glass, or divided by a line; and what the second has more or less, in figures.
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { PixelRatio, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import { lookOf } from '../../core/frame/look';
import { useRoll } from '../../library/roll';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { useLayer, keyOf, type Layer, type Wanted } from '../frame/layer';
import { LookBar } from '../frame/look-bar';
import { useOpening, type FrameState } from '../frame/opened';
import { PictureGlass } from '../frame/picture-glass';
import { useViewing } from '../frame/viewing';
import { say, saidByKey } from '../rolls/verdicts';
import { useArranged } from '../sheet/arranged';
import { frameWords } from '../sheet/frame-words';
import { DifferenceTable } from './difference-table';
import { SplitLine } from './split-line';

const WAYS = [
  { id: 'flip', label: 'Flip', name: 'Flip: one over the other' },
  { id: 'side', label: 'Side by side' },
  { id: 'split', label: 'Split', name: 'Split: divided by a line' },
] as const;
type WayId = (typeof WAYS)[number]['id'];

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

const LOW = 500;
const HEAD = 60;
const BARS = 112;

function Compare({ a, b }: { a: FrameRecord; b: FrameRecord }) {
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const low = wide && height < LOW;
  const aside = Math.min(420, Math.round(width * 0.44));
  const [way, setWay] = useState<WayId>('flip');
  const [shown, setShown] = useState<0 | 1>(0);
  const [split, setSplit] = useState(0.5);
  const [unkept, setUnkept] = useState<string | null>(null);
  const { zoom, at, channel, clipping } = useViewing();
  const { frames } = useArranged();
  const [openA, openB] = [useOpening(a, 0), useOpening(b, 0)];
  const viewWidth = wide ? width - aside : width;
  const viewHeight = low
    ? height
    : wide
      ? height - HEAD - BARS
      : Math.round(Math.min(height * 0.5, (width * 4) / 3));
  const upright = viewHeight > viewWidth;
  const half =
    way !== 'side'
      ? { width: viewWidth, height: viewHeight }
      : upright
        ? { width: viewWidth, height: Math.floor(viewHeight / 2) - 1 }
        : { width: Math.floor(viewWidth / 2) - 1, height: viewHeight };
  const ratio = PixelRatio.get();
  const window = { width: Math.round(half.width * ratio), height: Math.round(half.height * ratio) };
  const wantedOf = (record: FrameRecord, opening: FrameState): Wanted | null => {
    if (opening.kind !== 'open') return null;
    const { kind } = opening.opened;
    const channels = kind === 'cfa' ? 4 : kind === 'rgb' ? 3 : 0;
    const own = channel !== null && channel < channels ? channel : null;
    return {
      id: record.id,
      look: { ...lookOf(record), channel: own },
      clipping: kind === 'picture' ? { ...clipping, raw: false } : clipping,
      ...{ window, zoom, at },
    };
  };
  const [wantA, wantB] = [wantedOf(a, openA), wantedOf(b, openB)];
  const layers = [useLayer(wantA), useLayer(wantB)] as const;
  const ready = isThere(layers[0], wantA) && isThere(layers[1], wantB);
  const failed =
    [openA, openB].flatMap((o) => (o.kind === 'failed' ? [o.message] : []))[0] ??
    layers.find(({ failed: why }) => why)?.failed;
  const flip = () => setShown((s) => (s === 0 ? 1 : 0));
  const place = frames.findIndex(({ id }) => id === b.id);
  const step = (by: -1 | 1) => {
    for (let n = 1; n <= frames.length; n++) {
      const next = frames[(place + n * by + n * frames.length) % frames.length];
      if (!next || next.id === a.id) continue;
      router.replace({ pathname: '/compare', params: { first: a.id, second: next.id } });
      return;
    }
  };
  const onKey = (key: string) => {
    if (key !== ' ' && key !== 'Enter') return false;
    if (way === 'flip') flip();
    else setWay('flip');
    return true;
  };
  useKeys({ flip, step, way: setWay, frame: way === 'flip' && shown === 0 ? a : b, onFailed: setUnkept });
  const glass = { width: half.width, height: half.height, onKey };
  const opened = openA.kind === 'open' ? openA.opened : null;
  const name = (of: string) =>
    `${of} frame, ${zoom === 'fit' ? 'fitted' : `${Math.round(100 * zoom)} percent`}`;
  const picture = (
    <View
      style={{ width: viewWidth, height: viewHeight }}
      testID={ready ? 'compare-ready' : 'compare-opening'}
    >
      {failed ? (
        <View style={styles.middle} role="alert">
          <Words style={styles.warn}>{failed}</Words>
        </View>
      ) : way === 'side' ? (
        <View style={[styles.ground, upright ? styles.above : styles.beside]}>
          <PictureGlass {...glass} layers={[layers[0]]} name={name('First')} testID="glass-first" />
          <PictureGlass {...glass} layers={[layers[1]]} name={name('Second')} testID="glass-second" />
        </View>
      ) : (
        <View style={styles.ground}>
          <PictureGlass
            {...glass}
            layers={way === 'split' ? layers : [layers[shown]]}
            split={split}
            onTap={way === 'flip' ? flip : undefined}
            onSwipe={way === 'flip' ? flip : undefined}
            name={way === 'split' ? name('Both: first and second') : name(shown === 0 ? 'First' : 'Second')}
            testID="glass"
          />
          {way === 'split' && <SplitLine at={split} width={viewWidth} onMove={setSplit} />}
        </View>
      )}
      {way === 'flip' && !failed && (
        <View style={styles.which} testID="which-shown">
          <Words kind="label" role="status">
            {shown === 0 ? 'First' : 'Second'}
          </Words>
        </View>
      )}
    </View>
  );
  const bars = (
    <View style={styles.bars}>
      <Segmented name="How" choices={WAYS} chosen={way} onChoose={setWay} testID="compare" />
      {opened && <LookBar kind={opened.kind} isCut={false} />}
    </View>
  );
  const head = (
    <View style={styles.head}>
      <Button label="Sheet" onPress={() => router.navigate('/sheet')} testID="to-sheet" />
      <View style={styles.actions}>
        <Button label="‹" name="‹ Second: frame before" onPress={() => step(-1)} testID="second-before" />
        <Button
          label="Turn over"
          name="Turn over: the second becomes the first"
          onPress={() => {
            setShown((s) => (s === 0 ? 1 : 0));
            router.replace({ pathname: '/compare', params: { first: b.id, second: a.id } });
          }}
          testID="turn-over"
        />
        <Button label="›" name="› Second: frame after" onPress={() => step(1)} testID="second-after" />
      </View>
    </View>
  );
  const figures = (
    <ScrollView style={styles.side} contentContainerStyle={styles.inside} tabIndex={0}>
      <DifferenceTable a={a} b={b} ready={ready} words={[frameWords(a), frameWords(b)]} />
      {unkept && (
        <Words style={styles.warn} role="alert">
          {unkept}
        </Words>
      )}
      <View style={styles.verdicts}>
        {([a, b] as const).map((frame, i) => (
          <Button
            key={frame.id}
            label={i === 0 ? 'Keep first' : 'Keep second'}
            on={frame.verdict === 'kept'}
            onPress={() =>
              void say([frame.id], { verdict: frame.verdict === 'kept' ? undefined : 'kept' }).catch(
                (error: Error) => setUnkept(`Not kept: ${error.message}.`),
              )
            }
            testID={i === 0 ? 'keep-first' : 'keep-second'}
          />
        ))}
        <Button
          label="Open"
          name={`Open the ${way === 'flip' && shown === 0 ? 'first' : 'second'} frame`}
          onPress={() =>
            router.push({
              pathname: '/frame/[id]',
              params: { id: way === 'flip' && shown === 0 ? a.id : b.id },
            })
          }
          testID="open-frame"
        />
      </View>
    </ScrollView>
  );
  if (low)
    return (
      <View style={[styles.page, styles.wide]} role="main" aria-label="Compare">
        {picture}
        <View style={{ width: aside }}>
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
        <View style={{ width: viewWidth }}>
          {picture}
          {bars}
        </View>
        {figures}
      </View>
    </View>
  );
}

function isThere(layer: Layer, wanted: Wanted | null): boolean {
  return wanted !== null && layer.of === keyOf(wanted);
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
  ground: { flex: 1, backgroundColor: colour.ground, overflow: 'hidden' },
  beside: { flexDirection: 'row', gap: 2 },
  above: { gap: 2 },
  head: { flexDirection: 'row', justifyContent: 'space-between', padding: space.one },
  actions: { flexDirection: 'row', gap: space.one },
  bars: { padding: space.half },
  phone: { flex: 1, minHeight: 0 },
  wide: { flex: 1, minHeight: 0, flexDirection: 'row' },
  side: { flex: 1 },
  inside: { padding: space.one, gap: space.one },
  verdicts: { flexDirection: 'row', flexWrap: 'wrap', gap: space.half },
  which: {
    position: 'absolute',
    left: space.one,
    top: space.one,
    backgroundColor: colour.chip,
    paddingHorizontal: 10,
    paddingVertical: 6,
    borderRadius: 8,
    pointerEvents: 'none',
  },
  warn: { color: colour.warn, textAlign: 'center' },
});
