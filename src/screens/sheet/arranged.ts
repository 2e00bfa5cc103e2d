// The frames of the sheet in the person's order, for the sheet and for whoever goes from one of them to the next.
import { useMemo } from 'react';
import { arranged, framesOf, itemsOf, type Item } from '../../core/frame/arrange';
import type { FrameRecord } from '../../core/frame/record';
import { useRoll } from '../../library/roll';
import { useRolls } from '../../library/rolls';
import { useSheet } from './sheet-state';

const NONE: readonly FrameRecord[] = [];

export interface Arranged {
  /** What is shown, place by place. */
  readonly items: readonly Item[];
  /** All frames of it, those in closed sequences too, in order. */
  readonly frames: readonly FrameRecord[];
  /** Of the roll that is shown, whatever the filter. */
  readonly of: number;
}

export function useArranged(): Arranged {
  const { data } = useRoll();
  const rolls = useRolls();
  const shown = useSheet((s) => s.roll);
  const arrangement = useSheet((s) => s.arrangement);
  const open = useSheet((s) => s.open);
  const all = data?.frames ?? NONE;
  // One that was deleted meanwhile, perhaps in another tab, is not shown any more.
  const roll = rolls.some((count) => count.roll.id === shown) ? shown : null;
  const own = useMemo(() => (roll === null ? all : all.filter((frame) => frame.roll === roll)), [all, roll]);
  const sorted = useMemo(() => arranged(own, arrangement), [own, arrangement]);
  const items = useMemo(() => itemsOf(sorted, open), [sorted, open]);
  const frames = useMemo(() => framesOf(items), [items]);
  return { items, frames, of: own.length };
}
