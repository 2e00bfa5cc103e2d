// The desk as a person works it.
import { nearestStep, SHUTTER_LADDER } from '../core/units/ladders';
import type { FinderReport } from '../workers/finder-protocol';
import { automaticPlan, fullPlan, resolveExposure } from '../core/exposure/automatic';
import { OPTICS } from '../core/sensor/cameras';
import { useDesk } from './desk';
import { orderOf } from './desk-controls';
import { LADDERS } from './desk-state';
import { parseDesk } from './desk-memory';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));

const desk = () => useDesk.getState();
const reading = (ev100: number) => ({ ev100, luminance: 1, clippedShare: 0, floorShare: 0 });
const report = (over: Partial<FinderReport> = {}) =>
  ({
    reading: reading(9.5),
    lens: 'wide',
    settings: { shutterS: 2 ** -9, iso: 100, apertureN: 1.8, compensationEv: 0 },
    pins: [],
    ...over,
  }) as unknown as FinderReport;
const opening = desk();
beforeEach(() => useDesk.setState(opening, true));

describe('the desk', () => {
  it('makes a setting manual by moving it, automatic again by one call, all by another', () => {
    desk().set('shutter', 10);
    expect(desk().controls.shutter).toEqual({ auto: false, exact: SHUTTER_LADDER[10]!.exact });
    expect(desk().controls.iso.auto).toBe(true);
    desk().setAutomatic('shutter');
    expect(desk().controls.shutter.auto).toBe(true);
    desk().set('iso', 3);
    desk().set('compensation', 20);
    desk().setAllAutomatic();
    expect(desk().controls).toMatchObject({
      shutter: { auto: true },
      iso: { auto: true },
      compensationEv: 0,
    });
  });

  it('starts a setting taken over by hand where the automatic stood', () => {
    desk().setReport(report());
    expect(desk().controls.shutter).toEqual({ auto: true, exact: 2 ** -9 });
    desk().set('iso', 5);
    desk().setReport(report({ settings: { shutterS: 1, iso: 999, apertureN: 1.8, compensationEv: 0 } }));
    expect(desk().controls.iso.exact).toBe(LADDERS.iso[5]!.exact);
  });

  it('nudges compensation while anything is automatic, the shutter when nothing is', () => {
    desk().nudge(2);
    expect(desk().controls.compensationEv).toBeCloseTo(2 / 3, 9);
    desk().set('shutter', 20);
    desk().set('iso', 3);
    desk().nudge(-3);
    expect(nearestStep(SHUTTER_LADDER, desk().controls.shutter.exact)).toBe(17);
  });

  it('holds at the ladders’ ends', () => {
    desk().nudge(99);
    expect(desk().controls.compensationEv).toBe(5);
    desk().set('shutter', -50);
    expect(desk().controls.shutter.exact).toBe(SHUTTER_LADDER[0]!.exact);
  });

  it('locks the present reading and keeps it until told otherwise', () => {
    desk().setReport(report());
    desk().toggleLock();
    desk().setReport(report({ reading: reading(3) }));
    desk().setAllAutomatic();
    desk().setScene('spy-hole');
    expect(orderOf(desk(), true).lockedEv100).toBe(9.5);
    expect(desk().lock?.by).toBe('evaluative reading');
    desk().toggleLock();
    expect(desk().lock).toBeNull();
  });

  it('locks settings on the meter as they stand, to the click', () => {
    follow();
    const { settings } = desk().report!;
    desk().toggleLock();
    follow();
    expect(desk().report!.settings).toEqual(settings);
    expect(desk().report!.deviationEv).toBeCloseTo(0, 9);
    useDesk.setState({ report: null });
    follow();
    expect(desk().report!.settings).toEqual(settings);
  });

  it('a tapped place is a spot inside the frame', () => {
    desk().setSpot({ x: 1.4, y: -2 });
    expect(desk()).toMatchObject({ spot: { x: 1, y: 0 }, pattern: 'spot' });
    desk().nextPattern();
    expect(desk().pattern).toBe('highlight');
    desk().nextPattern();
    expect(desk().pattern).toBe('evaluative');
  });
});

/** A finder that follows the desk: what the automatic would report. */
function follow(): void {
  const order = orderOf(desk(), true);
  const { lens } = OPTICS[order.lens];
  const plan = order.rules === 'full' ? fullPlan(lens) : automaticPlan(order.rules, lens, null);
  const before = desk().report?.settings;
  const ev100 = order.lockedEv100 ?? 9;
  const resolved = resolveExposure(order.controls, ev100, plan, before, order.filterStops);
  desk().setReport(report({ ...resolved, plan, lens: order.lens, reading: reading(9) }));
}
const light = () => {
  const { shutterS, iso, apertureN } = desk().report!.settings;
  return Math.log2((shutterS * iso) / (apertureN * apertureN));
};
const indices = () =>
  (['shutter', 'aperture', 'iso'] as const).map((id) => nearestStep(LADDERS[id], desk().controls[id].exact));

