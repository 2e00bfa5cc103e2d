// Each remedy is computed, says by how much, and offers an action that mends it; applied, the trouble is gone.
import { automaticPlan, DEFAULT_RULES, fullPlan, type ExposureControls } from '../exposure/automatic';
import {
  APERTURE_LADDER,
  at,
  COMPENSATION_LADDER,
  FAR_M,
  ISO_LADDER,
  nearestStep,
  SHUTTER_LADDER,
} from '../units/ladders';
import { UNCUT } from '../setting/cut';
import { bandEv, type Effects } from './effects';
import { remediesFor } from './remedy';
import { REMEDY_KINDS, type DeskChange, type Situation, type RemedyKind } from './situation';

const auto: ExposureControls = {
  shutter: { auto: true, exact: 2 ** -7 },
  iso: { auto: true, exact: 100 },
  aperture: { auto: true, exact: 1.8 },
  compensationEv: 0,
};
const manual: ExposureControls = {
  ...auto,
  shutter: { auto: false, exact: 2 ** -7 },
  iso: { auto: false, exact: 100 },
};
const still: Effects = {
  shakePx: 0.5,
  shakeRangePx: [0.3, 0.8],
  steadyS: 1 / 24,
  motionPx: 0,
  trailPx: 0,
  bands: null,
  greyDb: 30,
  shadowDb: 18,
  nearM: 1,
  farM: Infinity,
  airyPx: 1,
};
const settings = { shutterS: 2 ** -7, iso: 100, apertureN: 1.8, compensationEv: 0 };
const calm: Situation = {
  controls: auto,
  plan: automaticPlan(DEFAULT_RULES, { apertureN: 1.8 }, 1 / 24),
  rules: DEFAULT_RULES,
  settings,
  lens: { id: 'short', equivalentMm: 24, apertureN: 1.8, can: { focus: { low: 0.12, high: FAR_M } } },
  others: [{ id: 'long', equivalentMm: 77, apertureN: 2.8 }],
  cut: UNCUT,
  focusSet: { auto: true, exact: 2, how: 'continuous' },
  sites: 12e6,
  held: null,
  subjectM: null,
  lengths: 'm',
  outOfRangeEv: null,
  headroomEv: 0.5,
  clippedOfFrame: 0,
  burntShare: 0.001,
  deviationEv: 0,
  pattern: 'whole',
  readingEv100: 9,
  wholeEv100: 9,
  doubt: null,
  locked: false,
  delayS: 0,
  effects: still,
  focus: { state: 'found', why: null, focusM: 2 },
  white: { stands: { kelvin: 5500, tint: 5 }, byHand: true, measured: null, mixed: null },
};
const first = (over: Partial<Situation>) => remediesFor({ ...calm, ...over })[0];
const changesOf = (over: Partial<Situation>) => first(over)!.actions[0]!.changes;
/** Index that an action sets a fader to. */
const setTo = (changes: readonly DeskChange[], fader: string) =>
  (changes.find((c) => 'fader' in c && c.fader === fader) as { index: number | 'auto' } | undefined)?.index;

