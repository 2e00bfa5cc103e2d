// Setups: what they hold, what they change, and files of them.
import { DEFAULT_RULES } from '../core/exposure/automatic';
import { BURN_SHARE } from '../core/meter/highlight';
import { SPOT_SHARE } from '../core/meter/spot';
import { rulesWords } from '../core/setting/rules';
import { readSetupFile, writeSetupFile } from './setup-file';
import { BUILT_IN } from '../core/setup/built-in';
import {
  changesOf,
  onLadders,
  pickParts,
  setupName,
  setupParts,
  type Setup,
  type SetupValues,
} from '../core/setup/setup';
import { listed } from '../core/setting/values';

jest.mock('@react-native-async-storage/async-storage', () => ({ createAsyncStorage: () => ({}) }));
jest.mock('./roll', () => ({ queryClient: {} }));

/** What setups can hold, as a new desk opens with it. */
const held = Object.fromEntries(
  listed().flatMap(({ key, inSetups, initial }) => (inSetups ? [[key, initial]] : [])),
) as unknown as SetupValues;
const now: SetupValues = {
  ...held,
  shutter: { auto: true, exact: 2 ** -7 },
  iso: { auto: false, exact: 100 },
  aperture: { auto: true, exact: 4 },
  compensationEv: 0,
  focus: { auto: true, exact: 2, how: 'continuous' },
  meter: { pattern: 'whole', spotShare: SPOT_SHARE, burnShare: BURN_SHARE },
  rules: DEFAULT_RULES,
  filterStops: 0,
  delayS: 0,
  lock: false,
};

describe('a setup', () => {
  it('holds what was chosen and nothing else', () => {
    expect(Object.keys(pickParts(now, ['iso', 'meter']))).toEqual(['iso', 'meter']);
    expect(() => pickParts(now, [])).toThrow(/at least one/);
  });

  it('says what it will change, and nothing of what is so already', () => {
    const values = {
      iso: { auto: false, exact: 100 },
      shutter: { auto: false, exact: 2 ** -9 },
      delayS: 2,
      lock: true,
    };
    expect(changesOf(now, values)).toEqual([
      { part: 'shutter', from: 'automatic', to: '1/500' },
      { part: 'delayS', from: 'none', to: '2 s' },
      { part: 'lock', from: 'free', to: 'locked' },
    ]);
    expect(changesOf(now, now)).toEqual([]);
    // An automatic value may stand anywhere: that is no change.
    expect(changesOf(now, { shutter: { auto: true, exact: 1 } })).toEqual([]);
  });

  it('has a name that can be read', () => {
    expect(setupName('  Kiln \n door ')).toBe('Kiln door');
    for (const bad of ['', '   ', 'x'.repeat(41)]) expect(() => setupName(bad)).toThrow(RangeError);
  });

  it('says the rules in words', () => {
    expect(rulesWords(DEFAULT_RULES, false)).toBe(
      'shutter → ISO, ISO ceiling 1600, 1/8000–30 s, ISO 100–6400',
    );
    expect(rulesWords({ ...DEFAULT_RULES, steadyThirds: -2, aperture: [8, 4] })).toMatch(
      /hand −⅔.*f\/8–f\/4$/,
    );
  });
});

describe('the built-in ones', () => {
  it('are for action, the night sky, small bright things, a product, snow, a window, a series', () => {
    expect(BUILT_IN.map((s) => s.id.replace('built-in-', ''))).toEqual([
      'action',
      'night-sky',
      'small-bright',
      'product',
      'snow',
      'window',
      'series',
    ]);
    expect(new Set(BUILT_IN.map((s) => s.name)).size).toBe(BUILT_IN.length);
  });
  it.each(BUILT_IN)(
    '$name is sound by the schema, stands on the ladders, and changes something',
    async (setup) => {
      expect(await readSetupFile(writeSetupFile([setup]))).toEqual([
        { name: setup.name, values: setup.values },
      ]);
      expect(onLadders(setup.values)).toEqual(setup.values);
      expect(changesOf(now, setup.values).length).toBeGreaterThan(0);
    },
  );
});

