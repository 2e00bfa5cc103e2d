// The desk as a person works it.
import { nearestStep, SHUTTER_LADDER } from '../core/units/ladders';
import type { Report } from '../camera/report';
import { automaticPlan, fullPlan, resolveExposure } from '../core/exposure/automatic';
import { OPTICS } from '../core/sensor/cameras';
import { tintsOn } from '../core/setting/white';
import type { LensId } from '../core/sensor/simulated-optic';
import { opticWith } from './camera';
import { useDesk } from './desk';
import { exactOf, orderOf } from './desk-controls';
import { LADDERS } from './desk-state';
import { restoreParts, soundParts } from './desk-memory';
import { partsOfFirst } from './desk-parts';
import { exposureOf, latestReport, useReport } from './report';
import { useWorld } from './world';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));

const desk = () => useDesk.getState();
const RUNNING = { running: true, retries: 0 };
const reading = (ev100: number) => ({ ev100, luminance: 1, clippedShare: 0, floorShare: 0 });
type Told = Partial<Report> & { settings?: object; deviationEv?: number; outOfRangeEv?: number | null };
const USUAL = { shutterS: 2 ** -9, iso: 100, apertureN: 1.8, compensationEv: 0 };
const standing = ({ shutterS, iso, apertureN }: Partial<typeof USUAL>) =>
  Object.fromEntries(
    Object.entries({ shutter: shutterS, iso, aperture: apertureN, focus: 1.5 }).filter(([, v]) => v),
  );
const report = ({ settings, deviationEv = 1, outOfRangeEv = null, ...over }: Told = {}) =>
  ({
    seq: 0,
    standing: standing(
      (settings ?? (over.exposure as { settings?: object } | undefined)?.settings ?? USUAL) as typeof USUAL,
    ),
    reading: reading(9.5),
    optic: 'wide',
    exposure: {
      settings: settings ?? USUAL,
      deviationEv,
      outOfRangeEv,
    },
    focusM: 1.5,
    pins: [],
    ...over,
  }) as unknown as Report;
const tell = (told: Report) => useReport.getState().take(told);
const told = () => exposureOf(latestReport())!;
const exact = (fader: keyof typeof LADDERS) => exactOf(desk().settings, latestReport(), fader);
const opening = desk();
beforeEach(() => {
  useDesk.setState(opening, true);
  useReport.getState().clear();
});
afterAll(() => useReport.getState().clear());

describe('the desk', () => {
  it('makes a setting manual by moving it, automatic again by one call, all by another', () => {
    desk().set('shutter', 10);
    expect(desk().settings.shutter).toEqual({ auto: false, exact: SHUTTER_LADDER[10]!.exact });
    expect(desk().settings.iso.auto).toBe(true);
    desk().setAutomatic('shutter');
    expect(desk().settings.shutter.auto).toBe(true);
    desk().set('iso', 3);
    desk().set('compensation', 20);
    desk().setAllAutomatic();
    expect(desk().settings).toMatchObject({
      shutter: { auto: true },
      iso: { auto: true },
      compensationEv: 0,
    });
  });

  it('starts a setting taken over by hand where the automatic stood', () => {
    tell(report());
    expect(exact('shutter')).toBe(2 ** -9);
    desk().set('iso', 5);
    tell(report({ settings: { shutterS: 1, iso: 999, apertureN: 1.8, compensationEv: 0 } }));
    expect(exact('iso')).toBe(LADDERS.iso[5]!.exact);
    // What is told is never set: it would come back to the camera as a touch.
    expect(desk().settings.shutter).toEqual(opening.settings.shutter);
  });

  it('nudges compensation while anything is automatic, the shutter when nothing is', () => {
    desk().nudge(2);
    expect(desk().settings.compensationEv).toBeCloseTo(2 / 3, 9);
    desk().set('shutter', 20);
    desk().set('iso', 3);
    desk().nudge(-3);
    expect(nearestStep(SHUTTER_LADDER, desk().settings.shutter.exact)).toBe(17);
  });

  it('holds at the ladders’ ends', () => {
    desk().nudge(99);
    expect(desk().settings.compensationEv).toBe(5);
    desk().set('shutter', -50);
    expect(desk().settings.shutter.exact).toBe(SHUTTER_LADDER[0]!.exact);
  });

  it('locks the present reading and keeps it until told otherwise', () => {
    tell(report());
    desk().toggleLock();
    tell(report({ reading: reading(3) }));
    desk().setAllAutomatic();
    useWorld.getState().setScene('spy-hole');
    expect(orderOf(desk(), RUNNING).lockedEv100).toBe(9.5);
    expect(desk().lock?.by).toBe('whole reading');
    desk().toggleLock();
    expect(desk().lock).toBeNull();
  });

  it('locks settings on the meter as they stand, to the click', () => {
    follow();
    const { settings } = told();
    desk().toggleLock();
    follow();
    expect(told().settings).toEqual(settings);
    expect(told().deviationEv).toBeCloseTo(0, 9);
    useReport.getState().clear();
    follow();
    expect(told().settings).toEqual(settings);
  });

  it('a tapped place is a spot inside the frame', () => {
    desk().setSpot({ x: 1.4, y: -2 });
    expect(desk()).toMatchObject({ spot: { x: 1, y: 0 }, settings: { meter: { pattern: 'spot' } } });
    desk().nextPattern();
    expect(desk().settings.meter.pattern).toBe('highlight');
    desk().nextPattern();
    expect(desk().settings.meter.pattern).toBe('whole');
  });
});

