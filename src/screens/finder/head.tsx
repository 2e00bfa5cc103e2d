// The head of the screen: what the meter says, and the state at a glance.
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { withinWords } from '../../core/body/position';
import { patternOf } from '../../core/meter/read';
import { formatThirds } from '../../core/units/ladders';
import { useFramesLeft, useRoll } from '../../library/roll';
import { rollIn, useRolls } from '../../library/rolls';
import { driveOf } from '../../core/sequence/in-use';
import type { SettingKey } from '../../core/setting/settings';
import { settingsOn } from '../../core/setting/values';
import { isUnknown, known } from '../../core/units/known';
import { useBody, useOptic } from '../../live/in-use';
import { useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import type { FaderId } from '../../live/desk-state';
import { useFrameBytes } from '../../live/frame-bytes';
import { usePosition } from '../../live/position';
import { useWorld } from '../../live/world';
import { colour, rem, space, touch } from '../../ui/theme';
import { Words } from '../../ui/words';
import type { MoreTab } from './more-panel';
import { SUPPORT_WORDS } from './outside-chip';
import { Reading } from './reading';

/** Where something is changed. */
export type Way =
  | { readonly to: 'outside' | 'meter' | 'frame' }
  | { readonly to: 'more'; readonly tab: MoreTab }
  | { readonly to: 'ladder'; readonly fader: FaderId };

/** What the meter says, and the state at a glance: beside it, or on a line of its own. */
export function Head({ lines, short, onWay }: { lines: 1 | 2; short: boolean; onWay: (way: Way) => void }) {
  return (
    <View style={[styles.head, lines === 2 && styles.lines]}>
      <Reading short={short} />
      <Status lines={lines} onWay={onWay} />
    </View>
  );
}

/** How a white came to be, in one word. */
const WHITE_BY = { hand: 'set', automatic: 'auto', guess: 'guessed', held: 'held' } as const;

interface Item {
  readonly words: string;
  /** What it is, for assistive technology: "Roll". */
  readonly name: string;
  /** Where it is changed; absent for what nobody can change. */
  readonly way?: Way | 'sheet';
  readonly warn?: boolean;
}

const MORE = (tab: MoreTab): Way => ({ to: 'more', tab });
/** Where a setting is changed that is told of when it is not as usual. */
const WAY_OF: Readonly<Partial<Record<SettingKey, Way>>> = {
  filterStops: MORE('filter'),
  pictures: MORE('camera'),
  torch: MORE('camera'),
  cut: { to: 'frame' },
};

/** Each a tap from where it is changed. As many as there is room for; the line moves under the thumb to the others. */
function Status({ lines, onWay }: { lines: 1 | 2; onWay: (way: Way) => void }) {
  const router = useRouter();
  const items = useItems();
  // Where the meter's own scale takes the whole line there is none for the state.
  const [room, setRoom] = useState(true);
  return (
    <View style={styles.line} onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width >= touch)}>
      <ScrollView
        horizontal
        showsHorizontalScrollIndicator={false}
        style={styles.reach}
        contentContainerStyle={[styles.items, lines === 1 && styles.end]}
        testID="status"
      >
        {(room ? items : []).map(({ words, name, way, warn }) => (
          <Pressable
            key={name}
            role={way ? 'button' : undefined}
            aria-label={way ? `${words}: ${name}` : undefined}
            disabled={!way}
            onPress={() => (way === 'sheet' ? router.navigate('/sheet') : way && onWay(way))}
            style={({ pressed }) => [styles.item, pressed && styles.pressed]}
            testID={`status-${name.replaceAll(' ', '-')}`}
          >
            <Words kind="label" style={[styles.words, warn && styles.warn]}>
              {words}
            </Words>
          </Pressable>
        ))}
      </ScrollView>
    </View>
  );
}

