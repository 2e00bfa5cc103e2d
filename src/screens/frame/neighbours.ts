// The frames beside one, in the order of the sheet.
import { useRouter } from 'expo-router';
import type { FrameRecord } from '../../core/frame/record';
import { useArranged } from '../sheet/arranged';

export interface Neighbours {
  /** Index of the frame; −1 where the sheet does not show it. */
  readonly place: number;
  readonly of: number;
  /** The next and the one before; none where there is no other. */
  readonly beside: readonly FrameRecord[];
  /** Goes to one of them; null where there is no other. */
  readonly step: ((by: -1 | 1) => void) | null;
}

export function useNeighbours({ id }: FrameRecord): Neighbours {
  const router = useRouter();
  const { frames } = useArranged();
  const [place, of] = [frames.findIndex((frame) => frame.id === id), frames.length];
  const alone = place < 0 || of < 2;
  const beside = (by: -1 | 1) => frames[(place + by + of) % of]!;
  return {
    ...{ place, of },
    beside: alone ? [] : [beside(1), beside(-1)],
    step: alone ? null : (by) => router.replace({ pathname: '/frame/[id]', params: { id: beside(by).id } }),
  };
}
