// The middle of a bracket goes where the set asks for it, whatever carries exposure.
import { initialValues } from '../core/setting/values';
import { SHUTTER_LADDER, stepOf } from '../core/units/ladders';
import { useDesk } from './desk';
import { moveMiddle } from './move-middle';

const stands = { shutterS: 2 ** -7, iso: 100, apertureN: 1.8, compensationEv: 0 };
const settings = () => useDesk.getState().settings;
const by = (exact: number) => ({ auto: false, exact });
beforeEach(() => useDesk.setState({ settings: initialValues(), optic: 'wide', trade: null }));

it('by compensation while anything runs, as far as that reaches', () => {
  moveMiddle(stands, -7);
  expect(settings().compensationEv).toBeCloseTo(-7 / 3, 9);
  expect(settings().shutter.auto).toBe(true);
  moveMiddle(stands, -8);
  expect(settings().compensationEv).toBeCloseTo(-5, 9);
});

it('farther by the time, with ISO held', () => {
  moveMiddle(stands, -16);
  expect(settings().compensationEv).toBe(0);
  expect(settings().shutter).toMatchObject({
    auto: false,
    exact: stepOf(SHUTTER_LADDER, 2 ** (-7 - 16 / 3)).exact,
  });
  expect(settings().iso).toMatchObject(by(100));
});

it('by the time where all is set by hand', () => {
  useDesk.setState({ settings: { ...initialValues(), shutter: by(2 ** -7), iso: by(100), aperture: by(1) } });
  moveMiddle(stands, 4);
  expect(settings().compensationEv).toBe(0);
  expect(settings().shutter.exact).toBeCloseTo(2 ** (-7 + 4 / 3), 9);
});
