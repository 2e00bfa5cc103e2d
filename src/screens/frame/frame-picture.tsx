// The picture of an open frame: as it is looked at, under frame lines that are tried, or why there is none and what can be done.
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/button';
import { colour, space } from '../../ui/theme';
import { Words } from '../../ui/words';
import type { FrameInView } from './frame-in-view';
import { PictureGlass } from './picture-glass';
import { ratioSeen, Reframer } from './reframer';
import type { Sizes } from './sizes';
import { Standing } from './standing';
import { useViewing } from './viewing';

interface Props {
  readonly frame: FrameInView;
  readonly view: Sizes['view'];
  readonly step: ((by: -1 | 1) => void) | null;
}

export function FramePicture({ frame, view, step }: Props) {
  const { opening, opened, layer, reframing, record, look, change } = frame;
  const framing = opened?.framing;
  if (reframing && framing)
    return (
      <Reframer
        {...{ record, look, ...view }}
        part={framing.part}
        value={reframing.value}
        onChange={(value) => change({ value })}
        drawing={reframing.drawing}
        onDrawn={() => change({ drawing: false })}
        ratio={ratioSeen(reframing.shape, framing.part, reframing.value.orientation)}
      />
    );
  return (
    <View style={view}>
      {opening.kind === 'failed' || layer.failed ? (
        <NoPicture frame={frame} />
      ) : (
        <Glass {...{ frame, view, step }} />
      )}
    </View>
  );
}

function Glass({ frame: { record, opening, layer, shown }, view, step }: Props) {
  const { zoom, channel } = useViewing();
  const what = channel === null ? 'Developed picture' : 'One channel of raw';
  const scale =
    zoom === 'fit' ? 'fitted' : `${Math.round(100 * zoom)} percent; arrow keys move it with Shift`;
  return (
    <View style={styles.ground}>
      {!layer.size && (
        <Standing
          id={record.id}
          preview={opening.kind === 'opening' ? opening.preview : undefined}
          {...view}
        />
      )}
      <PictureGlass
        layers={[layer]}
        {...view}
        name={`${what}, ${scale}`}
        testID={`picture-${shown}`}
        onSwipe={(by) => step?.(by)}
      />
    </View>
  );
}

function NoPicture({ frame: { opening, layer, openAgain } }: { frame: FrameInView }) {
  return (
    <View style={styles.middle} role="alert">
      <Words style={styles.warn}>{opening.kind === 'failed' ? opening.message : layer.failed}</Words>
      <Words quiet>
        {opening.kind !== 'failed' || opening.there
          ? 'The file can still be downloaded and looked at elsewhere.'
          : 'There is no file to download. The record and the thumbnail are all that is left of this frame.'}
      </Words>
      <Button label="Open it again" onPress={openAgain} testID="open-again" />
    </View>
  );
}

const styles = StyleSheet.create({
  ground: { flex: 1, backgroundColor: colour.ground, overflow: 'hidden' },
  middle: { flex: 1, alignItems: 'center', justifyContent: 'center', gap: space.two, padding: space.three },
  warn: { color: colour.warn, textAlign: 'center' },
});
