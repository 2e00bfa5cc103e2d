// Figures of a frame: raw and picture by their tones, and what the finder had said before the press beside what came.
import { StyleSheet, View } from 'react-native';
import type { Figures, OpenedFile } from '../../workers/lightbox.worker';
import { forecastHeld, type FrameRecord } from '../../core/frame/record';
import type { RawFigures } from '../../core/frame/record-parts';
import { EIGHT_BITS } from '../../core/frame/picture-frame';
import type { CheckReport } from '../../core/dng/check';
import { isUnknown } from '../../core/units/known';
import { formatEv } from '../../core/units/ladders';
import { useDesk } from '../../live/desk';
import type { Heights } from '../../ui/scopes/shape';
import { Segmented } from '../../ui/segmented';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { percentWords } from '../finder/format';
import { paintPicture, paintStopline } from '../../ui/scopes/paint';
import { Scope } from '../../ui/scopes/scope';
import { useViewing } from './viewing';

export function PartChoice() {
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

export function PictureScope({ histogram, width }: { histogram: Figures['histogram']; width: number }) {
  const heights = useDesk((d) => d.check.heights);
  const theme = useDesk((d) => d.theme);
  return (
    <Scope width={width} height={90} theme={theme} paint={(pen) => paintPicture(pen, histogram, heights)} />
  );
}

export function Section({
  title,
  words,
  children,
}: {
  title: string;
  words: string;
  children: React.ReactNode;
}) {
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
export function pictureWords({ image, made, tint }: FrameRecord): string {
  if (image.kind === 'mosaic') return 'developed';
  if (made.kind === 'simulated') return 'developed from raw, which was not kept';
  // A device tells a temperature at most.
  return made.kind === 'browser' && tint !== undefined ? 'with white put on it' : 'as the device made it';
}

export function linearWords(record: FrameRecord, { linear }: OpenedFile): string {
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

export function RawScope({
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
export function ForecastTable({ record, check }: { record: FrameRecord; check: CheckReport }) {
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

const styles = StyleSheet.create({
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
