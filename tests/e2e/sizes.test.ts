// The main screen on the sizes that people hold, upright, sideways and wide: whatever takes a touch lies inside the screen, under nothing else, and
// is large enough for a finger; the picture is as large as the size allows.
import type { Page } from 'puppeteer-core';
import {
  byId,
  deskKeeps,
  framesPass,
  live,
  openStage,
  safe,
  serious,
  take,
  tap,
  wordsBecome,
  type Stage,
} from './browser';
import { LONG } from '../sweep';

const SIZES = [
  [320, 568],
  [360, 640],
  [390, 844],
  [430, 932],
  [568, 320],
  [667, 375],
  [844, 390],
  [932, 430],
  [820, 1180],
  [1180, 820],
  [1280, 800],
  [1920, 1080],
  [2560, 1440],
] as const;

type Screen = readonly [number, number];
/** Every panel is opened on the narrowest and on a low one; on all of them in the long checks. Where the parts stand is for units of `places`. */
const TRIED: readonly Screen[] = LONG
  ? SIZES
  : [
      [320, 568],
      [844, 390],
    ];
/** Plain and with one panel on these, of each kind the ends; on all of them in the long checks. */
const WALKED: readonly Screen[] = LONG ? SIZES : [...TRIED, [390, 844], [1280, 800], [2560, 1440]];
const isTried = ([width, height]: Screen) => TRIED.some(([w, h]) => w === width && h === height);

/** Held by hand, not on a desk. */
const isTouch = ([width, height]: Screen) => Math.min(width, height) < 820 || width < height;
const leastOf = (screen: Screen) => (isTouch(screen) ? 44 : 24);

let stage: Stage;
/** One for all of them: each leaves it as it was. */
let page: Page;
beforeAll(async () => {
  stage = await openStage();
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
});
afterAll(() => stage.close());

async function resize(page: Page, [width, height]: Screen): Promise<void> {
  await page.setViewport({ width, height, deviceScaleFactor: 1, isMobile: true, hasTouch: true });
  await framesPass(page, 4);
}

/**
 * What is wrong with where things stand: one line for each.
 * @param screen as it was set: what lies outside widens the page's own idea of it
 */
