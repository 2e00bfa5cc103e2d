// Setups: the settings of a situation under a name, with a choice of which are in it. What is not in a setup stays as it is when
// the setup is applied. Which settings there are, and their schemas and words, is the list's to say (`core/setting`).
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import type { SettingValues } from '../setting/settings';
import { listed, partialSchema } from '../setting/values';

/** Everything of the desk that a setup can hold. */
export interface SetupValues extends SettingValues {
  /** True holds the reading that stands when the setup is applied. */
  readonly lock: boolean;
}

export type SetupPart = keyof SetupValues;

interface Part {
  readonly key: SetupPart;
  readonly name: string;
  words(value: unknown): string;
}

/** The lock is no setting: it holds a reading. A setup can ask for it all the same. */
const LOCK: Part = { key: 'lock', name: 'Lock', words: (locked) => (locked ? 'locked' : 'free') };

function parts(): readonly Part[] {
  return [...listed().filter(({ inSetups }) => inSetups), LOCK];
}

/** In the order in which they are shown. */
export function setupParts(): readonly SetupPart[] {
  return parts().map(({ key }) => key);
}

export function partName(key: SetupPart): string {
  return parts().find((part) => part.key === key)!.name;
}

export interface Setup {
  readonly id: string;
  readonly name: string;
  readonly values: Partial<SetupValues>;
  /** What it is for; of the ones that ship with the program. */
  readonly says?: string;
}

const MOST_NAME = 40;
/** C0 and C1 controls, and the marks that override or embed a direction (Unicode Annex 9). */
const UNSEEN = /[\u0000-\u001f\u007f-\u009f\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/;

/** A name as it is kept: without space around it. @throws RangeError that says what is wrong */
export function setupName(text: string): string {
  const name = text.trim().replace(/\s+/g, ' ');
  if (name === '') throw new RangeError('A setup needs a name');
  if (UNSEEN.test(name))
    throw new RangeError('A name cannot hold control characters or marks that turn the direction of writing');
  if (name.length > MOST_NAME) throw new RangeError(`A name has at most ${MOST_NAME} characters`);
  return name;
}

/** The chosen parts of what is set now. @throws RangeError without a single part */
export function pickParts(now: SetupValues, wanted: readonly SetupPart[]): Partial<SetupValues> {
  if (wanted.length === 0) throw new RangeError('Choose at least one setting to keep');
  return Object.fromEntries(
    setupParts()
      .filter((key) => wanted.includes(key))
      .map((key) => [key, now[key]]),
  );
}

export interface Change {
  readonly part: SetupPart;
  readonly from: string;
  readonly to: string;
}

/** What applying a setup would change, in words; nothing of what is so already. */
export function changesOf(now: SetupValues, values: Partial<SetupValues>): Change[] {
  return parts().flatMap(({ key, words }) => {
    if (values[key] === undefined) return [];
    const [from, to] = [words(now[key]), words(values[key])];
    return from === to ? [] : [{ part: key, from, to }];
  });
}

/** Values from a file as a person would set them; what the schema let through but no fader has is moved to the nearest click. */
export function onLadders(values: Partial<SetupValues>): Partial<SetupValues> {
  const settled = listed().flatMap(({ key, settled }) =>
    settled && values[key] !== undefined ? [[key, settled(values[key])] as const] : [],
  );
  return { ...values, ...Object.fromEntries(settled) };
}

/** What is wrong with values that the schema let through: its field and why; null when nothing is. */
export function troubleOf(values: Partial<SetupValues>): { field: string; why: string } | null {
  for (const { key, troubleOf: troubleIn } of listed()) {
    const trouble = values[key] === undefined ? null : troubleIn?.(values[key]);
    if (trouble) return { field: `${key}.${trouble.field}`, why: trouble.why };
  }
  return null;
}

export const SETUP_FILE_VERSION = 1;

/** JSON schema of a file of setups. */
export function setupFileSchema() {
  const values = partialSchema(({ inSetups }) => inSetups);
  return Type.Object(
    {
      kind: Type.Literal('setups'),
      version: Type.Literal(SETUP_FILE_VERSION),
      setups: Type.Readonly(
        Type.Array(
          Type.Object(
            {
              name: Type.String({ minLength: 1, maxLength: MOST_NAME, pattern: '\\S' }),
              values: Type.Unsafe<Partial<SetupValues>>(
                Type.Object(
                  { ...values.properties, lock: Type.Optional(Type.Boolean()) },
                  { additionalProperties: false, minProperties: 1 },
                ),
              ),
            },
            { additionalProperties: false },
          ),
          { minItems: 1, maxItems: 200 },
        ),
      ),
    },
    { additionalProperties: false },
  );
}

/** A file of setups. */
export type SetupFile = Static<ReturnType<typeof setupFileSchema>>;
