// How large the person has set text for all pages, times the usual.
import { useSyncExternalStore } from 'react';

const USUAL_PX = 16;

export function useTextSize(): number {
  return useSyncExternalStore(watch, textSize, () => 1);
}

function textSize(): number {
  const px = parseFloat(getComputedStyle(document.documentElement).fontSize);
  return px > 0 ? px / USUAL_PX : 1;
}

/** Something that is as large as the text is watched: browsers tell of no change of it. */
function watch(changed: () => void): () => void {
  const probe = document.createElement('div');
  Object.assign(probe.style, { position: 'absolute', width: '1rem', height: '1rem', visibility: 'hidden' });
  document.body.appendChild(probe);
  const observer = new ResizeObserver(changed);
  observer.observe(probe);
  return () => {
    observer.disconnect();
    probe.remove();
  };
}
