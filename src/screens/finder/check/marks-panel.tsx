// What is marked over the picture, with the shares and sites behind it, and the zebra.
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { MOST_BELOW_CLIP_12 } from '../../../core/scopes/limits';
import type { PerChannel } from '../../../core/scopes/levels';
import type { MarkId, ZebraThreshold } from '../../../live/check-settings';
import { useDesk } from '../../../live/desk';
import { useBody } from '../../../live/in-use';
import { useRawWords, useReport } from '../../../live/report';
import { Button } from '../../../ui/button';
import { Segmented } from '../../../ui/segmented';
import { Stepper } from '../../../ui/stepper';
import { space } from '../../../ui/theme';
import { Words } from '../../../ui/words';
import { NoRaw } from '../no-raw';
import { countWords, percentWords } from '../format';
import { PeakingPart } from '../peaking-part';

const MARKS: readonly { id: MarkId; label: string; name: string; raw?: true }[] = [
  { id: 'rawClip', label: 'Raw clipped', name: 'Raw clipped: hatched by channel (O)', raw: true },
  { id: 'rawFloor', label: 'Raw below noise', name: 'Raw below noise: dotted by channel', raw: true },
  { id: 'pictureWhite', label: 'Picture at 255', name: 'Picture at 255: level dashes' },
  { id: 'pictureBlack', label: 'Picture at 0', name: 'Picture at 0: level dashes' },
];

export function MarksPanel() {
  const marks = useDesk((d) => d.check.marks);
  const showsRaw = useBody().evidence === 'raw';
  const { toggleMark, setWants } = useDesk.getState();
  useEffect(() => {
    setWants({ disagreement: true });
    return () => setWants({ disagreement: false });
  }, [setWants]);
  return (
    <>
      <View style={styles.grid}>
        {MARKS.filter(({ raw }) => !raw || showsRaw).map(({ id, label, name }) => (
          <Button
            key={id}
            label={label}
            name={name}
            on={marks[id]}
            onPress={() => toggleMark(id)}
            style={styles.cell}
            testID={`mark-${id}`}
          />
        ))}
      </View>
      <Shares />
      <Words kind="label" quiet>
        {showsRaw
          ? 'Raw is hatched: red leans right, green stands, blue leans left, all three fill. Below noise each colour has dots of its own. The picture is dashed.'
          : 'Level dashes: some component at 255, or all at 0.'}
      </Words>
      <Zebra showsRaw={showsRaw} />
      <PeakingPart />
    </>
  );
}

/** Shares and sites of the capture that will be clipped or lost, by channel, and the picture's ends. */
function Shares() {
  const raw = useRawWords((r) => r);
  const ends = useReport(({ words }) => words?.ends ?? null);
  const picture = ends && (
    <Line cells={['Picture', `at 255: ${percentWords(ends.white)}`, `at 0: ${percentWords(ends.black)}`]} />
  );
  if (!raw)
    return (
      <>
        <NoRaw />
        {picture && (
          <View testID="shares" role="table" aria-label="Ends of the picture's tones">
            {picture}
          </View>
        )}
      </>
    );
  const { forecast, sites } = raw;
  const rows = (kind: PerChannel<number>) =>
    [kind[0], (kind[1] + kind[2]) / 2, kind[3]].map((share, c) => ({
      share,
      sites: share * sites * (c === 1 ? 0.5 : 0.25),
    }));
  const [clipped, floor] = [rows(forecast.clipped), rows(forecast.belowFloor)];
  const cell = ({ share, sites: count }: { share: number; sites: number }) =>
    `${percentWords(share)} · ${countWords(count)}`;
  return (
    <View testID="shares" role="table" aria-label="What the capture will hold">
      <Line cells={['Raw', 'clipped · sites', 'below noise · sites']} quiet />
      {['R', 'G', 'B'].map((name, c) => (
        <Line key={name} cells={[name, cell(clipped[c]!), cell(floor[c]!)]} />
      ))}
      {picture}
    </View>
  );
}

function Line({ cells, quiet }: { cells: readonly string[]; quiet?: boolean }) {
  return (
    <View style={styles.line} role="row">
      {cells.map((words, i) => (
        <Words key={i} kind="label" quiet={quiet} role="cell" style={i === 0 ? styles.name : styles.figure}>
          {words}
        </Words>
      ))}
    </View>
  );
}

function Zebra({ showsRaw }: { showsRaw: boolean }) {
  const kept = useDesk((d) => d.check.zebra);
  // Without raw it lies on the picture, whatever was chosen for cameras that have it.
  const zebra = showsRaw ? kept : { ...kept, of: 'picture' as const };
  const setCheck = useDesk((d) => d.setCheck);
  const change = (next: Partial<typeof kept>) => setCheck({ zebra: { ...kept, ...next } });
  const step = (which: 'native' | 'extended', by: 1 | -1) => {
    const { belowClip12, percent }: ZebraThreshold = zebra[which];
    const held = (n: number, from: number, to: number) => Math.min(to, Math.max(from, n));
    change({
      [which]:
        zebra.of === 'raw'
          ? { belowClip12: held(belowClip12 - by, 0, MOST_BELOW_CLIP_12), percent }
          : { belowClip12, percent: held(percent + by, 1, 100) },
    });
  };
  const words = ({ belowClip12, percent }: ZebraThreshold) =>
    zebra.of === 'raw' ? `clip − ${(belowClip12 / 12).toFixed(2)}` : `${percent} %`;
  return (
    <>
      <View style={styles.grid}>
        <Button
          label="Zebra"
          name="Zebra (Z)"
          on={zebra.on}
          onPress={() => change({ on: !zebra.on })}
          testID="zebra"
        />
        {showsRaw && (
          <Segmented
            name="Zebra on"
            choices={[
              { id: 'raw', label: 'Raw', name: 'Raw: stops below clip' },
              { id: 'picture', label: 'Picture', name: 'Picture: per cent of 255' },
            ]}
            chosen={zebra.of}
            onChoose={(of) => change({ of, on: true })}
            testID="zebra-of"
            style={styles.cell}
          />
        )}
      </View>
      <View style={styles.grid}>
        <Stepper
          name={showsRaw ? 'Native ISO' : 'From, of 255'}
          value={words(zebra.native)}
          onStep={(by) => step('native', by)}
          testID="zebra-native"
        />
        {showsRaw && (
          <Stepper
            name="Extended ISO"
            value={words(zebra.extended)}
            onStep={(by) => step('extended', by)}
            testID="zebra-extended"
          />
        )}
      </View>
      <Words kind="label" quiet>
        Stripes begin when 0.1 % of {showsRaw ? 'a channel' : 'the picture'} passes.
      </Words>
    </>
  );
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  cell: { flexGrow: 1, flexBasis: 150 },
  line: { flexDirection: 'row', paddingVertical: 2 },
  name: { width: 52 },
  figure: { flex: 1, textAlign: 'right' },
});
