// The head of the screen: what the meter says, and the state at a glance.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { patternOf } from '../../core/meter/read';
import { formatThirds } from '../../core/units/ladders';
import { useFramesLeft } from '../../library/roll';
import { settingsOn } from '../../core/setting/values';
import { known } from '../../core/units/known';
import { useBody, useOptic } from '../../live/in-use';
import { useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { useFrameBytes } from '../../live/frame-bytes';
import { useWorld } from '../../live/world';
import { colour, rem, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { SUPPORT_WORDS } from './outside';
import { Reading } from './reading';

/** What the meter says, and the state at a glance: beside it, or on a line of its own. */
export function Head({ lines, short }: { lines: 1 | 2; short: boolean }) {
  return (
    <View style={[styles.head, lines === 2 && styles.lines]}>
      <Reading short={short} />
      <Status lines={lines} />
    </View>
  );
}

/** How a white came to be, in one word. */
const WHITE_BY = { hand: 'set', automatic: 'auto', guess: 'guessed', held: 'held' } as const;

/** As many items as there is room for; those that have none are read to who listens. */
function Status({ lines }: { lines: 1 | 2 }) {
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const white = useReport((r) => (r.words ? known(r.words.white) : undefined));
  const optic = useOptic();
  const { megapixels, evidence, arrangedWorld } = useBody();
  const settings = useDesk((d) => d.settings);
  const unusual = settingsOn(optic).flatMap(({ key, badge }) => badge?.(settings[key]) ?? []);
  const habitEv = useDesk((d) => d.check.habitEv);
  const { data: left } = useFramesLeft(useFrameBytes().bytes);
  const battery = useBattery();
  const support = useWorld((w) => w.outside.support);
  // What is out of the ordinary comes first, then what runs out.
  const items = [
    ...unusual,
    habitEv !== 0 ? `habit ${formatThirds(habitEv)}` : null,
    left === null || left === undefined
      ? null
      : left === 0
        ? 'store full'
        : `${left.toLocaleString('en').replaceAll(',', ' ')} left`,
    arrangedWorld ? SUPPORT_WORDS[support] : null,
    battery === null ? null : `${Math.round(battery * 100)} %`,
    [
      evidence === 'raw' ? (settings.files.kind === 'dng' ? 'DNG' : null) : 'JPEG',
      known(megapixels) && `${known(megapixels)} MP`,
    ]
      .filter(Boolean)
      .join(' '),
    optic.name,
    white && `${Math.round(white.kelvin)} K ${WHITE_BY[white.by]}`,
    patternOf(pattern).name,
  ].filter((item) => item !== null && item !== undefined);
  return (
    <View style={[styles.line, lines === 1 && styles.end]} testID="status">
      {/* A line has room for this one: what does not fit after it goes to the next. */}
      <View style={styles.first} />
      {items.map((item) => (
        <Words key={item} kind="label" style={[styles.item, item === 'store full' && styles.full]}>
          {item}
        </Words>
      ))}
    </View>
  );
}

interface Battery extends EventTarget {
  readonly level: number;
}

/** Charge 0 … 1, or null where the browser does not tell. */
function useBattery(): number | null {
  const [level, setLevel] = useState<number | null>(null);
  useEffect(() => {
    const get = (navigator as Navigator & { getBattery?: () => Promise<Battery> }).getBattery;
    if (!get) return;
    let battery: Battery | undefined;
    let gone = false;
    const update = () => setLevel(battery?.level ?? null);
    get.call(navigator).then(
      (found) => {
        if (gone) return;
        battery = found;
        battery.addEventListener('levelchange', update);
        update();
      },
      () => undefined,
    );
    return () => {
      gone = true;
      battery?.removeEventListener('levelchange', update);
    };
  }, []);
  return level;
}

/** As high as the line, so that a second one is wholly out of sight. */
const ROW = 28;

const styles = StyleSheet.create({
  head: { flex: 1, flexDirection: 'row', alignItems: 'center', gap: space.two },
  lines: { flexDirection: 'column', alignItems: 'stretch', gap: 0 },
  // Items that do not fit go to a line that is out of sight: none is cut.
  line: {
    flex: 1,
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: 12,
    height: '100%',
    overflow: 'hidden',
  },
  end: { justifyContent: 'flex-end' },
  first: { width: 0, height: rem(ROW), marginRight: -12 },
  item: { color: colour.quiet, lineHeight: rem(ROW), flexShrink: 0, whiteSpace: 'nowrap' } as object,
  full: { color: colour.warn },
});
