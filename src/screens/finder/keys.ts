// The whole desk by keyboard, from one table: what is listened for and what is printed are the same lines. Keys that an element with the
// focus uses itself never get here.
import { useEffect } from 'react';
import { nearestStep } from '../../core/units/ladders';
import { bodyWith, opticWith } from '../../live/camera';
import { latestReport, rawOf } from '../../live/report';
import { cancelCapture, letGo, pressDown } from '../../live/press';
import { useDesk } from '../../live/desk';
import { exactOf } from '../../live/desk-controls';
import { LADDERS, settingOf, type Desk, type FaderId } from '../../live/desk-state';

export type PanelId = 'outside' | 'meter' | 'more' | 'check' | 'frame' | 'keys';

export type KeyGroup = 'Meter' | 'Set' | 'Check' | 'Release and rest';
export const KEY_GROUPS: readonly KeyGroup[] = ['Meter', 'Set', 'Check', 'Release and rest'];

export interface KeyLine {
  readonly group: KeyGroup;
  /** As the browser names them, small letters. */
  readonly keys: readonly string[];
  /** As they are printed, where their names would not do. */
  readonly printed?: string;
  readonly says: string;
  /** The fader that it moves. */
  readonly moves?: FaderId;
  /** False where there is nothing to be done by it now. */
  on?(desk: Desk): boolean;
  /** @param index which of the keys */
  act(desk: Desk, index: number, open: (panel: PanelId) => void): void;
  /** When the key is let go. */
  release?(desk: Desk): void;
}

/** A fader a step up and a step down. */
const fader = (id: FaderId, says: string, up: string, down: string): KeyLine => ({
  group: 'Set',
  keys: [up, down],
  moves: id,
  says,
  on: ({ optic }) => settingOf(id) in opticWith(optic).can,
  act: (desk, index) => {
    const now = nearestStep(LADDERS[id], exactOf(desk.settings, latestReport(), id));
    desk.set(id, now + (index === 0 ? 1 : -1));
  },
});

const LENS_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'];

export const KEY_LINES: readonly KeyLine[] = [
  { group: 'Meter', keys: ['m'], says: 'Next pattern', act: (desk) => desk.nextPattern() },
  { group: 'Meter', keys: ['n'], says: 'Meter panel', act: (_, __, open) => open('meter') },
  { group: 'Meter', keys: ['p'], says: 'Pin at the spot', act: (desk) => desk.addPin(desk.spot) },
  { group: 'Meter', keys: ['l'], says: 'Lock the reading, or let go', act: (desk) => desk.toggleLock() },
  fader('shutter', 'Shutter longer, shorter', 'q', 'a'),
  fader('aperture', 'Aperture wider, smaller', 't', 'g'),
  fader('iso', 'ISO up, down', 'w', 's'),
  fader('compensation', 'Compensation up, down', 'e', 'd'),
  fader('focus', 'Focus farther, nearer', 'r', 'f'),
  {
    group: 'Set',
    keys: ['.'],
    says: 'Hold the focus where it stands, or let it look',
    on: ({ optic }) => 'focus' in opticWith(optic).can,
    act: (desk) => (desk.settings.focus.auto ? desk.holdFocus() : desk.setAutomatic('focus')),
  },
  {
    group: 'Set',
    keys: [';'],
    says: 'Mesh on what is sharp',
    on: ({ optic }) => opticWith(optic).seesDepth === true,
    act: (desk) => desk.setInFocus(!desk.inFocus),
  },
  {
    group: 'Set',
    keys: ["'"],
    says: 'Peaking: edges in focus light up',
    act: ({ peaking, setPeaking }) => setPeaking({ on: !peaking.on }),
  },
  fader('white', 'White warmer, cooler', 'y', 'i'),
  {
    group: 'Set',
    keys: ['+', '=', '-'],
    printed: '+ −',
    says: 'Digital zoom closer, wider',
    on: ({ optic }) => 'cut' in opticWith(optic).can,
    act: (desk, index) => desk.stepCut(index === 2 ? -1 : 1),
  },
  {
    group: 'Set',
    keys: [','],
    says: 'Frame panel: zoom, shape, grid, level, depth',
    act: (_, __, open) => open('frame'),
  },
  { group: 'Set', keys: ['0'], says: 'All automatic', act: (desk) => desk.setAllAutomatic() },
  {
    group: 'Set',
    keys: ['u'],
    says: 'Fit exposure to the highlights',
    on: () => Boolean(rawOf(latestReport())?.fit),
    act: (desk) => {
      const fit = rawOf(latestReport())?.fit;
      if (fit) desk.takeFit(fit);
    },
  },
  { group: 'Set', keys: ['x'], says: 'More: trade, setups, camera …', act: (_, __, open) => open('more') },
  { group: 'Check', keys: ['k'], says: 'Check panel', act: (_, __, open) => open('check') },
  { group: 'Check', keys: ['o'], says: 'Marks of clipped raw', act: (desk) => desk.toggleMark('rawClip') },
  {
    group: 'Check',
    keys: ['z'],
    says: 'Zebra',
    act: ({ check, setCheck }) => setCheck({ zebra: { ...check.zebra, on: !check.zebra.on } }),
  },
  { group: 'Check', keys: ['h'], says: 'Raw or picture in the scope', act: (desk) => desk.toggleScope() },
  {
    group: 'Check',
    keys: ['c'],
    says: 'Other exposure, while held',
    act: (desk) => desk.hold(true),
    release: (desk) => desk.hold(false),
  },
  {
    group: 'Check',
    keys: ['j'],
    says: 'Loupe',
    act: ({ loupe, spot, setLoupe }) => setLoupe(loupe ? null : spot),
  },
  { group: 'Check', keys: ['b'], says: 'Bare picture', act: ({ cleared, clear }) => clear(!cleared) },
  {
    group: 'Release and rest',
    keys: [' '],
    printed: 'Space',
    says: 'Release; held for a burst',
    act: () => pressDown(),
    release: letGo,
  },
  {
    group: 'Release and rest',
    keys: ['escape'],
    printed: 'Esc',
    says: 'Cancel, close',
    act: () => cancelCapture(),
  },
  {
    group: 'Release and rest',
    keys: LENS_KEYS,
    printed: '1 2 3 …',
    says: 'Lens',
    on: ({ optic }) => bodyWith(optic).optics.length > 1,
    act: ({ optic, setOptic }, index) => {
      const wanted = bodyWith(optic).optics[index];
      if (wanted) setOptic(wanted.id);
    },
  },
  {
    group: 'Release and rest',
    keys: ['v'],
    says: 'The simulated world',
    on: ({ optic }) => bodyWith(optic).arrangedWorld,
    act: (_, __, open) => open('outside'),
  },
  {
    group: 'Release and rest',
    keys: ['?'],
    says: 'These keys, and what things mean',
    act: (desk, _, open) => {
      open('keys');
      desk.showGuide(true);
    },
  },
];

