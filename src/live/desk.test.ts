// The desk as a person works it.
import { nearestStep, SHUTTER_LADDER } from '../core/units/ladders';
import type { FinderReport } from '../workers/finder-protocol';
import { LADDERS, orderOf, useDesk } from './desk';
import { parseDesk } from './desk-memory';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));

const desk = () => useDesk.getState();
const report = (over: Partial<FinderReport> = {}) =>
  ({
    ev100: 9.5,
    settings: { shutterS: 2 ** -9, iso: 100, apertureN: 1.8, compensationEv: 0 },
    ...over,
  }) as FinderReport;
beforeEach(() => desk().setAllAutomatic());

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
    desk().setReport(report({ ev100: 3 }));
    expect(orderOf(desk(), true).lockedEv100).toBe(9.5);
    desk().toggleLock();
    expect(desk().lockedEv100).toBeNull();
  });

  it('a tapped place is a spot inside the frame', () => {
    desk().setSpot({ x: 1.4, y: -2 });
    expect(desk()).toMatchObject({ spot: { x: 1, y: 0 }, pattern: 'spot' });
    desk().nextPattern();
    expect(desk().pattern).toBe('evaluative');
  });
});

describe('a kept desk', () => {
  const { controls, pattern, spot, clipMarks, scope } = desk();
  const kept = { controls, pattern, spot, clipMarks, scope };

  it('comes back as it was', () => expect(parseDesk(JSON.stringify(kept))).toEqual(kept));
  it.each([
    null,
    '',
    '{',
    'null',
    '[]',
    JSON.stringify({ ...kept, pattern: 'magic' }),
    JSON.stringify({ ...kept, spot: { x: 2, y: 0 } }),
    JSON.stringify({ ...kept, controls: { ...controls, compensationEv: 99 } }),
    JSON.stringify({ ...kept, controls: { ...controls, shutter: { auto: 1, exact: 'x' } } }),
  ])('that is damaged is passed over: %s', (text) => expect(parseDesk(text)).toBeUndefined());
});