const troubles = (page: Page, screen: Screen) =>
  page.evaluate(
    (least: number, wide: number, high: number) => {
      const found: string[] = [];
      const inside = (a: DOMRect, b: DOMRect) =>
        a.left > b.left - 1 && a.top > b.top - 1 && a.right < b.right + 1 && a.bottom < b.bottom + 1;
      const place = new DOMRect(0, 0, wide, high);
      const scrollerOf = (element: Element) => {
        for (let e = element.parentElement; e; e = e.parentElement)
          if (/auto|scroll/.test(getComputedStyle(e).overflowY)) return e;
        return null;
      };
      /** A line that moves across under the thumb: what is in it can be brought into sight. */
      const lineOf = (element: Element) => {
        for (let e = element.parentElement; e; e = e.parentElement)
          if (/auto|scroll/.test(getComputedStyle(e).overflowX) && e.scrollWidth > e.clientWidth) return e;
        return null;
      };
      const nameOf = (e: HTMLElement) => e.dataset.testid ?? e.getAttribute('aria-label') ?? e.textContent;
      const main = document.querySelector('[role=main]:not([aria-hidden=true])')!;
      const touched = main.querySelectorAll<HTMLElement>(
        '[role=button],[role=switch],[role=slider],[role=link],[role=radio],input,textarea,[data-testid=finder]',
      );
      for (const element of touched) {
        const box = element.getBoundingClientRect();
        if (box.width === 0 || getComputedStyle(element).visibility === 'hidden') continue;
        const name = nameOf(element);
        if (Math.min(box.width, box.height) < least - 0.1)
          found.push(`${name} is ${Math.round(box.width)} × ${Math.round(box.height)}`);
        const scroller = scrollerOf(element)?.getBoundingClientRect();
        // What is scrolled out of sight can be scrolled to; across it must be whole.
        const line = lineOf(element)?.getBoundingClientRect();
        const outside = line
          ? !inside(line, place)
          : scroller
            ? box.left < scroller.left - 1 || box.right > scroller.right + 1
            : !inside(box, place);
        if (outside)
          found.push(
            `${name} lies outside: ${[box.left, box.top, box.right, box.bottom].map(Math.round).join(' ')}`,
          );
        if (element.dataset.testid === 'finder' || (scroller && !inside(box, scroller))) continue;
        if (line && !inside(box, line)) continue;
        const over = document.elementFromPoint((box.left + box.right) / 2, (box.top + box.bottom) / 2);
        if (over && !element.contains(over) && !over.contains(element))
          found.push(
            `${name} lies under ${nameOf(over.closest<HTMLElement>('[data-testid]') ?? (over as HTMLElement))}`,
          );
      }
      // Text: whole in its own box and in the button that it stands on.
      const texts = document.createTreeWalker(main, NodeFilter.SHOW_TEXT);
      for (let node = texts.nextNode(); node; node = texts.nextNode()) {
        const element = node.parentElement!;
        if (!node.textContent!.trim() || element.closest('svg,[aria-hidden=true]')) continue;
        const style = getComputedStyle(element);
        if (
          style.display === 'none' ||
          style.visibility === 'hidden' ||
          element.getClientRects().length === 0
        )
          continue;
        const cut =
          style.overflow === 'hidden' &&
          (element.scrollWidth > element.clientWidth + 1 || element.scrollHeight > element.clientHeight + 2);
        const range = document.createRange();
        range.selectNodeContents(node);
        const box = range.getBoundingClientRect();
        const holder = element.closest('[role=button],[role=switch],[role=radio],[role=link]');
        const spills =
          holder &&
          holder.clientWidth > 0 &&
          (box.left < holder.getBoundingClientRect().left - 1 ||
            box.right > holder.getBoundingClientRect().right + 1);
        if (cut || spills) found.push(`"${node.textContent}" is cut`);
      }
      for (const value of main.querySelectorAll<HTMLElement>('[data-testid$=-words]')) {
        if (!/^(shutter|aperture|iso|compensation|focus|white|zoom)-words$/.test(value.dataset.testid!))
          continue;
        if (parseFloat(getComputedStyle(value).fontSize) < 18) found.push(`${value.dataset.testid} is small`);
      }
      return [...new Set(found)];
    },
    leastOf(screen),
    ...screen,
  );

/** Share of the picture that is under what stands on it for good: not pins, what is read, or what the person switched on. */
const covered = (page: Page) =>
  page.evaluate(() => {
    const MEANT =
      '[data-testid=finder],[data-testid=remedy],[data-testid=notice],[data-testid=guide],[data-testid^=stopline],[data-testid^=pin],[data-testid=histogram-box],[role=dialog]';
    const picture = document.querySelector('[data-testid=finder]')!.getBoundingClientRect();
    const room = document.querySelector('[data-testid^=places-]')!;
    const grounds = [...room.querySelectorAll<HTMLElement>('*')].filter((e) => {
      if (e.closest(MEANT) || e.querySelector('[data-testid=finder]')) return false;
      const [, , , alpha = '1'] = getComputedStyle(e).backgroundColor.match(/[\d.]+/g) ?? [];
      return Number(alpha) > 0;
    });
    const boxes = grounds.map((e) => e.getBoundingClientRect());
    let [hit, all] = [0, 0];
    for (let y = picture.top + 1; y < picture.bottom; y += 3)
      for (let x = picture.left + 1; x < picture.right; x += 3) {
        all++;
        if (boxes.some((b) => x >= b.left && x < b.right && y >= b.top && y < b.bottom)) hit++;
      }
    return hit / all;
  });

