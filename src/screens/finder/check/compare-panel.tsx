// Another exposure of the same scene, held up against the present one; and the loupe.
import { StyleSheet, View } from 'react-native';
import type { SettingId } from '../../../core/exposure/settings';
import { at, nearestStep } from '../../../core/units/ladders';
import { LADDER_OF } from '../../../core/exposure/automatic';
import { useExposureWords, useRawWords } from '../../../live/report';
import { useDesk } from '../../../live/desk';
import { hasIris } from '../../../live/camera';
import type { OtherExposure } from '../../../camera/order';
import { Button } from '../../../ui/button';
import { Stepper } from '../../../ui/stepper';
import { space } from '../../../ui/theme';
import { Words } from '../../../ui/words';
import { settingsWords, valueWords } from '../format';
import { NoRaw } from '../no-raw';
import { comparisonWords, HoldButton } from './hold';

const KEYS: Readonly<Record<SettingId, keyof OtherExposure>> = {
  shutter: 'shutterS',
  iso: 'iso',
  aperture: 'apertureN',
};
const NAMES: Readonly<Record<SettingId, string>> = { shutter: 'Shutter', iso: 'ISO', aperture: 'Aperture' };

export function ComparePanel() {
  const settings = useExposureWords((e) => e.settings);
  const comparison = useRawWords((r) => r.comparison);
  const plan = useExposureWords((e) => e.plan);
  const other = useDesk((d) => d.other);
  const loupe = useDesk((d) => d.loupe);
  const iris = useDesk((d) => hasIris(d.optic));
  const { setOther, setLoupe } = useDesk.getState();
  if (!settings || !plan) return <NoRaw />;
  const { shutterS, iso, apertureN } = settings;
  const present = { shutterS, iso, apertureN };
  const step = (id: SettingId, by: 1 | -1) => {
    if (!other) return;
    const ladder = LADDER_OF[id];
    const { low, high } = id === 'aperture' ? plan.ranges.aperture : { low: 0, high: ladder.length - 1 };
    const index = Math.min(high, Math.max(low, nearestStep(ladder, other[KEYS[id]]) + by));
    setOther({ ...other, [KEYS[id]]: at(ladder, index).exact });
  };
  const ids: readonly SettingId[] = iris ? ['shutter', 'aperture', 'iso'] : ['shutter', 'iso'];
  return (
    <>
      <Words quiet kind="label">
        Put an exposure beside the present one ({settingsWords(settings, iris)}), then hold to see it.
      </Words>
      <View style={styles.row}>
        <Button
          label={other ? 'Start from the present' : 'Put one beside'}
          kind={other ? 'plain' : 'primary'}
          onPress={() => setOther(present)}
          testID="other-present"
        />
        {other && <Button label="Put away" onPress={() => setOther(null)} testID="other-away" />}
      </View>
      {other && (
        <>
          <View style={styles.row}>
            {ids.map((id) => (
              <Stepper
                key={id}
                name={NAMES[id]}
                value={valueWords(id, other[KEYS[id]])}
                onStep={(by) => step(id, by)}
                testID={`other-${id}`}
              />
            ))}
          </View>
          <View style={styles.row}>
            <HoldButton testID="hold-panel" />
            <Words style={styles.flex} testID="comparison-panel">
              {comparison ? comparisonWords(comparison) : 'The other exposure shows while this is held (C).'}
            </Words>
          </View>
        </>
      )}
      <View style={styles.row}>
        <Button
          label="Loupe 1:1"
          name="Loupe 1:1 (J)"
          on={loupe !== null}
          onPress={() => setLoupe(loupe ? null : { x: 0.5, y: 0.4 })}
          testID="loupe-switch"
        />
        <Words kind="label" quiet style={styles.flex}>
          A piece of the capture as it will be, pixel for pixel: its brightness, its noise, its blur. Drag it
          anywhere.
        </Words>
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one, alignItems: 'center' },
  flex: { flex: 1 },
});
