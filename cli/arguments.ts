// Command-line flags: `--name value` or a bare `--switch`; what is unknown or lacks its value is a usage error.

export class UsageError extends Error {}

export interface Arguments {
  readonly command: string | undefined;
  readonly rest: readonly string[];
  readonly flags: ReadonlyMap<string, string>;
  /** Every value of a flag that was given more than once. */
  readonly many: ReadonlyMap<string, readonly string[]>;
  readonly json: boolean;
}

export function parseArguments(argv: readonly string[], known: readonly string[]): Arguments {
  const flags = new Map<string, string>();
  const many = new Map<string, string[]>();
  const rest: string[] = [];
  let json = false;
  for (let i = 0; i < argv.length; i++) {
    const word = argv[i]!;
    if (word === '--json') json = true;
    else if (word.startsWith('--')) {
      const [name = '', inline] = word.slice(2).split(/=(.*)/s);
      if (!known.includes(name))
        throw new UsageError(`Unknown option --${name}. Known: ${known.map((k) => `--${k}`).join(' ')}`);
      const value = inline ?? argv[++i];
      if (value === undefined) throw new UsageError(`--${name} needs a value`);
      flags.set(name, value);
      many.set(name, [...(many.get(name) ?? []), value]);
    } else rest.push(word);
  }
  return { command: rest[0], rest: rest.slice(1), flags, many, json };
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
  const [x, y] = text.split(',').map(Number);
  if (x === undefined || y === undefined || !(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
    throw new UsageError(`--${flag} needs two shares of the frame such as 0.6,0.5, not ${text}`);
  }
  return { x, y };
}

export function wholeNumber(args: Arguments, name: string, fallback: number): number {
  const text = args.flags.get(name) ?? String(fallback);
  const value = Number(text);
  if (!Number.isSafeInteger(value)) throw new UsageError(`--${name} needs a whole number, not ${text}`);
  return value;
}
