// Metering and setting exposure, by touch on a phone and by keys on a wide screen.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { SHUTTER_LADDER } from '../../src/core/units/ladders';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  serious,
  tap as tapIn,
  tapAt,
  touchDrag,
  words,
  wordsBecome,
  type Stage,
} from './browser';

jest.setTimeout(120_000);
let stage: Stage;
let page: Page;
const folder = mkdtempSync(join(tmpdir(), 'velmo-setups-'));
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => {
  await stage.close();
  rmSync(folder, { recursive: true, force: true });
});

const tap = (id: string) => tapIn(page, id);
const shown = (id: string) => page.waitForSelector(byId(id));
const gone = (id: string) => page.waitForFunction((s: string) => !document.querySelector(s), {}, byId(id));
const text = (id: string) => words(page, id);
const number = (words: string, pattern: RegExp) => Number(pattern.exec(words)![1]!.replace('−', '-'));
const close = async () => {
  await page.keyboard.press('Escape');
  await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
};
/** A place of the picture, in pixels of the page. */
const place = async (x: number, y: number): Promise<[number, number]> => {
  const box = (await (await shown('finder'))!.boundingBox())!;
  return [box.x + x * box.width, box.y + y * box.height];
};
const longPress = async (x: number, y: number, pin: string) => {
  const touch = await page.touchscreen.touchStart(...(await place(x, y)));
  await shown(pin);
  await touch.end();
};
const more = async (tab: string) => {
  await tap('more');
  await tap(`more-tab-${tab}`);
};
const clicksBetween = (a: string, b: string) => {
  const index = (label: string) => SHUTTER_LADDER.findIndex((step) => step.label === label);
  return index(b) - index(a);
};