/** The keys of a line as they are printed. */
export function printedKeys({ keys, printed }: KeyLine): string {
  return printed ?? keys.map((key) => key.toUpperCase()).join(' ');
}

/** The keys of a fader, beside its name; null where it has none. */
export function faderKeys(id: FaderId): string | null {
  const line = KEY_LINES.find(({ moves }) => moves === id);
  return line ? line.keys.map((key) => key.toUpperCase()).join(' / ') : null;
}

export function useDeskKeys(active: boolean, open: (panel: PanelId) => void): void {
  useEffect(() => {
    if (!active) return;
    const onKey = (e: KeyboardEvent) => {
      if (e.ctrlKey || e.metaKey || e.altKey || isTyping(e.target)) return;
      const key = e.key.toLowerCase();
      const line = KEY_LINES.find(({ keys }) => keys.includes(key));
      const desk = useDesk.getState();
      if (!line || !(line.on?.(desk) ?? true)) return;
      // A button with the focus is what Space presses; a key that is held down takes one frame.
      if (key === ' ' && (isControl(e.target) || e.repeat)) return;
      line.act(desk, line.keys.indexOf(key), open);
      if (key !== 'escape') e.preventDefault();
    };
    const onKeyUp = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase();
      KEY_LINES.find(({ keys }) => keys.includes(key))?.release?.(useDesk.getState());
    };
    window.addEventListener('keydown', onKey);
    window.addEventListener('keyup', onKeyUp);
    // A key that is let go elsewhere is let go.
    const onBlur = () => {
      useDesk.getState().hold(false);
      letGo();
    };
    window.addEventListener('blur', onBlur);
    return () => {
      window.removeEventListener('blur', onBlur);
      window.removeEventListener('keydown', onKey);
      window.removeEventListener('keyup', onKeyUp);
    };
  }, [active, open]);
}

function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest('input, textarea, [contenteditable=true]') !== null;
}

/** What Space presses. A choice that is taken already has no use for it. */
const CONTROLS =
  'button:not([aria-checked=true]), a, [role=button], [role=switch], [role=link], [role=radio]:not([aria-checked=true])';

function isControl(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && target.closest(CONTROLS) !== null;
}
