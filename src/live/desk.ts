// The live desk: what is set, what is automatic, what the camera reports. One store, selected in small slices.
import { create } from 'zustand';
import {
  carrierOf,
  DEFAULT_RULES,
  isAllManual,
  ON_METER_EV,
  SETTING_IDS,
  totalCompensation,
} from '../core/exposure/automatic';
import { ev100OfSettings } from '../core/light/apex';
import { BURN_SHARE } from '../core/meter/highlight';
import { freeLetter } from '../core/meter/pins';
import { PATTERNS } from '../core/meter/read';
import { SPOT_SHARE } from '../core/meter/spot';
import { OPENING } from '../core/scene/outside';
import { nearestOptic, OPTICS } from '../core/sensor/cameras';
import { controlsWith } from '../core/setup/setup';
import {
  APERTURE_LADDER,
  at,
  FOCUS_LADDER,
  formatThirds,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
  stepOf,
} from '../core/units/ladders';
import {
  clamp,
  followed,
  followedFocus,
  givingWay,
  hasIris,
  heldBy,
  meteredBy,
  unlessTrading,
  withStep,
} from './desk-controls';
import { CHECK_SETTINGS } from './check-settings';
import { AUTOMATIC, FOCUS_AUTOMATIC, LADDERS, OPENING_SCENE, type Desk } from './desk-state';

