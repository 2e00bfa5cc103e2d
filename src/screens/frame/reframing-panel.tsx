// Beside a picture whose framing is changed: the lines' shape, turn and tilt, and whether they are kept.
import { ScrollView, StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import { Section } from './figures';
import type { FrameInView, Reframing } from './frame-in-view';
import { ReframeControls } from './reframer';
import type { Rectangle } from '../../core/raw/shown';

export function ReframingPanel({
  frame: { change, leave, keepFraming, failed },
  reframing: { value, shape, drawing },
  part,
}: {
  frame: FrameInView;
  reframing: Reframing;
  part: Rectangle;
}) {
  return (
    <ScrollView style={styles.side} contentContainerStyle={styles.sideContent} tabIndex={0}>
      <Section title="Framing" words="raw stays whole: DNG has it as DefaultUserCrop and Orientation">
        <ReframeControls
          {...{ part, value, shape, drawing }}
          onChange={(to) => change({ value: to })}
          onDrawing={(to) => change({ drawing: to })}
          onShape={(to) => change({ shape: to })}
        />
        <View style={styles.actions}>
          <Button
            label="Keep"
            name="Keep this framing"
            kind="primary"
            onPress={() => keepFraming(value)}
            testID="reframe-keep"
          />
          <Button label="Leave it" name="Leave it as it was" onPress={leave} testID="reframe-leave" />
          <Button label="As taken" onPress={() => keepFraming(null)} testID="reframe-as-taken" />
        </View>
        {failed && (
          <Words style={styles.missed} role="alert">
            {failed}
          </Words>
        )}
        {value.tiltDeg !== 0 && (
          <Words kind="label" quiet>
            DNG knows no tilt: other programs show the lines level. JPEG, TIFF and PNG that leave here are
            straight.
          </Words>
        )}
      </Section>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  side: { flex: 1 },
  sideContent: { padding: space.one, gap: space.one },
  actions: { flexDirection: 'row', flexWrap: 'wrap', gap: space.one, marginTop: space.one },
  missed: { color: colour.warn },
});
