// A value with a step down and a step up beside it.
import { StyleSheet, View } from 'react-native';
import { Button } from './button';
import { colour, radius, space } from './theme';
import { Words } from './words';

export function Stepper({
  name,
  value,
  onStep,
  testID,
}: {
  name: string;
  value: string;
  onStep: (by: 1 | -1) => void;
  testID: string;
}) {
  return (
    <View style={styles.box} role="group" aria-label={`${name}: ${value}`} testID={testID}>
      <Button label="−" name={`− ${name}`} onPress={() => onStep(-1)} testID={`${testID}-less`} />
      <View style={styles.middle}>
        <Words kind="label" quiet style={styles.words}>
          {name}
        </Words>
        <Words testID={`${testID}-words`}>{value}</Words>
      </View>
      <Button label="+" name={`+ ${name}`} onPress={() => onStep(1)} testID={`${testID}-more`} />
    </View>
  );
}

const styles = StyleSheet.create({
  box: {
    flexDirection: 'row',
    alignItems: 'center',
    flexGrow: 1,
    flexBasis: 160,
    backgroundColor: colour.panel,
    borderRadius: radius,
    borderWidth: 1,
    borderColor: colour.line,
    gap: space.half,
  },
  middle: { flex: 1, alignItems: 'center' },
  words: { textAlign: 'center' },
});