/** A finder that follows the desk: what the automatic would report. */
function follow(): void {
  const order = orderOf(desk(), RUNNING);
  const { lens } = OPTICS[order.optic as LensId];
  const plan = order.freely ? fullPlan(lens) : automaticPlan(order.settings.rules, lens, null);
  const before = exposureOf(latestReport())?.settings;
  const ev100 = order.lockedEv100 ?? 9;
  const resolved = resolveExposure(order.settings, ev100, plan, before);
  tell(report({ ...resolved, optic: order.optic, reading: reading(9) }));
}
const light = () => {
  const { shutterS, iso, apertureN } = told().settings;
  return Math.log2((shutterS * iso) / (apertureN * apertureN));
};
const indices = () =>
  (['shutter', 'aperture', 'iso'] as const).map((id) => nearestStep(LADDERS[id], exact(id)));

describe('trading', () => {
  it('moves one setting against the other click for click, and back; brightness stays within 1/12 EV', () => {
    for (const lens of ['wide', 'zoom-35'] as const) {
      useDesk.setState(opening, true);
      desk().setOptic(lens);
      follow();
      desk().startTrade('iso');
      follow();
      const [before, brightness] = [indices(), light()];
      for (const clicks of [3, 1, 4]) {
        desk().set('shutter', indices()[0]! - clicks);
        follow();
        expect(Math.abs(light() - brightness)).toBeLessThan(1 / 12);
      }
      expect(indices()[2]! - before[2]!).toBe(8);
      desk().set('shutter', before[0]!);
      follow();
      expect(indices()).toEqual(before);
    }
  });

  it('lets what gave way take the lead when it is moved itself', () => {
    follow();
    desk().startTrade('iso');
    follow();
    const [brightness, [shutter, , iso]] = [light(), indices()];
    desk().set('iso', iso! + 3);
    follow();
    expect(desk().trade).toEqual({ gives: 'shutter', with: 'iso' });
    expect(indices()[0]).toBe(shutter! - 3);
    expect(light()).toBeCloseTo(brightness, 6);
  });

  it('at the end of a range says what is missing, and comes back without loss', () => {
    follow();
    desk().startTrade('iso');
    follow();
    const before = indices();
    desk().set('shutter', before[0]! + 9);
    follow();
    // ISO goes from 100 to 50, three clicks; six are missing.
    expect(told().outOfRangeEv).toBeCloseTo(2, 1);
    desk().set('shutter', before[0]!);
    follow();
    expect(indices()).toEqual(before);
    expect(told().outOfRangeEv).toBeNull();
  });

  it('ends with everything held where it stands, and gives the lock back that it took', () => {
    follow();
    desk().startTrade('shutter');
    follow();
    desk().startTrade(null);
    expect(desk()).toMatchObject({
      trade: null,
      lock: null,
      settings: { shutter: { auto: false }, iso: { auto: false } },
    });
    desk().setAllAutomatic();
    desk().startTrade(null);
    expect(desk().settings.shutter.auto).toBe(true);
  });
});

