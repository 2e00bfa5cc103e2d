// What the second frame has more or less than the first, in figures: told by settings, or measured on the numbers of both. What cannot be known says why.
import { useEffect, useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { clippedShareOf, exposedMore } from '../../core/frame/arrange';
import type { FrameRecord } from '../../core/frame/record';
import { CLEAR_SITES, PLACE_SITES, type Numbers, type PlaceFigures } from '../../core/review/difference';
import { isUnknown, type Known } from '../../core/units/known';
import { formatEv } from '../../core/units/ladders';
import { lookOf } from '../../core/frame/look';
import { lightbox } from '../../library/staff';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import type { Compared } from '../../workers/lightbox.worker';
import { capital, percentWords } from '../finder/format';
import { useViewing } from '../frame/viewing';

interface Props {
  readonly a: FrameRecord;
  readonly b: FrameRecord;
  /** True once both can be seen: looking comes first. */
  readonly ready: boolean;
  readonly words: readonly [string, string];
}

export function DifferenceTable({ a, b, ready, words }: Props) {
  const compared = useCompared(a, b, ready);
  const place = ([first, second]: Compared['places'], of: (figures: PlaceFigures) => string) =>
    [first, second].map((figures) => (isUnknown(figures) ? '–' : of(figures))) as [string, string];
  const more = exposedMore(a, b);
  const shares = [clippedShareOf(a), clippedShareOf(b)] as const;
  return (
    <View style={styles.panel} role="table" aria-label="Second against first" testID="differences">
      <Row name="" cells={['First', 'Second']} quiet />
      <Row name="Exposed" cells={words} />
      <Row
        name="By settings"
        says={more === undefined ? 'unknown: not all settings are told' : `${formatEv(more)} EV exposure`}
        testID="by-settings"
      />
      <Row
        name="Clipped in raw"
        cells={
          shares.map((share) => (share === undefined ? 'unknown' : percentWords(share))) as [string, string]
        }
      />
      {!compared && <Row name="Raw" says="Comparing…" testID="comparing" />}
      {compared && (
        <>
          <Row name="Raw" says={numbersWords(compared.numbers)} testID="identical" />
          <Row
            name="Light"
            says={told(
              compared.lightEv,
              (ev) => `${formatEv(ev)} EV, measured where both are neither clipped nor dark`,
            )}
            testID="light-between"
          />
          <Row
            name="Framing"
            says={told(compared.moved, ({ dx, dy }) => movedWords(dx, dy))}
            testID="moved-between"
          />
          <Row
            name="Edges here"
            says={told(
              compared.steeper,
              ({ times, error }) =>
                `${times.toFixed(2)} ± ${Math.max(0.01, error).toFixed(2)} times as steep`,
            )}
            testID="edges-between"
          />
          <Row
            name="Noise here"
            cells={place(compared.places, ({ snrDb, noise }) =>
              Number.isFinite(snrDb)
                ? `${snrDb.toFixed(1)} dB${noise === 'told' ? '' : ', measured'}`
                : 'no light',
            )}
            testID="noise-here"
          />
          <Words kind="label" quiet>
            “Here” is {PLACE_SITES} × {PLACE_SITES} sites of green about the middle of what is looked at;
            noise is signal to noise of one site. What is clipped does not count, nor edges within{' '}
            {CLEAR_SITES} sites of it in either.
          </Words>
        </>
      )}
    </View>
  );
}

function numbersWords(numbers: Known<Numbers>): string {
  if (isUnknown(numbers)) return `Not comparable: ${numbers.unknown}`;
  if (numbers.differ === 0) return 'Identical: every number is the same';
  return `Not identical: ${numbers.differ.toLocaleString('en')} sites differ, at most by ${numbers.most}`;
}

function movedWords(dx: number, dy: number): string {
  const part = (by: number, more: string, less: string) =>
    Math.abs(by) < 0.05 ? null : `${Math.abs(by).toFixed(1)} px ${by > 0 ? more : less}`;
  const parts = [part(dx, 'to the right', 'to the left'), part(dy, 'down', 'up')].filter(Boolean);
  return parts.length === 0 ? 'stands still, to 0.05 px' : `moved ${parts.join(', ')}`;
}

function told<T>(value: Known<T>, words: (value: T) => string): string {
  return isUnknown(value) ? `${capital('unknown')}: ${value.unknown}` : words(value);
}

/** Of two frames at the place looked at; of several asked for the newest. */
function useCompared(a: FrameRecord, b: FrameRecord, ready: boolean): Compared | null {
  const { at, zoom } = useViewing();
  const place = zoom === 'fit' ? { x: 0.5, y: 0.5 } : at;
  const pair = `${a.id} ${b.id}`;
  const key = JSON.stringify([pair, place]);
  const [found, setFound] = useState<{ pair: string; key: string; compared: Compared | null }>();
  const busy = useRef(false);
  const done = found?.key === key;
  const [round, setRound] = useState(0);
  useEffect(() => {
    if (!ready || done || busy.current) return;
    busy.current = true;
    lightbox
      .call((api) => api.compare(a, b, [lookOf(a), lookOf(b)], place))
      .then(
        (compared) => setFound({ pair, key, compared }),
        () => setFound({ pair, key, compared: null }),
      )
      .finally(() => {
        busy.current = false;
        setRound((n) => n + 1);
      });
    // The key says all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ready, key, done, round]);
  return found?.pair === pair ? found.compared : null;
}

function Row({
  name,
  cells,
  says,
  quiet,
  testID,
}: {
  name: string;
  cells?: readonly [string, string];
  says?: string;
  quiet?: boolean;
  testID?: string;
}) {
  return (
    <View style={styles.row} role="row" testID={testID}>
      <Words kind="label" quiet role="rowheader" style={styles.name}>
        {name || ' '}
      </Words>
      {(cells ?? [says ?? '']).map((cell, i) => (
        <Words key={i} kind="label" quiet={quiet} role="cell" style={styles.cell}>
          {cell}
        </Words>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  panel: { backgroundColor: colour.panel, borderRadius: radius, padding: space.one, gap: space.half },
  row: { flexDirection: 'row', gap: space.one },
  name: { width: 92 },
  cell: { flex: 1 },
});
