// Which camera: what each is, and what it makes of the present settings.
import { Pressable, StyleSheet, View } from 'react-native';
import type { Body } from '../../core/body/body';
import { isUnknown, known } from '../../core/units/known';
import { bodies, bodyWith } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export function CameraPanel() {
  const lens = useDesk((d) => d.optic);
  const notice = useDesk((d) => d.notice);
  const { takeBody } = useDesk.getState();
  const chosen = bodyWith(lens);
  return (
    <View role="radiogroup" aria-label="Camera" style={styles.list}>
      {bodies().map((profile) => (
        <Pressable
          key={profile.id}
          role="radio"
          aria-checked={profile === chosen}
          aria-label={`${profile.name}: ${profile.says}`}
          onPress={() => takeBody(profile.id)}
          testID={`body-${profile.id}`}
          style={[styles.card, profile === chosen && styles.chosen]}
        >
          <Words style={profile === chosen && styles.accent}>{profile.name}</Words>
          <Words kind="label" quiet>
            {profile.says}
          </Words>
          <Words kind="label" quiet>
            {sizeWords(profile)}
          </Words>
        </Pressable>
      ))}
      {notice && (
        <Words quiet testID="camera-notice">
          {notice}
        </Words>
      )}
    </View>
  );
}

/** Its lenses and its size, as far as they are known. */
function sizeWords({ optics, megapixels }: Body): string {
  const lengths = optics.map(({ equivalentMm }) => known(equivalentMm)).filter((mm) => mm !== undefined);
  return [
    lengths.length > 0 ? `${lengths.join(', ')} mm` : null,
    isUnknown(megapixels) ? null : `${megapixels} MP`,
  ]
    .filter((part) => part !== null)
    .join(' · ');
}

const styles = StyleSheet.create({
  list: { gap: space.one },
  card: {
    padding: space.one + space.half,
    borderRadius: radius,
    backgroundColor: colour.raised,
    borderWidth: 1,
    borderColor: 'transparent',
    gap: 2,
  },
  chosen: { borderColor: colour.accent },
  accent: { color: colour.accent },
});