describe('remedies', () => {
  it('are silent when nothing is wrong', () => expect(remediesFor(calm)).toEqual([]));

  /** One case of each kind. */
  const cases: Readonly<Record<RemedyKind, Partial<Situation>>> = {
    focus: { focus: { state: 'failed', why: 'plain', focusM: 2.93 } },
    white: { white: { ...calm.white!, measured: { kelvin: 2850, tint: 0 } } },
    lights: {
      white: {
        ...calm.white!,
        byHand: false,
        mixed: { warmer: { kelvin: 2800, tint: 0 }, cooler: { kelvin: 6500, tint: 8 } },
      },
    },
    range: { outOfRangeEv: -2, controls: { ...auto, iso: { auto: false, exact: 100 } } },
    clipping: { headroomEv: -0.8, clippedOfFrame: 0.02, burntShare: 0.001 },
    meter: { controls: manual, deviationEv: -2 },
    doubt: { doubt: 'clipped' },
    spot: { pattern: 'spot', readingEv100: 6.5 },
    shake: { settings: { ...settings, shutterS: 1 / 8 }, effects: { ...still, shakePx: 9 } },
    motion: { effects: { ...still, motionPx: 20 } },
    flicker: {
      effects: { ...still, bands: { hz: 100, ev: 0.8 } },
      settings: { ...settings, shutterS: 2 ** -9 },
    },
    trails: {
      effects: { ...still, steadyS: Infinity, trailPx: 30, shakePx: 0 },
      settings: { ...settings, shutterS: 32 },
    },
    touch: { effects: { ...still, steadyS: Infinity, shakePx: 3 } },
    noise: { settings: { ...settings, iso: 6400 } },
    diffraction: {
      plan: fullPlan({ apertureN: 2 ** 1.5, narrowestN: 8 }),
      effects: { ...still, airyPx: 2.5 },
      settings: { ...settings, apertureN: 8 },
    },
    extended: { settings: { ...settings, iso: 50 } },
    horizon: { held: { rollDeg: 2.1, pitchDeg: -5 } },
    closest: { focusSet: { auto: false, exact: 0.05, how: 'single' } },
    depth: { focusSet: { auto: false, exact: 3, how: 'single' }, subjectM: 0.5 },
    lens: { cut: { aspect: 'whole', times: 4 } },
    detail: { cut: { aspect: 'whole', times: 2 }, sites: 3e6, effects: { ...still, shakePx: 6 } },
  };
  it.each(REMEDY_KINDS)('%s: says by how much, offers what it will set, and can be turned off', (kind) => {
    const outlook = { ...calm, ...cases[kind] };
    const [remedy, ...rest] = remediesFor(outlook);
    expect(rest).toEqual([]);
    expect(remedy!.kind).toBe(kind);
    if (kind !== 'doubt') expect(remedy!.says).toMatch(/\d/);
    expect(remedy!.actions.length).toBeGreaterThan(0);
    for (const action of remedy!.actions) expect(action.changes.length).toBeGreaterThan(0);
    expect(remediesFor(outlook, [kind])).toEqual([]);
  });

  it('come with the worst first', () => {
    const kinds = remediesFor({ ...calm, ...cases.noise, ...cases.clipping, outOfRangeEv: 3 }).map(
      (r) => r.kind,
    );
    expect(kinds).toEqual(['range', 'clipping', 'noise']);
  });
});

describe('clipping', () => {
  const clipped = { headroomEv: -0.8, clippedOfFrame: 0.02, burntShare: 0.001 };
  it('is compensated by whole thirds until highlights fit', () => {
    const index = setTo(changesOf(clipped), 'compensation') as number;
    expect(first(clipped)!.says).toContain('0.8 EV');
    expect(at(COMPENSATION_LADDER, index).exact).toBeCloseTo(-1, 9);
  });
  it('is shortened away when everything is manual', () => {
    const index = setTo(changesOf({ ...clipped, controls: manual }), 'shutter') as number;
    expect(at(SHUTTER_LADDER, index).label).toBe('1/250');
  });
  it('beyond what the ladders have is met by the highlight pattern, or by a filter', () => {
    const far = { headroomEv: -9, clippedOfFrame: 1, burntShare: 0.001 };
    expect(first(far)!.actions[0]!.label).toBe('Meter the highlights');
    expect(changesOf({ ...far, controls: manual, settings: { ...settings, shutterS: 2 ** -13 } })).toEqual([
      { setting: 'filterStops', value: 9 },
    ]);
  });
  it('of next to nothing is let be', () => {
    expect(remediesFor({ ...calm, headroomEv: -0.04, clippedOfFrame: 0.0005 })).toEqual([]);
  });
  it('of less than can be written says what the person lets burn', () => {
    const [first] = remediesFor({ ...calm, headroomEv: -1, clippedOfFrame: 0.00002, burntShare: 0.00001 });
    expect(first!.says).toContain('more than 0.001 %');
  });
});

