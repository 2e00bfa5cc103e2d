// Names under which frames leave the program, made by a pattern of words in braces.
import { ENDINGS, type Format } from '../setting/files';
import { known } from '../units/known';
import { ISO_LADDER, SHUTTER_LADDER, stepOf } from '../units/ladders';
import type { FrameRecord } from './record';

/** Names as they are unless the person wants others: "velmo-20310409-073005-1a2b". */
export const USUAL_PATTERN = 'velmo-{date}-{time}-{id}';

type Named = Pick<FrameRecord, 'timeMs' | 'offsetMinutes' | 'id'>;

/** What can stand in braces: what it becomes, of a frame that is number `index` of those that leave together. */
export const NAME_WORDS = {
  date: ({ frame }) => localOf(frame).slice(0, 10).replaceAll('-', ''),
  time: ({ frame }) => localOf(frame).slice(11, 19).replaceAll(':', ''),
  id: ({ frame }) => frame.id.slice(-20, -16),
  number: ({ index, of }) => String(index + 1).padStart(Math.max(2, String(of).length), '0'),
  roll: ({ roll }) => roll,
  rating: ({ frame }) => String(frame.rating ?? 0),
  shutter: ({ frame }) => wordOf(frame.exposure.shutterS, (s) => stepOf(SHUTTER_LADDER, s).label),
  iso: ({ frame }) => wordOf(frame.exposure.iso, (s) => stepOf(ISO_LADDER, s).label),
} satisfies Readonly<Record<string, (of: NameOf) => string>>;
export type NameWord = keyof typeof NAME_WORDS;

export interface NameOf {
  readonly frame: FrameRecord;
  readonly roll: string;
  readonly index: number;
  readonly of: number;
}

function localOf({ timeMs, offsetMinutes }: Named): string {
  return new Date(timeMs + offsetMinutes * 60000).toISOString();
}

function wordOf(value: FrameRecord['exposure']['iso'], words: (value: number) => string): string {
  const told = known(value);
  return told === undefined ? 'unknown' : words(told);
}

/** What some file system does not let a name have. */
const NOT_IN_NAMES = /[\u0000-\u001f\u007f<>:"/\\|?*]+/g;
/** Halves of letters, and marks that turn the direction of what follows: a name would not be what it reads as. */
const NOT_READ = /[\p{Cs}\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]+/gu;
/** Names of devices where a file cannot be called so, whatever its ending. */
const DEVICE = /^(con|prn|aux|nul|(com|lpt)[0-9¹²³])(\.|$)/i;
const MOST_NAME = 120;

/** What is wrong with a pattern, in words; null when nothing is. */
export function patternTrouble(pattern: string): string | null {
  const stray = [...pattern.matchAll(/\{([^{}]*)\}/g)].find(([, word]) => !Object.hasOwn(NAME_WORDS, word!));
  if (stray)
    return `{${stray[1]}} means nothing: there are ${Object.keys(NAME_WORDS)
      .map((w) => `{${w}}`)
      .join(' ')}`;
  if (/[{}]/.test(pattern.replace(/\{[^{}]*\}/g, ''))) return 'A brace is open';
  if (pattern.trim() === '') return 'A name needs something in it';
  return null;
}

/** The name of a file without its ending, by a pattern that is sound. Never empty, never a path, never a device. */
export function nameBy(pattern: string, of: NameOf): string {
  const words = pattern.replace(/\{([^{}]*)\}/g, (_, word: string) =>
    Object.hasOwn(NAME_WORDS, word) ? NAME_WORDS[word as NameWord](of) : '',
  );
  const name = words
    .replace(NOT_READ, '')
    .replace(NOT_IN_NAMES, '-')
    .replace(/^[.\s-]+/, '')
    .slice(0, MOST_NAME)
    // Cut through a letter.
    .replace(NOT_READ, '')
    .replace(/[.\s]+$/, '');
  if (name === '') return of.frame.id;
  return DEVICE.test(name) ? `velmo-${name}` : name;
}

/** Names that no two of have in common: what comes again gets a number. @param names without their ending */
export function eachOnce(names: readonly string[]): string[] {
  const seen = new Set<string>();
  return names.map((name) => {
    let free = name;
    // Some file systems do not tell large letters from small ones.
    for (let n = 2; seen.has(free.toLowerCase()); n++) free = `${name}-${n}`;
    seen.add(free.toLowerCase());
    return free;
  });
}

/** "velmo-20310409-073005-1a2b.dng" in the frame's local time. */
export function fileName(frame: Named, format: Format): string {
  const name = `velmo-${NAME_WORDS.date({ frame } as NameOf)}-${NAME_WORDS.time({ frame } as NameOf)}-${NAME_WORDS.id({ frame } as NameOf)}`;
  return `${name}.${ENDINGS[format]}`;
}
