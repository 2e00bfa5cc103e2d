// Where the simulated camera stands, said on the picture; opens what arranges the world.
import { Pressable, StyleSheet, View } from 'react-native';
import type { Support } from '../../core/scene/outside';
import { useScenes } from '../../library/scenes';
import { useWorld } from '../../live/world';
import { colour, radius, touch } from '../../ui/theme';
import { Words } from '../../ui/words';

export const SUPPORT_WORDS: Record<Support, string> = { hand: 'by hand', tripod: 'on a tripod' };

/** Where the camera stands; opens the panel. */
export function OutsideChip({ onPress }: { onPress: () => void }) {
  const scene = useWorld((w) => w.scene);
  const status = useWorld((w) => w.status);
  const { data } = useScenes();
  const name = data?.find((s) => s.id === scene)?.name ?? 'Outside';
  const loading = status.kind === 'loading' ? `, loading ${Math.round(100 * status.share)} %` : '';
  const failed = status.kind === 'failed' ? ', did not load' : '';
  const words = `${name}${loading}${failed}`;
  return (
    <Pressable
      role="button"
      aria-label={`${words}. Outside: choose the scene (V)`}
      onPress={onPress}
      testID="outside"
      style={styles.place}
    >
      <View style={styles.chip}>
        <Words kind="label" style={status.kind === 'failed' && styles.warn}>
          {words}
        </Words>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  // A dashed edge: the outside is drawn in, not part of the tool.
  // A finger takes more than is seen: the picture is what the screen is for.
  place: { minHeight: touch, minWidth: touch, justifyContent: 'center' },
  chip: {
    paddingHorizontal: 10,
    paddingVertical: 4,
    borderRadius: radius,
    borderWidth: 1,
    borderStyle: 'dashed',
    borderColor: colour.quiet,
    backgroundColor: colour.chip,
  },
  warn: { color: colour.warn },
});
