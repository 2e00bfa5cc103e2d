// How far the picture is cut out of the lens's frame, said on the picture while it is; opens the frame's panel.
import { linesSize, zoomedSize } from '../../core/raw/cut';
import { cutWords, isCut, type Cut } from '../../core/setting/cut';
import { known } from '../../core/units/known';
import { useDesk } from '../../live/desk';
import { useBody, useOptic } from '../../live/in-use';
import { PictureChip } from './picture-chip';

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
    <PictureChip
      words={words}
      name={`${words}. Frame (,)`}
      edge="marked"
      onPress={onPress}
      testID="cut-chip"
    />
  );
}
