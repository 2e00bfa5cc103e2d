// `npx tsx tools/checks.ts`: makes the checks of stored and imported data from their JSON schemas, as code of their own, so that the page
// compiles nothing while it runs. A test says when they are out of date.
import Ajv, { type AnySchema } from 'ajv';
import standalone from 'ajv/dist/standalone';
import { transformSync } from 'esbuild';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { archiveSchema } from '../src/core/frame/archive';
import { exposeSchema } from '../src/core/frame/expose-recipe';
import { recordSchema } from '../src/core/frame/record';
import { rollSchema } from '../src/core/frame/roll';
import { PRINT } from '../src/core/setting/print';
import { setupFileSchema } from '../src/core/setup/setup';
import { deskSchemas } from '../src/live/desk-schema';

const root = join(__dirname, '..');
/** About how long lines become. */
const LINE = 160;
const HEAD = '// Made by tools/checks.ts from the JSON schemas. Not to be changed by hand.\n';

/** @param errors whether anybody asks what is wrong with a value that does not pass; what would tell it is more than half of the code */
function code(schemas: Readonly<Record<string, AnySchema>>, errors: boolean): string {
  const ajv = new Ajv({ code: { source: true }, inlineRefs: false, strictTypes: false });
  for (const [name, schema] of Object.entries(sharing(schemas))) ajv.addSchema(schema, name);
  const made = standalone(ajv, Object.fromEntries(Object.keys(schemas).map((name) => [name, name])));
  const { code: small } = transformSync(errors ? made : withoutErrors(made), {
    ...{ minify: true, treeShaking: true, format: 'cjs', lineLimit: LINE },
  });
  return HEAD + small;
}

/** Code of the library with an empty object in place of every error that it tells of. */
function withoutErrors(source: string): string {
  const begin = '{instancePath';
  let out = '';
  let from = 0;
  for (let at = source.indexOf(begin); at >= 0; at = source.indexOf(begin, from)) {
    const isError = source.startsWith('{instancePath,', at) || source.startsWith('{instancePath:', at);
    const end = isError ? closingOf(source, at) : at + begin.length;
    // What is handed to another function is no error: it tells where in the value it looks.
    const kept = !isError || !source.slice(at, end).includes('schemaPath:');
    out += source.slice(from, at) + (kept ? source.slice(at, end) : '{}');
    from = end;
  }
  return out + source.slice(from);
}

/** Behind the brace that closes the one at `from`; braces in strings are none. */
function closingOf(source: string, from: number): number {
  let depth = 0;
  for (let at = from; at < source.length; at++) {
    const here = source[at];
    if (here === '"' || here === "'") {
      for (at++; source[at] !== here; at++) if (source[at] === '\\') at++;
    } else if (here === '{') depth++;
    else if (here === '}' && --depth === 0) return at + 1;
  }
  throw new Error('A brace is not closed');
}

type Json = null | boolean | number | string | readonly Json[] | { readonly [key: string]: Json };
type Schemas = Record<string, { readonly [key: string]: Json }>;

/** Shorter than this a part is as well written out where it stands. */
const WORTH_SHARING = 60;

/**
 * The same schemas, and beside them as schemas of their own what stands in them more than once: each of it is compiled once. Copies, for of one object that
 * stands in two places the code would be made twice under one name.
 */
function sharing(schemas: Readonly<Record<string, AnySchema>>): Schemas {
  const plain = JSON.parse(JSON.stringify(schemas)) as Schemas;
  const times = new Map<string, number>();
  const count = (part: Json) => {
    const text = JSON.stringify(part);
    times.set(text, (times.get(text) ?? 0) + 1);
    // What is within a part that is shared counts once.
    if (times.get(text) === 1) partsOf(part).forEach(count);
  };
  Object.values(plain).forEach(count);
  const shared = [...times].filter(([text, n]) => n > 1 && text.length >= WORTH_SHARING);
  const names = new Map(shared.map(([text], i) => [text, `part${i}`]));
  const within = (part: Json): Json => mapped(part, (one) => named(one) ?? within(one));
  const named = (part: Json): Json | undefined => {
    const name = names.get(JSON.stringify(part));
    return name === undefined ? undefined : { $ref: name };
  };
  const parts = [...names].map(([text, name]) => [name, within(JSON.parse(text) as Json)]);
  const whole = Object.entries(plain).map(([name, schema]) => [name, within(schema)]);
  return Object.fromEntries([...parts, ...whole]) as Schemas;
}

/** Keywords of JSON schema under which schemas stand: one, a list, or one a name. */
const ONE = ['items', 'additionalProperties', 'not'];
const LISTS = ['anyOf', 'allOf', 'oneOf'];
const NAMED = ['properties', 'patternProperties'];

const isObject = (value: Json | undefined): value is { readonly [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function partsOf(schema: Json): Json[] {
  const parts: Json[] = [];
  mapped(schema, (part) => {
    parts.push(part);
    return part;
  });
  return parts;
}

/** A schema whose direct parts are replaced. */
function mapped(schema: Json, by: (part: Json) => Json): Json {
  if (!isObject(schema)) return schema;
  const entries = Object.entries(schema).map(([key, value]): [string, Json] => {
    if (ONE.includes(key) && isObject(value)) return [key, by(value)];
    if (LISTS.includes(key)) return [key, (value as readonly Json[]).map(by)];
    if (NAMED.includes(key))
      return [key, Object.fromEntries(Object.entries(value as object).map(([k, v]) => [k, by(v as Json)]))];
    return [key, value];
  });
  return Object.fromEntries(entries);
}

/** What is made from which schemas, by file, and whether it tells what is wrong. */
export const CHECKS: Readonly<
  Record<string, { schemas(): Readonly<Record<string, AnySchema>>; errors: boolean; end?: string }>
> = {
  'src/vault/record-check.generated.js': {
    schemas: () => ({
      isRecord: recordSchema(),
      isLatent: exposeSchema(),
      isRoll: rollSchema(),
      isArchive: archiveSchema(),
    }),
    errors: false,
  },
  'src/library/setup-check.generated.js': {
    schemas: () => ({ isSetupFile: setupFileSchema(), isPrint: PRINT }),
    errors: true,
  },
  'src/live/desk-check.generated.js': {
    schemas: deskSchemas,
    errors: false,
    end: 'exports.deskChecks = exports;\n',
  },
};

/** Files and what is to be in them. */
export function generatedChecks(): ReadonlyMap<string, string> {
  return new Map(
    Object.entries(CHECKS).map(([file, { schemas, errors, end = '' }]) => [
      file,
      code(schemas(), errors) + end,
    ]),
  );
}

if (require.main === module)
  for (const [file, text] of generatedChecks()) writeFileSync(join(root, file), text);
