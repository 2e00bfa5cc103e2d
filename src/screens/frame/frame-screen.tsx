// One frame: the picture at any scale, developed or a channel of raw, its histograms, what clips, all that is known of it, and what is thought of it.
import { useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { Image, PixelRatio, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Figures, OpenedFile } from '../../workers/lightbox.worker';
import { fileName } from '../../core/frame/file-name';
import { forecastHeld, partsOfFrame, printOf, type FrameRecord } from '../../core/frame/record';
import { asItCameOut, asItWasSet } from '../../core/frame/taken';
import type { RawFigures } from '../../core/frame/record-parts';
import { EIGHT_BITS } from '../../core/frame/picture-frame';
import type { CheckReport } from '../../core/dng/check';
import { whiteWords, type WhitePoint } from '../../core/colour/temperature';
import type { Look } from '../../core/review/view';
import type { Print } from '../../core/setting/print';
import { isUnknown } from '../../core/units/known';
import { formatEv } from '../../core/units/ladders';
import type { Reframe } from '../../core/raw/reframe';
import { lookOf } from '../../core/frame/look';
import { keepLook } from '../../library/looks';
import { useDesk } from '../../live/desk';
import { useRoll, useThumbnail } from '../../library/roll';
import { lightbox } from '../../library/staff';
import type { Heights } from '../../ui/scopes/shape';
import { Button } from '../../ui/button';
import { saveFile } from '../../ui/save-file';
import { Segmented } from '../../ui/segmented';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { capital, percentWords } from '../finder/format';
import { paintPicture, paintStopline } from '../../ui/scopes/paint';
import { Scope } from '../../ui/scopes/scope';
import { useArranged } from '../sheet/arranged';
import { deleteWithUndo } from '../sheet/undo-bar';
import { ExportPanel } from '../rolls/export-panel';
import { say, saidByKey } from '../rolls/verdicts';
import { CaptureData } from './capture-data';
import { FramePrint } from './frame-print';
import { FrameWhite } from './frame-white';
import { fitScale, glassOver, keyOf, under, useLayer, type Layer, type Wanted } from './layer';
import { LookBar } from './look-bar';
import { useOpening } from './opened';
import { PictureGlass } from './picture-glass';
import { ratioSeen, ReframeControls, Reframer, type Shape } from './reframer';
import { SetDesk } from '../rolls/set-desk';
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

/** Pixels of the page: a window as low as a phone's that lies has the picture in full height. */
const LOW = 500;
const HEAD = 60;
/** Room for what stands under a picture. */
const BARS = 128;

function OpenFrame({ record }: { record: FrameRecord }) {
  const router = useRouter();
  const { width, height } = useWindowDimensions();
  const wide = width > height && width >= 700;
  const low = wide && height < LOW;
  const side = Math.min(420, Math.round(width * 0.44));
  const [attempt, setAttempt] = useState(0);
  const opening = useOpening(record, attempt);
  const [white, setWhite] = useState<WhitePoint | null>(record.rewhite ?? null);
  const [print, setPrint] = useState<Print | null>(printOf(record));
  const { zoom, at, whole, channel, clipping, part } = useViewing();
  const [reframing, setReframing] = useState<{ value: Reframe; shape: Shape; drawing: boolean } | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const { frames } = useArranged();
  const place = frames.findIndex(({ id }) => id === record.id);
  const step =
    place < 0 || frames.length < 2
      ? null
      : (by: -1 | 1) => {
          const next = frames[(place + by + frames.length) % frames.length]!;
          router.replace({ pathname: '/frame/[id]', params: { id: next.id } });
        };
  const opened = opening.kind === 'open' ? opening.opened : null;
  const file = opening.kind === 'open' ? opening.file : null;
  const asShot = file?.linear?.check.asShotWhite ?? null;
  const viewWidth = wide ? width - side : width;
  const viewHeight = low
    ? height
    : wide
      ? height - HEAD - BARS
      : Math.round(Math.min(height * 0.52, (width * 4) / 3));
  const scopeWidth = (wide ? side : width) - 4 * space.one;
  const ratio = PixelRatio.get();
  const channels = opened?.kind === 'cfa' ? 4 : opened?.kind === 'rgb' ? 3 : 0;
  const look: Look = {
    ...lookOf(record),
    white,
    print,
    whole,
    channel: channel !== null && channel < channels ? channel : null,
  };
  const wanted: Wanted | null = opened && {
    id: record.id,
    look,
    clipping: opened.kind === 'picture' ? { ...clipping, raw: false } : clipping,
    window: { width: Math.round(viewWidth * ratio), height: Math.round(viewHeight * ratio) },
    zoom,
    at,
  };
  const layer = useLayer(reframing ? null : wanted);
  const { framing = null } = opened ?? {};
  const keepFraming = (to: Reframe | null) => {
    setFailed(null);
    keepLook(record, { reframe: to ?? undefined }).then(
      (kept) => (kept ? setReframing(null) : setFailed('Not kept: the frame is gone.')),
      (error: Error) => setFailed(`Not kept: ${error.message}.`),
    );
  };
  const figures = useFigures(record.id, look, layer, wanted, part);
  const shown = stateOf(layer, wanted);
  const head = (
    <Head
      record={record}
      white={white}
      ready={shown !== 'loading'}
      broken={opening.kind === 'failed' && !opening.there}
      other={step ? frames[(place + 1) % frames.length]?.id : undefined}
    />
  );
  const { image } = record;
  const { lines } = partsOfFrame(record);
  const isCut = record.reframe !== undefined || lines.width < image.width || lines.height < image.height;
  const lookBar = opened && !reframing && (
    <LookBar kind={opened.kind} isCut={isCut && opened.kind !== 'picture'} />
  );
  const bars = (
    <>
      {lookBar}
      {low || reframing ? null : <Verdicts record={record} place={place} of={frames.length} step={step} />}
    </>
  );
  const panels = (
    <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
      {file && (
        <Panel
          title={image.kind === 'mosaic' ? 'Raw' : file.linear ? 'Linear DNG' : 'Raw'}
          words={part ? 'of the part on view' : linearWords(record, file)}
        >
          {(opened?.kind ?? 'picture') !== 'picture' && <PartChoice />}
          {file.linear && (
            <RawScope
              linear={{ ...file.linear, stopline: (part && figures?.stopline) || file.linear.stopline }}
              width={scopeWidth}
            />
          )}
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
          {image.kind === 'mosaic' && file.linear && (
            <ForecastTable record={record} check={file.linear.check} />
          )}
          {image.kind === 'rgb' && (
            <Words kind="label" quiet testID="no-raw-here">
              {isUnknown(record.result)
                ? capital(record.result.unknown)
                : 'Only the picture was kept: raw was counted when it was made'}
              .
            </Words>
          )}
        </Panel>
      )}
      {figures && (
        <Panel
          title="Picture"
          words={`${part ? 'of the part on view' : pictureWords(record)}: R, G, B and luminance`}
        >
          <PictureScope histogram={figures.histogram} width={scopeWidth} />
        </Panel>
      )}
      {asShot && image.kind === 'mosaic' && (
        <Panel title="White" words="of the picture and of what is downloaded; raw stays">
          <FrameWhite record={record} asShot={asShot} white={white} onWhite={setWhite} />
        </Panel>
      )}
      {opened && opened.kind !== 'picture' && (
        <Panel title="Print" words="how it is developed; raw stays">
          <FramePrint record={record} print={print} onPrint={setPrint} />
        </Panel>
      )}
      {framing && !reframing && (
        <Panel title="Framing" words={record.reframe ? 'not as it was taken' : 'as it was taken'}>
          <View style={styles.actions}>
            <Button
              label="Re-frame"
              onPress={() =>
                setReframing({
                  value: record.reframe ?? framing.own,
                  shape: { id: 'free', turned: false },
                  drawing: false,
                })
              }
              testID="reframe"
            />
            {record.reframe && (
              <Button
                label="Back to the whole"
                name="Back to the whole: as it was taken"
                onPress={() => keepFraming(null)}
                testID="reframe-back"
              />
            )}
          </View>
          <Words kind="label" quiet testID="raw-untouched">
            {untouchedWords(record, file)}
          </Words>
        </Panel>
      )}
      <Panel title="Export" words="as it is, or developed">
        <ExportPanel records={[{ ...record, rewhite: white ?? undefined, print }]} />
      </Panel>
      <Panel title="Take it again so" words="this frame’s settings onto the desk">
        <SetDesk
          ways={[
            {
              id: 'out',
              label: 'As it came out',
              name: 'As it came out: every value by hand',
              values: asItCameOut(record),
            },
            {
              id: 'set',
              label: 'As it was set',
              name: 'As it was set: automatic where it was automatic',
              values: asItWasSet(record),
            },
          ]}
          onSet={() => router.navigate('/')}
        />
      </Panel>
      <CaptureData record={record} />
    </ScrollView>
  );
  const controls = reframing && framing && (
    <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
      <Panel title="Framing" words="raw stays whole: DNG has it as DefaultUserCrop and Orientation">
        <ReframeControls
          part={framing.part}
          value={reframing.value}
          onChange={(value) => setReframing((now) => now && { ...now, value })}
          drawing={reframing.drawing}
          onDrawing={(drawing) => setReframing((now) => now && { ...now, drawing })}
          shape={reframing.shape}
          onShape={(shape) => setReframing((now) => now && { ...now, shape })}
        />
        <View style={[styles.actions, styles.above]}>
          <Button
            label="Keep"
            name="Keep this framing"
            kind="primary"
            onPress={() => keepFraming(reframing.value)}
            testID="reframe-keep"
          />
          <Button
            label="Leave it"
            name="Leave it as it was"
            onPress={() => setReframing(null)}
            testID="reframe-leave"
          />
          <Button label="As taken" onPress={() => keepFraming(null)} testID="reframe-as-taken" />
        </View>
        {failed && (
          <Words style={styles.missed} role="alert">
            {failed}
          </Words>
        )}
        {reframing.value.tiltDeg !== 0 && (
          <Words kind="label" quiet>
            DNG knows no tilt: other programs show the lines level. JPEG, TIFF and PNG that leave here are
            straight.
          </Words>
        )}
      </Panel>
    </ScrollView>
  );
  const picture =
    reframing && framing ? (
      <Reframer
        record={record}
        look={look}
        part={framing.part}
        value={reframing.value}
        onChange={(value) => setReframing((now) => now && { ...now, value })}
        drawing={reframing.drawing}
        onDrawn={() => setReframing((now) => now && { ...now, drawing: false })}
        ratio={ratioSeen(reframing.shape, framing.part, reframing.value.orientation)}
        width={viewWidth}
        height={viewHeight}
      />
    ) : (
      <View style={{ width: viewWidth, height: viewHeight }}>
        {opening.kind === 'failed' || layer.failed ? (
          <View style={styles.middle} role="alert">
            <Words style={styles.warn}>{opening.kind === 'failed' ? opening.message : layer.failed}</Words>
            <Words quiet>
              {opening.kind !== 'failed' || opening.there
                ? 'The file can still be downloaded and looked at elsewhere.'
                : 'There is no file to download. The record and the thumbnail are all that is left of this frame.'}
            </Words>
            <Button label="Open it again" onPress={() => setAttempt((n) => n + 1)} testID="open-again" />
          </View>
        ) : (
          <View style={styles.ground}>
            {!layer.size && (
              <Standing
                id={record.id}
                preview={opening.kind === 'opening' ? opening.preview : undefined}
                width={viewWidth}
                height={viewHeight}
              />
            )}
            <PictureGlass
              layers={[layer]}
              width={viewWidth}
              height={viewHeight}
              name={`${channel === null ? 'Developed picture' : 'One channel of raw'}, ${zoom === 'fit' ? 'fitted' : `${Math.round(100 * zoom)} percent; arrow keys move it with Shift`}`}
              testID={`picture-${shown}`}
              onSwipe={(by) => step?.(by)}
            />
          </View>
        )}
      </View>
    );
  useKeys(record, reframing ? null : step);
  if (low)
    return (
      <View style={[styles.page, styles.wide]} role="main" aria-label="Frame">
        {picture}
        <View style={{ width: side }}>
          {head}
          {bars}
          {controls || panels}
          {!reframing && <Verdicts record={record} place={place} of={frames.length} step={step} />}
        </View>
      </View>
    );
  return (
    <View style={styles.page} role="main" aria-label="Frame">
      {head}
      <View style={wide ? styles.wide : styles.phone}>
        <View style={{ width: viewWidth }}>
          {picture}
          {wide ? bars : lookBar}
        </View>
        {controls || panels}
      </View>
      {!wide && !reframing && <Verdicts record={record} place={place} of={frames.length} step={step} />}
    </View>
  );
}

/** The hash of the raw file, and that it is what was saved. */
function untouchedWords({ files }: FrameRecord, file: OpenedFile | null): string {
  const raw = files.find(({ format }) => format === 'dng');
  if (!raw || isUnknown(raw.sha256)) return 'Raw stays as it is; no hash of it was kept.';
  const hash = `${raw.sha256.slice(0, 8)}…${raw.sha256.slice(-8)}`;
  if (!file) return `SHA-256 of the raw file: ${hash}`;
  return file.asSaved === false
    ? `SHA-256 of the raw file was ${hash}; it is another now.`
    : `Raw untouched: SHA-256 ${hash}, as it was saved.`;
}

/** What is there of what is wanted: nothing, all of it, or the part that is looked at as sharp as it is. */
function stateOf(layer: Layer, wanted: Wanted | null): 'loading' | 'fit' | 'full' {
  if (!wanted || !layer.size || layer.of !== keyOf(wanted)) return 'loading';
  const glass = glassOver(layer.size, wanted.window, wanted.zoom, wanted.at);
  if (wanted.zoom === 'fit' || glass.scale <= fitScale(layer.size, wanted.window) * 1.02) return 'fit';
  return layer.part ? 'full' : 'loading';
}

/** The small picture while the frame is read, and then the one that its file carries while it is developed. */
function Standing({
  id,
  preview,
  width,
  height,
}: {
  id: string;
  preview: ImageBitmap | undefined;
  width: number;
  height: number;
}) {
  const { data } = useThumbnail(id);
  const canvas = useRef<HTMLCanvasElement>(null);
  // It stays until the developed picture lies over it.
  const [kept, setKept] = useState(preview);
  if (preview && preview !== kept) setKept(preview);
  useEffect(() => {
    if (kept && canvas.current) canvas.current.getContext('2d')!.drawImage(kept, 0, 0);
  }, [kept]);
  const scale = kept ? Math.min(width / kept.width, height / kept.height) : 1;
  return (
    <>
      {data && !kept && (
        <Image source={{ uri: data }} style={styles.image} resizeMode="contain" aria-hidden />
      )}
      {kept && (
        <View style={[styles.image, styles.centred]} testID="picture-preview">
          <canvas
            ref={canvas}
            width={kept.width}
            height={kept.height}
            style={{ width: kept.width * scale, height: kept.height * scale }}
          />
        </View>
      )}
      <Words kind="label" style={styles.note} role="status">
        {kept ? 'The file’s own picture; developing…' : 'Opening the file…'}
      </Words>
    </>
  );
}

/** Histograms of all of it, or of what is on view once that can be seen; of several asked for the newest. */
function useFigures(
  id: string,
  look: Look,
  layer: Layer,
  wanted: Wanted | null,
  part: boolean,
): Figures | null {
  const [figures, setFigures] = useState<Figures | null>(null);
  const busy = useRef(false);
  const [done, setDone] = useState('');
  const { size } = layer;
  const ready = wanted && size && layer.of === keyOf(wanted);
  const region =
    ready && part ? under(glassOver(size, wanted.window, wanted.zoom, wanted.at), size, wanted.window) : null;
  const key = region && JSON.stringify([id, look, region]);
  useEffect(() => {
    if (!key || !region || busy.current || done === key) return;
    busy.current = true;
    lightbox
      .call((api) => api.figures(id, region, look))
      .then(setFigures, () => undefined)
      .finally(() => {
        busy.current = false;
        setDone(key);
      });
    // The key says all of it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, done]);
  // Of all of it the picture has told already, and raw once its file was looked through.
  if (!part) return layer.tones && { stopline: null, histogram: layer.tones };
  return figures;
}

/** Verdicts and the way to the next frame by keys, wherever on the screen the focus is; Escape goes back. */
function useKeys(record: FrameRecord, step: ((by: -1 | 1) => void) | null): void {
  const router = useRouter();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || e.defaultPrevented) return;
      const target = e.target as HTMLElement;
      if (['INPUT', 'TEXTAREA'].includes(target.tagName)) return;
      // Where arrows mean something else, as on a slider, they have been taken already.
      const { toggle, look } = useViewing.getState();
      const said = saidByKey(e.key, [record]);
      if (said) say([record.id], said).catch(() => undefined);
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
  }, [record, step, router]);
}

