// One frame: the developed picture (fit, or 100 % with pan), raw and picture histograms, what clips, all capture data.
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { OpenedFile } from '../../workers/lightbox.worker';
import { forecastHeld, type FrameRecord } from '../../core/frame/record';
import type { RawFigures } from '../../core/frame/record-parts';
import { EIGHT_BITS } from '../../core/frame/picture-frame';
import type { CheckReport } from '../../core/dng/check';
import { whiteWords, type WhitePoint } from '../../core/colour/temperature';
import { isUnknown } from '../../core/units/known';
import type { PictureHistogram } from '../../core/scopes/picture-histogram';
import { formatEv } from '../../core/units/ladders';
import { WorkerGone } from '../../workers/hire';
import { fileName } from '../../library/file-name';
import { useDesk } from '../../live/desk';
import { useRoll } from '../../library/roll';
import { lightbox } from '../../library/staff';
import type { Heights } from '../../ui/scopes/shape';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital, percentWords } from '../finder/format';
import { paintPicture, paintStopline } from '../../ui/scopes/paint';
import { Scope } from '../../ui/scopes/scope';
import { deleteWithUndo } from '../sheet/undo-bar';
import { DevelopedPicture } from './developed-picture';
import { CaptureData } from './capture-data';
import { FrameWhite } from './frame-white';

type Opening =
  | { kind: 'opening' }
  | { kind: 'open'; file: OpenedFile }
  /** `there`: the bytes themselves can be had. */
  | { kind: 'failed'; message: string; there: boolean };

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
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const [opening, setOpening] = useState<Opening>({ kind: 'opening' });
  const [attempt, setAttempt] = useState(0);
  const [picture, setPicture] = useState<PictureHistogram | null>(null);
  const [white, setWhite] = useState<WhitePoint | null>(record.rewhite ?? null);
  const heights = useDesk((d) => d.check.heights);
  const theme = useDesk((d) => d.theme);
  useEffect(() => {
    let gone = false;
    const fail = (message: string, there: boolean) => !gone && setOpening({ kind: 'failed', message, there });
    // Whatever becomes of the lightbox, the file is where it was.
    const stop = lightbox.onFault((message) => fail(`${message}.`, true));
    lightbox
      .call((api) => api.open(record))
      .then(
        (file) => !gone && setOpening({ kind: 'open', file }),
        (error: unknown) => {
          const { name = '', message = String(error) } = (error ?? {}) as Partial<Error>;
          fail(message, name === 'DngError' || error instanceof WorkerGone);
        },
      );
    return () => {
      gone = true;
      stop();
    };
  }, [record, attempt]);
  const again = () => {
    setOpening({ kind: 'opening' });
    setAttempt((n) => n + 1);
  };
  const file = opening.kind === 'open' ? opening.file : null;
  const asShot = file?.linear?.check.asShotWhite ?? null;
  const viewWidth = wide ? width - 420 : width;
  const viewHeight = wide ? height - 60 : Math.min(height * 0.6, (width * 4) / 3);
  const scopeWidth = (wide ? 420 : width) - 4 * space.one;
  return (
    <View style={styles.page} role="main" aria-label="Frame">
      <View style={styles.head}>
        <Button label="Sheet" onPress={() => router.navigate('/sheet')} testID="to-sheet" />
        <View style={styles.actions}>
          {!(opening.kind === 'failed' && !opening.there) && (
            <Download record={record} white={white} ready={file !== null} />
          )}
          <Button
            label="Delete"
            onPress={() => void deleteWithUndo([record.id]).then((gone) => gone && router.navigate('/sheet'))}
            testID="delete"
          />
        </View>
      </View>
      <View style={wide ? styles.wide : styles.phone}>
        <View style={{ width: viewWidth, height: viewHeight }}>
          {opening.kind === 'failed' ? (
            <View style={styles.middle} role="alert">
              <Words style={styles.warn}>{opening.message}</Words>
              <Words quiet>
                {opening.there
                  ? 'The file can still be downloaded and looked at elsewhere.'
                  : 'There is no file to download. The record and the thumbnail are all that is left of this frame.'}
              </Words>
              <Button label="Open it again" onPress={again} testID="open-again" />
            </View>
          ) : (
            <DevelopedPicture
              key={attempt}
              record={record}
              open={file !== null}
              white={white}
              width={viewWidth}
              height={viewHeight}
              onHistogram={setPicture}
            />
          )}
        </View>
        <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
          {file && (
            <Panel
              title={record.image.kind === 'mosaic' ? 'Raw' : file.linear ? 'Linear DNG' : 'Raw'}
              words={linearWords(record, file)}
            >
              {file.linear && <RawScope linear={file.linear} width={scopeWidth} heights={heights} />}
              {file.linear?.check.asShotWhite && (
                <Words kind="label" quiet testID="file-white">
                  White by the file’s own tags: {whiteWords(file.linear.check.asShotWhite)}
                </Words>
              )}
              {file.asSaved === false && (
                <Words style={styles.missed} role="alert" testID="not-as-saved">
                  This is not the file that was saved: its hash is another. Something has changed it since.
                </Words>
              )}
              {record.image.kind === 'mosaic' && file.linear && (
                <ForecastTable record={record} check={file.linear.check} />
              )}
              {record.image.kind === 'rgb' && (
                <Words kind="label" quiet testID="no-raw-here">
                  {isUnknown(record.result)
                    ? capital(record.result.unknown)
                    : 'Only the picture was kept: raw was counted when it was made'}
                  .
                </Words>
              )}
            </Panel>
          )}
          {picture && (
            <Panel title="Picture" words={`${pictureWords(record)}: R, G, B and luminance`}>
              <Scope
                width={scopeWidth}
                height={90}
                theme={theme}
                paint={(pen) => paintPicture(pen, picture, heights)}
              />
            </Panel>
          )}
          {asShot && record.image.kind === 'mosaic' && (
            <Panel title="White" words="of the picture and of what is downloaded; raw stays">
              <FrameWhite record={record} asShot={asShot} white={white} onWhite={setWhite} />
            </Panel>
          )}
          <CaptureData record={record} />
        </ScrollView>
      </View>
    </View>
  );
}