const boxOf = async (page: Page, id: string) => (await (await page.$(byId(id)))!.boundingBox())!;

const PANELS: readonly [key: 'v' | 'n' | 'k' | 'x', tabs: readonly string[]][] = [
  ['v', []],
  ['n', ['meter-tab-pattern', 'meter-tab-pins', 'meter-tab-hand']],
  ['k', ['check-tab-marks', 'check-tab-scopes', 'check-tab-fit', 'check-tab-compare', 'check-tab-view']],
  [
    'x',
    [
      'more-tab-trade',
      'more-tab-setups',
      'more-tab-remedies',
      'more-tab-automatic',
      'more-tab-filter',
      'more-tab-camera',
    ],
  ],
];

const table: Record<string, Record<string, string | number>> = {};
afterAll(() => process.stdout.write(`${lines(table)}\n`));

/** A table for people, one row a size. */
function lines(rows: typeof table): string {
  return Object.entries(rows)
    .map(([size, cells]) =>
      [size.padEnd(12), ...Object.entries(cells).map(([k, v]) => `${k} ${v}`)].join('  '),
    )
    .join('\n');
}

describe('everything automatic', () => {
  it.each(WALKED)('%d × %d: plain, every panel, labels of a first visit', async (...screen) => {
    const [width, height] = screen;
    await resize(page, screen);
    const found: string[] = [];
    const look = async (state: string) =>
      found.push(...(await troubles(page, screen)).map((trouble) => `${state}: ${trouble}`));
    await look('plain');
    const share = await covered(page);
    const finder = await boxOf(page, 'finder');
    const release = await boxOf(page, 'release');
    for (const [key, tabs] of isTried(screen) ? PANELS : PANELS.slice(0, 1)) {
      await page.keyboard.press(key);
      await page.waitForSelector('[role=dialog]');
      for (const tab of tabs.length > 0 ? tabs : [null]) {
        if (tab) await page.$eval(byId(tab), (e) => (e as HTMLElement).click());
        await framesPass(page, 2);
        await look(tab ?? `panel ${key}`);
        // What a panel is about stays in sight: faders, stopline, picture, release.
        const panel = (await (await page.$('[role=dialog]'))!.boundingBox())!;
        for (const id of ['finder', 'fader-shutter', 'release', 'stopline-raw']) {
          const box = await boxOf(page, id);
          const apart =
            box.x + box.width <= panel.x + 1 ||
            panel.x + panel.width <= box.x + 1 ||
            box.y + box.height <= panel.y + 1 ||
            panel.y + panel.height <= box.y + 1;
          if (!apart) found.push(`${tab ?? key} hides ${id}`);
        }
      }
      await page.keyboard.press('Escape');
      await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    }
    await page.$eval(byId('value-shutter'), (e) => (e as HTMLElement).click());
    await page.waitForSelector('[role=dialog]');
    await look('ladder');
    await page.keyboard.press('?');
    await page.waitForSelector(byId('guide'));
    await look('keys and labels');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    table[`${width} × ${height}`] = {
      picture: `${Math.round(finder.width)} × ${Math.round(finder.height)}`,
      covered: `${(100 * share).toFixed(1)} %`,
      troubles: found.length,
    };
    expect(found).toEqual([]);
    expect(share).toBeLessThanOrEqual(0.08);
    expect(finder.width > finder.height).toBe(width > height);
    if (width === 390) expect(finder.width).toBe(390);
    if (height === 390) expect(finder.height).toBe(390);
    // Under the thumb of the hand that holds a phone on its side.
    if (width > height && height < 640) expect(width - (release.x + release.width)).toBeLessThan(24);
  });

  it('finds a button that is moved ten pixels outside', async () => {
    await resize(page, [390, 844]);
    const moved = await page.$(byId('more'));
    await moved!.evaluate((e) => {
      const { right } = e.getBoundingClientRect();
      (e as HTMLElement).style.transform = `translateX(${390 - right + 10}px)`;
    });
    expect(await troubles(page, [390, 844])).toEqual([expect.stringMatching(/^more lies outside/)]);
    await moved!.evaluate((e) => (e as HTMLElement).style.removeProperty('transform'));
  });

  it('for the left hand the desk stands at the left', async () => {
    await resize(page, [844, 390]);
    await page.keyboard.press('k');
    await page.waitForSelector(byId('check-tab-view'));
    await page.$eval(byId('check-tab-view'), (e) => (e as HTMLElement).click());
    await (await page.waitForSelector(byId('thumb-left')))!.evaluate((e) => (e as HTMLElement).click());
    await page.keyboard.press('Escape');
    await framesPass(page, 2);
    const [release, finder] = [await boxOf(page, 'release'), await boxOf(page, 'finder')];
    expect(release.x).toBeLessThan(24);
    expect(finder.x).toBeGreaterThan(release.x + release.width);
    expect(await troubles(page, [844, 390])).toEqual([]);
    await deskKeeps(page, '"thumb":"left"');
    await page.keyboard.press('k');
    await (await page.waitForSelector(byId('thumb-right')))!.evaluate((e) => (e as HTMLElement).click());
    await page.keyboard.press('Escape');
  });
});

