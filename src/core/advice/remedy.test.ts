// Each remedy says by how much and offers what mends it; applied, the trouble is gone.
import { at, COMPENSATION_LADDER, SHUTTER_LADDER } from '../units/ladders';
import { firstRemedy, type Outlook } from './remedy';

const auto = { shutter: { auto: true, exact: 1 / 128 }, iso: { auto: true, exact: 100 }, compensationEv: 0 };
const manual = {
  shutter: { auto: false, exact: 2 ** -7 },
  iso: { auto: false, exact: 100 },
  compensationEv: 0,
};
const calm: Outlook = {
  controls: auto,
  shutterS: 2 ** -7,
  outOfRangeEv: null,
  headroomEv: 0.5,
  clippedOfFrame: 0,
  largestClippedShare: 0,
  deviationEv: 0,
};

describe('remedies', () => {
  it('are silent when nothing is wrong', () => expect(firstRemedy(calm)).toBeNull());

  it('compensate by whole thirds until highlights fit', () => {
    const remedy = firstRemedy({
      ...calm,
      headroomEv: -0.8,
      clippedOfFrame: 0.02,
      largestClippedShare: 0.03,
    });
    expect(remedy?.says).toContain('0.8 EV');
    expect(remedy?.action).toMatchObject({ fader: 'compensation' });
    expect(at(COMPENSATION_LADDER, remedy!.action!.index as number).exact).toBeCloseTo(-1, 9);
  });

  it('shorten the time when everything is manual', () => {
    const remedy = firstRemedy({
      ...calm,
      controls: manual,
      headroomEv: -0.8,
      clippedOfFrame: 0.02,
      largestClippedShare: 0.03,
    });
    expect(remedy?.action?.fader).toBe('shutter');
    expect(at(SHUTTER_LADDER, remedy!.action!.index as number).label).toBe('1/250');
  });

  it('offer nothing that the ladder does not have', () => {
    const clipped = { ...calm, headroomEv: -9, clippedOfFrame: 1, largestClippedShare: 1 };
    expect(firstRemedy(clipped)).toMatchObject({ action: null });
    expect(firstRemedy({ ...clipped, controls: manual, shutterS: 1 / 8192 })).toMatchObject({ action: null });
  });

  it('let a speck burn', () => {
    expect(
      firstRemedy({ ...calm, headroomEv: -2, clippedOfFrame: 0.0005, largestClippedShare: 0.001 }),
    ).toBeNull();
  });

  it('give a held setting back when the other runs out of range', () => {
    const controls = { ...auto, shutter: { auto: false, exact: 8 } };
    const remedy = firstRemedy({ ...calm, controls, outOfRangeEv: 4.2 });
    expect(remedy?.says).toContain('too bright by 4.2 EV');
    expect(remedy?.action).toMatchObject({ fader: 'shutter', index: 'auto' });
  });

  it('bring manual settings back to the meter', () => {
    const remedy = firstRemedy({ ...calm, controls: manual, deviationEv: -2, headroomEv: 3 });
    expect(remedy?.says).toContain('2.0 EV under');
    expect(at(SHUTTER_LADDER, remedy!.action!.index as number).exact).toBeCloseTo(2 ** -5, 9);
  });
});