function Head({
  record,
  white,
  ready,
  broken,
  other,
}: {
  record: FrameRecord;
  white: WhitePoint | null;
  ready: boolean;
  broken: boolean;
  /** Id of a frame to compare with. */
  other: string | undefined;
}) {
  const router = useRouter();
  return (
    <View style={styles.head}>
      <Button label="Sheet" onPress={() => router.navigate('/sheet')} testID="to-sheet" />
      <View style={styles.actions}>
        {other && (
          <Button
            label="Compare"
            name="Compare with the frame after it"
            onPress={() => router.push({ pathname: '/compare', params: { first: record.id, second: other } })}
            testID="compare-next"
          />
        )}
        {!broken && <Download record={record} white={white} ready={ready} />}
        <Button
          label="Delete"
          onPress={() => void deleteWithUndo([record.id]).then((gone) => gone && router.navigate('/sheet'))}
          testID="delete"
        />
      </View>
    </View>
  );
}

function Verdicts({
  record,
  place,
  of,
  step,
}: {
  record: FrameRecord;
  place: number;
  of: number;
  step: ((by: -1 | 1) => void) | null;
}) {
  return (
    <VerdictBar
      record={record}
      place={place < 0 ? 'not among those that the sheet shows' : `${place + 1} of ${of}`}
      onStep={step}
    />
  );
}

