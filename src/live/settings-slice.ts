// The desk's settings, all of them from the list, and what changes several at once: remedies, setups, another body.
import { hasIris as irisOf, nearestOptic } from '../core/body/body';
import { withOneDrive } from '../core/sequence/in-use';
import { SETTINGS, type SettingKey, type SettingValues } from '../core/setting/settings';
import { initialValues, listed } from '../core/setting/values';
import { whiteOn } from '../core/setting/white';
import { known } from '../core/units/known';
import { lengthWords } from '../core/units/lengths';
import { APERTURE_LADDER, FOCUS_LADDER, stepOf } from '../core/units/ladders';
import { bodies, bodyWith, opticWith } from './camera';
import { unlessTrading } from './desk-controls';
import type { Slice } from './slice';
import type { SettingsSlice } from './desk-state';
import opening from './opening.json';

export const settingsSlice: Slice<SettingsSlice> = (set, get) => ({
  settings: initialValues(),
  optic: opening.optic,

  setSetting: (key, value) =>
    set(({ settings, optic }) => ({ settings: withAsked(settings, { [key]: value }, optic) })),
  changeSetting: (key, change) =>
    set(({ settings, optic }) => ({
      settings: withAsked(settings, { [key]: merged(settings[key], change) }, optic),
    })),
  change: (changes) => {
    for (const one of changes) {
      if ('optic' in one) get().setOptic(one.optic);
      else if ('show' in one) get().setLevel(true);
      else if ('setting' in one)
        get().changeSetting(one.setting, one.value as Partial<SettingValues[SettingKey]>);
      else if (one.index === 'auto') get().setAutomatic(one.fader);
      else get().set(one.fader, one.index);
    }
  },
  applySetup: ({ lock: locks, ...values }) => {
    set(({ settings, trade, lock, optic }) => ({
      settings: withAsked(settings, values, optic),
      trade: null,
      lock: locks === false ? null : unlessTrading(lock, trade),
    }));
    if (locks && !get().lock) get().toggleLock();
  },
  setOptic: (optic) => set(({ settings }) => ({ optic, settings: withAsked(settings, {}, optic) })),
  takeBody: (id) => {
    const { optic, settings, trade, lock, lengths } = get();
    const wanted = bodies().find((body) => body.id === id);
    if (!wanted || bodyWith(optic).id === id) return;
    const from = opticWith(optic);
    const to = nearestOptic(wanted, from);
    const { focus, aperture } = to.can;
    const tooNear = focus !== undefined && !settings.focus.auto && settings.focus.exact < focus.low;
    const picture = wanted.evidence === 'picture';
    // Trading holds brightness by what raw is exposed with.
    const ends = trade && (picture || trade.gives === 'aperture' || trade.with === 'aperture');
    if (picture) {
      set({
        optic: to.id,
        scope: 'picture',
        trade: null,
        lock: null,
        notice: `${wanted.name}: a finished picture, no raw; ${lock && !trade ? 'the lock is released; ' : ''}your settings stay.`,
      });
      return;
    }
    const said = [
      typeof from.equivalentMm === 'number'
        ? `${wanted.name}, ${from.equivalentMm} mm becomes ${mm(to.equivalentMm)}`
        : `${wanted.name}, ${mm(to.equivalentMm)}`,
      aperture
        ? `aperture ${SETTINGS.aperture.words(settings.aperture)} (${stepOf(APERTURE_LADDER, aperture.low).label}–${stepOf(APERTURE_LADDER, aperture.high).label})`
        : known(to.apertureN) !== undefined && `aperture fixed at f/${known(to.apertureN)}`,
      tooNear &&
        `focus ${lengthWords(settings.focus.exact, lengths)} becomes ${lengthWords(focus.low, lengths)}, the closest`,
      to.fixedFocusM !== undefined && 'focus fixed',
      ends && 'trading ended',
      'all else stays',
    ].filter(Boolean);
    // While trading nothing but what gives way moves by itself.
    const held =
      trade && !ends && irisOf(to)
        ? { aperture: { auto: false, exact: known(to.apertureN) ?? settings.aperture.exact } }
        : null;
    set({
      optic: to.id,
      ...(bodyWith(optic).evidence === 'picture' && { scope: 'raw' as const, lock: null }),
      settings: {
        ...settings,
        ...held,
        ...(tooNear && {
          focus: { ...settings.focus, auto: false, exact: stepOf(FOCUS_LADDER, focus.low).exact },
        }),
      },
      trade: ends ? null : trade,
      lock: ends ? unlessTrading(lock, trade) : lock,
      notice: `${said.join('; ')}.`,
    });
  },
});

/** With what was just asked for. A press goes by one drive: the newer ends the other. */
function withAsked(now: SettingValues, asked: Partial<SettingValues>, optic: string): SettingValues {
  const all = { ...now, ...asked };
  const { white } = all;
  // White by hand is one that the camera can be balanced for.
  const held = white.auto ? white : whiteOn(opticWith(optic), { kelvin: white.exact, tint: white.tint });
  const next = held.exact === white.exact && held.tint === white.tint ? all : { ...all, white: held };
  return withOneDrive(next, asked);
}

/** Keys under which the desk's settings are kept. */
export function keptSettings(): readonly SettingKey[] {
  return listed().map(({ key }) => key);
}

function merged<T>(now: T, change: Partial<T>): T {
  return typeof change === 'object' ? { ...now, ...change } : (change as T);
}

function mm(equivalent: unknown): string {
  return typeof equivalent === 'number' ? `${equivalent} mm` : 'a lens of unknown length';
}