describe('by touch', () => {
  beforeAll(async () => {
    page = await stage.phone();
    await page.goto(stage.origin);
    await live(page);
  });
  afterAll(async () => page.close());
  afterEach(async () => {
    if (await page.$('[role=dialog]')) await close();
    await tap('all-auto');
    if (await page.$(byId('lock-words'))) await tap('lock');
    await framesPass(page);
  });

  it('the meter shows its patterns: the highlight one leaves raw unclipped, spots have three sizes', async () => {
    await tap('pattern');
    await tap('choose-pattern-highlight');
    await wordsBecome(page, 'headroom', /^headroom \+\d\.\d EV$/);
    await tap('burn-share-0.01');
    await wordsBecome(page, 'headroom', /over by/);
    // The headroom of the stopline is that of the first 0.1 %.
    await tap('burn-share-0.001');
    await wordsBecome(page, 'headroom', /^headroom \+0\.\d EV$/);
    await tap('spot-size-0.03');
    await wordsBecome(page, 'pattern-says', /disc where you tap/);
    await tap('choose-pattern-whole');
    // Dots show how much each field counts.
    await page.waitForFunction(() => document.querySelectorAll('svg circle').length > 100);
    expect(await serious(page)).toEqual([]);
  });

  it('pins: held down to place, dragged, contrasted, put on a step, removed', async () => {
    await longPress(0.42, 0.33, 'pin-A');
    await longPress(0.72, 0.62, 'pin-B');
    await framesPass(page);
    const before = await text('pin-B');
    await touchDrag(page, 'pin-B', -90, -60);
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('pin-B'),
      before,
    );
    await tap('pin-A');
    await wordsBecome(page, 'contrast', /A and B: \d+\.\d stops, 1 : /);
    await tap('pick-A');
    await tap('place-2');
    await wordsBecome(page, 'pin-words-A', /^\+(1\.[89]|2\.[012]) from mid-grey$/);
    await wordsBecome(page, 'lock-words', /pin A at \+2/);
    expect(await serious(page)).toEqual([]);
    await tap('remove-B');
    await gone('pin-B');
    await tap('remove-A');
    await gone('pin-A');
  });

  it('the hand meter reads lux in the scene, takes a typed value, and its settings in one tap', async () => {
    await tap('pattern');
    await tap('meter-tab-hand');
    await tap('hold-hand');
    await wordsBecome(page, 'hand-words', /^[\d ]+ lx$/);
    await shown('hand-marker');
    await page.type(byId('lux'), '320');
    await wordsBecome(page, 'incident-words', /320 lx is EV 7\.0: /);
    await tap('receptor-dome');
    await wordsBecome(page, 'incident-words', /EV 6\.6/);
    await tap('receptor-flat');
    const asked = /: (.*)$/.exec(await text('incident-words'))![1]!;
    await tap('take-incident');
    await wordsBecome(page, 'lock-words', new RegExp(`hand meter, 320 lx: ${asked}`));
    await page.type(byId('lux'), 'bright');
    expect(await wordsBecome(page, 'lux-error', /./)).toMatch(/0\.001 … 1 000 000 lx/);
    await tap('hold-hand');
    await gone('hand-marker');
  });

  it('trading moves one setting against the other click for click, a row of the table applies, an end is said', async () => {
    await more('trade');
    await tap('gives-iso');
    await close();
    await wordsBecome(page, 'state-iso', /gives way/);
    await framesPass(page);
    const [time, iso] = [await text('shutter-words'), await text('iso-words')];
    await touchDrag(page, 'fader-shutter', 0, 42);
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('iso-words'),
      iso,
    );
    const clicks = clicksBetween(await text('shutter-words'), time);
    expect(clicks).toBe(6);
    await wordsBecome(page, 'iso-words', new RegExp(`^${Number(iso) * 4}$`));
    await wordsBecome(page, 'deviation', /on the meter/);
    await more('trade');
    await tap('row-shutter-3');
    await wordsBecome(page, 'iso-words', new RegExp(`^${Number(iso) * 2}$`));
    expect(await serious(page)).toEqual([]);
    for (const next of [Number(iso), Number(iso) / 2]) {
      await page.waitForSelector(`${byId('row-shutter-3')}[aria-label*="${next}"]`);
      await tap('row-shutter-3');
      await wordsBecome(page, 'iso-words', new RegExp(`^${next}$`));
    }
    await close();
    await touchDrag(page, 'fader-shutter', 0, -42);
    await more('trade');
    expect(await wordsBecome(page, 'trade-missing', /ISO is at its end, 50: /)).toMatch(/2\.0 EV too bright/);
  });

  it('everything manual has a scale; compensation says what it does in every mix; out of the scale is said', async () => {
    await wordsBecome(page, 'state-compensation', /moves target/);
    await tap('value-iso');
    await tap('step-400');
    await close();
    await wordsBecome(page, 'state-compensation', /moves shutter/);
    await tap('value-shutter');
    await tap('step-1/125');
    await wordsBecome(page, 'explanation', /twice the light.*At 1\/125 your hand blurs about \d/);
    await close();
    await wordsBecome(page, 'state-compensation', /shifts zero/);
    const off = number(await wordsBecome(page, 'manual-scale', /\(.\d\.\d\)/), /\(([+−\d.]+)\)/);
    await touchDrag(page, 'fader-shutter', 0, -21);
    // A stop more is past the end of the scale.
    const over = number(await wordsBecome(page, 'manual-scale', /^over by \d/), /over by ([\d.]+)/);
    expect(over - off).toBeCloseTo(1, 0);
    await tap('value-shutter');
    await tap('step-4 s');
    await wordsBecome(page, 'manual-scale', /^over by \d+\.\d$/);
  });

  it('the automatic keeps to the bounds that it is given', async () => {
    await more('automatic');
    // The fastest time is pushed down to what is slower than the light wants.
    for (let i = 0; i < 4; i++) await tap('bound-shutter-1-less');
    await tap('bound-iso-0-more');
    await wordsBecome(page, 'bound-iso-0-words', /^125$/);
    await wordsBecome(page, 'iso-words', /^125$/);
    await wordsBecome(page, 'rules-words', /ISO 125–6400/);
    await tap('first-iso');
    await wordsBecome(page, 'rules-words', /ISO → shutter/);
    expect(await serious(page)).toEqual([]);
    await tap('rules-reset');
    await wordsBecome(page, 'iso-words', /^100$/);
  });

  it('a filter is reckoned with, put on the camera, and named in bulb times past 30 s', async () => {
    await more('filter');
    await page.type(byId('filter-strength'), '3');
    await wordsBecome(page, 'filter-words', /3 stops, 8×, density 0\.90\. At ISO 100 1\/\d+ becomes 1\/\d+/);
    await tap('filter-unit-factor');
    expect(await page.$eval(byId('filter-strength'), (e) => (e as HTMLInputElement).value)).toBe('8');
    await framesPass(page);
    const before = await text('shutter-words');
    await tap('filter-on');
    await wordsBecome(page, 'status', /ND 3 stops/);
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('shutter-words'),
      before,
    );
    expect(clicksBetween(before, await text('shutter-words'))).toBeGreaterThanOrEqual(8);
    await page.$eval(byId('filter-strength'), (e) => (e as HTMLInputElement).select());
    await page.type(byId('filter-strength'), '900000');
    await wordsBecome(page, 'filter-words', /bulb, .*longer than the camera/);
    await tap('filter-off');
    await tap('more-tab-drive');
    await tap('delay-2');
    await wordsBecome(page, 'status', /after 2 s/);
    await tap('delay-0');
  });

  it('setups are saved with a choice, shown before they apply, renamed, ordered, deleted, taken back, exchanged as files', async () => {
    await tap('value-iso');
    await tap('step-800');
    await close();
    await more('setups');
    await tap('setup-save');
    await tap('setup-keep');
    await wordsBecome(page, 'setup-name-error', /needs a name/);
    await page.type(byId('setup-name'), 'Dusk');
    for (const part of ['shutter', 'compensationEv', 'focus', 'meter', 'rules', 'filterStops', 'delayS'])
      await tap(`part-${part}`);
    await tap('setup-keep');
    await wordsBecome(page, 'setup-list', /^Dusk/);
    await close();
    await tap('all-auto');
    await more('setups');
    const mine = async (): Promise<ElementHandle> =>
      (await page.$$(`${byId('setup-item')} [role=button]`))[0]!;
    await (await mine()).evaluate((e) => (e as HTMLElement).click());
    await wordsBecome(page, 'setup-changes', /^ISO: automatic → 800$/);
    await tap('setup-apply');
    await wordsBecome(page, 'iso-words', /^800$/);
    await page.$eval(byId('setup-rename'), (e) => (e as HTMLInputElement).select());
    await page.type(byId('setup-rename'), 'Late dusk');
    await tap('setup-rename-do');
    await wordsBecome(page, 'setup-list', /^Late dusk/);
    // Another from a file, in front of the first; then a file with a mistake, named by its field.
    const choose = async (name: string, content: unknown) => {
      writeFileSync(join(folder, name), JSON.stringify(content));
      await ((await page.$(byId('setup-file'))) as ElementHandle<HTMLInputElement>).uploadFile(
        join(folder, name),
      );
    };
    const values = { compensationEv: 1 };
    await choose('good.json', { kind: 'setups', version: 1, setups: [{ name: 'Plus one', values }] });
    await wordsBecome(page, 'setup-said', /One setup taken in/);
    await choose('bad.json', {
      kind: 'setups',
      version: 1,
      setups: [{ name: 'Bad', values: { compensationEv: 7 } }],
    });
    await wordsBecome(page, 'setup-said', /setups\[0\]\.values\.compensationEv \(Bad\) must be <= 5/);
    await (
      await page.$$(`${byId('setup-item')} > [role=button]`)
    )[1]!.evaluate((e) => (e as HTMLElement).click());
    await tap('setup-up');
    await wordsBecome(page, 'setup-list', /^Plus one/);
    await tap('setup-delete');
    await wordsBecome(page, 'setup-list', /^Late dusk/);
    await tap('setup-undo');
    await wordsBecome(page, 'setup-list', /^Plus one/);
    expect(await serious(page)).toEqual([]);
    await tap('setup-built-in-night-sky');
    await wordsBecome(page, 'setup-changes', /Shutter: automatic → 13 s/);
    await tap('setup-apply');
    await wordsBecome(page, 'shutter-words', /^13 s$/);
    await tap('more-tab-drive');
    await tap('delay-0');
  });

  it('Velmo Sim Iris has an aperture to set; the cameras say what changes', async () => {
    await more('camera');
    await tap('body-sim-iris');
    await wordsBecome(page, 'camera-notice', /24 mm becomes 24 mm; aperture automatic/);
    expect(await serious(page)).toEqual([]);
    await close();
    await tap('notice-read');
    await wordsBecome(page, 'status', /24 mm f\/2\.8–8/);
    await tap('value-aperture');
    await tap('step-f/8');
    await wordsBecome(
      page,
      'explanation',
      /At f\/8 it is sharp from [\d.]+ m to .*diffraction disc of 2\.5 px/,
    );
    await close();
    await wordsBecome(page, 'deviation', /on the meter/);
    await touchDrag(page, 'fader-aperture', 0, -21);
    await wordsBecome(page, 'aperture-words', /^f\/5\.6$/);
    await tap('lens-zoom-50');
    await page.waitForFunction(
      () => document.querySelector('canvas')?.dataset.scene === 'wheel-bench.zoom-50',
    );
    await more('camera');
    await tap('body-sim-one');
    await wordsBecome(page, 'camera-notice', /50 mm becomes 77 mm; aperture fixed at f\/2\.8/);
    await close();
    await tap('notice-read');
    await tap('lens-wide');
  });

  it('a kind of remedy that is turned off stays off after a reload, with lock and pins', async () => {
    await wordsBecome(page, 'remedy', /Raw clips/);
    await more('remedies');
    await tap('turn-off-clipping');
    await gone('remedy-clipping');
    expect(await serious(page)).toEqual([]);
    await close();
    await longPress(0.5, 0.6, 'pin-A');
    await framesPass(page);
    await tap('lock');
    await wordsBecome(page, 'reading', /Locked/);
    const held = await text('shutter-words');
    await deskKeeps(page, 'clipping');
    await deskKeeps(page, 'whole reading');
    await page.reload();
    await live(page);
    await shown('pin-A');
    await wordsBecome(page, 'reading', /Locked/);
    expect(await text('shutter-words')).toBe(held);
    expect((await page.$(byId('remedy'))) ? await text('remedy') : '').not.toMatch(/Raw clips/);
    await more('remedies');
    await tap('turn-on-clipping');
    await wordsBecome(page, 'remedy-list', /Raw clips/);
  });
});

