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
  const words = tidyWords(text.split(/[,;\n]/));
  return words.length <= MOST_KEYWORDS && words.every((word) => word.length <= MOST_KEYWORD) ? words : null;
}

/** Marks that turn the direction of what follows, and spaces of no width that join nothing: a line would not be what it reads as. */
const NOT_READ = /[\u00ad\u061c\u200b\u200e\u200f\u202a-\u202e\u2060-\u2064\u2066-\u206f\ufeff]/g;
/** Letters that look like nothing. */
const BLANK = /[\u115f\u1160\u2800\u3164\uffa0]/g;
const SEEN = /[\p{L}\p{N}\p{P}\p{S}]/u;

/** A line of text as it is kept: no marks that a file could not carry or nobody could see, no spaces around; empty where nothing is to be seen. */
export function tidy(text: string): string {
  const line = text
    .replace(NOT_READ, '')
    .replace(/[\u0000-\u001f\u007f-\u009f\ufffe\uffff]|\p{Cs}/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  return SEEN.test(line.replace(BLANK, '')) ? line : '';
}

/** What somebody else has said, as it would have been kept here. */
export function tidyCredit({ person, copyright, keywords }: Credit): Credit {
  return { person: tidy(person), copyright: tidy(copyright), keywords: tidyWords(keywords) };
}

/** Each once, none empty. */
export function tidyWords(words: readonly string[]): readonly string[] {
  return [...new Set(words.map(tidy))].filter(Boolean);
}
