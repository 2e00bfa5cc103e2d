// A word or two on the picture that open what they are about.
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

export function PictureChip({
  words,
  name,
  edge,
  warns = false,
  onPress,
  testID,
}: {
  words: string;
  name: string;
  /** Dashed: the outside is drawn in, not part of the tool. Marked: the picture is not all of what the lens sees. */
  edge: 'dashed' | 'marked';
  warns?: boolean;
  onPress: () => void;
  testID: string;
}) {
  return (
    <Pressable role="button" aria-label={name} onPress={onPress} testID={testID} style={styles.place}>
      <View style={[styles.chip, styles[edge]]}>
        <Words kind="label" style={warns && styles.warn}>
          {words}
        </Words>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  // A finger takes more than is seen: the picture is what the screen is for.
  place: { minHeight: touch, minWidth: touch, justifyContent: 'center' },
  chip: {
    paddingHorizontal: 10,
    paddingVertical: 4,
    borderRadius: radius,
    borderWidth: 1,
    backgroundColor: colour.chip,
  },
  dashed: { borderStyle: 'dashed', borderColor: colour.quiet },
  marked: { borderColor: colour.warn },
  warn: { color: colour.warn },
});