function PartChoice() {
  const { part, look } = useViewing();
  return (
    <Segmented
      name="Histograms of"
      choices={[
        { id: 'whole', label: 'All of it' },
        { id: 'part', label: 'On view', name: 'On view: the part that is seen now' },
      ]}
      chosen={part ? 'part' : 'whole'}
      onChoose={(id) => look({ part: id === 'part' })}
      testID="figures-of"
    />
  );
}

function PictureScope({ histogram, width }: { histogram: Figures['histogram']; width: number }) {
  const heights = useDesk((d) => d.check.heights);
  const theme = useDesk((d) => d.theme);
  return (
    <Scope width={width} height={90} theme={theme} paint={(pen) => paintPicture(pen, histogram, heights)} />
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
}: {
  linear: NonNullable<OpenedFile['linear']>;
  width: number;
}) {
  const heights: Heights = useDesk((d) => d.check.heights);
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
        const as = { ...record, rewhite: white ?? undefined };
        const bytes = await lightbox.call((api) => api.file(entry, as));
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
  ground: { flex: 1, backgroundColor: colour.ground, overflow: 'hidden' },
  image: { position: 'absolute', width: '100%', height: '100%' },
  centred: { alignItems: 'center', justifyContent: 'center' },
  note: {
    position: 'absolute',
    left: space.one,
    bottom: space.one,
    backgroundColor: colour.chip,
    paddingHorizontal: 10,
    paddingVertical: 6,
    borderRadius: 8,
  },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  head: { flexDirection: 'row', justifyContent: 'space-between', padding: space.one },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  above: { marginTop: space.one },
  phone: { flex: 1 },
  wide: { flex: 1, flexDirection: 'row' },
  side: { flex: 1 },
  sideContent: { padding: space.one, gap: space.one },
  warn: { color: colour.warn, textAlign: 'center' },
  held: { color: colour.good },
  missed: { color: colour.warn },
  panel: { backgroundColor: colour.panel, borderRadius: radius, padding: space.one },
  panelHead: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    justifyContent: 'space-between',
    columnGap: space.one,
    marginBottom: 4,
  },
  tableRow: { flexDirection: 'row', paddingVertical: 3 },
  cell: { flex: 1, textAlign: 'right' },
  firstCell: { flexGrow: 0, flexShrink: 0, flexBasis: 32, textAlign: 'left' },
});