function Panel({ title, words, children }: { title: string; words: string; children: React.ReactNode }) {
  return (
    <View style={styles.panel}>
      <View style={styles.panelHead}>
        <Words kind="label">{title}</Words>
        <Words kind="label" quiet>
          {words}
        </Words>
      </View>
      {children}
    </View>
  );
}

/** What stands over the linear numbers: their headroom, or what they are made from. */
function pictureWords({ image, made, tint }: FrameRecord): string {
  if (image.kind === 'mosaic') return 'developed';
  if (made.kind === 'simulated') return 'developed from raw, which was not kept';
  // A device tells a temperature at most.
  return made.kind === 'browser' && tint !== undefined ? 'with white put on it' : 'as the device made it';
}

function linearWords(record: FrameRecord, { linear }: OpenedFile): string {
  if (record.image.kind === 'mosaic') return rawWords(record);
  if (record.made.kind === 'simulated') return `${rawWords(record)}, when it was taken`;
  return linear ? EIGHT_BITS : 'none';
}

function rawWords({ result }: FrameRecord): string {
  if (isUnknown(result)) return result.unknown;
  const room = result.headroomEv;
  return room === null
    ? 'black everywhere'
    : room === 0
      ? 'no headroom left'
      : `headroom ${formatEv(room)} EV`;
}

function RawScope({
  linear: { stopline: data, check },
  width,
  heights,
}: {
  linear: NonNullable<OpenedFile['linear']>;
  width: number;
  heights: Heights;
}) {
  const { floorEv, metadata } = check;
  const midGreyEv = Math.log2(0.18) - (metadata.baselineExposureEv ?? 0);
  return (
    <Scope
      width={width}
      height={110}
      theme={useDesk((d) => d.theme)}
      paint={(pen) => paintStopline(pen, { data, floorEv, midGreyEv, heights })}
    />
  );
}

/** What the finder said before the press beside what the file holds, channel by channel. */
function ForecastTable({ record, check }: { record: FrameRecord; check: CheckReport }) {
  const told: RawFigures | undefined = record.forecast;
  const rows = check.channels.map((result, i) => ({ result, forecast: told?.channels[i] }));
  const held = told && forecastHeld(told.channels, check.channels);
  return (
    <>
      <View testID="forecast-table" role="table" aria-label="Forecast and result">
        <Row cells={['', 'clipped', 'forecast', 'below noise', 'forecast']} quiet />
        {rows.map(({ result, forecast }) => (
          <Row
            key={result.name}
            cells={[
              result.name,
              percentWords(result.clippedShare),
              forecast ? percentWords(forecast.clippedShare) : '–',
              result.belowFloorShare === null ? 'unknown' : percentWords(result.belowFloorShare),
              forecast ? percentWords(forecast.belowFloorShare) : '–',
            ]}
          />
        ))}
      </View>
      <Words kind="label" style={held ? styles.held : styles.missed} testID="forecast-held">
        {held === undefined
          ? 'Nothing was told of raw before the press.'
          : held
            ? 'The forecast held: within a tenth, or 0.02 % of the frame.'
            : 'The forecast was off by more than a tenth and 0.02 % of the frame.'}
      </Words>
    </>
  );
}

function Row({ cells, quiet }: { cells: readonly string[]; quiet?: boolean }) {
  return (
    <View style={styles.tableRow} role="row">
      {cells.map((cell, i) => (
        <Words
          key={i}
          kind="label"
          quiet={quiet}
          role="cell"
          style={[styles.cell, i === 0 && styles.firstCell]}
        >
          {cell}
        </Words>
      ))}
    </View>
  );
}

function Download({
  record,
  white,
  ready,
}: {
  record: FrameRecord;
  white: WhitePoint | null;
  ready: boolean;
}) {
  const [state, setState] = useState<'idle' | 'busy' | 'failed'>('idle');
  const download = async () => {
    setState('busy');
    try {
      for (const entry of record.files) {
        const bytes = await lightbox.call((api) => api.file(record.id, entry, record.place, white));
        saveFile(bytes, fileName(record, entry.format));
      }
      setState('idle');
    } catch {
      setState('failed');
    }
  };
  const label =
    state === 'busy'
      ? 'Preparing…'
      : state === 'failed'
        ? 'Failed: again'
        : `Download ${record.files.map(({ format }) => format.toUpperCase()).join(' and ')}`;
  return (
    <Button
      label={label}
      kind="primary"
      onPress={() => void download()}
      disabled={state === 'busy'}
      testID={ready ? 'download' : 'download-early'}
    />
  );
}

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  head: { flexDirection: 'row', justifyContent: 'space-between', padding: space.one },
  actions: { flexDirection: 'row', gap: space.one },
  phone: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row' },
  side: { flex: 1 },
  sideContent: { padding: space.one, gap: space.one },
  warn: { color: colour.warn, textAlign: 'center' },
  held: { color: colour.good },
  missed: { color: colour.warn },
  panel: { backgroundColor: colour.panel, borderRadius: radius, padding: space.one },
  panelHead: { flexDirection: 'row', justifyContent: 'space-between', marginBottom: 4 },
  tableRow: { flexDirection: 'row', paddingVertical: 3 },
  cell: { flex: 1, textAlign: 'right' },
  firstCell: { flexGrow: 0, flexShrink: 0, flexBasis: 32, textAlign: 'left' },
});