describe('a pin put on a step', () => {
  const pinned = (ev100: number) => {
    follow();
    tell({ ...latestReport()!, pins: [{ letter: 'A', ev100, luminance: 1, fromGreyEv: 0, toClipEv: 0 }] });
  };
  it('holds its reading, with the step as compensation', () => {
    pinned(6);
    desk().placePin('A', -3);
    follow();
    expect(desk().lock).toEqual({ ev100: 6, by: 'pin A at −3' });
    const { settings } = told();
    expect(6 - Math.log2((settings.apertureN ** 2 / settings.shutterS / settings.iso) * 100)).toBeCloseTo(
      -3,
      0,
    );
  });

  it('with everything manual goes there by the shutter, and by ISO where that ends', () => {
    follow();
    desk().set('shutter', nearestStep(SHUTTER_LADDER, 16));
    desk().set('iso', 3);
    follow();
    for (const [ev100, step] of [
      [6, 0],
      [-4, 1],
    ] as const) {
      pinned(ev100);
      desk().placePin('A', step);
      const { shutter, iso } = desk().settings;
      const ev = Math.log2((1.8 ** 2 / shutter.exact / iso.exact) * 100);
      expect(Math.abs(ev100 - ev - step)).toBeLessThan(1 / 6 + 1e-9);
      expect(shutter.auto || iso.auto).toBe(false);
    }
  });
});

describe('white', () => {
  const found = { kelvin: 3120, tint: 7.4, by: 'automatic', measured: null } as const;

  it('moved by hand keeps the tint that the camera found; given back it is automatic again', () => {
    tell(report({ white: found }));
    desk().set('white', 20);
    expect(desk().settings.white).toEqual({ auto: false, exact: LADDERS.white[20]!.exact, tint: 7.4 });
    desk().setAutomatic('white');
    expect(desk().settings.white.auto).toBe(true);
  });

  it('of which only the tint is moved stays at the temperature that the camera found', () => {
    tell(report({ white: found }));
    desk().setTint(12.6);
    expect(desk().settings.white).toEqual({ auto: false, exact: 3120, tint: 13 });
    desk().setTint(999);
    expect(desk().settings.white.tint).toBe(tintsOn(opticWith(desk().optic), 3120).high);
    desk().setTint(-999);
    expect(desk().settings.white.tint).toBe(-150);
  });

  it('that the sensor cannot be balanced for is set by no fader, no tint and no setup', () => {
    const most = () => tintsOn(opticWith(desk().optic), desk().settings.white.exact).high;
    desk().setWhite({ kelvin: 5500, tint: 60 });
    desk().set('white', 0);
    expect(desk().settings.white.tint).toBe(60);
    expect(desk().settings.white.exact).toBeGreaterThan(2000);
    expect(most()).toBeGreaterThanOrEqual(60);
    desk().setWhite({ kelvin: 2000, tint: 60 });
    expect(desk().settings.white).toEqual({ auto: false, exact: 2000, tint: most() });
    desk().applySetup({ white: { auto: false, exact: 2856, tint: 150 } });
    expect(desk().settings.white).toEqual({ auto: false, exact: 2856, tint: most() });
  });

  it('of a light beyond the ends is held at them', () => {
    desk().setWhite({ kelvin: 1700, tint: -200 });
    expect(desk().settings.white).toEqual({ auto: false, exact: 2000, tint: -150 });
    desk().setWhite({ kelvin: 50000, tint: 0 });
    expect(desk().settings.white.exact).toBe(12000);
  });

  it('is kept under a name, the name once, a dozen of them, and comes back with the desk', async () => {
    desk().setWhite({ kelvin: 2856, tint: 0 });
    desk().keepWhite('  Kiln room ');
    desk().setWhite({ kelvin: 3000, tint: 4 });
    desk().keepWhite('Kiln room');
    desk().keepWhite('   ');
    expect(desk().whites).toEqual([{ name: 'Kiln room', kelvin: 3000, tint: 4 }]);
    expect(await soundParts({ whites: desk().whites })).toEqual({ whites: desk().whites });
    for (let i = 0; i < 12; i++) desk().keepWhite(`white ${i}`);
    expect(desk().whites).toHaveLength(12);
    expect(desk().notice).toMatch(/12 whites are kept/);
    desk().forgetWhite('Kiln room');
    expect(desk().whites.some(({ name }) => name === 'Kiln room')).toBe(false);
  });

  it('a ring stays inside of the picture and of a sensible size, and is in the order', () => {
    desk().setRing({ at: { x: -1, y: 2 }, radius: 9 });
    expect(desk().ring).toEqual({ at: { x: 0, y: 1 }, radius: 0.2 });
    expect(orderOf(desk(), RUNNING).ring).toEqual(desk().ring);
    desk().setRing(null);
    expect(orderOf(desk(), RUNNING).ring).toBeNull();
  });

  it('of a desk from before white had a tint has none', async () => {
    const part = { set_white: { auto: false, exact: 5300 } };
    expect(await soundParts(part)).toEqual({ set_white: { auto: false, exact: 5300, tint: 0 } });
  });
});