it('turned while a frame is read out and after, nothing is lost: the finder lives on, the frame is kept, the next one lies', async () => {
  await resize(page, [390, 844]);
  const before = await page.$eval('canvas', (canvas) => Number(canvas.dataset.frame));
  await safe(page, () => tap(page, 'release'));
  await page.setViewport({ width: 844, height: 390, deviceScaleFactor: 1, isMobile: true, hasTouch: true });
  expect(await page.$(byId('capture-failed'))).toBeNull();
  await framesPass(page, 4);
  // The same canvas: its frames go on counting.
  expect(await page.$eval('canvas', (canvas) => Number(canvas.dataset.frame))).toBeGreaterThan(before);
  await take(page);
  await tap(page, 'open-sheet');
  await page.waitForSelector(byId('sheet-frame'));
  const sizes: string[] = [];
  for (const i of [0, 1]) {
    await (await page.$$(byId('sheet-frame')))[i]!.click();
    await page.waitForSelector(byId('capture-data'));
    sizes.push(
      (await page.$eval(byId('capture-data'), (e) => e.textContent ?? '')).match(/Size(\d+ × \d+)/)![1]!,
    );
    await page.goBack();
    await page.waitForSelector(byId('sheet-frame'));
  }
  const [lying, upright] = sizes.map((size) => size.split(' × ').map(Number));
  expect(lying![0]).toBeGreaterThan(lying![1]!);
  expect(upright![1]).toBeGreaterThan(upright![0]!);
  await tap(page, 'to-finder');
  await live(page);
});

