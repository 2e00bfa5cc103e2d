// `npx tsx tools/checks.ts`: makes the checks of stored and imported data from their JSON schemas, as code of their own, so that the page
// compiles nothing while it runs. A test says when they are out of date.
import Ajv, { type AnySchema, type Options } from 'ajv';
import standalone from 'ajv/dist/standalone';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { archiveSchema } from '../src/core/frame/archive';
import { latentSchema } from '../src/core/frame/latent';
import { recordSchema } from '../src/core/frame/record';
import { rollSchema } from '../src/core/frame/roll';
import { PRINT } from '../src/core/setting/print';
import { setupFileSchema } from '../src/core/setup/setup';
import { deskSchemas } from '../src/live/desk-schema';

const root = join(__dirname, '..');
const HEAD = '// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.\n';

function code(schemas: Readonly<Record<string, AnySchema>>, options: Options = {}): string {
  const ajv = new Ajv({ code: { source: true }, strictTypes: false, ...options });
  // Copies: of a schema that stands in two places the code would be made twice under one name.
  for (const [name, schema] of Object.entries(schemas)) ajv.addSchema(structured(schema), name);
  return HEAD + standalone(ajv, Object.fromEntries(Object.keys(schemas).map((name) => [name, name])));
}

function structured(schema: AnySchema): AnySchema {
  return JSON.parse(JSON.stringify(schema)) as AnySchema;
}

/** Files and what is to be in them. */
export function generatedChecks(): ReadonlyMap<string, string> {
  return new Map([
    [
      'src/vault/record-check.generated.js',
      code({
        isRecord: recordSchema(),
        isLatent: latentSchema(),
        isRoll: rollSchema(),
        isArchive: archiveSchema(),
      }),
    ],
    ['src/library/setup-check.generated.js', code({ isSetupFile: setupFileSchema(), isPrint: PRINT })],
    ['src/live/desk-check.generated.js', `${code(deskSchemas())}\nexports.deskChecks = exports;\n`],
  ]);
}

if (require.main === module)
  for (const [file, text] of generatedChecks()) writeFileSync(join(root, file), text);
