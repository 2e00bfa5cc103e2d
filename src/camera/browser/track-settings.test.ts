// What tracks can do, in the program's terms and back. Units by W3C Image Capture: 100 µs, metres, kelvin.
import { initialValues } from '../../core/setting/values';
import type { SettingValues } from '../../core/setting/settings';
import { whiteByHand } from '../../core/setting/white';
import {
  capabilitiesOf,
  constraintsOf,
  exposureOf,
  standingOf,
  withPictureWhite,
  type TrackCapabilities,
} from './track-settings';

const PHONE: TrackCapabilities = {
  exposureMode: ['manual', 'continuous'],
  focusMode: ['manual', 'single-shot', 'continuous'],
  whiteBalanceMode: ['manual', 'continuous'],
  exposureTime: { min: 2, max: 5000, step: 1 },
  iso: { min: 50, max: 3200, step: 1 },
  exposureCompensation: { min: -2, max: 2, step: 0.5 },
  focusDistance: { min: 0.1, max: 10, step: 0.01 },
  colorTemperature: { min: 2500, max: 8000, step: 50 },
  zoom: { min: 1, max: 8, step: 0.1 },
  torch: true,
};
const NOW = { exposureTime: 80, iso: 200 };
const set = (over: Partial<SettingValues> = {}): SettingValues => ({ ...initialValues(), ...over });
const byHand = (exact: number) => ({ auto: false, exact });

/** What is made of its pictures, whatever the track can. */
const ALWAYS = { pictures: { low: 0, high: 64 }, cut: { low: 1, high: 8 } };

it('a phone has everything but an iris, in seconds, kelvin, metres and times the widest', () => {
  expect(capabilitiesOf(PHONE)).toEqual({
    shutter: { low: 0.0002, high: 0.5 },
    iso: { low: 50, high: 3200 },
    compensationEv: { low: -2, high: 2 },
    focus: { low: 0.1, high: 10 },
    white: { low: 2500, high: 8000 },
    zoom: { low: 1, high: 8 },
    torch: { low: 0, high: 1 },
    ...ALWAYS,
  });
});

it('what a track cannot do, cannot do by hand, or does in no step is not there', () => {
  expect(capabilitiesOf({})).toEqual(ALWAYS);
  expect(capabilitiesOf({ exposureTime: { min: 1, max: 99 }, iso: { min: 100, max: 800 } })).toEqual(ALWAYS);
  expect(capabilitiesOf({ exposureCompensation: { min: 0, max: 0 }, zoom: { min: 0, max: 0 } })).toEqual(
    ALWAYS,
  );
  expect(capabilitiesOf({ zoom: { min: 100, max: 400 } }).zoom).toEqual({ low: 1, high: 4 });
  expect(capabilitiesOf({ exposureCompensation: { min: NaN, max: 2 } })).toEqual(ALWAYS);
});

describe('constraints', () => {
  it('leave everything to the device while everything is automatic', () => {
    expect(constraintsOf(set(), PHONE, false, NOW)).toEqual({
      exposureMode: 'continuous',
      exposureCompensation: 0,
      focusMode: 'continuous',
      whiteBalanceMode: 'continuous',
      zoom: 1,
      torch: false,
    });
  });

  it('hold ISO where it stands when the shutter is set, and both where they stand when exposure is held', () => {
    expect(constraintsOf(set({ shutter: byHand(1 / 64) }), PHONE, false, NOW)).toMatchObject({
      exposureMode: 'manual',
      exposureTime: 156,
      iso: 200,
    });
    expect(constraintsOf(set(), PHONE, true, NOW)).toMatchObject({
      exposureMode: 'manual',
      exposureTime: 80,
      iso: 200,
    });
  });

  it('never leave the range or the steps of the device', () => {
    const asked = set({
      shutter: byHand(30),
      iso: byHand(6400),
      compensationEv: -5,
      focus: { ...byHand(4096), how: 'continuous' },
      white: { ...byHand(5300), tint: 0 },
      zoom: 100,
    });
    expect(constraintsOf(asked, PHONE, false, NOW)).toMatchObject({
      exposureTime: 5000,
      iso: 3200,
      exposureCompensation: -2,
      focusDistance: 10,
      colorTemperature: 5300,
      zoom: 8,
    });
    const coarse = { ...PHONE, exposureTime: { min: 10, max: 100, step: 25 } };
    expect(constraintsOf(set({ shutter: byHand(1 / 128) }), coarse, false, {})).toMatchObject({
      exposureTime: 85,
    });
  });

  it('ask nothing of a device that can nothing', () => {
    expect(constraintsOf(set({ shutter: byHand(1), torch: true, zoom: 4 }), {}, true, {})).toEqual({});
  });
});

it('white that a track does not let be set is put on the picture, and never asked of the track', () => {
  const own = capabilitiesOf(PHONE);
  expect(withPictureWhite(own)).toEqual({ can: own });
  expect(withPictureWhite(capabilitiesOf({}))).toMatchObject({
    whiteOnPicture: true,
    can: { white: { high: 12000 } },
  });
  expect(constraintsOf(set({ white: whiteByHand({ kelvin: 4000, tint: 0 }) }), {}, false, {})).toEqual({});
});

it('a track tells where it stands; what it does not tell is not there', () => {
  expect(
    standingOf({ exposureTime: 100, zoom: 200, focusDistance: 2 }, { zoom: { min: 100, max: 400 } }),
  ).toEqual({
    shutter: 0.01,
    focus: 2,
    zoom: 2,
  });
  expect(standingOf({}, {})).toEqual({});
  expect(exposureOf({ exposureTime: 0, iso: NaN })).toEqual({});
  expect(exposureOf({ exposureTime: 400, iso: 100 })).toEqual({ shutterS: 0.04, iso: 100 });
});