describe('a new user', () => {
  it('gets a first correct exposure of the spy-hole by two taps: the meter, and its highlight pattern', async () => {
    page = await stage.phone();
    await page.goto(stage.origin);
    await live(page);
    await tap('outside');
    await tap('scene-spy-hole');
    await close();
    await page.waitForFunction(
      (chip: string) =>
        document.querySelector('canvas')?.dataset.scene === 'spy-hole.wide' &&
        !/loading/.test(document.querySelector(chip)?.textContent ?? ''),
      { timeout: 30_000 },
      byId('outside'),
    );
    await framesPass(page, 8);
    expect(await text('headroom')).toMatch(/over by/);
    await tap('pattern');
    await tap('choose-pattern-highlight');
    await wordsBecome(page, 'clip-share', /^(0|< 0\.01|0\.0\d) %$/);
    expect(await text('shutter-words')).toMatch(/^1\/\d{4}$/);
    expect(await text('iso-words')).toBe('100');
    await close();
    // A spot of its own size on the hole calls for as short a time.
    await tapAt(page, ...(await place(0.515, 0.503)));
    await tap('pattern');
    await tap('spot-size-0.003');
    await wordsBecome(page, 'shutter-words', /^1\/[3-8]\d{3}$/);
    expect(await text('clip-share')).toMatch(/^(0|< 0\.01|0\.0\d) %$/);
    await page.close();
  });
});

