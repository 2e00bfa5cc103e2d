// The checks that ship are the ones that the schemas make, and say what the whole schemas say, though they are made small.
import Ajv, { type AnySchema } from 'ajv';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { OPENING } from '../src/core/scene/outside';
import { latentOf } from '../src/core/frame/expose-recipe';
import { nextUint32, randomFrom } from '../src/core/numeric/random';
import { OWN_PRINTS } from '../src/core/setting/print';
import { listed } from '../src/core/setting/values';
import { DESK_PARTS, settingPart, WORLD_PARTS } from '../src/live/desk-parts';
import { deskSchemas } from '../src/live/desk-schema';
import { record } from '../src/vault/test-store';
import { someFacts } from '../tests/facts';
import { CHECKS, generatedChecks } from './checks';

it.each([...generatedChecks()])('%s is up to date (npx tsx tools/checks.ts)', (file, text) => {
  expect(readFileSync(join(__dirname, '..', file), 'utf8') === text).toBe(true);
});

it('every part of the desk that is kept has a schema', () => {
  const parts = [...DESK_PARTS, ...WORLD_PARTS, ...listed().map(({ key }) => settingPart(key))];
  expect(parts.sort()).toEqual(Object.keys(deskSchemas()).sort());
});

it('nothing that runs in the page compiles code', () => {
  for (const [, text] of generatedChecks()) expect(text).not.toMatch(/new Function|eval\(/);
});

const inSetups = listed()
  .filter((setting) => setting.inSetups)
  .map(({ key, initial }) => [key, initial]);

/** Values that pass, by the names of checks; of the desk every setting as it is at first. */
const PASSING: Readonly<Record<string, unknown>> = {
  isRecord: record(Date.UTC(2031, 3, 9)),
  isLatent: latentOf({
    ...{ lensId: 'wide', scene: 'x', outside: OPENING, orientation: 'portrait' },
    press: {
      settings: { shutterS: 0.01, iso: 100, apertureN: 1.8, compensationEv: 0 },
      facts: someFacts({ group: { id: '1'.repeat(32), index: 0, of: 3, kind: 'bracket' } }),
      ...{ seed: 1, clockS: 0, focusM: 2 },
      steadiness: { support: 'hand', press: 0, sinceTouchS: 1 },
    },
  }),
  isSetupFile: {
    ...{ kind: 'setups', version: 1 },
    setups: [{ name: 'x', values: Object.fromEntries(inSetups) }],
  },
  isPrint: OWN_PRINTS[0],
  ...Object.fromEntries(listed().map(({ key, initial }) => [settingPart(key), initial])),
};
const STRANGE = [null, -1, 0, 1e12, '', 'x'.repeat(3000), true, {}, [], [1], { unknown: 'x' }, undefined];

/** The value with one part of it, chosen by chance, replaced by something strange. */
function spoilt(value: unknown, chance: () => number): unknown {
  const keys = typeof value === 'object' && value !== null ? Object.keys(value) : [];
  if (keys.length === 0 || chance() < 0.2) return STRANGE[Math.floor(chance() * STRANGE.length)];
  const key = keys[Math.floor(chance() * keys.length)]!;
  const of = value as Record<string, unknown>;
  const changed = { ...of, [key]: spoilt(of[key], chance) };
  return Array.isArray(value) ? Object.values(changed) : changed;
}

it.each(Object.entries(CHECKS))('%s says of any value what the whole schemas say', (file, { schemas }) => {
  const checks = jest.requireActual<Record<string, (value: unknown) => boolean>>(join(__dirname, '..', file));
  const random = randomFrom(7);
  const chance = () => nextUint32(random) / 2 ** 32;
  const ajv = new Ajv({ strictTypes: false });
  const says = { yes: 0, no: 0 };
  for (const [name, schema] of Object.entries(schemas())) {
    const whole = ajv.compile(JSON.parse(JSON.stringify(schema)) as AnySchema);
    if (name in PASSING) expect([name, whole(PASSING[name])]).toEqual([name, true]);
    for (let i = 0; i < 80; i++) {
      const value = i === 0 ? PASSING[name] : spoilt(PASSING[name], chance);
      const right = whole(value);
      says[right ? 'yes' : 'no']++;
      expect([name, value, checks[name]!(value)]).toEqual([name, value, right]);
    }
  }
  expect(says.yes).toBeGreaterThan(5);
  expect(says.no).toBeGreaterThan(50);
});
