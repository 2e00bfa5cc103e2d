// A frame while it is looked at: its opened files, the look that the person gave it, its pixels and figures, and another framing that is being tried.
import { useState } from 'react';
import { PixelRatio } from 'react-native';
import type { WhitePoint } from '../../core/colour/temperature';
import { lookOf } from '../../core/frame/look';
import { printOf, type FrameRecord } from '../../core/frame/record';
import type { Reframe } from '../../core/raw/reframe';
import type { Look } from '../../core/review/view';
import type { Print } from '../../core/setting/print';
import { keepLook } from '../../library/looks';
import { useLayer, type Wanted } from './layer';
import { stateOf, useFigures } from './on-view';
import { useOpening } from './opened';
import type { Shape } from './reframer';
import { useViewing } from './viewing';

/** A framing that is tried and not kept yet. */
export interface Reframing {
  readonly value: Reframe;
  readonly shape: Shape;
  /** True while new lines are drawn by hand. */
  readonly drawing: boolean;
}

/** @param view the window that it is seen through, pixels of the page */
export function useFrameInView(
  record: FrameRecord,
  view: { readonly width: number; readonly height: number },
) {
  const [attempt, setAttempt] = useState(0);
  const opening = useOpening(record, attempt);
  const [white, setWhite] = useState<WhitePoint | null>(record.rewhite ?? null);
  const [print, setPrint] = useState<Print | null>(printOf(record));
  const [reframing, setReframing] = useState<Reframing | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const { zoom, at, whole, channel, clipping, part } = useViewing();
  const opened = opening.kind === 'open' ? opening.opened : null;
  const channels = opened?.kind === 'cfa' ? 4 : opened?.kind === 'rgb' ? 3 : 0;
  const look: Look = {
    ...lookOf(record),
    ...{ white, print, whole },
    channel: channel !== null && channel < channels ? channel : null,
  };
  const ratio = PixelRatio.get();
  const wanted: Wanted | null = opened && {
    ...{ id: record.id, look, zoom, at },
    clipping: opened.kind === 'picture' ? { ...clipping, raw: false } : clipping,
    window: { width: Math.round(view.width * ratio), height: Math.round(view.height * ratio) },
  };
  const layer = useLayer(reframing ? null : wanted);
  return {
    ...{ record, opening, opened, look, layer, failed, setFailed },
    file: opening.kind === 'open' ? opening.file : null,
    openAgain: () => setAttempt((n) => n + 1),
    ...{ white, setWhite, print, setPrint },
    /** True while figures are of the part on view alone. */
    part,
    figures: useFigures(record.id, look, layer, wanted, part),
    shown: stateOf(layer, wanted),
    ...{ reframing, beginReframing: setReframing },
    change: (to: Partial<Reframing>) => setReframing((now) => now && { ...now, ...to }),
    leave: () => setReframing(null),
    /** @param to null for the framing that it was taken with */
    keepFraming: (to: Reframe | null) => {
      setFailed(null);
      keepLook(record, { reframe: to ?? undefined }).then(
        (kept) => (kept ? setReframing(null) : setFailed('Not kept: the frame is gone.')),
        (error: Error) => setFailed(`Not kept: ${error.message}.`),
      );
    },
  };
}

export type FrameInView = ReturnType<typeof useFrameInView>;
