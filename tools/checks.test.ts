// The checks that ship are the ones that the schemas make.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { listed } from '../src/core/setting/values';
import { DESK_PARTS, settingPart, WORLD_PARTS } from '../src/live/desk-parts';
import { deskSchemas } from '../src/live/desk-schema';
import { generatedChecks } from './checks';

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
