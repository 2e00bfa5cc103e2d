// Two frames while they are compared: in which way, which of them is seen, their pixels, and which frame comes next.
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { PixelRatio } from 'react-native';
import type { FrameRecord } from '../../core/frame/record';
import { lookOf } from '../../core/frame/look';
import { keyOf, useLayer, type Layer, type Wanted } from '../frame/layer';
import { useOpening, type FrameState } from '../frame/opened';
import type { Sizes } from '../frame/sizes';
import { useViewing } from '../frame/viewing';
import { useArranged } from '../sheet/arranged';

export const WAYS = [
  { id: 'flip', label: 'Flip', name: 'Flip: one over the other' },
  { id: 'side', label: 'Side by side' },
  { id: 'split', label: 'Split', name: 'Split: divided by a line' },
] as const;
export type WayId = (typeof WAYS)[number]['id'];

/** @param view the window that both are seen through, pixels of the page */
export function useCompared(a: FrameRecord, b: FrameRecord, view: Sizes['view']) {
  const [way, setWay] = useState<WayId>('flip');
  const [shown, setShown] = useState<0 | 1>(0);
  const [split, setSplit] = useState(0.5);
  const viewing = useViewing();
  const [openA, openB] = [useOpening(a, 0), useOpening(b, 0)];
  const glass = way === 'side' ? halfOf(view) : view;
  const [wantA, wantB] = [wantedOf(a, openA, glass, viewing), wantedOf(b, openB, glass, viewing)];
  const layers = [useLayer(wantA), useLayer(wantB)] as const;
  return {
    ...{ a, b, way, setWay, shown, split, setSplit, layers, glass },
    flip: () => setShown((s) => (s === 0 ? 1 : 0)),
    /** The one that is seen, or was last chosen. */
    frame: way === 'flip' && shown === 0 ? a : b,
    ready: isThere(layers[0], wantA) && isThere(layers[1], wantB),
    failed:
      [openA, openB].flatMap((o) => (o.kind === 'failed' ? [o.message] : []))[0] ??
      layers.find(({ failed: why }) => why)?.failed,
    opened: openA.kind === 'open' ? openA.opened : null,
    step: useStep(a, b),
  };
}

export type Compared = ReturnType<typeof useCompared>;

/** Puts the next frame of the sheet, or the one before, in place of the second; never the first itself. */
function useStep(a: FrameRecord, b: FrameRecord): (by: -1 | 1) => void {
  const router = useRouter();
  const { frames } = useArranged();
  const place = frames.findIndex(({ id }) => id === b.id);
  return (by) => {
    for (let n = 1; n <= frames.length; n++) {
      const next = frames[(place + n * by + n * frames.length) % frames.length];
      if (!next || next.id === a.id) continue;
      router.replace({ pathname: '/compare', params: { first: a.id, second: next.id } });
      return;
    }
  };
}

/** The longer side of the window is divided, with a gap between. */
function halfOf({ width, height }: Sizes['view']): Sizes['view'] {
  return height > width
    ? { width, height: Math.floor(height / 2) - 1 }
    : { width: Math.floor(width / 2) - 1, height };
}

function wantedOf(
  record: FrameRecord,
  opening: FrameState,
  glass: Sizes['view'],
  { zoom, at, channel, clipping }: Pick<Wanted, 'zoom' | 'at' | 'clipping'> & { channel: number | null },
): Wanted | null {
  if (opening.kind !== 'open') return null;
  const { kind } = opening.opened;
  const channels = kind === 'cfa' ? 4 : kind === 'rgb' ? 3 : 0;
  const own = channel !== null && channel < channels ? channel : null;
  const ratio = PixelRatio.get();
  return {
    id: record.id,
    look: { ...lookOf(record), channel: own },
    clipping: kind === 'picture' ? { ...clipping, raw: false } : clipping,
    window: { width: Math.round(glass.width * ratio), height: Math.round(glass.height * ratio) },
    ...{ zoom, at },
  };
}

function isThere(layer: Layer, wanted: Wanted | null): boolean {
  return wanted !== null && layer.of === keyOf(wanted);
}
