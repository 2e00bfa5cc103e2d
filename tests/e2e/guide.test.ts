// The labels of a first visit: they point at what is there, take no touch, go with the next one, and come back when they are asked for.
import type { Page } from 'puppeteer-core';
import { byId, deskKeeps, framesPass, live, openStage, serious, tap, type Stage } from './browser';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage({ desk: { optic: 'small-24' } });
});
afterAll(() => stage.close());
// One page for both.
let page: Page;

const shown = (page: Page) => page.$(byId('guide')).then((found) => found !== null);

it('stand there on the first visit, and never by themselves again', async () => {
  page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
  await page.waitForSelector(byId('guide'));
  expect(await page.$eval(byId('guide'), (e) => e.textContent)).toMatch(/Hollow cap.*/);
  expect(await serious(page)).toEqual([]);
  // The touch that puts them away does what it would have done.
  await tap(page, 'pattern');
  await page.waitForSelector(byId('meter-tab'));
  expect(await shown(page)).toBe(false);
  await deskKeeps(page, '"guided":true');
  await page.reload();
  await live(page);
  expect(await shown(page)).toBe(false);
  await tap(page, 'check');
  await tap(page, 'check-tab-view');
  await tap(page, 'what-is-what');
  await page.waitForSelector(byId('guide'));
  await page.keyboard.press('Shift');
  await page.waitForFunction((s: string) => !document.querySelector(s), {}, byId('guide'));
});

it('lie inside the window on small phones and on wide screens, none over another', async () => {
  await page.keyboard.press('Escape');
  for (const [width, height] of [
    [320, 568],
    [390, 844],
    [1280, 800],
  ] as const) {
    // Of the same kind: another would open the page anew.
    await page.setViewport({ width, height, isMobile: true, hasTouch: true });
    await framesPass(page, 4);
    await page.keyboard.press('?');
    await page.waitForSelector(byId('guide'));
    const boxes = await page.$$eval(`${byId('guide')} > div`, (signs) =>
      signs.map((e) => {
        const { left, top, right, bottom } = e.getBoundingClientRect();
        return { left, top, right, bottom };
      }),
    );
    expect(boxes.length).toBeGreaterThanOrEqual(4);
    boxes.forEach((a, i) => {
      expect(a.left >= 0 && a.top >= 0 && a.right <= width && a.bottom <= height).toBe(true);
      for (const b of boxes.slice(i + 1))
        expect(a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top).toBe(true);
    });
    await page.keyboard.press('Escape');
  }
});
