// Which camera: what each is, and what it makes of the present settings.
import { Pressable, StyleSheet, View } from 'react-native';
import { bodyOf } from '../../camera/port';
import { camera } from '../../live/camera';
import { useDesk } from '../../live/desk';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export function CameraPanel() {
  const lens = useDesk((d) => d.lens);
  const notice = useDesk((d) => d.notice);
  const { takeBody } = useDesk.getState();
  const chosen = bodyOf(camera, lens);
  return (
    <View role="radiogroup" aria-label="Camera" style={styles.list}>
      {camera.profiles.map((profile) => (
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
            {profile.lenses.map((l) => l.equivalentMm).join(', ')} mm · {profile.megapixels} MP
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
