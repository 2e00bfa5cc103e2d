// One frame: the picture at any scale, developed or a channel of raw, its histograms, what clips, all that is known of it, and what is thought of it.
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { PixelRatio, ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { whiteWords, type WhitePoint } from '../../core/colour/temperature';
import { factsOf } from '../../core/dng/file-facts';
import { lookOf } from '../../core/frame/look';
import { partsOfFrame, printOf, type FrameRecord } from '../../core/frame/record';
import { asItCameOut, asItWasSet } from '../../core/frame/taken';
import type { Reframe } from '../../core/raw/reframe';
import type { Look } from '../../core/review/view';
import type { Print } from '../../core/setting/print';
import { isUnknown, known } from '../../core/units/known';
import { keepLook } from '../../library/looks';
import { useRoll } from '../../library/roll';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import type { OpenedFile } from '../../workers/lightbox.worker';
import { capital } from '../finder/format';
import { ExportPanel } from '../rolls/export-panel';
import { SetDesk } from '../rolls/set-desk';
import { say, saidByKey } from '../rolls/verdicts';
import { useArranged } from '../sheet/arranged';
import { CaptureData } from './capture-data';
import {
  ForecastTable,
  linearWords,
  Section,
  PartChoice,
  PictureScope,
  pictureWords,
  RawScope,
} from './figures';
import { FramePrint } from './frame-print';
import { FrameWhite } from './frame-white';
import { Head } from './head';
import { useLayer, type Wanted } from './layer';
import { LookBar } from './look-bar';
import { stateOf, useFigures } from './on-view';
import { useAhead, useOpening } from './opened';
import { PictureGlass } from './picture-glass';
import { ratioSeen, ReframeControls, Reframer, type Shape } from './reframer';
import { Standing } from './standing';
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
  const beside = (by: -1 | 1) => frames[(place + by + frames.length) % frames.length]!;
  const alone = place < 0 || frames.length < 2;
  const step = alone
    ? null
    : (by: -1 | 1) => router.replace({ pathname: '/frame/[id]', params: { id: beside(by).id } });
  const opened = opening.kind === 'open' ? opening.opened : null;
  const file = opening.kind === 'open' ? opening.file : null;
  useAhead(file !== null, alone ? [] : [beside(1), beside(-1)]);
  const asShot = file?.linear?.check.asShotWhite ?? null;
  const metadata = file?.linear?.check.metadata;
  const matrices = useMemo(() => metadata && known(factsOf(metadata).matrices), [metadata]);
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
      {failed && (
        <Words style={styles.missed} role="alert">
          {failed}
        </Words>
      )}
      {file && (
        <Section
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
        </Section>
      )}
      {figures && (
        <Section
          title="Picture"
          words={`${part ? 'of the part on view' : pictureWords(record)}: R, G, B and luminance`}
        >
          <PictureScope histogram={figures.histogram} width={scopeWidth} />
        </Section>
      )}
      {asShot && image.kind === 'mosaic' && (
        <Section title="White" words="of the picture and of what is downloaded; raw stays">
          <FrameWhite {...{ record, asShot, matrices, white }} onWhite={setWhite} />
        </Section>
      )}
      {opened && opened.kind !== 'picture' && (
        <Section title="Print" words="how it is developed; raw stays">
          <FramePrint record={record} print={print} onPrint={setPrint} />
        </Section>
      )}
      {framing && !reframing && (
        <Section title="Framing" words={record.reframe ? 'not as it was taken' : 'as it was taken'}>
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
        </Section>
      )}
      <Section title="Export" words="as it is, or developed">
        <ExportPanel records={[{ ...record, rewhite: white ?? undefined, print }]} />
      </Section>
      <Section title="Take it again so" words="this frame’s settings onto the desk">
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
      </Section>
      <CaptureData record={record} />
    </ScrollView>
  );
  const controls = reframing && framing && (
    <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
      <Section title="Framing" words="raw stays whole: DNG has it as DefaultUserCrop and Orientation">
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
      </Section>
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
  useKeys(record, reframing ? null : step, setFailed);
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

const styles = StyleSheet.create({
  page: { flex: 1, backgroundColor: colour.page },
  ground: { flex: 1, backgroundColor: colour.ground, overflow: 'hidden' },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  above: { marginTop: space.one },
  phone: { flex: 1, minHeight: 0 },
  wide: { flex: 1, minHeight: 0, flexDirection: 'row' },
  side: { flex: 1 },
  sideContent: { padding: space.one, gap: space.one },
  warn: { color: colour.warn, textAlign: 'center' },
  missed: { color: colour.warn },
});
