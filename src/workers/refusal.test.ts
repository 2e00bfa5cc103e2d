// Why a store refused, from what browsers say of it: by the name, by the message, or by nothing at all.
import { refusalWords } from './refusal';
import { STORE_IS_FULL } from './save-outcome';

const QUOTA = new DOMException('', 'QuotaExceededError');
const never = () => Promise.reject(new Error('not to be asked'));
const estimates = (estimate?: () => Promise<StorageEstimate>) =>
  Object.assign(globalThis, { navigator: { storage: estimate && { estimate } } });
afterEach(() => estimates());

it('is told by the error, whatever else there is', async () => {
  expect(await refusalWords(QUOTA, 9, never)).toBe(STORE_IS_FULL);
  expect(await refusalWords(new Error('The quota has been exceeded.'), 9, never)).toBe(STORE_IS_FULL);
  expect(await refusalWords(new Error('the disk is gone'), 9, never)).toBe('the disk is gone');
});

it('is found out by writing as much, where the error says nothing', async () => {
  const asked: number[] = [];
  const refuses = (error: unknown) => (bytes: number) => {
    asked.push(bytes);
    return Promise.reject(error as Error);
  };
  expect(await refusalWords(new Error(''), 25, refuses(QUOTA))).toBe(STORE_IS_FULL);
  expect(await refusalWords(undefined, 26, refuses(new Error('the disk is gone')))).toBe('the disk is gone');
  expect(asked).toEqual([25, 26]);
});

it.each([
  ['nearly full', async () => ({ usage: 95, quota: 100 }), /full/],
  ['nearly empty', async () => ({ usage: 1, quota: 100 }), /no reason/],
  ['silent', undefined, /no reason/],
  ['broken', () => Promise.reject(new Error('x')), /no reason/],
] as const)('of a store that says nothing and is %s is told by its quota', async (_, estimate, words) => {
  estimates(estimate);
  for (const again of [() => Promise.resolve(), () => Promise.reject(new Error(''))])
    expect(await refusalWords(new Error(''), 9, again)).toMatch(words);
});