describe('on one page', () => {
  afterEach(async () => {
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    await page.evaluate(() => (document.documentElement.style.fontSize = ''));
    await page.emulateMediaFeatures([]);
  });

  it.each([
    [390, 844],
    [1280, 800],
    ...(LONG
      ? ([
          [844, 390],
          [820, 1180],
        ] as const)
      : []),
  ] as const)('%d × %d: axe finds nothing serious, plain and with a panel', async (...screen) => {
    await resize(page, screen);
    expect(await serious(page)).toEqual([]);
    await page.keyboard.press('x');
    await page.waitForSelector('[role=dialog]');
    expect(await serious(page)).toEqual([]);
  });

  it.each([[390, 844], [844, 390], ...(LONG ? ([[1280, 800]] as const) : [])] as const)(
    '%d × %d: with text twice as large nothing is lost',
    async (...screen) => {
      await page.evaluate(() => (document.documentElement.style.fontSize = '200%'));
      await resize(page, screen);
      expect(await troubles(page, screen)).toEqual([]);
      await page.keyboard.press('x');
      await page.waitForSelector('[role=dialog]');
      await framesPass(page, 2);
      expect(await troubles(page, screen)).toEqual([]);
    },
  );

  it('with forced colours what is chosen is told by a line', async () => {
    const session = await page.createCDPSession();
    await session.send('Emulation.setEmulatedMedia', {
      features: [{ name: 'forced-colors', value: 'active' }],
    });
    await framesPass(page, 2);
    const lineOf = (id: string) => page.$eval(byId(id), (e) => getComputedStyle(e).outlineStyle);
    const lenses = await page.$$eval('[data-testid^=lens-]', (all) =>
      all.map((e) => [e.getAttribute('aria-checked'), getComputedStyle(e).outlineStyle]),
    );
    expect(lenses).toContainEqual(['true', 'solid']);
    expect(lenses).toContainEqual(['false', 'none']);
    expect(await lineOf('release')).toBe('none');
    await session.send('Emulation.setEmulatedMedia', { features: [] });
    await session.detach();
  });

  it('is read in the order of the work: meter, picture, set, check, release', async () => {
    const order = await page.evaluate(
      (ids: string[]) => {
        const found = ids.map((id) => document.querySelector(`[data-testid="${id}"]`)!);
        return found.every(
          (e, i) => i === 0 || found[i - 1]!.compareDocumentPosition(e) & Node.DOCUMENT_POSITION_FOLLOWING,
        );
      },
      ['reading', 'finder', 'stopline-raw', 'fader-shutter', 'fader-focus', 'check', 'release'],
    );
    expect(order).toBe(true);
  });

  it('turned in mid-drag, the drag goes on under the finger and its setting is kept', async () => {
    await resize(page, [390, 844]);
    const index = () => page.$eval(byId('fader-iso'), (e) => Number(e.getAttribute('aria-valuenow')));
    const { x, y, width, height } = await boxOf(page, 'fader-iso');
    const [fx, fy] = [x + width / 2, y + height / 2];
    const before = await index();
    const finger = await page.touchscreen.touchStart(fx, fy);
    await finger.move(fx, fy - 14);
    await finger.move(fx, fy - 28);
    await page.waitForFunction(
      (s: string, was: number) => Number(document.querySelector(s)!.getAttribute('aria-valuenow')) > was,
      {},
      byId('fader-iso'),
      before,
    );
    const half = await index();
    await page.setViewport({ width: 844, height: 390, deviceScaleFactor: 1, isMobile: true, hasTouch: true });
    await page.waitForSelector(byId('places-sideways'));
    // Whatever the system does with the finger, what was set stands, and the next drag works.
    await finger.end().catch(() => undefined);
    await framesPass(page, 4);
    expect(await index()).toBeGreaterThanOrEqual(half);
    const turned = await index();
    const box = await boxOf(page, 'fader-iso');
    const again = await page.touchscreen.touchStart(box.x + box.width / 2, box.y + box.height / 2);
    await again.move(box.x + box.width / 2, box.y + box.height / 2 + 14);
    await again.move(box.x + box.width / 2, box.y + box.height / 2 + 28);
    await again.end();
    await page.waitForFunction(
      (s: string, was: number) => Number(document.querySelector(s)!.getAttribute('aria-valuenow')) < was,
      {},
      byId('fader-iso'),
      turned,
    );
  });

  it('turned with a panel open, the panel stays as it was, scrolled to where it was', async () => {
    await resize(page, [390, 844]);
    await page.keyboard.press('x');
    await (await page.waitForSelector(byId('more-tab-setups')))!.evaluate((e) => (e as HTMLElement).click());
    await page.waitForSelector('[role=dialog] [tabindex="0"]');
    const scroller = () =>
      page.$eval('[role=dialog]', (dialog) => {
        const found = [...dialog.querySelectorAll('*')].find((e) =>
          /auto|scroll/.test(getComputedStyle(e).overflowY),
        )!;
        return found.scrollTop;
      });
    await page.$eval('[role=dialog]', (dialog) => {
      const found = [...dialog.querySelectorAll('*')].find((e) =>
        /auto|scroll/.test(getComputedStyle(e).overflowY),
      )!;
      found.scrollTop = 60;
    });
    await framesPass(page, 2);
    await resize(page, [844, 390]);
    expect(await page.$eval(byId('more-tab-setups'), (e) => e.getAttribute('aria-checked'))).toBe('true');
    expect(await scroller()).toBe(60);
    // Closed and opened again it is where it was left.
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
    await page.keyboard.press('x');
    await page.waitForSelector(byId('more-tab-setups'));
    expect(await page.$eval(byId('more-tab-setups'), (e) => e.getAttribute('aria-checked'))).toBe('true');
    expect(await scroller()).toBe(60);
  });

  it('keeps clear of notches and bars', async () => {
    await resize(page, [844, 390]);
    const session = await page.createCDPSession();
    await session.send(
      'Emulation.setSafeAreaInsetsOverride' as 'Emulation.clearDeviceMetricsOverride',
      {
        insets: { left: 47, right: 47, top: 0, bottom: 21 },
      } as never,
    );
    await page.waitForFunction(
      (s: string) => document.querySelector(s)!.getBoundingClientRect().left >= 47,
      {},
      byId('places-sideways'),
    );
    for (const id of ['finder', 'release', 'stopline-raw', 'fader-shutter', 'more']) {
      const { x, y, width, height } = await boxOf(page, id);
      expect({ id, inside: x >= 47 && x + width <= 844 - 47 && y + height <= 390 - 21 }).toEqual({
        id,
        inside: true,
      });
    }
    expect(await troubles(page, [844, 390])).toEqual([]);
    await session.send(
      'Emulation.setSafeAreaInsetsOverride' as 'Emulation.clearDeviceMetricsOverride',
      { insets: {} } as never,
    );
    await session.detach();
  });
});