describe('another camera', () => {
  it('keeps what makes sense, and says what changed', () => {
    desk().set('focus', 0);
    desk().set('shutter', 20);
    desk().takeBody('sim-iris');
    expect(desk()).toMatchObject({ optic: 'zoom-24', settings: { shutter: { auto: false } } });
    expect(desk().settings.focus.exact).toBeCloseTo(0.3, 9);
    expect(desk().notice).toMatch(/24 mm becomes 24 mm.*aperture automatic.*0\.12 m becomes 0\.30 m/);
    desk().setOptic('zoom-77');
    desk().takeBody('sim-one');
    expect(desk().optic).toBe('tele');
    expect(desk().notice).toMatch(/aperture fixed at f\/2\.8/);
  });

  it('is set within what its lens has, whatever is asked and whatever stood before', () => {
    desk().takeBody('sim-iris');
    for (const [index, exact] of [
      [0, 2 ** 3],
      [-4, 2 ** 3],
      [999, 2 ** 1.5],
    ] as const) {
      desk().set('aperture', index);
      expect(desk().settings.aperture.exact).toBeCloseTo(exact, 9);
    }
  });

  it('ends a trade that the lens cannot make', () => {
    desk().takeBody('sim-iris');
    follow();
    desk().startTrade('aperture');
    desk().takeBody('sim-one');
    expect(desk()).toMatchObject({ trade: null, lock: null });
    expect(desk().notice).toContain('trading ended');
  });
});

describe('setups and remedies', () => {
  it('apply only what they hold; a locking one locks the reading that stands', () => {
    follow();
    desk().set('iso', 9);
    desk().applySetup({ shutter: { auto: false, exact: 1 }, delayS: 2 });
    expect(desk().settings).toMatchObject({
      delayS: 2,
      ...{ shutter: { auto: false, exact: 1 }, iso: { auto: false } },
    });
    desk().applySetup({ lock: true });
    expect(desk().lock?.ev100).toBe(9);
    desk().applySetup({ lock: false });
    expect(desk().lock).toBeNull();
  });

  it('carry out every change of an action; a kind that is off stays off until it is wanted', () => {
    desk().change([
      { fader: 'shutter', index: 5 },
      { fader: 'iso', index: 'auto' },
      { setting: 'delayS', value: 2 },
      { setting: 'filterStops', value: 3 },
      { setting: 'meter', value: { pattern: 'highlight' } },
    ]);
    expect(desk().settings).toMatchObject({
      ...{ delayS: 2, filterStops: 3, meter: { pattern: 'highlight' }, shutter: { auto: false } },
    });
    desk().turnRemedy('motion', false);
    desk().turnRemedy('motion', false);
    expect(desk().remediesOff).toEqual(['motion']);
    desk().turnRemedy('motion', true);
    expect(desk().remediesOff).toEqual([]);
  });

  it('eight pins are enough', () => {
    for (let i = 0; i < 9; i++) desk().addPin({ x: i / 8, y: 2 });
    expect(
      desk()
        .pins.map((pin) => pin.letter)
        .join(''),
    ).toBe('ABCDEFGH');
    expect(desk().notice).toMatch(/Eight pins/);
    desk().removePin('C');
    desk().addPin({ x: 0, y: 0 });
    expect(desk().pins.at(-1)).toEqual({ letter: 'C', x: 0, y: 0 });
    expect(desk().pins[1]!.y).toBe(1);
  });
});

