// On a wide screen: its two scopes, and frames by the space bar; what is said when things are missing; a roll of ten thousand.
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import {
  alertSays,
  byId,
  fillRoll,
  framesPass,
  live,
  openStage,
  safe,
  serious,
  taken,
  type Stage,
} from './browser';
import { LONG } from '../sweep';

let stage: Stage;
beforeAll(async () => {
  stage = await openStage();
});
afterAll(async () => stage.close());

describe('on a wide screen', () => {
  // One page for all of them: each leaves everything automatic.
  let page: Page;
  beforeAll(async () => {
    page = await stage.wide();
    await page.goto(stage.origin);
    await live(page);
  });
  afterEach(async () => {
    await page.keyboard.press('Escape');
    await page.keyboard.press('0');
    await framesPass(page);
  });
  afterAll(async () => page.close());

  it('shows a landscape finder with raw and picture side by side', async () => {
    const box = (await (await page.$(byId('finder')))!.boundingBox())!;
    expect(box.width).toBeGreaterThan(box.height);
    expect(await page.$(byId('stopline-raw'))).not.toBeNull();
    expect(await page.$(byId('stopline-picture'))).not.toBeNull();
  });

  it('the space bar takes a frame, with a panel open too; nothing that the panel talks about lies under it', async () => {
    await safe(page, () => page.keyboard.press('Space'));
    await taken(page);
    expect(await page.$(byId('capture-failed'))).toBeNull();
    await page.keyboard.press('x');
    await page.click(byId('gives-iso'));
    await page.waitForSelector(byId('row-shutter-0'));
    const panel = (await (await page.$('[role=dialog]'))!.boundingBox())!;
    for (const id of ['finder', 'stopline-raw', 'fader-shutter', 'fader-iso', 'release']) {
      const box = (await (await page.$(byId(id)))!.boundingBox())!;
      const apart =
        box.x + box.width <= panel.x + 1 ||
        box.x >= panel.x + panel.width - 1 ||
        box.y + box.height <= panel.y + 1 ||
        box.y >= panel.y + panel.height - 1;
      expect([id, apart]).toEqual([id, true]);
    }
    expect(await serious(page)).toEqual([]);
    await safe(page, () => page.keyboard.press('Space'));
    expect(await page.$(byId('capture-failed'))).toBeNull();
  });

  it('prints its keys; Escape puts them away', async () => {
    await page.keyboard.press('?');
    await page.waitForSelector(byId('key-q'));
    expect(await serious(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=dialog]'));
  });
});

describe('when something is missing', () => {
  it('a scene that does not load is said, with a way out', async () => {
    const bare = await openStage({ folders: { scenes: tmpdir() } });
    try {
      const page = await bare.phone();
      await page.goto(bare.origin);
      await alertSays(page, /scene did not load.*Try again/);
    } finally {
      await bare.close();
    }
  });

  it('without a demo roll the sheet is empty and says what to do', async () => {
    const bare = await openStage({ folders: { demo: join(tmpdir(), 'velmo-no-such-folder') } });
    try {
      const page = await bare.phone();
      await page.goto(`${bare.origin}/sheet`);
      await page.waitForFunction(() => /No frames yet/.test(document.body.textContent ?? ''));
      await page.goto(`${bare.origin}/frame/0123`);
      await page.waitForFunction(() => /not in the roll/.test(document.body.textContent ?? ''));
      await page.goto(`${bare.origin}/nowhere`);
      await page.waitForFunction(() => /There is nothing here/.test(document.body.textContent ?? ''));
    } finally {
      await bare.close();
    }
  });
});

describe('a roll of ten thousand frames', () => {
  it('opens, and from the first frame to the last there is no blank in one drag', async () => {
    const page = await stage.phone();
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForSelector(byId('sheet-frame'));
    await page.evaluate(fillRoll, 10_000);
    await page.goto('about:blank');
    await page.goto(`${stage.origin}/sheet`);
    await page.waitForFunction(() =>
      /10008 frames/.test(document.querySelector('[role=heading]')?.textContent ?? ''),
    );
    // Wherever the drag has come to, tiles stand there in the same moment, from edge to edge; and where it rests, pictures.
    const steps = LONG ? 150 : 60;
    const { blank, late } = await page.evaluate(dragToEnd, byId('grid'), byId('sheet-frame'), steps);
    expect(blank).toEqual([]);
    // A machine whose cores are both taken misses a frame now and then.
    expect(late.length).toBeLessThanOrEqual(steps / 20);
    await page.waitForFunction(
      (cell: string) => {
        const cells = [...document.querySelectorAll(cell)];
        return cells.length >= 4 && cells.every((c) => c.querySelector('img'));
      },
      {},
      byId('sheet-frame'),
    );
    await page.close();
  });
});

/**
 * Runs in the page: scrolls to the end in so many steps. Returns those at which something of the view showed no tile two frames on, when what was to be
 * drawn for the first is on the screen, and those at which that had not changed after four more.
 */
async function dragToEnd(
  grid: string,
  cell: string,
  steps: number,
): Promise<{ late: number[]; blank: number[] }> {
  const element = document.querySelector(grid)!;
  const end = element.scrollHeight - element.clientHeight;
  const passed = async (frames: number) => {
    for (let frame = 0; frame < frames; frame++) await new Promise((done) => requestAnimationFrame(done));
  };
  const isFull = () => {
    const box = element.getBoundingClientRect();
    const inside = [...document.querySelectorAll(cell)]
      .map((c) => c.getBoundingClientRect())
      .filter((c) => c.bottom > box.top && c.top < box.bottom);
    const top = Math.min(...inside.map((c) => c.top));
    const bottom = Math.max(...inside.map((c) => c.bottom));
    // The last row may be half empty below its captions.
    return top <= box.top + 1 && bottom >= box.bottom - 1;
  };
  const [late, blank]: [number[], number[]] = [[], []];
  for (let i = 1; i <= steps; i++) {
    element.scrollTo(0, (end * i) / steps);
    await passed(2);
    if (isFull()) continue;
    late.push(i);
    await passed(4);
    if (!isFull()) blank.push(i);
  }
  return { late, blank };
}
