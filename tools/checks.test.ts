// The checks that ship are the ones that the schemas make.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DESK_PARTS } from '../src/live/desk-parts';
import { DESK_SCHEMAS } from '../src/live/desk-schema';
import { generatedChecks } from './checks';

it.each([...generatedChecks()])('%s is up to date (npx tsx tools/checks.ts)', (file, text) => {
  expect(readFileSync(join(__dirname, '..', file), 'utf8') === text).toBe(true);
});

it('every part of the desk that is kept has a schema', () => {
  expect([...DESK_PARTS].sort()).toEqual(Object.keys(DESK_SCHEMAS).sort());
});

it('nothing that runs in the page compiles code', () => {
  for (const [, text] of generatedChecks()) expect(text).not.toMatch(/new Function|eval\(/);
});
