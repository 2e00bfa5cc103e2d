// State at a glance: lens, format, meter, frames left, battery.
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { patternOf } from '../../core/meter/read';
import { formatThirds } from '../../core/units/ladders';
import { useFramesLeft } from '../../library/roll';
import { lensOf, bodyOf } from '../../camera/port';
import { camera } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export function StatusLine() {
  const lens = useDesk((d) => d.lens);
  const pattern = useDesk((d) => d.pattern);
  const kelvin = useDesk((d) => d.report?.colour.kelvin ?? null);
  const { typicalFrameBytes, megapixels } = bodyOf(camera, lens);
  const filterStops = useDesk((d) => d.filterStops);
  const delayS = useDesk((d) => d.delayS);
  const habitEv = useDesk((d) => d.check.habitEv);
  const { data: left } = useFramesLeft(typicalFrameBytes);
  const battery = useBattery();
  const items = [
    lensOf(camera, lens).name,
    `DNG ${megapixels} MP`,
    // The button below names the pattern too: it stands back when there is more to say.
    filterStops > 0 || delayS > 0 || habitEv !== 0 ? null : patternOf(pattern).name,
    habitEv !== 0 ? `habit ${formatThirds(habitEv)}` : null,
    filterStops > 0 ? `ND ${filterStops.toFixed(1).replace(/\.0$/, '')} stops` : null,
    delayS > 0 ? `after ${delayS} s` : null,
    kelvin === null ? null : `${kelvin} K auto`,
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