describe('with a long remedy, and with everything manual on a lens with an iris', () => {
  beforeAll(async () => {
    await page.keyboard.press('x');
    await (await page.waitForSelector(byId('more-tab-camera')))!.evaluate((e) => (e as HTMLElement).click());
    await (await page.waitForSelector(byId('body-sim-iris')))!.evaluate((e) => (e as HTMLElement).click());
    await page.keyboard.press('Escape');
    await wordsBecome(page, 'aperture-words', /f/);
    for (const key of ['q', 't', 'w', 'r', 'f'] as const) await page.keyboard.press(key);
    await page.waitForSelector(byId('manual-scale'));
    // It opened while focus was moved.
    await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('loupe'));
  });

  it.each(TRIED)('%d × %d', async (...screen) => {
    await resize(page, screen);
    const { x, y, width, height } = await boxOf(page, 'finder');
    // The spot on something dark is told at length.
    await page.mouse.click(x + 0.45 * width, y + 0.3 * height);
    await framesPass(page, 6);
    const found = await troubles(page, screen);
    const share = await covered(page);
    (table[`${screen[0]} × ${screen[1]}`] ??= {}).manual =
      `${(100 * share).toFixed(1)} %, troubles ${found.length}`;
    expect(found).toEqual([]);
    expect(share).toBeLessThanOrEqual(0.08);
    expect(await page.$(byId('manual-scale'))).not.toBeNull();
  });

  it.each(['Home', 'End'] as const)(
    'the values at the ends of the faders are whole at every size: %s',
    async (end) => {
      for (const id of ['shutter', 'aperture', 'iso', 'compensation', 'focus', 'white']) {
        await page.focus(byId(`fader-${id}`));
        await page.keyboard.press(end);
      }
      await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('loupe'));
      for (const screen of TRIED) {
        await resize(page, screen);
        const cut = (await troubles(page, screen)).filter((trouble) => /is cut/.test(trouble));
        expect({ screen, cut }).toEqual({ screen, cut: [] });
      }
    },
  );
});
