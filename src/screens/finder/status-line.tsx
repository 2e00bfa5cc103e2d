// State at a glance: lens, format, meter, frames left, battery.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { patternOf } from '../../core/meter/read';
import { formatThirds } from '../../core/units/ladders';
import { useFramesLeft } from '../../library/roll';
import { listed } from '../../core/setting/values';
import { known } from '../../core/units/known';
import { bodyWith, opticWith } from '../../live/camera';
import { useReport } from '../../live/report';
import { useDesk } from '../../live/desk';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export function StatusLine() {
  const lens = useDesk((d) => d.optic);
  const pattern = useDesk((d) => d.settings.meter.pattern);
  const kelvin = useReport((r) => (r.words ? known(r.words.kelvin) : undefined));
  const { typicalFrameBytes, megapixels, evidence } = bodyWith(lens);
  const settings = useDesk((d) => d.settings);
  const unusual = listed().flatMap(({ key, badge }) => badge?.(settings[key]) ?? []);
  const habitEv = useDesk((d) => d.check.habitEv);
  const { data: left } = useFramesLeft(typicalFrameBytes);
  const battery = useBattery();
  const items = [
    opticWith(lens).name,
    [evidence === 'raw' ? 'DNG' : 'JPEG', known(megapixels) && `${known(megapixels)} MP`]
      .filter(Boolean)
      .join(' '),
    // The button below names the pattern too: it stands back when there is more to say.
    unusual.length > 0 || habitEv !== 0 ? null : patternOf(pattern).name,
    habitEv !== 0 ? `habit ${formatThirds(habitEv)}` : null,
    ...unusual,
    kelvin === undefined ? null : `${kelvin} K auto`,
    left === null || left === undefined
      ? null
      : left === 0
        ? 'store full'
        : `${left.toLocaleString('en').replaceAll(',', ' ')} left`,
    battery === null ? null : `${Math.round(battery * 100)} %`,
  ].filter((item) => item !== null);
  return (
    <View style={styles.line} testID="status">
      {items.map((item) => (
        <Words
          key={item}
          kind="label"
          style={[styles.item, item === 'store full' && styles.full]}
          numberOfLines={1}
        >
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

const styles = StyleSheet.create({
  line: {
    height: 32,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingHorizontal: space.half,
    gap: space.one,
  },
  item: { color: colour.quiet, flexShrink: 1 },
  full: { color: colour.warn },
});
