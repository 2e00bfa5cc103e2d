// The whole desk by keyboard. Keys that an element with the focus uses itself never get here.
import { useEffect } from 'react';
import { nearestStep } from '../../core/units/ladders';
import { bodyWith, hasIris } from '../../live/camera';
import { latestReport, rawOf } from '../../live/report';
import { cancelCapture, press } from '../../live/press';
import { useDesk } from '../../live/desk';
import { exactOf } from '../../live/desk-controls';
import { LADDERS, type FaderId } from '../../live/desk-state';

const STEPS: Record<string, readonly [FaderId, 1 | -1]> = {
  q: ['shutter', 1],
  a: ['shutter', -1],
  w: ['iso', 1],
  s: ['iso', -1],
  e: ['compensation', 1],
  d: ['compensation', -1],
  r: ['focus', 1],
  f: ['focus', -1],
  t: ['aperture', 1],
  g: ['aperture', -1],
};

export const KEY_WORDS =
  'Space release · L lock · M N meter · P pin · K check · U fit · O clip · Z zebra · C compare · J loupe · B bare · X more · 1–4 lens · V outside · 0 auto';

export type Panel = 'outside' | 'meter' | 'more' | 'check';

export function useDeskKeys(active: boolean, open: (panel: Panel) => void): void {
  useEffect(() => {
    if (!active) return;
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const desk = useDesk.getState();
      const key = e.key.toLowerCase();
      const { optics } = bodyWith(desk.optic);
      const step = STEPS[key];
      const fit = rawOf(latestReport())?.fit;
      const onControl =
        e.target instanceof HTMLElement &&
        e.target.closest('button, a, [role=button], [role=switch], [role=link]');
      if (step && (step[0] !== 'aperture' || hasIris(desk.optic))) {
        const [fader, by] = step;
        desk.set(fader, nearestStep(LADDERS[fader], exactOf(desk.settings, latestReport(), fader)) + by);
      } else if (key === ' ' && !onControl) {
        if (!e.repeat) void press();
      } else if (key === 'escape') cancelCapture();
      else if (key === 'l') desk.toggleLock();
      else if (key === 'm') desk.nextPattern();
      else if (key === 'o') desk.toggleMark('rawClip');
      else if (key === 'z') desk.setCheck({ zebra: { ...desk.check.zebra, on: !desk.check.zebra.on } });
      else if (key === 'u' && fit) desk.takeFit(fit);
      else if (key === 'c') desk.hold(true);
      else if (key === 'j') desk.setLoupe(desk.loupe ? null : desk.spot);
      else if (key === 'b') desk.clear(!desk.cleared);
      else if (key === 'k') open('check');
      else if (key === 'h') desk.toggleScope();
      else if (key === 'p') desk.addPin(desk.spot);
      else if (optics[Number(key) - 1]) desk.setOptic(optics[Number(key) - 1]!.id);
      else if (key === 'v') open('outside');
      else if (key === 'n') open('meter');
      else if (key === 'x') open('more');
      else if (key === '0') desk.setAllAutomatic();
      else return;
      e.preventDefault();
    };
    const onKeyUp = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() === 'c') useDesk.getState().hold(false);
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    // A key that is let go elsewhere is let go.
    const onBlur = () => useDesk.getState().hold(false);
    window.addEventListener('blur', onBlur);
    return () => {
      window.removeEventListener('blur', onBlur);
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, [active, open]);
}