/** What is out of the ordinary comes first, then what runs out, then where frames go and how. */
function useItems(): readonly Item[] {
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const white = useReport((r) => (r.words ? known(r.words.white) : undefined));
  const optic = useOptic();
  const { megapixels, evidence, arrangedWorld } = useBody();
  const settings = useDesk((d) => d.settings);
  const habitEv = useDesk((d) => d.check.habitEv);
  const { data: left } = useFramesLeft(useFrameBytes().bytes);
  const waiting = useRoll().data?.waiting.length ?? 0;
  const battery = useBattery();
  const support = useWorld((w) => w.outside.support);
  const roll = rollIn(
    useRolls(),
    useDesk((d) => d.roll),
  );
  const place = usePlaceItem();
  const unusual = settingsOn(optic).flatMap(({ key, name, badge }): Item[] => {
    const words = badge?.(settings[key]);
    return words ? [{ words, name: name.toLowerCase(), way: WAY_OF[key] ?? MORE('drive') }] : [];
  });
  const single = settings.delayS === 0 && driveOf(settings).id === 'single';
  const format = [
    evidence === 'raw' ? (settings.files.kind === 'dng' ? 'DNG' : null) : 'JPEG',
    known(megapixels) && `${known(megapixels)} MP`,
  ]
    .filter(Boolean)
    .join(' ');
  const items: (Item | null)[] = [
    ...unusual,
    habitEv === 0
      ? null
      : {
          words: `habit ${formatThirds(habitEv)}`,
          name: 'habit',
          way: { to: 'ladder', fader: 'compensation' },
        },
    waiting === 0 ? null : { words: `${waiting} waiting`, name: 'frames that wait', way: 'sheet' },
    left === null || left === undefined
      ? null
      : left === 0
        ? { words: 'store full', name: 'frames left', way: 'sheet', warn: true }
        : {
            words: `${left.toLocaleString('en').replaceAll(',', ' ')} left`,
            name: 'frames left',
            way: MORE('drive'),
          },
    { words: roll.name, name: 'roll', way: MORE('roll') },
    single ? { words: 'single', name: 'drive', way: MORE('drive') } : null,
    format === '' ? null : { words: format, name: 'format', way: MORE('drive') },
    arrangedWorld ? { words: SUPPORT_WORDS[support], name: 'steadiness', way: { to: 'outside' } } : null,
    place,
    battery === null ? null : { words: `${Math.round(battery * 100)} %`, name: 'battery' },
    { words: optic.name, name: 'lens', way: MORE('camera') },
    white
      ? {
          words: `${Math.round(white.kelvin)} K ${WHITE_BY[white.by]}`,
          name: 'white',
          way: { to: 'ladder', fader: 'white' },
        }
      : null,
    { words: patternOf(pattern).name, name: 'meter', way: { to: 'meter' } },
  ];
  return items.filter((item) => item !== null);
}

/** Whether frames tell their place. */
function usePlaceItem(): Item {
  const placed = useDesk((d) => d.placed);
  const position = usePosition();
  const way = MORE('roll');
  if (!placed) return { words: 'no place', name: 'place', way };
  if (isUnknown(position)) return { words: 'place unknown', name: 'place', way, warn: true };
  return { words: `place ${withinWords(position.accuracyM)}`, name: 'place', way };
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

/** As high as the line. */
const ROW = 28;
const REACH = `max(${touch}px, ${ROW / 16}rem)`;

const styles = StyleSheet.create({
  head: { flex: 1, flexDirection: 'row', alignItems: 'center', gap: space.two },
  lines: { flexDirection: 'column', alignItems: 'stretch', gap: 0 },
  line: { flexGrow: 1, flexShrink: 1, flexBasis: 0, minWidth: 0, height: rem(ROW) },
  // As high as a finger needs: a little of it lies over what stands under the line.
  reach: { position: 'absolute', left: 0, right: 0, top: 0, height: REACH } as object,
  items: { flexGrow: 1, alignItems: 'flex-start' },
  end: { justifyContent: 'flex-end' },
  item: { height: REACH, minWidth: touch, alignItems: 'center', paddingHorizontal: 6 } as object,
  words: { color: colour.quiet, lineHeight: rem(ROW), whiteSpace: 'nowrap' } as object,
  pressed: { opacity: 0.6 },
  warn: { color: colour.warn },
});
