// The sheet without a browser: judged, sorted, filtered and chosen from by taps and keys, in rolls that are made, filled, told of and deleted, with what
// is told when something is missing or goes wrong. What a finger does on it, and what is drawn, is for the browser.
import { rollKeeper } from '../../../tests/screens/staff';
import {
  appears,
  becomes,
  closeSheet,
  doing,
  focus,
  goes,
  kept,
  labelBecomes,
  labels,
  openSheet,
  press,
  shown,
  store,
  tap,
  tapOn,
  tile,
  type as write,
  until,
} from '../../../tests/screens/roll';

const chip = (name: string) =>
  until(
    () => document.querySelector<HTMLElement>(`[data-testid="roll-chips"] [aria-label^="${name}, "]`),
    () => `There is no roll ${name}`,
  );
const named = (name: string) =>
  until(
    () => document.querySelector<HTMLElement>(`[aria-label="${name}"]`),
    () => `There is nothing called ${name}`,
  );
const countIs = (words: string) =>
  until(
    () => (document.querySelector('[role=heading]')?.textContent === words ? true : null),
    () => `It says ${document.querySelector('[role=heading]')?.textContent} and not ${words}`,
  );
const on = (index: number) => tile(index)!.focus();

beforeAll(() => openSheet());
afterAll(closeSheet);

it('keys keep, drop and rate the frame that has the focus; said twice it is no longer said; all of it is stored', async () => {
  await countIs('8 frames');
  on(0);
  await press('k');
  await labelBecomes(0, /, kept/);
  await press('4');
  await labelBecomes(0, /kept, rating 4/);
  await press('k');
  await labelBecomes(0, /^(?!.*kept).*rating 4/);
  await press('k', 'ArrowRight');
  expect((document.activeElement as HTMLElement).dataset.index).toBe('1');
  await press('d');
  await labelBecomes(1, /, dropped/);
  const said = Object.values(kept()).filter(({ verdict }) => verdict !== undefined);
  expect(said.map(({ verdict, rating }) => [verdict, rating])).toEqual(
    expect.arrayContaining([
      ['kept', 4],
      ['dropped', undefined],
    ]),
  );
});

it('is sorted and filtered, and says what is not shown', async () => {
  await tap('arrange');
  await tap('sort-clipped');
  await labelBecomes(0, /clips in raw/);
  await tap('sort-way');
  await labelBecomes(0, /^(?!.*clips in raw)/);
  await focus('sort-clipped');
  await press('ArrowLeft');
  expect(shown('sort-exposure').getAttribute('aria-checked')).toBe('true');
  await labelBecomes(0, /1\/6400/);
  await tap('filter-dropped');
  await becomes('filter-note', /1 of 8: dropped/);
  expect(labels()).toHaveLength(1);
  await tap('least-rating-3');
  await becomes('filter-note', /0 of 8/);
  await tap('show-all');
  await tap('sort-time');
  await tap('sort-way');
  await tap('arrange');
  await labelBecomes(0, /kept, rating 4/);
});

it('frames are chosen by the space bar, by Shift and all at once; what is said then is said of all of them', async () => {
  on(0);
  await press(' ');
  await becomes('choosing-words', /1 chosen/);
  await press({ key: 'ArrowRight', shiftKey: true });
  await becomes('choosing-words', /2 chosen/);
  await press({ key: 'a', ctrlKey: true });
  await becomes('choosing-words', /8 chosen/);
  await press('Escape');
  await goes('choosing');
  await tap('choose');
  await tapOn(tile(2)!);
  await tapOn(tile(3)!);
  await tap('choosing-rate');
  await tap('choosing-rating-2');
  for (const index of [2, 3]) await labelBecomes(index, /rating 2/);
  await tap('choose');
  await goes('choosing');
});

it('chosen frames are deleted, and come back', async () => {
  const before = labels();
  on(1);
  await press('Delete');
  await becomes('undo-bar', /Frame deleted/);
  await countIs('7 frames');
  await tap('undo');
  await countIs('8 frames');
  expect(labels()).toEqual(before);
});

it('a frame that is deleted for good in another tab cannot come back, and that is said', async () => {
  on(7);
  await press('Delete');
  await countIs('7 frames');
  const id = [...store.keys()].find((key) => key.startsWith('trash:'))!.slice('trash:'.length);
  for (const part of ['trash:', 'frame:', 'thumb:']) store.delete(part + id);
  await tap('undo');
  await becomes('undo-bar', /removed for good/);
});

it('a roll is made of chosen frames, told of, emptied into another, and deleted with a way back', async () => {
  on(0);
  await press(' ');
  await tap('choosing-move');
  await write('new-roll', 'Kiln day');
  await tap('make-roll');
  await tapOn(await named('Move to Kiln day'));
  await becomes('undo-bar', /moved to Kiln day/);
  await tapOn(await chip('Kiln day'));
  await countIs('1 frame');
  await tap('about-roll');
  await appears('delete-roll');
  await tap('delete-roll');
  await tap('delete-roll-all');
  await becomes('undo-bar', /Roll Kiln day deleted, with frame/);
  await countIs('6 frames');
  await tap('undo');
  await tapOn(await chip('Kiln day'));
  await countIs('1 frame');
  await tapOn(await chip('All frames'));
  await countIs('7 frames');
});

it('a roll that breaks is told, nothing is lost, and it works when it is tried again', async () => {
  rollKeeper.break();
  await appears('keeper-fault');
  expect(labels()).toHaveLength(7);
  await tap('keeper-again');
  await goes('keeper-fault');
});

it('a roll that comes late is told, and opened by itself when it is there', async () => {
  rollKeeper.break();
  await appears('keeper-fault');
  const comes = rollKeeper.late();
  await tap('keeper-again');
  await becomes('keeper-fault', /does not come/);
  await doing(comes);
  await goes('keeper-fault');
  expect(labels()).toHaveLength(7);
});

it('what cannot be kept is said, and what was said before stands', async () => {
  const before = labels();
  rollKeeper.break(true);
  on(1);
  await press('5');
  await until(
    () =>
      [...document.querySelectorAll('[role=alert]')].some((e) => /Not kept/.test(e.textContent ?? ''))
        ? true
        : null,
    () => 'It is not said',
  );
  expect(labels()).toEqual(before);
  await tap('keeper-again');
  await goes('keeper-fault');
});
