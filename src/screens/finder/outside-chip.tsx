// Where the simulated camera stands, said on the picture; opens what arranges the world.
import type { Support } from '../../core/scene/outside';
import { useScenes } from '../../library/scenes';
import { useWorld } from '../../live/world';
import { PictureChip } from './picture-chip';

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
    <PictureChip
      words={words}
      name={`${words}. Outside: choose the scene (V)`}
      edge="dashed"
      warns={status.kind === 'failed'}
      onPress={onPress}
      testID="outside"
    />
  );
}
