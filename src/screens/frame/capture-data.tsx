// All that is known of a frame, line by line: how it was set and made, its size, its files. What is not known says why.
import { StyleSheet, View } from 'react-native';
import { isLevel } from '../../core/body/attitude';
import { whiteWords } from '../../core/colour/temperature';
import { EIGHT_BITS } from '../../core/frame/picture-frame';
import { partsOfFrame, type FrameRecord } from '../../core/frame/record';
import { ev100OfSettings } from '../../core/light/apex';
import { patternOf } from '../../core/meter/read';
import { definitionOf, listed } from '../../core/setting/values';
import { isUnknown, known, type Known } from '../../core/units/known';
import { APERTURE_LADDER, formatThirds, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../../core/units/ladders';
import { lengthWords } from '../../core/units/lengths';
import { positionWords } from '../../core/body/position';
import { rollIn, useRolls } from '../../library/rolls';
import { useDesk } from '../../live/desk';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { levelWords } from '../finder/frame-layer';

/** A value with how it was set, or why it is not known. */
function madeWords<T>(value: Known<T>, words: (known: T) => string, auto?: boolean): string {
  if (isUnknown(value)) return `unknown: ${value.unknown}`;
  return auto === undefined ? words(value) : `${words(value)}, ${auto ? 'automatic' : 'by hand'}`;
}

/** The settings that say nothing of themselves elsewhere, where they were not as usual. */
function furtherSettings({ set }: FrameRecord): [string, string][] {
  const shown = [
    'shutter',
    'iso',
    'aperture',
    'compensationEv',
    'focus',
    'meter',
    'rules',
    'white',
    'pictures',
  ];
  return listed().flatMap(({ key, name, words, initial }): [string, string][] => {
    const value = set[key];
    return shown.includes(key) || value === undefined || same(value, initial) ? [] : [[name, words(value)]];
  });
}

/** Of what is shown, and where that is a part, of the whole. */
function sizeWords(record: FrameRecord): string {
  const { image } = record;
  const { lines } = partsOfFrame(record);
  const words = `${lines.width} × ${lines.height}`;
  return lines.width === image.width && lines.height === image.height
    ? words
    : `${words} of ${image.width} × ${image.height}`;
}

/** By what they hold: what comes out of storage is another object. */
function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** What only frames made in this way have. */
function originWords({ made, files }: FrameRecord): [string, string][] {
  if (made.kind === 'simulated')
    return [
      ['Held', made.outside.support === 'tripod' ? 'on a tripod' : 'by hand'],
      ['Scene', `${made.scene}, seed ${made.seed}`],
    ];
  if (made.kind === 'browser') {
    const averaged = made.pictures > 1 ? `${made.pictures} pictures averaged` : 'one picture';
    const has = files.some(({ format }) => format === 'dng');
    return [
      ['Device', made.device],
      ...(has ? [['Linear DNG', `${averaged}, ${EIGHT_BITS}`] as [string, string]] : []),
    ];
  }
  return [['Imported', made.file]];
}

export function CaptureData({ record }: { record: FrameRecord }) {
  const lengths = useDesk((d) => d.lengths);
  const local = new Date(record.timeMs + record.offsetMinutes * 60000).toISOString();
  const { shutterS, iso, apertureN, compensationEv } = record.exposure;
  const { set, metered, files } = record;
  const whole = [known(apertureN), known(shutterS), known(iso)] as const;
  const ev = whole.every((v) => v !== undefined)
    ? ev100OfSettings(...(whole as [number, number, number]))
    : null;
  const fixed = set.aperture === undefined;
  const roll = rollIn(useRolls(), record.roll);
  const rows: [string, string][] = [
    ['Shutter', madeWords(shutterS, (s) => stepOf(SHUTTER_LADDER, s).label, set.shutter?.auto)],
    ['ISO', madeWords(iso, (s) => stepOf(ISO_LADDER, s).label, set.iso?.auto)],
    [
      'Aperture',
      madeWords(apertureN, (n) => (fixed ? `f/${n}` : stepOf(APERTURE_LADDER, n).label), set.aperture?.auto),
    ],
    ['Compensation', `${formatThirds(compensationEv)} EV`],
    ...(ev === null ? [] : [['EV at ISO 100', ev.toFixed(1)] as [string, string]]),
    ['Meter', set.meter ? definitionOf('meter').words(set.meter) : patternOf(metered.pattern).name],
    [
      'White',
      madeWords(
        record.kelvin,
        (kelvin) =>
          `${whiteWords({ kelvin, tint: record.tint ?? 0 })}, ${set.white && !set.white.auto ? 'by hand' : 'automatic'}`,
      ),
    ],
    ['Lens', record.lens],
    ['Focus', madeWords(record.focusM, (m) => lengthWords(m ?? Infinity, lengths))],
    ...furtherSettings(record),
    ...(record.group ? [['Frame', placeWords(record.group)] as [string, string]] : []),
    ...originWords(record),
    ['Camera', record.camera],
    ['Taken', `${local.slice(0, 10)} ${local.slice(11, 19)}`],
    ['Roll', roll.name],
    ...creditWords(record),
    ...(record.held && !isLevel(record.held) ? [['Level', levelWords(record.held)] as [string, string]] : []),
    ['Size', sizeWords(record)],
    ...files.map(({ format, bytes }): [string, string] => [
      format.toUpperCase(),
      bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`,
    ]),
  ];
  return (
    <View style={styles.panel} testID="capture-data">
      {rows.map(([name, value]) => (
        <View key={name} style={styles.dataRow}>
          <Words kind="body" quiet style={styles.dataName}>
            {name}
          </Words>
          <Words kind="body" style={styles.dataValue}>
            {value}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** What its files say of person and place. */
function creditWords({ credit, position }: FrameRecord): [string, string][] {
  const rows: [string, string | undefined][] = [
    ['Name', credit?.person],
    ['Copyright', credit?.copyright],
    ['Keywords', credit?.keywords.join(', ')],
    ['Place', position && positionWords(position)],
  ];
  return rows.filter((row): row is [string, string] => Boolean(row[1]));
}

/** Which of a sequence a frame is. */
function placeWords({ index, of }: NonNullable<FrameRecord['group']>): string {
  return of === undefined ? `${index + 1} of a burst` : `${index + 1} of ${of}`;
}

const styles = StyleSheet.create({
  panel: { backgroundColor: colour.panel, borderRadius: radius, padding: space.one },
  dataRow: { flexDirection: 'row', paddingVertical: 3 },
  dataName: { width: 124 },
  dataValue: { flex: 1 },
});