describe('by keys', () => {
  beforeAll(async () => {
    page = await stage.wide();
    await page.goto(stage.origin);
    await live(page);
  });
  afterAll(async () => page.close());
  // Everything automatic, and frames of it, before the next.
  afterEach(async () => {
    if (await page.$('[role=dialog]')) await close();
    await press('0');
    if (await page.$(byId('lock-words'))) await press('l');
    await framesPass(page);
  });

  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key as 'a');
  };
  const focus = (id: string) => page.focus(byId(id));

  it('patterns and spot sizes are radio buttons', async () => {
    await press('n');
    await focus('choose-pattern-whole');
    await press('ArrowRight', 'ArrowRight', 'ArrowRight');
    await wordsBecome(page, 'headroom', /^headroom \+\d\.\d EV$/);
    await press('ArrowRight');
    await close();
    await wordsBecome(page, 'pattern', /Whole/);
  });

  it('P pins the spot; arrows move a pin, Delete removes it; the list puts it on a step', async () => {
    await press('p');
    await focus('pin-A');
    const before = await text('pin-A');
    await press('ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp', 'ArrowUp');
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('pin-A'),
      before,
    );
    await press('Enter');
    await focus('place--1');
    await press('Enter');
    await wordsBecome(page, 'lock-words', /pin A at −1/);
    await close();
    await focus('pin-A');
    await press('Delete');
    await gone('pin-A');
  });

  it('more panels, trading and its table', async () => {
    await press('x');
    await focus('more-tab-trade');
    await press('Enter');
    await focus('gives-none');
    await press('ArrowRight');
    await wordsBecome(page, 'state-shutter', /gives way/);
    await shown('row-iso-3');
    await focus('row-iso-3');
    await press('Enter');
    await wordsBecome(page, 'iso-words', /^200$/);
    await close();
    await framesPass(page);
    const before = await text('shutter-words');
    const time = SHUTTER_LADDER.findIndex((step) => step.label === before);
    await press('w', 'w', 'w');
    await wordsBecome(page, 'iso-words', /^400$/);
    await wordsBecome(page, 'shutter-words', new RegExp(`^${SHUTTER_LADDER[time - 3]!.label}$`));
  });

  it('another camera, its aperture by T and G, and everything manual on the scale', async () => {
    await press('x');
    await focus('more-tab-camera');
    await press('Enter');
    await focus('body-sim-iris');
    await press('Enter');
    await close();
    await shown('fader-aperture');
    await press('g');
    await page.waitForFunction(
      (s: string) => document.querySelector(s)!.textContent === 'by hand',
      {},
      byId('state-aperture'),
    );
    const n = await text('aperture-words');
    await press('t', 't', 't');
    await page.waitForFunction(
      (s: string, was: string) => document.querySelector(s)!.textContent !== was,
      {},
      byId('aperture-words'),
      n,
    );
    await press('q', 's');
    await shown('manual-scale');
    await focus('notice-read');
    await press('Enter', '0');
    await gone('manual-scale');
  });

  it('the list of remedies stands beside the faders; its action is a button', async () => {
    await wordsBecome(page, 'remedy-list', /Raw clips/);
    await page.$eval(`${byId('remedy-clipping')} [role=button]`, (e) => (e as HTMLElement).focus());
    await press('Enter');
    await wordsBecome(page, 'compensation-words', /^−/);
    expect(await serious(page)).toEqual([]);
  });
});
