// Which camera: what each is, and what it makes of the present settings.
import { Pressable, StyleSheet, View } from 'react-native';
import type { Body } from '../../core/body/body';
import { isUnknown, known } from '../../core/units/known';
import { PICTURE_COUNTS } from '../../core/setting/pictures';
import { useCameras } from '../../live/camera';
import { useBody, useOptic } from '../../live/in-use';
import { useDesk } from '../../live/desk';
import { Button } from '../../ui/button';
import { Segmented } from '../../ui/segmented';
import { colour, radius, space } from '../../ui/theme';
import { Words } from '../../ui/words';

export function CameraPanel() {
  const bodies = useCameras((c) => c.bodies).filter(({ offered }) => offered !== false);
  const notice = useDesk((d) => d.notice);
  const { takeBody } = useDesk.getState();
  const chosen = useBody();
  return (
    <View role="radiogroup" aria-label="Camera" style={styles.list}>
      {bodies.map((profile) => (
        <Pressable
          key={profile.id}
          role="radio"
          aria-checked={profile.id === chosen.id}
          aria-label={`${profile.name}: ${profile.says}`}
          onPress={() => takeBody(profile.id)}
          testID={`body-${profile.id}`}
          style={[styles.card, profile.id === chosen.id && styles.chosen]}
        >
          <Words style={profile.id === chosen.id && styles.accent}>{profile.name}</Words>
          <Words kind="label" quiet>
            {profile.says}
          </Words>
          <Words kind="label" quiet>
            {sizeWords(profile)}
          </Words>
        </Pressable>
      ))}
      <Pictures />
      <Torch />
      {notice && (
        <Words quiet testID="camera-notice">
          {notice}
        </Words>
      )}
    </View>
  );
}

/** Of a camera that gives finished pictures: a linear file beside the JPEG, and of how many. */
function Pictures() {
  const { can } = useOptic();
  const pictures = useDesk((d) => d.settings.pictures);
  const { setSetting } = useDesk.getState();
  if (!can.pictures) return null;
  return (
    <View style={styles.block}>
      <Words kind="label" quiet>
        A press keeps the largest JPEG that the device gives. Beside it, a linear DNG averaged from:
      </Words>
      <Segmented
        name="Linear DNG averaged from"
        choices={PICTURE_COUNTS.map((id) => ({
          id,
          label: id === 0 ? 'None' : String(id),
          name: id === 0 ? 'No linear DNG' : `${id} pictures`,
        }))}
        chosen={pictures}
        onChoose={(next) => setSetting('pictures', next)}
        columns={4}
        testID="pictures"
      />
      <Words kind="label" quiet>
        It is made from the picture’s 8 bits, not raw. Hold still: what moves is smeared.
      </Words>
    </View>
  );
}

function Torch() {
  const { can } = useOptic();
  const torch = useDesk((d) => d.settings.torch);
  const { setSetting } = useDesk.getState();
  if (!can.torch) return null;
  return <Button label="Torch" on={torch} onPress={() => setSetting('torch', !torch)} testID="torch" />;
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
  block: { gap: space.half },
  chosen: { borderColor: colour.accent },
  accent: { color: colour.accent },
});
