// Before the suites in a browser: one server, one warm browser, for all of them. Each suite has contexts of its own in it.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import puppeteer, { type Browser } from 'puppeteer-core';
import { buildServer, type ServerOptions } from '../../server/main';
import { testFolders } from './folders';
import { ramp } from './ramp';

const FLAGS = [
  // Pages live for seconds here: code optimised once more is not worth its making.
  '--js-flags=--no-turbofan',
  ...['--no-sandbox', '--disable-gpu', '--enable-unsafe-swiftshader', '--disable-quic', '--no-first-run'],
  ...['--disable-background-networking', '--disable-component-update', '--disable-sync'],
  // Of the browser's own pages nothing is needed, and each window has some.
  '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup,OmniboxWebUI',
  // Suites that go on beside each other are all in front.
  ...['--disable-backgrounding-occluded-windows', '--disable-renderer-backgrounding'],
  // A camera of the device that shows a known picture, agreed to without asking.
  ...['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
];

export interface Hall {
  readonly server: FastifyInstance;
  readonly browser: Browser;
  readonly folder: string;
}

/**
 * Opens a server and a browser, and leaves their addresses where `openStage` looks for them.
 * @param shown what the browser's test camera plays, as YUV4MPEG2
 */
export async function openHall(served: ServerOptions, shown: Buffer = ramp()): Promise<Hall> {
  const folder = mkdtempSync(join(tmpdir(), 'velmo-e2e-'));
  const film = join(folder, 'film.y4m');
  writeFileSync(film, shown);
  const server = await buildServer(served);
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [...FLAGS, `--use-file-for-fake-video-capture=${film}`],
    userDataDir: join(folder, 'profile'),
  });
  // The browser's own first page keeps a part of a core busy.
  for (const page of await browser.pages()) await page.goto('about:blank');
  process.env.VELMO_ORIGIN = await server.listen({ port: 0, host: '127.0.0.1' });
  process.env.VELMO_BROWSER = browser.wsEndpoint();
  return { server, browser, folder };
}

export async function closeHall({ server, browser, folder }: Hall): Promise<void> {
  await browser.close();
  await server.close();
  rmSync(folder, { recursive: true, force: true });
}

export default async function setUp(): Promise<void> {
  Object.assign(globalThis, { velmoHall: await openHall(testFolders) });
}

export async function tearDown(): Promise<void> {
  await closeHall((globalThis as unknown as { velmoHall: Hall }).velmoHall);
}
