// Peaking: edges in focus light up; how much it takes, and in which colour.
import { StyleSheet, View } from 'react-native';
import { PEAKING_COLOURS, type PeakingColour } from '../../core/finder/drawing';
import type { PeakingStrength } from '../../core/focus/peaking';
import { useDesk } from '../../live/desk';
import { useReport } from '../../live/report';
import { Button } from '../../ui/button';
import { Segmented, type Choice } from '../../ui/segmented';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { percentWords } from './format';

const STRENGTHS: readonly Choice<PeakingStrength>[] = [
  { id: 'few', label: 'Few', name: 'Few: strong edges, very sharp' },
  { id: 'usual', label: 'Usual' },
  { id: 'many', label: 'Many', name: 'Many: faint edges too, above noise' },
];

const COLOURS = (Object.keys(PEAKING_COLOURS) as PeakingColour[]).map((id): Choice<PeakingColour> => ({
  id,
  label: id[0]!.toUpperCase() + id.slice(1),
}));

export function PeakingPart() {
  const { on, strength, colour } = useDesk((d) => d.peaking);
  const { setPeaking } = useDesk.getState();
  const share = useReport((r) => r.words?.peaking ?? null);
  return (
    <>
      <View style={styles.row}>
        <Button
          label="Peaking"
          name="Peaking: edges in focus light up (')"
          on={on}
          onPress={() => setPeaking({ on: !on })}
          testID="peaking"
        />
        {on && (
          <Words kind="label" quiet testID="peaking-share">
            {share === null ? 'Looking …' : `${percentWords(share)} of the frame`}
          </Words>
        )}
      </View>
      {on && (
        <>
          <Segmented
            name="Edges that light up"
            choices={STRENGTHS}
            chosen={strength}
            onChoose={(next) => setPeaking({ strength: next })}
            testID="peaking-strength"
          />
          <Segmented
            name="Colour of the light"
            choices={COLOURS}
            chosen={colour}
            onChoose={(next) => setPeaking({ colour: next })}
            testID="peaking-colour"
          />
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.half },
});
