// How the next frames are developed: seen in the finder, kept with each frame, never in raw.
import { StyleSheet, View } from 'react-native';
import { useDesk } from '../../live/desk';
import { useOptic } from '../../live/in-use';
import { space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { PrintChoice } from '../rolls/print-choice';

export function PrintPanel() {
  const print = useDesk((d) => d.settings.print);
  const { setSetting } = useDesk.getState();
  const { can } = useOptic();
  if (!can.print)
    return (
      <Words quiet>
        This camera gives finished pictures: they are developed already, and its frames cannot be printed
        otherwise.
      </Words>
    );
  return (
    <View style={styles.box}>
      <Words kind="label" quiet>
        Of the picture alone: raw, its histogram and its clipping stay as they are. Changed or taken away from
        a frame at any time.
      </Words>
      <PrintChoice
        print={print}
        onPrint={(to) => setSetting('print', to)}
        plainWords="as the camera sees it"
      />
    </View>
  );
}

const styles = StyleSheet.create({ box: { gap: space.one } });
