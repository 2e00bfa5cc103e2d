// One frame without a browser: what its file tells, every way to look at it, what is said of it and kept, and the ways on. Its pixels, fingers on it and
// files that leave are for the browser.
import { useDesk } from '../../live/desk';
import { lightbox } from '../../../tests/screens/staff';
import { router, went } from '../../../tests/screens/router';
import {
  appears,
  becomes,
  closeSheet,
  doing,
  focus,
  goes,
  kept,
  openFrame,
  openSheet,
  press,
  shown,
  tap,
  text,
  tapOn,
  there,
  tile,
  until,
} from '../../../tests/screens/roll';

const id = () => went.at(-1)!.split('/').at(-1)!;
const checked = (name: string) => shown(name).getAttribute('aria-checked');
const checkedBecomes = (name: string, is: boolean) =>
  until(
    () => (there(name)?.getAttribute('aria-checked') === String(is) ? true : null),
    () => `${name} does not become ${is}`,
  );

beforeAll(async () => {
  await openSheet();
  await openFrame(3);
});
afterAll(closeSheet);

it('tells what its file holds: raw against the forecast, its white, what it was set to, and its hash', async () => {
  expect(await becomes('capture-data', /Velmo Sim/)).toMatch(/Shutter1\/\d+/);
  await becomes('forecast-held', /forecast/i);
  expect(text('forecast-table')).toMatch(/G1/);
  await becomes('file-white', /\d{4} K/);
  await becomes('raw-untouched', /SHA-256 [0-9a-f]{8}/);
  expect(there('not-as-saved')).toBeNull();
});

it('is seen fitted, at 100 and 200 percent, and by a channel of raw', async () => {
  await tap('double');
  await appears('picture-full');
  await tap('full');
  await tap('channel-G1');
  await checkedBecomes('channel-G1', true);
  await appears('picture-full');
  await tap('channel-picture');
  await press('f');
  await appears('picture-fit');
});

it('marks of what clips come by a tap and by a key, in raw and in the picture', async () => {
  await tap('clips-raw');
  await checkedBecomes('clips-raw', true);
  await press('r');
  await checkedBecomes('clips-raw', false);
  await press('p');
  await checkedBecomes('clips-picture', true);
  await press('p');
  await checkedBecomes('clips-picture', false);
});

it('figures are of all of it, or of what is on view', async () => {
  await tap('full');
  await appears('figures-of');
  await tap('figures-of-part');
  await checkedBecomes('figures-of-part', true);
  await tap('figures-of-whole');
  await press('f');
  await appears('picture-fit');
});

it('is kept, rated and dropped under the thumb and by key, and said again no longer', async () => {
  await tap('keep');
  await checkedBecomes('keep', true);
  await tap('rate');
  await tap('rating-2');
  await becomes('rate', /^●●$/);
  await press('d');
  await checkedBecomes('drop', true);
  expect(checked('keep')).toBe('false');
  expect(kept()[id()]).toMatchObject({ verdict: 'dropped', rating: 2 });
  await press('0');
  await becomes('rate', /^Rate$/);
  await tap('drop');
  await checkedBecomes('drop', false);
  expect(kept()[id()]).not.toHaveProperty('verdict');
});

it('leads to the next one and back, by a tap and by a key', async () => {
  const here = text('frame-place');
  const elsewhere = () =>
    until(
      () => (there('frame-place') && text('frame-place') !== here ? true : null),
      () => 'It stays where it is',
    );
  const back = () =>
    until(
      () => (there('frame-place')?.textContent === here ? true : null),
      () => 'It does not come back',
    );
  await tap('frame-after');
  await elsewhere();
  await press('ArrowLeft');
  await back();
  await appears('picture-fit');
});

it('is printed otherwise, which is kept with it and not in raw; and plainly again', async () => {
  const hash = await becomes('raw-untouched', /SHA-256 [0-9a-f]{8}/);
  await tap('print-soot');
  await becomes('print-said', /Kept with the frame/);
  expect(kept()[id()]).toMatchObject({ print: { name: 'Soot' } });
  await openFrame(3);
  await checkedBecomes('print-soot', true);
  expect(await becomes('raw-untouched', /SHA-256 [0-9a-f]{8}/)).toBe(hash);
  await tap('print-plain');
  await becomes('print-said', /Kept with the frame/);
  await checkedBecomes('print-plain', true);
});

it('is given another white: forecast and hash stand still', async () => {
  const [table, hash] = [text('forecast-table'), text('raw-untouched')];
  await becomes('frame-white', /as taken/);
  await focus('frame-kelvin');
  await press('PageUp', 'PageUp');
  await becomes('frame-white', /^\d{4} K/);
  await tap('frame-keep');
  await becomes('frame-white-said', /Kept with the frame/);
  expect(kept()[id()]).toHaveProperty('rewhite');
  expect([text('forecast-table'), text('raw-untouched')]).toEqual([table, hash]);
  await tap('frame-as-taken');
  await becomes('frame-white', /as taken/);
  await tap('frame-keep');
  await until(
    () => (kept()[id()]!.rewhite === undefined ? true : null),
    () => 'Its white is still another',
  );
});

it('is re-framed by keys, kept so, and whole again in one tap', async () => {
  await tap('reframe');
  await appears('reframer');
  await tap('reframe-shape-1:1');
  const told = () => shown('reframer').getAttribute('aria-label')!;
  const [, width, height] = /(\d+) × (\d+)/.exec(told())!;
  expect(width).toBe(height);
  await focus('reframer');
  await press('-', 'ArrowUp', ']');
  expect(told()).toMatch(/turned 0\.2 degrees/);
  await tap('reframe-quarter');
  await tap('reframe-keep');
  await appears('reframe-back');
  expect(kept()[id()]).toHaveProperty('reframe');
  await tap('reframe-back');
  await goes('reframe-back');
  expect(kept()[id()]).not.toHaveProperty('reframe');
  await appears('picture-fit');
});

it('the desk is set as it was, after what will change was shown', async () => {
  await doing(() => useDesk.getState().setAllAutomatic());
  await becomes('set-desk-changes', /Shutter: automatic → /);
  await tap('set-desk-way-set');
  await tap('set-desk-way-out');
  await tap('set-desk');
  expect(went.at(-1)).toBe('/');
  const { shutter, iso } = useDesk.getState().settings;
  expect([shutter.auto, iso.auto]).toEqual([false, false]);
  await openFrame(3);
});

it('a lightbox that is gone is told, and the frame opens again', async () => {
  await doing(() => lightbox.break());
  await tap('open-again');
  await appears('picture-fit');
});

it('a lightbox that comes late is told, and opens the frame when it is there', async () => {
  const comes = lightbox.late();
  await doing(() => router.push('/sheet'));
  await tapOn(tile(4)!);
  await appears('open-again');
  await doing(comes);
  await appears('picture-fit');
  expect(there('open-again')).toBeNull();
  await openFrame(3);
});

it('is deleted, which leads to the sheet and can be taken back; one that is not in the roll says so', async () => {
  const gone = id();
  await tap('delete');
  await becomes('undo-bar', /Frame deleted/);
  expect(went.at(-1)).toBe('/sheet');
  await doing(() => router.push(`/frame/${gone}`));
  await until(
    () => (/not in the roll/.test(document.body.textContent ?? '') ? true : null),
    () => 'It does not say so',
  );
  await doing(() => router.push('/sheet'));
  await tap('undo');
  await goes('undo-bar');
  await openFrame(3);
});