describe('out of range', () => {
  it('gives the held setting back', () => {
    const controls = { ...auto, shutter: { auto: false, exact: 8 } };
    expect(first({ controls, outOfRangeEv: 4.2 })!.says).toContain('too bright by 4.2 EV');
    expect(setTo(changesOf({ controls, outOfRangeEv: 4.2 }), 'shutter')).toBe('auto');
  });
  it('with nothing held and too bright puts a filter on that is strong enough', () => {
    expect(changesOf({ outOfRangeEv: 2.3 })).toEqual([{ setting: 'filterStops', value: 3 }]);
  });
  it('with nothing held and too dark takes off the filter, lifts a bound of the person’s, or keeps it dark', () => {
    expect(changesOf({ outOfRangeEv: -2, settings: { ...settings, filterStops: 6 } })).toEqual([
      { setting: 'filterStops', value: 0 },
    ]);
    const rules = { ...DEFAULT_RULES, iso: [100, 800] as const };
    expect(setTo(changesOf({ outOfRangeEv: -2, rules }), 'iso')).toBe(ISO_LADDER.length - 1);
    expect(
      at(COMPENSATION_LADDER, setTo(changesOf({ outOfRangeEv: -2 }), 'compensation') as number).exact,
    ).toBeCloseTo(-2, 9);
  });
});

describe('blur', () => {
  const slow = { settings: { ...settings, shutterS: 1 / 8 }, effects: { ...still, shakePx: 9 } };
  it('of the hand goes back to the hand-held limit, with the ISO that makes up for it', () => {
    const remedy = first(slow)!;
    expect(remedy.says).toContain('9 px at 1/8 by hand');
    expect(remedy.actions[0]!.label).toBe('1/25 · ISO 320');
    expect(setTo(remedy.actions[0]!.changes, 'iso')).toBe('auto');
  });
  it('follows the person’s own hand', () => {
    expect(remediesFor({ ...calm, ...slow, rules: { ...DEFAULT_RULES, steadyThirds: 5 } })).toEqual([]);
  });
  it('of what moves is frozen to two pixels, or as far as ISO reaches', () => {
    const freeze = (motionPx: number, iso = 100) =>
      setTo(
        changesOf({ effects: { ...still, motionPx }, settings: { ...settings, iso } }),
        'shutter',
      ) as number;
    const [now] = [nearestStep(SHUTTER_LADDER, 2 ** -7)];
    expect(now - freeze(16)).toBe(9);
    expect(now - freeze(400, 3200)).toBe(3);
  });
  it('on a tripod waits for the camera to rest; with a delay there is none', () => {
    const touched = { effects: { ...still, steadyS: Infinity, shakePx: 3 } };
    expect(changesOf(touched)).toEqual([{ setting: 'delayS', value: 2 }]);
    expect(remediesFor({ ...calm, ...touched, delayS: 2 })).toEqual([]);
  });
});

describe('lamps', () => {
  // The mean of a wave over whole periods is its mean: at 1/100 s a 100 Hz lamp has no bands.
  it('have no bands at whole periods, and their full depth at short times', () => {
    expect(bandEv(100, 0.4, 0.01)).toBeCloseTo(0, 9);
    expect(bandEv(100, 0.4, 0.02)).toBeCloseTo(0, 9);
    expect(bandEv(100, 0.4, 1 / 8000)).toBeCloseTo(Math.log2(1.4 / 0.6), 2);
    expect(bandEv(120, 0.4, 1 / 120)).toBeCloseTo(0, 9);
  });
  it('are met by the nearest time of whole periods', () => {
    const index = setTo(
      changesOf({
        effects: { ...still, bands: { hz: 100, ev: bandEv(100, 0.4, 2 ** -9) } },
        settings: { ...settings, shutterS: 2 ** -9 },
      }),
      'shutter',
    ) as number;
    expect(['1/100', '1/50', '1/25']).toContain(at(SHUTTER_LADDER, index).label);
  });
});

