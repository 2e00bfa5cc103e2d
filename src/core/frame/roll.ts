// Rolls: where frames go. Each has a name and words that its frames are to be found by. One is always there; one that only frames tell of, taken
// elsewhere, is shown by what they call it.
import * as Type from '@sinclair/typebox';
import type { Static } from '@sinclair/typebox';
import { KEYWORDS, tidy, tidyWords } from '../setting/credit';
import { FIRST_ROLL, ROLL, TIME_MS } from '../facts/facts';

export const ROLL_VERSION = 1;
export const MOST_ROLL_NAME = 60;

/** JSON schema of a roll, for what comes back from storage or from an archive. */
export function rollSchema() {
  return Type.Object({
    version: Type.Literal(ROLL_VERSION),
    id: ROLL,
    name: Type.String({ minLength: 1, maxLength: MOST_ROLL_NAME }),
    createdMs: TIME_MS,
    /** Go into the files of frames that are taken into it. */
    keywords: KEYWORDS,
    /** Set when it was deleted: it is gone as long as no frame in the sheet is of it. */
    deletedMs: Type.Optional(TIME_MS),
  });
}

export type Roll = Readonly<Static<ReturnType<typeof rollSchema>>>;

export const FIRST: Roll = {
  version: ROLL_VERSION,
  id: FIRST_ROLL,
  name: 'First roll',
  createdMs: 0,
  keywords: [],
};

/** A roll with what is in it. */
export interface RollCount {
  readonly roll: Roll;
  readonly frames: number;
  readonly waiting: number;
}

interface InRoll {
  readonly roll: string;
}

/** All rolls with what they hold, the newest first and the first last. */
export function rollsWith(
  stored: readonly Roll[],
  frames: readonly InRoll[],
  waiting: readonly InRoll[],
): readonly RollCount[] {
  const count = (of: readonly InRoll[]) => {
    const counts = new Map<string, number>();
    for (const { roll } of of) counts.set(roll, (counts.get(roll) ?? 0) + 1);
    return counts;
  };
  const [taken, latent] = [count(frames), count(waiting)];
  const known = new Map(stored.map((roll) => [roll.id, roll]));
  if (!known.has(FIRST_ROLL)) known.set(FIRST_ROLL, FIRST);
  for (const id of [...taken.keys(), ...latent.keys()])
    if (!known.has(id)) known.set(id, { ...FIRST, id, name: tidy(id).slice(0, MOST_ROLL_NAME) || UNNAMED });
  return [...known.values()]
    .map((roll) => ({ roll, frames: taken.get(roll.id) ?? 0, waiting: latent.get(roll.id) ?? 0 }))
    .filter(({ roll, ...in_ }) => roll.deletedMs === undefined || in_.frames + in_.waiting > 0)
    .sort(
      ({ roll: a }, { roll: b }) =>
        Number(a.id === FIRST_ROLL) - Number(b.id === FIRST_ROLL) ||
        b.createdMs - a.createdMs ||
        (a.name < b.name ? -1 : 1),
    );
}

/** A name as it is kept, or why it cannot be one. */
export function rollName(
  text: string,
  others: readonly string[],
): { readonly name: string } | { readonly wrong: string } {
  const name = tidy(text);
  if (name === '') return { wrong: 'Give the roll a name.' };
  if (name.length > MOST_ROLL_NAME)
    return { wrong: `A name has ${MOST_ROLL_NAME} letters at most; this one has ${name.length}.` };
  if (others.includes(name)) return { wrong: 'Another roll has that name.' };
  return { name };
}

/** A roll of somebody else, as it would have been made here. */
export function tidyRoll(roll: Roll): Roll {
  return { ...roll, name: tidy(roll.name) || UNNAMED, keywords: tidyWords(roll.keywords) };
}
const UNNAMED = 'Roll';

/** A name that none of the others has. */
export function freeName(name: string, others: readonly string[]): string {
  for (let n = 1; ; n++) {
    const end = n === 1 ? '' : ` ${n}`;
    const tried = name.slice(0, MOST_ROLL_NAME - end.length) + end;
    if (!others.includes(tried)) return tried;
  }
}
