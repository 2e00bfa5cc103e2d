// Neutral-density filters: on the camera, or only reckoned with.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FILTER_UNITS, filterIn, filterStopsOf, timeBehind, type FilterUnit } from '../../core/light/filter';
import { useExposureWords } from '../../live/report';
import { useDesk } from '../../live/desk';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { TextField } from '../../ui/text-field';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { valueWords } from './format';

const UNIT_NAMES: Readonly<Record<FilterUnit, string>> = {
  stops: 'Stops',
  factor: 'Factor ×',
  density: 'Density',
};

export function FilterPanel() {
  const on = useDesk((d) => d.settings.filterStops);
  const settings = useExposureWords((e) => e.settings);
  const deviationEv = useExposureWords((e) => e.deviationEv) ?? 0;
  const { setSetting } = useDesk.getState();
  const setFilter = (next: number) => setSetting('filterStops', next);
  const [unit, setUnit] = useState<FilterUnit>('stops');
  const [typed, setTyped] = useState(on > 0 ? trim(on) : '');
  let stops: number | null = null;
  let error: string | null = null;
  try {
    if (typed.trim() !== '') stops = filterStopsOf(Number(typed.replace(',', '.')), unit);
  } catch (e) {
    error = (e as Error).message;
  }
  const choose = (next: FilterUnit) => {
    if (stops !== null) setTyped(trim(filterIn(stops, next)));
    setUnit(next);
  };
  // The right time at the present ISO, without what is on the camera already.
  const open = settings && settings.shutterS * 2 ** (-on - deviationEv);
  const behind = open && stops !== null ? timeBehind(open, stops) : null;
  return (
    <>
      <View style={styles.row}>
        <TextField
          label="Strength of the filter"
          value={typed}
          onChange={setTyped}
          error={error}
          placeholder="such as 3"
          numeric
          testID="filter-strength"
        />
        <Segmented
          name="Unit"
          choices={FILTER_UNITS.map((id) => ({ id, label: UNIT_NAMES[id] }))}
          chosen={unit}
          onChoose={choose}
          testID="filter-unit"
          style={styles.units}
        />
      </View>
      {stops !== null && open !== null && behind && (
        <Words testID="filter-words">
          {trim(stops)} stops, {trim(2 ** stops)}×, density {filterIn(stops, 'density').toFixed(2)}. At ISO{' '}
          {valueWords('iso', settings!.iso)} {valueWords('shutter', open)} becomes {behind.words}
          {behind.kind === 'bulb' ? ', longer than the camera’s 30 s' : ''}.
        </Words>
      )}
      <View style={styles.row}>
        <Button
          label={on > 0 ? 'Change to this filter' : 'Put it on the camera'}
          kind="primary"
          disabled={stops === null || stops === 0}
          onPress={() => stops !== null && setFilter(stops)}
          testID="filter-on"
        />
        {on > 0 && (
          <Button label={`Take off ${trim(on)} stops`} onPress={() => setFilter(0)} testID="filter-off" />
        )}
      </View>
      <Words kind="label" quiet>
        On the camera it takes its light from the sensor, and automatic settings make up for it. Off it, this
        is a calculator.
      </Words>
    </>
  );
}

function trim(n: number): string {
  return n >= 100 ? n.toFixed(0) : n.toFixed(2).replace(/\.?0+$/, '');
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one, alignItems: 'flex-start' },
  units: { alignSelf: 'flex-end' },
});
