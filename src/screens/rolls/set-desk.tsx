// The desk set as a picture was taken: what would change is shown first.
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { changesOf, partName, type SetupValues } from '../../core/setup/setup';
import { setupValuesOf } from '../../live/desk-controls';
import { hasIris } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export interface Way {
  readonly id: string;
  readonly label: string;
  readonly name?: string;
  readonly values: Partial<SetupValues>;
}

/** @param ways of which one is chosen; at least one */
export function SetDesk({ ways, onSet }: { ways: readonly Way[]; onSet: () => void }) {
  const [chosen, setChosen] = useState(ways[0]!.id);
  const settings = useDesk((d) => d.settings);
  const lock = useDesk((d) => d.lock);
  const iris = useDesk((d) => hasIris(d.optic));
  const { values } = ways.find(({ id }) => id === chosen) ?? ways[0]!;
  const changes = changesOf(setupValuesOf({ settings, lock }), values).filter(
    ({ part }) => part !== 'aperture' || iris,
  );
  return (
    <View style={styles.box}>
      {ways.length > 1 && (
        <Segmented
          name="Which settings"
          choices={ways}
          chosen={chosen}
          onChoose={setChosen}
          testID="set-desk-way"
        />
      )}
      <View testID="set-desk-changes" role="list" aria-label="What will change">
        {changes.length === 0 && (
          <Words quiet role="listitem">
            {Object.keys(values).length === 0
              ? 'It tells nothing that could be set.'
              : 'All of it is set already.'}
          </Words>
        )}
        {changes.map(({ part, from, to }) => (
          <Words key={part} role="listitem">
            {partName(part)}: <Words quiet>{from} → </Words>
            {to}
          </Words>
        ))}
      </View>
      <Button
        label="Set the desk so"
        kind="primary"
        disabled={changes.length === 0}
        onPress={() => {
          useDesk.getState().applySetup(values);
          onSet();
        }}
        testID="set-desk"
      />
      {!iris && values.aperture && (
        <Words kind="label" quiet style={styles.note}>
          The lens in the finder has no iris: its aperture stays as it is.
        </Words>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: space.one, alignItems: 'flex-start' },
  note: { color: colour.quiet },
});
