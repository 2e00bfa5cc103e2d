// Setups that ship with the program, for usual situations. Choices are common practice.
import type { Control } from '../exposure/control';
import { DEFAULT_RULES } from '../exposure/automatic';
import { BURN_SHARE } from '../meter/highlight';
import { SPOT_SHARES } from '../meter/spot';
import { oneFrame } from '../sequence/in-use';
import { APERTURE_LADDER, FAR_M, ISO_LADDER, SHUTTER_LADDER, stepOf } from '../units/ladders';
import type { Setup } from './setup';

const AUTO = (exact: number): Control => ({ auto: true, exact });
const time = (s: number): Control => ({ auto: false, exact: stepOf(SHUTTER_LADDER, s).exact });
const iso = (n: number): Control => ({ auto: false, exact: stepOf(ISO_LADDER, n).exact });
const stop = (n: number): Control => ({ auto: false, exact: stepOf(APERTURE_LADDER, n).exact });
const FREE = {
  ...{ shutter: AUTO(2 ** -7), iso: AUTO(100), aperture: AUTO(2 ** 1.5) },
  ...oneFrame(),
};
const WHOLE = { pattern: 'whole', spotShare: SPOT_SHARES[1], burnShare: BURN_SHARE } as const;

export const BUILT_IN: readonly Setup[] = [
  {
    id: 'built-in-action',
    name: 'Action',
    says: '1/1000 holds what moves; ISO follows, up to 6400.',
    values: {
      ...FREE,
      shutter: time(1 / 1000),
      compensationEv: 0,
      meter: WHOLE,
      rules: { ...DEFAULT_RULES, isoCeiling: stepOf(ISO_LADDER, 6400).exact },
      filterStops: 0,
      delayS: 0,
      lock: false,
    },
  },
  {
    id: 'built-in-night-sky',
    name: 'Night sky',
    says: 'For a tripod: 13 s at ISO 3200, open, focused at infinity, released after 2 s.',
    values: {
      ...FREE,
      shutter: time(13),
      iso: iso(3200),
      aperture: stop(2.8),
      compensationEv: 0,
      focus: { auto: false, exact: FAR_M, how: 'continuous' },
      filterStops: 0,
      delayS: 2,
      lock: false,
    },
  },
  {
    id: 'built-in-small-bright',
    name: 'Small bright thing in the dark',
    says: 'Meters the brightest 0.03 % at ISO 100, so that a lamp or a disc keeps its detail, and takes four frames about that, ⅔ EV apart.',
    values: {
      ...FREE,
      iso: iso(100),
      compensationEv: 0,
      meter: { pattern: 'highlight', spotShare: SPOT_SHARES[0], burnShare: BURN_SHARE },
      bracket: { frames: 4, stepThirds: 2, order: 'rising', by: 'shutter' },
      filterStops: 0,
      lock: false,
    },
  },
  {
    id: 'built-in-product',
    name: 'Product under a lamp',
    says: 'ISO 100 and f/5.6 for depth, highlights of the glaze held, released after 2 s.',
    values: {
      ...FREE,
      iso: iso(100),
      aperture: stop(5.6),
      compensationEv: 0,
      meter: { pattern: 'highlight', spotShare: SPOT_SHARES[1], burnShare: BURN_SHARE },
      delayS: 2,
      lock: false,
    },
  },
  {
    id: 'built-in-snow',
    name: 'Snow and white ware',
    says: 'A meter makes white grey: 1⅓ EV more puts it back.',
    values: { ...FREE, compensationEv: 4 / 3, meter: WHOLE, lock: false },
  },
  {
    id: 'built-in-window',
    name: 'Interior with window',
    says: 'Holds the view outside; the room comes out dark and can be lifted from raw at base ISO.',
    values: {
      ...FREE,
      compensationEv: 0,
      meter: { pattern: 'highlight', spotShare: SPOT_SHARES[1], burnShare: BURN_SHARE },
      rules: { ...DEFAULT_RULES, isoCeiling: stepOf(ISO_LADDER, 400).exact },
      lock: false,
    },
  },
  {
    id: 'built-in-series',
    name: 'Panorama or stitched series',
    says: 'Locks the exposure that stands now, so that every frame of the series is alike.',
    values: { meter: WHOLE, compensationEv: 0, lock: true },
  },
];