export const useDesk = create<Desk>()((set, get) => ({
  controls: AUTOMATIC,
  focus: FOCUS_AUTOMATIC,
  lens: 'wide',
  scene: OPENING_SCENE,
  outside: OPENING,
  sceneStatus: { kind: 'loading', scene: OPENING_SCENE, share: 0 },
  retries: 0,
  pattern: 'evaluative',
  spot: { x: 0.5, y: 0.5 },
  spotShare: SPOT_SHARE,
  burnShare: BURN_SHARE,
  pins: [],
  rules: DEFAULT_RULES,
  lock: null,
  trade: null,
  filterStops: 0,
  delayS: 0,
  hand: null,
  receptor: 'flat',
  remediesOff: [],
  wants: { equivalents: null, weights: false, disagreement: false },
  notice: null,
  check: CHECK_SETTINGS,
  other: null,
  holding: false,
  loupe: null,
  cleared: false,
  theme: 'studio',
  scope: 'raw',
  orientation: 'portrait',
  report: null,
  camera: { kind: 'starting' },
  capture: { kind: 'idle' },

  set: (fader, index) =>
    set(({ controls, trade }) => {
      if (fader === 'focus') return { focus: { auto: false, exact: at(FOCUS_LADDER, index).exact } };
      const moved = withStep(controls, fader, index);
      if (!trade || fader === 'compensation') return { controls: moved };
      // What is moved does not give way: when it is the one that did, the two change places.
      const next = { gives: fader === trade.gives ? trade.with : trade.gives, with: fader };
      return { controls: givingWay(moved, next.gives), trade: next };
    }),
  setAutomatic: (fader) =>
    set(({ controls, focus, trade, lock }) => {
      if (fader === 'focus') return { focus: { ...focus, auto: true } };
      if (fader === 'compensation') return { controls: { ...controls, compensationEv: 0 } };
      const next = { ...controls, [fader]: { ...controls[fader], auto: true } };
      // A second setting that moves by itself ends the trading of two.
      return trade && fader !== trade.gives
        ? { controls: next, trade: null, lock: unlessTrading(lock, trade) }
        : { controls: next };
    }),
  // A lock is opened on purpose only: it stays.
  setAllAutomatic: () =>
    set(({ lock, trade }) => ({
      controls: AUTOMATIC,
      focus: FOCUS_AUTOMATIC,
      trade: null,
      lock: unlessTrading(lock, trade),
    })),
  nudge: (thirds) => {
    const { controls, lens } = get();
    const fader = carrierOf(controls, hasIris(lens));
    const current = fader === 'shutter' ? controls.shutter.exact : controls.compensationEv;
    get().set(fader, nearestStep(LADDERS[fader], current) + thirds);
  },
  setPattern: (pattern) => set({ pattern }),
  nextPattern: () => {
    const ids = PATTERNS.map((p) => p.id);
    set({ pattern: ids[(ids.indexOf(get().pattern) + 1) % ids.length]! });
  },
  setSpot: ({ x, y }) => set({ spot: { x: clamp(x), y: clamp(y) }, pattern: 'spot' }),
  setSpotShare: (spotShare) => set({ spotShare, pattern: 'spot' }),
  setBurnShare: (burnShare) => set({ burnShare, pattern: 'highlight' }),
  toggleLock: () =>
    set(({ lock, report, pattern, trade }) => {
      if (lock) return { lock: null, trade: null, controls: trade ? heldBy(get()) : get().controls };
      if (!report || !Number.isFinite(report.reading.ev100)) return {};
      const { settings, deviationEv, reading } = report;
      // What stands is what is held: settings on the meter are locked as they are, to the click.
      const automatic = !isAllManual(get().controls, hasIris(report.lens));
      const stands = automatic && Math.abs(deviationEv) <= ON_METER_EV;
      const ev100 = stands ? meteredBy(settings) : reading.ev100;
      const by = PATTERNS.find((p) => p.id === pattern)!.name.toLowerCase();
      return { lock: { ev100, by: `${by} reading` } };
    }),
  takeReading: (ev100, by, compensationEv) => {
    const { controls, lens, report, filterStops, check } = get();
    if (!Number.isFinite(ev100)) return;
    if (isAllManual(controls, hasIris(lens)) && report) {
      const { apertureN, shutterS, iso } = report.settings;
      const step = compensationEv ?? totalCompensation(controls.compensationEv, check.habitEv);
      const over = ev100 - step - filterStops - ev100OfSettings(apertureN, shutterS, iso);
      const index = nearestStep(SHUTTER_LADDER, shutterS) - Math.round(over * 3);
      const held = Math.min(SHUTTER_LADDER.length - 1, Math.max(0, index));
      get().set('shutter', held);
      if (held !== index) {
        const iso3 = nearestStep(ISO_LADDER, iso) + (index - held);
        get().set('iso', iso3);
      }
      return;
    }
    set({
      lock: { ev100, by },
      trade: null,
      // What is asked for is meant as a whole: the habit is part of it.
      controls:
        compensationEv === undefined
          ? controls
          : { ...controls, compensationEv: totalCompensation(compensationEv, -check.habitEv) },
    });
  },
  addPin: (place) =>
    set(({ pins }) => {
      const letter = freeLetter(pins);
      if (!letter) return { notice: 'Eight pins are in use. Remove one to place another.' };
      return { pins: [...pins, { letter, x: clamp(place.x), y: clamp(place.y) }] };
    }),
  movePin: (letter, place) =>
    set(({ pins }) => ({
      pins: pins.map((pin) =>
        pin.letter === letter ? { letter, x: clamp(place.x), y: clamp(place.y) } : pin,
      ),
    })),
  removePin: (letter) => set(({ pins }) => ({ pins: pins.filter((pin) => pin.letter !== letter) })),
  placePin: (letter, step) => {
    const reading = get().report?.pins.find((pin) => pin.letter === letter);
    if (!reading) return;
    const where = step === 0 ? 'mid-grey' : formatThirds(step);
    get().takeReading(reading.ev100, `pin ${letter} at ${where}`, step);
  },
  startTrade: (gives) =>
    set((desk) => {
      const { report, lens, trade, lock } = desk;
      if (!gives && !trade) return {};
      if (!gives || !report) return { trade: null, lock: unlessTrading(lock, trade), controls: heldBy(desk) };
      const others = SETTING_IDS.filter((id) => id !== gives && (id !== 'aperture' || hasIris(lens)));
      return {
        trade: { gives, with: others.includes('shutter') ? 'shutter' : others[0]! },
        lock: {
          ev100: meteredBy(report.settings),
          by: 'trading',
        },
        controls: givingWay(heldBy(desk), gives),
      };
    }),
  setRules: (change) => set(({ rules }) => ({ rules: { ...rules, ...change } })),
  setFilter: (filterStops) => set({ filterStops }),
  setDelay: (delayS) => set({ delayS }),
  setHand: (hand) => set({ hand: hand && { x: clamp(hand.x), y: clamp(hand.y) } }),
  setReceptor: (receptor) => set({ receptor }),
  turnRemedy: (kind, on) =>
    set(({ remediesOff }) => ({
      remediesOff: on ? remediesOff.filter((k) => k !== kind) : [...new Set([...remediesOff, kind])],
    })),
  change: (changes) => {
    for (const one of changes) {
      if ('delayS' in one) get().setDelay(one.delayS);
      else if ('filterStops' in one) get().setFilter(one.filterStops);
      else if ('pattern' in one) get().setPattern(one.pattern);
      else if (one.index === 'auto') get().setAutomatic(one.fader);
      else get().set(one.fader, one.index);
    }
  },
  applySetup: (values) => {
    const { trade, lock } = get();
    set(({ controls, focus, pattern, spotShare, burnShare, rules, filterStops, delayS }) => ({
      controls: controlsWith(controls, values),
      focus: values.focus ?? focus,
      pattern: values.meter?.pattern ?? pattern,
      spotShare: values.meter?.spotShare ?? spotShare,
      burnShare: values.meter?.burnShare ?? burnShare,
      rules: values.rules ?? rules,
      filterStops: values.filterStops ?? filterStops,
      delayS: values.delayS ?? delayS,
      trade: null,
      lock: values.lock === false ? null : unlessTrading(lock, trade),
    }));
    if (values.lock && !get().lock) get().toggleLock();
  },
  setWants: (wants) => set((desk) => ({ wants: { ...desk.wants, ...wants } })),
  takeBody: (id) => {
    const { lens, focus, trade, lock, controls } = get();
    const from = OPTICS[lens];
    if (from.id === id) return;
    const to = nearestOptic(id, lens);
    const closest = to.lens.closestM;
    const tooNear = !focus.auto && focus.exact < closest;
    const ends = trade && (trade.gives === 'aperture' || trade.with === 'aperture');
    const said = [
      `${to.name}, ${from.equivalentMm} mm becomes ${to.equivalentMm} mm`,
      to.lens.narrowestN === undefined
        ? `aperture fixed at f/${to.lens.apertureN}`
        : `aperture ${controls.aperture.auto ? 'automatic' : stepOf(APERTURE_LADDER, controls.aperture.exact).label} (f/2.8–f/8)`,
      tooNear && `focus ${focus.exact} m becomes ${closest} m, the closest`,
      to.lens.fixedFocusM !== undefined && 'focus fixed',
      ends && 'trading ended',
      'all else stays',
    ].filter(Boolean);
    // While trading nothing but what gives way moves by itself.
    const aperture =
      trade && !ends && to.lens.narrowestN !== undefined
        ? { auto: false, exact: to.lens.apertureN }
        : controls.aperture;
    set({
      lens: to.lensId,
      controls: { ...controls, aperture },
      focus: tooNear ? { auto: false, exact: stepOf(FOCUS_LADDER, closest).exact } : focus,
      trade: ends ? null : trade,
      lock: ends ? unlessTrading(lock, trade) : lock,
      notice: `${said.join('; ')}.`,
    });
  },
  setNotice: (notice) => set({ notice }),
  setCheck: (change) => set(({ check }) => ({ check: { ...check, ...change } })),
  toggleMark: (mark) =>
    set(({ check }) => ({ check: { ...check, marks: { ...check.marks, [mark]: !check.marks[mark] } } })),
  takeFit: ({ controls }) =>
    set(({ trade, lock }) => ({ controls, trade: null, lock: unlessTrading(lock, trade) })),
  setOther: (other) => set({ other, holding: false }),
  hold: (holding) => set(({ other }) => ({ holding: holding && other !== null })),
  setLoupe: (loupe) => set({ loupe: loupe && { x: clamp(loupe.x), y: clamp(loupe.y) } }),
  clear: (cleared) => set({ cleared }),
  setTheme: (theme) => set({ theme }),
  toggleScope: () => set(({ scope }) => ({ scope: scope === 'raw' ? 'picture' : 'raw' })),
  setOrientation: (orientation) => set({ orientation }),
  setLens: (lens) => set({ lens }),
  // Lamps have other names there; what the person holds in hand stays.
  // The one that did not load, chosen again, is asked for again.
  setScene: (scene) =>
    set(({ outside, retries }) => ({ scene, outside: { ...outside, levels: {} }, retries: retries + 1 })),
  arrange: (change) => set(({ outside }) => ({ outside: { ...outside, ...change } })),
  setSceneStatus: (sceneStatus) => set({ sceneStatus }),
  tryAgain: () => set(({ retries }) => ({ retries: retries + 1 })),
  setReport: (report) =>
    set(({ controls, focus }) => ({
      report,
      controls: followed(controls, report),
      focus: followedFocus(focus, report),
    })),
  setCamera: (camera) => set({ camera }),
  setCapture: (capture) => set({ capture }),
  restore: (kept) => set(kept),
}));
