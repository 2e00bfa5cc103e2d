// How far the picture is cut out of the lens's frame, said on the picture while it is; opens the frame's panel.
import { Pressable, StyleSheet, View } from 'react-native';
import { linesSize, zoomedSize } from '../../core/raw/cut';
import { cutWords, isCut, type Cut } from '../../core/setting/cut';
import { known } from '../../core/units/known';
import { useDesk } from '../../live/desk';
import { useBody, useOptic } from '../../live/in-use';
import { colour, radius, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

/** Of a 4:3 sensor. */
export function megapixelsLeft(cut: Cut, all: number): number {
  const frame = { width: 4000, height: 3000 };
  const { width, height } = linesSize(zoomedSize(frame, cut.times), cut.aspect);
  return (all * width * height) / (frame.width * frame.height);
}

/** On the picture while anything is cut: how far, and what is left. */
export function CutChip({ onPress }: { onPress: () => void }) {
  const { can } = useOptic();
  const cut = useDesk((d) => d.settings.cut);
  const { megapixels } = useBody();
  if (!can.cut || !isCut(cut)) return null;
  const all = known(megapixels);
  const words = [cutWords(cut), all !== undefined && `${megapixelsLeft(cut, all).toFixed(1)} MP`]
    .filter(Boolean)
    .join(' · ');
  return (
    <Pressable
      role="button"
      aria-label={`${words}. Frame (,)`}
      onPress={onPress}
      testID="cut-chip"
      style={styles.place}
    >
      <View style={styles.chip}>
        <Words kind="label">{words}</Words>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  place: { minHeight: touch, minWidth: touch, justifyContent: 'center' },
  chip: {
    paddingHorizontal: 10,
    paddingVertical: 4,
    borderRadius: radius,
    borderWidth: 1,
    borderColor: colour.warn,
    backgroundColor: colour.chip,
  },
});