describe('trading', () => {
  it('moves one setting against the other click for click, and back; brightness stays within 1/12 EV', () => {
    for (const lens of ['wide', 'zoom-35'] as const) {
      useDesk.setState(opening, true);
      desk().setLens(lens);
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
    expect(desk().report!.outOfRangeEv).toBeCloseTo(2, 1);
    desk().set('shutter', before[0]!);
    follow();
    expect(indices()).toEqual(before);
    expect(desk().report!.outOfRangeEv).toBeNull();
  });

  it('ends with everything held where it stands, and gives the lock back that it took', () => {
    follow();
    desk().startTrade('shutter');
    follow();
    desk().startTrade(null);
    expect(desk()).toMatchObject({
      trade: null,
      lock: null,
      controls: { shutter: { auto: false }, iso: { auto: false } },
    });
    desk().setAllAutomatic();
    desk().startTrade(null);
    expect(desk().controls.shutter.auto).toBe(true);
  });
});

describe('a pin put on a step', () => {
  const pinned = (ev100: number) => {
    follow();
    useDesk.setState({
      report: { ...desk().report!, pins: [{ letter: 'A', ev100, luminance: 1, fromGreyEv: 0, toClipEv: 0 }] },
    });
  };
  it('holds its reading, with the step as compensation', () => {
    pinned(6);
    desk().placePin('A', -3);
    follow();
    expect(desk().lock).toEqual({ ev100: 6, by: 'pin A at −3' });
    const { settings } = desk().report!;
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
      const { shutter, iso } = desk().controls;
      const ev = Math.log2((1.8 ** 2 / shutter.exact / iso.exact) * 100);
      expect(Math.abs(ev100 - ev - step)).toBeLessThan(1 / 6 + 1e-9);
      expect(shutter.auto || iso.auto).toBe(false);
    }
  });
});

describe('another camera', () => {
  it('keeps what makes sense, and says what changed', () => {
    desk().set('focus', 0);
    desk().set('shutter', 20);
    desk().takeBody('sim-iris');
    expect(desk()).toMatchObject({ lens: 'zoom-24', controls: { shutter: { auto: false } } });
    expect(desk().focus.exact).toBeCloseTo(0.3, 9);
    expect(desk().notice).toMatch(/24 mm becomes 24 mm.*aperture automatic.*0\.12 m becomes 0\.3 m/);
    desk().setLens('zoom-77');
    desk().takeBody('sim-one');
    expect(desk().lens).toBe('tele');
    expect(desk().notice).toMatch(/aperture fixed at f\/2\.8/);
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
    expect(desk()).toMatchObject({
      delayS: 2,
      controls: { shutter: { auto: false, exact: 1 }, iso: { auto: false } },
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
      { delayS: 2 },
      { filterStops: 3 },
      { pattern: 'highlight' },
    ]);
    expect(desk()).toMatchObject({
      delayS: 2,
      filterStops: 3,
      pattern: 'highlight',
      controls: { shutter: { auto: false } },
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
    const before = orderOf(desk(), true).marks;
    desk().setCheck({ zebra: { ...desk().check.zebra, on: true } });
    desk().clear(true);
    const { zebra, ...marks } = orderOf(desk(), true).marks;
    expect(zebra).toBeNull();
    expect(Object.values(marks)).not.toContain(true);
    desk().clear(false);
    expect(orderOf(desk(), true).marks).toMatchObject({ rawClip: before.rawClip, brightest: true });
    expect(orderOf(desk(), true).marks.zebra?.native).toEqual({ of: 'raw', belowClip12: 4 });
  });
});

describe('a kept desk', () => {
  const { controls, pattern, spot, check, scope, pins, rules, lock, trade, theme, other } = desk();
  const kept = { controls, pattern, spot, check, scope, pins, rules, lock, trade, theme, other };

  it('does not take a lock that no light has', () => {
    const text = JSON.stringify({ ...kept, lock: { ev100: 1e308, by: 'x' } });
    expect(parseDesk(text)).not.toHaveProperty('lock');
    expect(parseDesk(text)).toHaveProperty('controls');
  });
  it('comes back as it was', () => expect(parseDesk(JSON.stringify(kept))).toEqual(kept));
  it.each([null, '', '{', 'null', '[]', '3', '{"pattern":"magic"}'])(
    'that is none is passed over: %s',
    (text) => expect(parseDesk(text)).toBeUndefined(),
  );
  it.each([
    { pattern: 'magic' },
    { spot: { x: 2, y: 0 } },
    { controls: { ...controls, compensationEv: 99 } },
    { controls: { ...controls, shutter: { auto: 1, exact: 'x' } } },
    { lock: { ev100: 'high' } },
    { trade: { gives: 'white', with: 'iso' } },
    { pins: Array.from({ length: 9 }, () => ({ letter: 'A', x: 0, y: 0 })) },
    { rules: { ...rules, order: ['iso', 'iso', 'shutter'] } },
    { check: { ...check, share: 0.5 } },
    { check: { ...check, zebra: { ...check.zebra, native: { belowClip12: 99, percent: 95 } } } },
    { theme: 'noon' },
    { other: { shutterS: 0, iso: 100, apertureN: 2 } },
  ])('loses only the part that is damaged: %j', (bad) => {
    const back = parseDesk(JSON.stringify({ ...kept, ...bad }))!;
    expect(back).not.toHaveProperty(Object.keys(bad)[0]!);
    expect(back.scope).toBe(kept.scope);
  });
  it('of before there were apertures opens with an automatic one', () => {
    const { shutter, iso, compensationEv } = controls;
    const back = parseDesk(JSON.stringify({ ...kept, controls: { shutter, iso, compensationEv } }));
    expect(back?.controls?.aperture.auto).toBe(true);
  });
});
