// JSON schema of a value that may not be known.
import * as Type from '@sinclair/typebox';
import type { Static, TSchema } from '@sinclair/typebox';
import type { Known } from './known';

const UNKNOWN = Type.Object({ unknown: Type.String({ maxLength: 300 }) }, { additionalProperties: false });

export function knownSchema<S extends TSchema>(schema: S) {
  return Type.Unsafe<Known<Static<S>>>(Type.Union([schema, UNKNOWN]));
}
