// What an hour at the bench does to the page: a press every few seconds, then random touches and keys, with the memory of the page's process and the
// nodes of its document told. `npm run bench:endurance -- 20` presses for twenty minutes (the usual number) and ends with 1 when either grows.
import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { nextUint32, randomFrom } from '../src/core/numeric/random';
import {
  byId,
  FULL,
  framesPass,
  live,
  openStage,
  SHIPPED,
  tapAt,
  taken,
  type Stage,
} from '../tests/e2e/browser';
import { closeHall, openHall } from '../tests/e2e/stage-setup';

const EVERY_MS = 5000;
/** More than this between an early and the last reading, both with nothing left to be read out, is growth, MB. */
const MOST_GROWTH_MB = 100;
/** The page has come to its usual size after so many presses. */
const SETTLED_AFTER = 24;
const ACTIONS = 1500;
const MOST_NODES = 2;

interface Reading {
  readonly minutes: number;
  readonly presses: number;
  readonly waiting: number;
  readonly memoryMB: number;
}

async function main(): Promise<void> {
  const minutes = Number(process.argv[2] ?? 20);
  const hall = await openHall(SHIPPED);
  const stage = await openStage({ desk: FULL });
  const grown = [await presses(stage, minutes), await actions(stage)];
  await stage.close();
  await closeHall(hall);
  process.exitCode = grown.includes(true) ? 1 : 0;
}

/** True where memory grew. */
async function presses(stage: Stage, minutes: number): Promise<boolean> {
  const page = await opened(stage);
  const renderer = await rendererOf(stage, page);
  const readings: Reading[] = [];
  const begun = performance.now();
  let count = 0;
  const read = async () => {
    const waiting = Number(
      /(\d+) waiting/.exec(
        await page.$eval(byId('open-sheet'), (e) => e.getAttribute('aria-label') ?? ''),
      )?.[1] ?? 0,
    );
    readings.push({
      ...{ minutes: (performance.now() - begun) / 60_000, presses: count, waiting },
      memoryMB: residentMB(renderer),
    });
  };
  while (performance.now() - begun < minutes * 60_000) {
    const next = performance.now() + EVERY_MS;
    await page.$eval(byId('release'), (e) => (e as HTMLElement).focus());
    await page.keyboard.press('Enter');
    count++;
    if (count % 12 === 0) await read();
    if (count === SETTLED_AFTER) {
      await taken(page);
      await read();
    }
    await new Promise((go) => setTimeout(go, Math.max(0, next - performance.now())));
  }
  await taken(page);
  await framesPass(page, 60);
  await read();
  console.table(
    readings.map((r) => ({ ...r, minutes: r.minutes.toFixed(1), memoryMB: r.memoryMB.toFixed(0) })),
  );
  const settled = readings.find(({ presses }) => presses >= SETTLED_AFTER);
  const growth = readings.at(-1)!.memoryMB - (settled ?? readings[0]!).memoryMB;
  console.log(
    `Memory of the page’s process: ${growth.toFixed(0)} MB more after ${count} presses than after ${settled?.presses ?? 0}.`,
  );
  await page.close();
  return growth > MOST_GROWTH_MB;
}

const KEYS = [
  'x',
  'k',
  'p',
  'q',
  'w',
  'e',
  'r',
  'f',
  't',
  'g',
  'ArrowUp',
  'ArrowDown',
  'Tab',
  'Enter',
  'Escape',
];

/** True where nodes stay behind once the finder stands alone again. */
async function actions(stage: Stage): Promise<boolean> {
  const page = await opened(stage);
  page.on('dialog', (dialog) => void dialog.dismiss());
  const first = await nodesOf(page);
  const state = randomFrom(7);
  const random = () => nextUint32(state) / 2 ** 32;
  for (let i = 0; i < ACTIONS; i++) {
    if (random() < 0.5) await page.keyboard.press(KEYS[Math.floor(random() * KEYS.length)] as 'x');
    else await tapAt(page, random() * 390, random() * 844);
    if (!page.url().startsWith(stage.origin)) await page.goBack();
  }
  for (let i = 0; i < 4; i++) await page.keyboard.press('Escape');
  if (new URL(page.url()).pathname !== '/') await page.evaluate(() => history.go(-(history.length - 1)));
  for (let i = 0; i < 50 && new URL(page.url()).pathname !== '/'; i++) {
    const back = (await page.$(byId('to-sheet'))) ?? (await page.$(byId('to-finder')));
    await back?.evaluate((e) => (e as HTMLElement).click());
    await new Promise((go) => setTimeout(go, 200));
  }
  await live(page);
  const last = await nodesOf(page);
  console.log(
    `Nodes: ${first.document} in the document at first, ${last.document} after ${ACTIONS} random actions; in the process ${first.all} and ${last.all}.`,
  );
  await page.close();
  return last.document > MOST_NODES * first.document || last.all > MOST_NODES * first.all;
}

async function opened(stage: Stage): Promise<Page> {
  const page = await stage.phone();
  await page.goto(stage.origin);
  await live(page);
  await framesPass(page, 60);
  return page;
}

/** Nodes that stand in the document, and all that the page holds, garbage collected. */
async function nodesOf(page: Page): Promise<{ readonly document: number; readonly all: number }> {
  const session = await page.createCDPSession();
  await session.send('HeapProfiler.enable');
  await session.send('HeapProfiler.collectGarbage');
  const { nodes } = await session.send('Memory.getDOMCounters');
  await session.detach();
  return { document: await page.evaluate(() => document.querySelectorAll('*').length), all: nodes };
}

/** Id of the process that draws the page: of all renderers the one that is busy while its frames pass. */
async function rendererOf(stage: Stage, page: Page): Promise<number> {
  const session = await stage.browser.target().createCDPSession();
  const renderers = async () =>
    (await session.send('SystemInfo.getProcessInfo')).processInfo.filter(({ type }) => type === 'renderer');
  const before = new Map((await renderers()).map(({ id, cpuTime }) => [id, cpuTime]));
  await framesPass(page, 60);
  const busy = (await renderers()).map(({ id, cpuTime }) => ({ id, spent: cpuTime - (before.get(id) ?? 0) }));
  await session.detach();
  return busy.sort((a, b) => b.spent - a.spent)[0]!.id;
}

/** Resident memory of a process, MB. */
function residentMB(pid: number): number {
  const kB = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
  return Number(kB) / 1024;
}

void main();
