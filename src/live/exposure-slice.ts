// The faders of exposure and focus; brightness held, taken over from a reading, or traded one setting for another.
import { carrierOf, isAllManual, ON_METER_EV, totalCompensation } from '../core/exposure/automatic';
import { ev100RightFor, SETTING_IDS, type SettingId } from '../core/exposure/settings';
import { patternOf } from '../core/meter/read';
import { stepsOn } from '../core/setting/ladder';
import { SETTINGS } from '../core/setting/settings';
import { initialValues } from '../core/setting/values';
import { whiteStepsOn } from '../core/setting/white';
import { ISO_LADDER, nearestStep, SHUTTER_LADDER } from '../core/units/ladders';
import { hasIris, opticWith } from './camera';
import {
  givingWay,
  exactOf,
  heldBy,
  meteredBy,
  standingWhite,
  unlessTrading,
  withStep,
} from './desk-controls';
import { LADDERS, settingOf, type ExposureSlice, type FaderId } from './desk-state';
import { exposureOf, latestReport } from './report';
import type { Slice } from './slice';

export const exposureSlice: Slice<ExposureSlice> = (set, get) => ({
  lock: null,
  trade: null,

  set: (fader, index) =>
    set(({ settings, trade, optic }) => {
      const at = opticWith(optic);
      const key = settingOf(fader);
      if (at.can[key] === undefined && key !== 'aperture')
        return { notice: `${at.name} has no ${SETTINGS[key].name.toLowerCase()} to set.` };
      // What stands may be that of the lens before: nothing is set that this one does not have.
      const { ladder, skipped } =
        fader === 'white'
          ? whiteStepsOn(at, standingWhite(settings, latestReport()).tint)
          : stepsOn(LADDERS[fader], key, at);
      const within = Math.max(skipped, Math.min(skipped + ladder.length - 1, index));
      const moved = withStep(settings, fader, ladder.length > 0 ? within : index, latestReport());
      if (!trade || !isExposure(fader)) return { settings: moved };
      // What is moved does not give way: when it is the one that did, the two change places.
      const next = { gives: fader === trade.gives ? trade.with : trade.gives, with: fader };
      return { settings: { ...moved, ...givingWay(moved, next.gives) }, trade: next };
    }),
  setAutomatic: (fader) =>
    set(({ settings, trade, lock }) => {
      if (fader === 'compensation') return { settings: { ...settings, compensationEv: 0 } };
      if (fader === 'zoom') return { settings: { ...settings, zoom: 1 } };
      const key = settingOf(fader) as 'shutter';
      const next = { settings: { ...settings, [key]: { ...settings[key], auto: true } } };
      // A second setting that moves by itself ends the trading of two.
      return trade && fader !== trade.gives && isExposure(fader)
        ? { ...next, trade: null, lock: unlessTrading(lock, trade) }
        : next;
    }),
  // A lock is opened on purpose only: it stays.
  setAllAutomatic: () =>
    set(({ settings, lock, trade }) => {
      const { shutter, iso, aperture, focus, white, compensationEv } = initialValues();
      return {
        settings: {
          ...settings,
          ...{ shutter, iso, aperture, white, compensationEv },
          focus: { ...focus, how: settings.focus.how },
        },
        trade: null,
        lock: unlessTrading(lock, trade),
      };
    }),
  nudge: (thirds) => {
    const { settings, optic } = get();
    const fader = carrierOf(settings, hasIris(optic));
    const current = exactOf(settings, latestReport(), fader);
    get().set(fader, nearestStep(LADDERS[fader], current) + thirds);
  },
  toggleLock: () =>
    set((desk) => {
      const { lock, settings, optic, trade } = desk;
      const report = latestReport();
      if (lock)
        return {
          lock: null,
          trade: null,
          settings: trade ? { ...settings, ...heldBy(desk, report) } : settings,
        };
      if (!report || !Number.isFinite(report.reading.ev100)) return {};
      const { name, can } = opticWith(optic);
      if (!can.shutter && !can.iso) return { notice: `${name} does not let its exposure be held.` };
      const exposure = exposureOf(report);
      // What stands is what is held: settings on the meter are locked as they are, to the click.
      const automatic = !isAllManual(settings, hasIris(optic));
      const stands = exposure && automatic && Math.abs(exposure.deviationEv) <= ON_METER_EV;
      const ev100 = stands ? meteredBy(exposure.settings) : report.reading.ev100;
      const by = patternOf(settings.meter.pattern).name.toLowerCase();
      return { lock: { ev100, by: `${by} reading` } };
    }),
  takeReading: (ev100, by, compensationEv) => {
    const { settings, optic, check } = get();
    if (!Number.isFinite(ev100)) return;
    const exposure = exposureOf(latestReport());
    if (isAllManual(settings, hasIris(optic)) && exposure) {
      const { shutterS, iso } = exposure.settings;
      const step = compensationEv ?? totalCompensation(settings.compensationEv, check.habitEv);
      const over = ev100 - step - ev100RightFor(exposure.settings);
      const index = nearestStep(SHUTTER_LADDER, shutterS) - Math.round(over * 3);
      const held = Math.min(SHUTTER_LADDER.length - 1, Math.max(0, index));
      get().set('shutter', held);
      if (held !== index) get().set('iso', nearestStep(ISO_LADDER, iso) + (index - held));
      return;
    }
    set({
      lock: { ev100, by },
      trade: null,
      // What is asked for is meant as a whole: the habit is part of it.
      settings:
        compensationEv === undefined
          ? settings
          : { ...settings, compensationEv: totalCompensation(compensationEv, -check.habitEv) },
    });
  },
  startTrade: (gives) =>
    set((desk) => {
      const { settings, optic, trade, lock } = desk;
      const report = latestReport();
      const exposure = exposureOf(report);
      if (!gives && !trade) return {};
      const held = { ...settings, ...heldBy(desk, report) };
      if (!gives || !exposure) return { trade: null, lock: unlessTrading(lock, trade), settings: held };
      const others = SETTING_IDS.filter((id) => id !== gives && (id !== 'aperture' || hasIris(optic)));
      return {
        trade: { gives, with: others.includes('shutter') ? 'shutter' : others[0]! },
        lock: { ev100: meteredBy(exposure.settings), by: 'trading' },
        settings: { ...held, ...givingWay(held, gives) },
      };
    }),
  setRules: (change) => get().changeSetting('rules', change),
  takeFit: ({ controls: { shutter, iso, aperture, compensationEv } }) =>
    set(({ settings, trade, lock }) => ({
      settings: { ...settings, shutter, iso, aperture, compensationEv },
      trade: null,
      lock: unlessTrading(lock, trade),
    })),
});

function isExposure(fader: FaderId): fader is SettingId {
  return (SETTING_IDS as readonly string[]).includes(fader);
}