describe('a spot on a dark or a light thing', () => {
  it('is said to be so, and compensated by as much', () => {
    const dark = { pattern: 'spot' as const, readingEv100: 6.5, wholeEv100: 9 };
    expect(first(dark)!.says).toContain('2.5 under mid-grey');
    const index = setTo(changesOf(dark), 'compensation') as number;
    expect(at(COMPENSATION_LADDER, index).exact).toBeCloseTo(-7 / 3, 1);
    const controls = { ...auto, compensationEv: -7 / 3 };
    expect(remediesFor({ ...calm, ...dark, controls })).toEqual([]);
    expect(remediesFor({ ...calm, ...dark, locked: true })).toEqual([]);
    expect(remediesFor({ ...calm, ...dark, readingEv100: -Infinity })).toEqual([]);
  });

  it('a lamp or a fire is brighter than any surface: it is meant to be grey, and nothing is said', () => {
    const spot = { pattern: 'spot' as const, wholeEv100: 9 };
    expect(first({ ...spot, readingEv100: 9 + 2.4 })!.says).toContain('2.4 over mid-grey');
    expect(remediesFor({ ...calm, ...spot, readingEv100: 9 + 14.9 })).toEqual([]);
  });
});

describe('quality', () => {
  it('past the ISO ceiling goes back to it with a longer time', () => {
    const changes = changesOf({ settings: { ...settings, iso: 6400 } });
    expect(at(ISO_LADDER, setTo(changes, 'iso') as number).label).toBe('1600');
    expect(setTo(changes, 'shutter')).toBe('auto');
  });
  it('lost to diffraction opens the iris until the disc is two pixels', () => {
    const plan = fullPlan({ apertureN: 2 ** 1.5, narrowestN: 8 });
    const outlook = { plan, effects: { ...still, airyPx: 2.5 }, settings: { ...settings, apertureN: 8 } };
    expect(at(APERTURE_LADDER, setTo(changesOf(outlook), 'aperture') as number).label).toBe('f/6.3');
    const held = { ...manual, aperture: { auto: false, exact: 8 } };
    // Everything manual: the time gives back what the iris takes.
    expect(setTo(changesOf({ ...outlook, controls: held }), 'shutter')).toBe(
      nearestStep(SHUTTER_LADDER, 2 ** -7) - 2,
    );
  });
  it('of extended ISO is the same raw at base ISO, with the time that the picture needs', () => {
    const changes = changesOf({
      settings: { ...settings, iso: 50 },
      controls: { ...manual, iso: { auto: false, exact: 50 } },
    });
    expect(setTo(changes, 'iso')).toBe(nearestStep(ISO_LADDER, 100));
    expect(setTo(changes, 'shutter')).toBe(nearestStep(SHUTTER_LADDER, 2 ** -7) - 3);
  });

  it('of a focus that found nothing holds the lens where it stands, and says what it wants', () => {
    const failed = (why: 'plain' | 'dark', focusM: number) =>
      remediesFor({ ...calm, focus: { state: 'failed', why, focusM } })[0];
    expect(failed('plain', 2.93)?.says).toMatch(/edge/);
    expect(failed('dark', 2.93)?.says).toMatch(/light/);
    expect(failed('dark', 2.93)?.actions[0]).toEqual({
      label: 'By hand at 2.9 m',
      changes: [{ setting: 'focus', value: { auto: false, exact: 2.93 } }],
    });
    expect(failed('dark', Infinity)?.actions[0]!.changes).toEqual([
      { setting: 'focus', value: { auto: false, exact: FAR_M } },
    ]);
    expect(remediesFor({ ...calm, focus: null })).toEqual([]);
  });

  it('of white: takes what is measured, is silent where it is near or white finds itself', () => {
    const measured = { kelvin: 2850, tint: 2 };
    const white = { ...calm.white!, measured };
    expect(first({ white })).toMatchObject({
      kind: 'white',
      says: expect.stringMatching(/5500 K; the light is warmer, 2850 K/),
      actions: [
        { changes: [{ setting: 'white', value: { auto: false, exact: 2850, tint: 2 } }] },
        { changes: [{ setting: 'white', value: { auto: true } }] },
      ],
    });
    expect(first({ white: { ...white, byHand: false } })).toBeUndefined();
    // 5500 K and 4600 K are 36 mired apart.
    expect(first({ white: { ...white, measured: { kelvin: 4600, tint: 0 } } })).toBeUndefined();
    expect(first({ white: null })).toBeUndefined();
  });

  it('of two lights: one tap takes either, and then it is silent', () => {
    const mixed = { warmer: { kelvin: 2800, tint: 0 }, cooler: { kelvin: 6500, tint: 8 } };
    const white = { ...calm.white!, byHand: false, mixed };
    expect(first({ white })!.actions.map(({ changes }) => changes)).toEqual([
      [{ setting: 'white', value: { auto: false, exact: 2800, tint: 0 } }],
      [{ setting: 'white', value: { auto: false, exact: 6500, tint: 8 } }],
    ]);
    expect(first({ white: { ...white, byHand: true, stands: { kelvin: 2800, tint: 0 } } })).toBeUndefined();
  });
});

