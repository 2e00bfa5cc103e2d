// What stands beside an open frame: what raw and picture hold, how it is developed and framed, the way out, and all that is known of it.
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { whiteWords } from '../../core/colour/temperature';
import { factsOf } from '../../core/dng/file-facts';
import type { FrameRecord } from '../../core/frame/record';
import { asItCameOut, asItWasSet } from '../../core/frame/taken';
import { isUnknown, known } from '../../core/units/known';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import type { OpenedFile } from '../../workers/lightbox.worker';
import { capital } from '../finder/format';
import { ExportPanel } from '../rolls/export-panel';
import { SetDesk } from '../rolls/set-desk';
import { CaptureData } from './capture-data';
import {
  ForecastTable,
  linearWords,
  PartChoice,
  PictureScope,
  pictureWords,
  RawScope,
  Section,
} from './figures';
import type { FrameInView } from './frame-in-view';
import { FramePrint } from './frame-print';
import { FrameWhite } from './frame-white';

export function FramePanels({ frame, scopeWidth }: { frame: FrameInView; scopeWidth: number }) {
  const { record, opened, failed, figures, part, white, print, setPrint } = frame;
  return (
    <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
      {failed && (
        <Words style={styles.missed} role="alert">
          {failed}
        </Words>
      )}
      <RawSection frame={frame} width={scopeWidth} />
      {figures && (
        <Section
          title="Picture"
          words={`${part ? 'of the part on view' : pictureWords(record)}: R, G, B and luminance`}
        >
          <PictureScope histogram={figures.histogram} width={scopeWidth} />
        </Section>
      )}
      <WhiteSection frame={frame} />
      {opened && opened.kind !== 'picture' && (
        <Section title="Print" words="how it is developed; raw stays">
          <FramePrint record={record} print={print} onPrint={setPrint} />
        </Section>
      )}
      <FramingSection frame={frame} />
      <Section title="Export" words="as it is, or developed">
        <ExportPanel records={[{ ...record, rewhite: white ?? undefined, print }]} />
      </Section>
      <AgainSection record={record} />
      <CaptureData record={record} />
    </ScrollView>
  );
}

function RawSection({ frame, width }: { frame: FrameInView; width: number }) {
  const { record, file, opened, part, figures } = frame;
  if (!file) return null;
  const { kind } = record.image;
  const { linear } = file;
  return (
    <Section
      title={kind !== 'mosaic' && linear ? 'Linear DNG' : 'Raw'}
      words={part ? 'of the part on view' : linearWords(record, file)}
    >
      {(opened?.kind ?? 'picture') !== 'picture' && <PartChoice />}
      {linear && (
        <RawScope
          linear={{ ...linear, stopline: (part && figures?.stopline) || linear.stopline }}
          width={width}
        />
      )}
      {linear?.check.asShotWhite && (
        <Words kind="label" quiet testID="file-white">
          White by the file’s own tags: {whiteWords(linear.check.asShotWhite)}
        </Words>
      )}
      {file.asSaved === false && (
        <Words style={styles.missed} role="alert" testID="not-as-saved">
          This is not the file that was saved: its hash is another. Something has changed it since.
        </Words>
      )}
      {kind === 'mosaic' && linear && <ForecastTable record={record} check={linear.check} />}
      {kind === 'rgb' && (
        <Words kind="label" quiet testID="no-raw-here">
          {isUnknown(record.result)
            ? capital(record.result.unknown)
            : 'Only the picture was kept: raw was counted when it was made'}
          .
        </Words>
      )}
    </Section>
  );
}

function WhiteSection({ frame: { record, file, white, setWhite } }: { frame: FrameInView }) {
  const { asShotWhite: asShot = null, metadata } = file?.linear?.check ?? {};
  const matrices = useMemo(() => metadata && known(factsOf(metadata).matrices), [metadata]);
  if (!asShot || record.image.kind !== 'mosaic') return null;
  return (
    <Section title="White" words="of the picture and of what is downloaded; raw stays">
      <FrameWhite {...{ record, asShot, matrices, white }} onWhite={setWhite} />
    </Section>
  );
}

function FramingSection({ frame }: { frame: FrameInView }) {
  const { record, file, opened, beginReframing, keepFraming } = frame;
  const framing = opened?.framing;
  if (!framing) return null;
  const begin = () =>
    beginReframing({
      value: record.reframe ?? framing.own,
      shape: { id: 'free', turned: false },
      drawing: false,
    });
  return (
    <Section title="Framing" words={record.reframe ? 'not as it was taken' : 'as it was taken'}>
      <View style={styles.actions}>
        <Button label="Re-frame" onPress={begin} testID="reframe" />
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
  );
}

function AgainSection({ record }: { record: FrameRecord }) {
  const router = useRouter();
  return (
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

const styles = StyleSheet.create({
  side: { flex: 1 },
  sideContent: { padding: space.one, gap: space.one },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
  missed: { color: colour.warn },
});
