// Who made a frame, whose it is, and words to find it by: what the person wants said in its files.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';

export const MOST_PERSON = 100;
export const MOST_COPYRIGHT = 200;
export const MOST_KEYWORD = 64;
export const MOST_KEYWORDS = 32;

export const PERSON = Type.String({ maxLength: MOST_PERSON });
export const COPYRIGHT = Type.String({ maxLength: MOST_COPYRIGHT });
const KEYWORD = Type.String({ minLength: 1, maxLength: MOST_KEYWORD });
export const KEYWORDS = Type.Unsafe<readonly string[]>(Type.Array(KEYWORD, { maxItems: MOST_KEYWORDS }));

/** What is empty is not said. */
export const CREDIT = Type.Object({ person: PERSON, copyright: COPYRIGHT, keywords: KEYWORDS });
export type Credit = Readonly<Static<typeof CREDIT>>;

/** Undefined where there is nothing to be said. */
export function creditOf(credit: Credit): Credit | undefined {
  const { person, copyright, keywords } = credit;
  return person || copyright || keywords.length > 0 ? credit : undefined;
}

/** Keywords as they are typed, between commas or on lines: each once, none empty, none cut. @returns null where they are too many or too long */
export function keywordsOf(text: string): readonly string[] | null {
  const words = [...new Set(text.split(/[,;\n]/).map(tidy))].filter(Boolean);
  return words.length <= MOST_KEYWORDS && words.every((word) => word.length <= MOST_KEYWORD) ? words : null;
}

/** A line of text as it is kept: no marks that a file could not carry, no spaces around. */
export function tidy(text: string): string {
  return text
    .replace(/[\u0000-\u001f\u007f\ufffe\uffff]|\p{Cs}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
}