describe('a file of setups', () => {
  it('of an earlier version names a pattern otherwise, and is read all the same', async () => {
    const old = file({ meter: { pattern: 'evaluative', spotShare: SPOT_SHARE, burnShare: BURN_SHARE } });
    expect((await readSetupFile(old))[0]!.values.meter?.pattern).toBe('whole');
  });

  const mine: Setup = { id: '1', name: 'Shelf', values: now };
  const file = (values: unknown, over: object = {}) =>
    JSON.stringify({ kind: 'setups', version: 1, setups: [{ name: 'Shelf', values }], ...over });

  const named = (name: string) =>
    JSON.stringify({ kind: 'setups', version: 1, setups: [{ name, values: { delayS: 2 } }] });

  it('comes back as it was', async () => {
    const back = await readSetupFile(writeSetupFile([mine]));
    expect(back).toEqual([{ name: 'Shelf', values: now }]);
    expect(Object.keys(back[0]!.values).sort()).toEqual([...setupParts()].sort());
  });

  it('brings values between clicks onto the ladder', async () => {
    const [back] = await readSetupFile(file({ iso: { auto: false, exact: 390 }, compensationEv: 0.7 }));
    expect(back!.values.iso!.exact).toBeCloseTo(400, 6);
    expect(back!.values.compensationEv).toBeCloseTo(2 / 3, 9);
  });

  it.each([
    ['', /not JSON/],
    ['{"kind":"other"}', /must/],
    ['[]', /must be object/],
    [file({ iso: { auto: false, exact: -3 } }), /setups\[0\]\.values\.iso\.exact \(Shelf\) must be > 0/],
    [file({ iso: { auto: 'yes', exact: 100 } }), /setups\[0\]\.values\.iso\.auto \(Shelf\) must be boolean/],
    [file({ compensationEv: 9 }), /compensationEv \(Shelf\) must be <= 5/],
    [
      file({ meter: { pattern: 'magic', spotShare: 0.01, burnShare: 0.001 } }),
      /meter\.pattern \(Shelf\).*whole, centre, spot, highlight/,
    ],
    [file({ hue: 5000 }), /setups\[0\]\.values \(Shelf\).*additional properties: hue/],
    [file({}), /values \(Shelf\)/],
    [file(now, { version: 9 }), /version must be/],
    [JSON.stringify({ kind: 'setups', version: 1, setups: [] }), /setups must NOT have fewer than 1/],
    [
      JSON.stringify({ kind: 'setups', version: 1, setups: [{ name: ' ', values: now }] }),
      /setups\[0\]\.name/,
    ],
    [' '.repeat(1_000_001), /too large/],
    [
      file({ rules: { ...DEFAULT_RULES, shutter: [1, 0.001] } }),
      /setups\[0\]\.values\.rules\.shutter \(Shelf\).*wrong way round/,
    ],
    [file({ rules: { ...DEFAULT_RULES, iso: [800, 100] } }), /rules\.iso.*wrong way round/],
    [file({ rules: { ...DEFAULT_RULES, aperture: [2, 8] } }), /rules\.aperture.*narrowest/],
    [file({ rules: { ...DEFAULT_RULES, iso: [100, 1e300] } }), /rules\.iso.*must be <= 8192/],
    [named('Kiln\u0007'), /setups\[0\]\.name.*control characters/],
    [named('Kiln \u202egnp.exe'), /setups\[0\]\.name.*direction of writing/],
    [
      '{"kind":"setups","version":1,"setups":[{"name":"A","values":{"delayS":0,"delayS":2}}]}',
      /setups\[0\]\.values\.delayS is there twice/,
    ],
    [
      '{"kind":"setups","kind":"setups","version":1,"setups":[{"name":"A","values":{"delayS":0}}]}',
      /kind is there twice/,
    ],
  ])('that is wrong is refused by the field: %s', async (text, message) => {
    await expect(readSetupFile(text)).rejects.toThrow(RangeError);
    await expect(readSetupFile(text)).rejects.toThrow(message);
  });
});