describe('a cleared finder', () => {
  it('asks for no mark of any kind, and for the person’s own again when it is shown', () => {
    const before = orderOf(desk(), RUNNING).marks;
    desk().setCheck({ zebra: { ...desk().check.zebra, on: true } });
    desk().clear(true);
    const { zebra, ...marks } = orderOf(desk(), RUNNING).marks;
    expect(zebra).toBeNull();
    expect(Object.values(marks)).not.toContain(true);
    desk().clear(false);
    expect(orderOf(desk(), RUNNING).marks).toMatchObject({ rawClip: before.rawClip, brightest: true });
    expect(orderOf(desk(), RUNNING).marks.zebra?.native).toEqual({ of: 'raw', belowClip12: 4 });
  });
});

describe('a kept desk', () => {
  const { spot, check, scope, pins, lock, trade, theme, other, settings } = desk();
  const { shutter, compensationEv, meter, rules } = settings;
  const kept = {
    ...{ spot, check, scope, pins, lock, trade, theme, other },
    ...{ set_shutter: shutter, set_compensationEv: compensationEv, set_meter: meter, set_rules: rules },
  };

  it('does not take a lock that no light has', async () => {
    const back = await soundParts({ ...kept, lock: { ev100: 1e308, by: 'x' } });
    expect(back).not.toHaveProperty('lock');
    expect(back).toHaveProperty('set_shutter');
  });
  it('comes back as it was', async () =>
    expect(await soundParts(JSON.parse(JSON.stringify(kept)))).toEqual(kept));
  it.each<Record<string, unknown>>([
    {},
    { set_meter: { pattern: 'magic' } },
    { nothing: 1, constructor: 2 },
    { spot: undefined },
  ])('that is none is passed over: %j', async (parts) => {
    restoreParts(await soundParts(parts));
    expect(desk().settings).toEqual(settings);
    expect(desk().spot).toEqual(spot);
  });
  it.each([
    { set_meter: { ...meter, pattern: 'magic' } },
    { spot: { x: 2, y: 0 } },
    { set_compensationEv: 99 },
    { set_shutter: { auto: 1, exact: 'x' } },
    { lock: { ev100: 'high' } },
    { trade: { gives: 'white', with: 'iso' } },
    { pins: Array.from({ length: 9 }, () => ({ letter: 'A', x: 0, y: 0 })) },
    { set_rules: { ...rules, order: ['iso', 'iso', 'shutter'] } },
    { check: { ...check, share: 0.5 } },
    { check: { ...check, zebra: { ...check.zebra, native: { belowClip12: 99, percent: 95 } } } },
    { theme: 'noon' },
    { other: { shutterS: 0, iso: 100, apertureN: 2 } },
  ])('loses only the part that is damaged: %j', async (bad) => {
    const back = await soundParts({ ...kept, ...bad });
    expect(back).not.toHaveProperty(Object.keys(bad)[0]!);
    expect(back.scope).toBe(kept.scope);
  });
  it('with a pattern that has another name by now keeps it under that', async () => {
    const old = { ...meter, pattern: 'evaluative' };
    expect(await soundParts({ set_meter: old })).toEqual({ set_meter: { ...meter, pattern: 'whole' } });
  });
  it('of the first version comes back in parts, as far as it had them', async () => {
    const iso = { auto: false, exact: 400 };
    const first = {
      controls: { shutter, iso, compensationEv: 1 },
      ...{ lens: 'tele', pattern: 'spot', spotShare: meter.spotShare, burnShare: meter.burnShare },
      ...{ filterStops: 3, delayS: 2, scene: 'spy-hole', spot: { x: 0.1, y: 0.2 } },
    };
    restoreParts(await soundParts(partsOfFirst(first)));
    expect(desk()).toMatchObject({
      ...{ optic: 'tele', spot: { x: 0.1, y: 0.2 } },
      settings: { iso, compensationEv: 1, meter: { pattern: 'spot' }, filterStops: 3, delayS: 2 },
    });
    // Of before there were apertures: an automatic one.
    expect(desk().settings.aperture.auto).toBe(true);
    expect(useWorld.getState().scene).toBe('spy-hole');
  });
  it('with a camera that is not there any more opens with the one that is', async () => {
    restoreParts(await soundParts({ optic: 'long-gone' }));
    expect(desk().optic).toBe(opening.optic);
  });
});