describe('another lens', () => {
  const cut = (times: number) => ({ cut: { aspect: '3:2' as const, times } });
  it('shows what is cut with more sites, and is cut to the same view', () => {
    const [to, part] = changesOf(cut(4)) as [{ optic: string }, { value: { times: number } }];
    expect(to.optic).toBe('long');
    // 24 mm × 4 = 77 mm × 1.247.
    expect(part.value.times).toBeCloseTo(96 / 77, 9);
    expect(first(cut(4))!.says).toContain('10 times the sites');
    // A little short of the longer lens there is none that shows it whole.
    expect(first(cut(3))).toBeUndefined();
  });

  it('gathers more light in the dark: (2.8 / 1.8)² = 2.4 times, the same view by a cut', () => {
    const dark: Partial<Situation> = {
      lens: { id: 'long', equivalentMm: 77, apertureN: 2.8, can: {} },
      others: [{ id: 'short', equivalentMm: 24, apertureN: 1.8 }],
      settings: { ...settings, iso: 1600, apertureN: 2.8 },
    };
    const remedy = remediesFor({ ...calm, ...dark }).find(({ kind }) => kind === 'lens')!;
    expect(remedy.says).toMatch(/24 mm gathers 2\.4 times/);
    expect(remedy.actions[0]!.changes).toEqual([
      { optic: 'short' },
      { setting: 'cut', value: { times: expect.closeTo(77 / 24) as number } },
    ]);
  });

  it('is of no help where nothing is known of the lenses', () => {
    const unknown = { equivalentMm: NaN, apertureN: NaN };
    const other = { id: 'x', ...unknown };
    expect(first({ ...cut(4), lens: { id: 'y', can: {}, ...unknown }, others: [other] })).toBeUndefined();
  });
});

describe('framing', () => {
  it('a horizon that is level enough, meant to tilt, or not to be seen is let be', () => {
    for (const held of [
      { rollDeg: 0.4, pitchDeg: 0 },
      { rollDeg: 30, pitchDeg: 0 },
      { rollDeg: 3, pitchDeg: -80 },
    ])
      expect(first({ held })).toBeUndefined();
  });

  it('zooming stops where detail stops: as far as the blur allows, or not at all', () => {
    const blurred = { cut: { aspect: 'whole' as const, times: 2 }, sites: 3e6 };
    const [part] = Array.from(changesOf({ ...blurred, effects: { ...still, shakePx: 6 } })) as never as [
      { value: { times: number } },
    ];
    // 3 MP / 36 carry 640 × 480 at 1/1.92 of the zoom.
    expect(part.value.times).toBeCloseTo(Math.max(1, 2 * Math.sqrt(3e6 / 36 / 307200)), 6);
    expect(first({ ...blurred, effects: { ...still, shakePx: 2 } })).toBeUndefined();
  });
});
