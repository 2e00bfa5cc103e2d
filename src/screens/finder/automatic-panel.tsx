// What the automatic may do: the order in which settings move as light falls, and their bounds.
import { SETTING_IDS, type SettingId } from '../../core/exposure/settings';
import { StyleSheet, View } from 'react-native';
import { DEFAULT_RULES, LADDER_OF } from '../../core/exposure/automatic';
import { at, formatThirds, ISO_LADDER, nearestStep } from '../../core/units/ladders';
import { rulesWords } from '../../core/setting/rules';
import { useExposureWords } from '../../live/report';
import { useDesk } from '../../live/desk';
import { hasIris } from '../../core/body/body';
import { useOptic } from '../../live/in-use';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { Stepper } from '../../ui/stepper';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { valueWords } from './format';

const NAMES: Readonly<Record<SettingId, string>> = { shutter: 'Shutter', aperture: 'Aperture', iso: 'ISO' };
const ENDS: Readonly<Record<SettingId, readonly [string, string]>> = {
  shutter: ['Fastest', 'Slowest'],
  aperture: ['Smallest', 'Widest'],
  iso: ['Lowest ISO', 'Highest ISO'],
};

export function AutomaticPanel() {
  const rules = useDesk((d) => d.settings.rules);
  const optic = useOptic();
  const iris = hasIris(optic);
  const plan = useExposureWords((e) => e.plan);
  const { setRules } = useDesk.getState();
  /** A bound as this lens can keep it. */
  const shown = (id: SettingId, end: 0 | 1) => {
    const index = nearestStep(LADDER_OF[id], rules[id][end]);
    if (!plan || id !== 'aperture') return index;
    const { low, high } = plan.ranges.aperture;
    return Math.min(high, Math.max(low, index));
  };
  const ids = SETTING_IDS.filter((id) => id !== 'aperture' || iris);
  const first = rules.order.find((id) => ids.includes(id))!;
  const bound = (id: SettingId, end: 0 | 1, by: number) => {
    const indices: [number, number] = [shown(id, 0), shown(id, 1)];
    indices[end] += by;
    // One end pushes the other along rather than pass it.
    if (indices[0] > indices[1]) indices[1 - end] = indices[end]!;
    setRules({ [id]: indices.map((i) => at(LADDER_OF[id], i).exact) });
  };
  if (optic.exposesWhole)
    return (
      <Words quiet testID="rules-words">
        This device exposes by itself, by rules of its own that it does not tell. Shutter or ISO set by hand,
        and the lock, hold both.
      </Words>
    );
  return (
    <>
      <Button
        label="Everything automatic"
        name="Everything automatic (0)"
        onPress={useDesk.getState().setAllAutomatic}
        testID="automatic-all"
      />
      <Words quiet testID="rules-words">
        As light falls: {rulesWords(rules, iris)}.
      </Words>
      <Words kind="label" quiet>
        What moves first; the others follow when it has reached what is still harmless:
      </Words>
      <Segmented
        name="What moves first"
        choices={ids.map((id) => ({ id, label: NAMES[id], name: `${NAMES[id]} first` }))}
        chosen={first}
        onChoose={(id) => setRules({ order: [id, ...rules.order.filter((other) => other !== id)] })}
        testID="first"
      />
      <View style={styles.grid}>
        <Stepper
          name="Steady hand"
          value={rules.steadyThirds === 0 ? 'usual' : `${formatThirds(rules.steadyThirds / 3)} EV`}
          onStep={(by) => setRules({ steadyThirds: Math.min(6, Math.max(-6, rules.steadyThirds + by)) })}
          testID="steady"
        />
        <Stepper
          name="ISO ceiling"
          value={valueWords('iso', rules.isoCeiling)}
          onStep={(by) =>
            setRules({ isoCeiling: at(ISO_LADDER, nearestStep(ISO_LADDER, rules.isoCeiling) + by).exact })
          }
          testID="ceiling"
        />
        {ids.flatMap((id) =>
          ([0, 1] as const).map((end) => (
            <Stepper
              key={`${id}-${end}`}
              name={ENDS[id][end]}
              value={valueWords(id, at(LADDER_OF[id], shown(id, end)).exact)}
              onStep={(by) => bound(id, end, by)}
              testID={`bound-${id}-${end}`}
            />
          )),
        )}
      </View>
      <Words kind="label" quiet>
        By hand the time stays at the hand-held limit until ISO has reached its ceiling. On a tripod ISO stays
        at its lowest until the time has reached its slowest. Nothing automatic leaves these bounds.
      </Words>
      <Button label="As it came" onPress={() => setRules(DEFAULT_RULES)} testID="rules-reset" />
    </>
  );
}

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one },
});
