// Command-line words: `--name value`, `--name=value`, `--json` and `--force`; what is unknown, lacks its value or is said twice is a usage error.
import { parseArgs } from 'node:util';

export class UsageError extends Error {}

export interface Arguments {
  readonly command: string | undefined;
  readonly rest: readonly string[];
  readonly flags: ReadonlyMap<string, string>;
  /** Every value of a flag that may be given more than once. */
  readonly many: ReadonlyMap<string, readonly string[]>;
  readonly json: boolean;
  /** Files that are there already may be replaced. */
  readonly force: boolean;
}

const SWITCHES = ['json', 'force'];

/** @param repeatable flags that may be given more than once */
export function parseArguments(
  argv: readonly string[],
  known: readonly string[],
  repeatable: readonly string[] = [],
): Arguments {
  const options = Object.fromEntries(known.map((name) => [name, { type: 'string' as const }]));
  const { tokens, positionals } = parseArgs({
    args: withValues(argv, known),
    options: {
      ...options,
      ...Object.fromEntries(SWITCHES.map((name) => [name, { type: 'boolean' as const }])),
    },
    allowPositionals: true,
    strict: false,
    tokens: true,
  });
  const flags = new Map<string, string>();
  const many = new Map<string, string[]>();
  const switched = new Set<string>();
  for (const token of tokens) {
    if (token.kind !== 'option') continue;
    const { name, value } = token;
    if (SWITCHES.includes(name)) {
      switched.add(name);
      continue;
    }
    if (!known.includes(name))
      throw new UsageError(`Unknown option ${token.rawName}. Known: ${known.map((k) => `--${k}`).join(' ')}`);
    if (value === undefined) throw new UsageError(`--${name} needs a value`);
    if (flags.has(name) && !repeatable.includes(name)) throw new UsageError(`--${name} is given twice`);
    flags.set(name, value);
    many.set(name, [...(many.get(name) ?? []), value]);
  }
  const [command, ...rest] = positionals;
  return { command, rest, flags, many, json: switched.has('json'), force: switched.has('force') };
}

/** Joins a flag with the word after it, which may begin with a dash: `--ev -1` is `--ev=-1`. */
function withValues(argv: readonly string[], known: readonly string[]): string[] {
  const words: string[] = [];
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i]!;
    const next = argv[i + 1];
    if (word.startsWith('--') && known.includes(word.slice(2)) && next !== undefined) {
      words.push(`${word}=${next}`);
      i++;
    } else words.push(word);
  }
  return words;
}

/** A number as people type it, or NaN: nothing at all is not 0. */
export function numberOf(text: string): number {
  return text.trim() === '' ? NaN : Number(text);
}

/** One of a few words. */
export function choice<T extends string>(
  args: Arguments,
  name: string,
  allowed: readonly T[],
  fallback: T,
): T {
  const value = args.flags.get(name) ?? fallback;
  if (!allowed.includes(value as T))
    throw new UsageError(`--${name} is ${allowed.join(' or ')}, not ${value}`);
  return value as T;
}

/** "0.6,0.5": shares of the frame from the left and from the top. */
export function place(args: Arguments): { x: number; y: number } {
  return pointOf(args.flags.get('at') ?? '0.5,0.5', 'at');
}

/** A point typed for the flag of that name. */
export function pointOf(text: string, flag: string): { x: number; y: number } {
  const [x, y, ...more] = text.split(',').map(numberOf);
  const inside = (v: number | undefined) => v !== undefined && v >= 0 && v <= 1;
  if (!inside(x) || !inside(y) || more.length > 0) {
    throw new UsageError(`--${flag} needs two shares of the frame such as 0.6,0.5, not ${text || 'nothing'}`);
  }
  return { x: x!, y: y! };
}

export function wholeNumber(args: Arguments, name: string, fallback: number): number {
  const text = args.flags.get(name);
  const value = text === undefined ? fallback : numberOf(text);
  if (!Number.isSafeInteger(value))
    throw new UsageError(`--${name} needs a whole number, not ${text || 'nothing'}`);
  return value;
}

const [FIRST_YEAR, LAST_YEAR] = [1, 9999];

/** ms since 1970. @param fallback when the flag is not given */
export function moment(args: Arguments, name: string, fallback: number): number {
  const text = args.flags.get(name);
  const ms = text === undefined ? fallback : Date.parse(text);
  const year = new Date(ms).getUTCFullYear();
  if (!(year >= FIRST_YEAR && year <= LAST_YEAR))
    throw new UsageError(
      `--${name} needs a date of the years 1 to 9999 such as 2031-04-09T07:30:05Z, not ${text || 'nothing'}`,
    );
  return ms;
}
