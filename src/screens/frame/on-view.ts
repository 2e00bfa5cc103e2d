// What of a frame is on view: how far it has come, and histograms of it.
import { useEffect, useRef, useState } from 'react';
import type { Look } from '../../core/review/view';
import { lightbox } from '../../library/staff';
import type { Figures } from '../../workers/lightbox.worker';
import { fitScale, glassOver, keyOf, under, type Layer, type Wanted } from './layer';

/** What is there of what is wanted: nothing, all of it, or the part that is looked at as sharp as it is. */
export function stateOf(layer: Layer, wanted: Wanted | null): 'loading' | 'fit' | 'full' {
  if (!wanted || !layer.size || layer.of !== keyOf(wanted)) return 'loading';
  const glass = glassOver(layer.size, wanted.window, wanted.zoom, wanted.at);
  if (wanted.zoom === 'fit' || glass.scale <= fitScale(layer.size, wanted.window) * 1.02) return 'fit';
  return layer.part ? 'full' : 'loading';
}

/** Histograms of all of it, or of what is on view once that can be seen; of several asked for the newest. */
export function useFigures(
  id: string,
  look: Look,
  layer: Layer,
  wanted: Wanted | null,
  part: boolean,
): Figures | null {
  const [figures, setFigures] = useState<Figures | null>(null);
  const busy = useRef(false);
  const [done, setDone] = useState('');
  const { size } = layer;
  const ready = wanted && size && layer.of === keyOf(wanted);
  const region =
    ready && part ? under(glassOver(size, wanted.window, wanted.zoom, wanted.at), size, wanted.window) : null;
  const key = region && JSON.stringify([id, look, region]);
  useEffect(() => {
    if (!key || !region || busy.current || done === key) return;
    busy.current = true;
    lightbox
      .call((api) => api.figures(id, region, look))
      .then(setFigures, () => undefined)
      .finally(() => {
        busy.current = false;
        setDone(key);
      });
    // The key says all of it.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [key, done]);
  // Of all of it the picture has told already, and raw once its file was looked through.
  if (!part) return layer.tones && { stopline: null, histogram: layer.tones };
  return figures;
}
