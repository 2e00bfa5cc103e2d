// One page in an engine that is not the one of the other browser suites: what a person does in it, whatever protocol the engine is driven by. Firefox is
// driven by WebDriver BiDi, WebKit (WebKitGTK) by W3C WebDriver under a display of its own, Chromium as everywhere.
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import puppeteer, { type Page } from 'puppeteer-core';

/** What hangs is ended after this; nothing is expected to be so slow. */
const PATIENCE_MS = 180_000;
/** How often a state that is waited for is looked at, ms. */
const LOOK_MS = 100;
const SIZE = { width: 480, height: 900 };

/** Keys that a test presses, by the names of the DOM. */
export type Key = 'Escape' | 'ArrowRight' | ' ' | 'x' | 'f';

export interface Engine {
  /** As it calls itself, with its version. */
  readonly name: string;
  /** Where its downloads come to. */
  readonly downloads: string;
  goTo(address: string): Promise<void>;
  /** The answer of a function that runs in the page; arguments and answer as JSON. */
  ask<A extends readonly unknown[], T>(question: (...of: A) => T | Promise<T>, ...of: A): Promise<T>;
  /** Presses the middle of an element with the mouse. */
  click(selector: string): Promise<void>;
  press(key: Key): Promise<void>;
  close(): Promise<void>;
}

/** Waits until that is so in the page. @throws Error with what stood on the page instead */
export async function until<A extends readonly unknown[]>(
  engine: Engine,
  what: string,
  so: (...of: A) => boolean | Promise<boolean>,
  ...of: A
): Promise<void> {
  for (const from = Date.now(); Date.now() - from < PATIENCE_MS;) {
    if (await engine.ask(so, ...of)) return;
    await new Promise((next) => setTimeout(next, LOOK_MS));
  }
  const stands = await engine.ask(() => document.body.innerText.slice(0, 1500));
  throw new Error(`${what}: it does not come. The page says:\n${stands}`);
}

const of = (id: string) => `[data-testid="${id}"]`;

/** Waits until it is there. */
export async function there(engine: Engine, id: string): Promise<void> {
  await until(engine, id, (selector) => document.querySelector(selector) !== null, of(id));
}

export async function tap(engine: Engine, id: string): Promise<void> {
  await there(engine, id);
  await engine.ask(
    (selector) => document.querySelector(selector)!.scrollIntoView({ block: 'nearest' }),
    of(id),
  );
  await engine.click(of(id));
}

/** Waits until an element's words pass a test, and gives them. */
export async function says(engine: Engine, id: string, pattern: RegExp): Promise<string> {
  await until(
    engine,
    `${id} with ${pattern.source}`,
    (selector, source) => new RegExp(source).test(document.querySelector(selector)?.textContent ?? ''),
    of(id),
    pattern.source,
  );
  return engine.ask((selector) => document.querySelector(selector)?.textContent ?? '', of(id));
}

/** Keyboard focus on an element. */
export async function focus(engine: Engine, selector: string): Promise<void> {
  await until(engine, selector, (s) => document.querySelector(s) !== null, selector);
  await engine.ask((s) => document.querySelector<HTMLElement>(s)!.focus(), selector);
}

/** @param folder for its profile and its downloads */
export async function firefox(folder: string): Promise<Engine> {
  const downloads = join(folder, 'downloads');
  mkdirSync(downloads, { recursive: true });
  const browser = await puppeteer.launch({
    browser: 'firefox',
    executablePath: process.env.FIREFOX ?? '/usr/bin/firefox-esr',
    userDataDir: join(folder, 'profile'),
    defaultViewport: null,
    args: [`--width=${SIZE.width}`, `--height=${SIZE.height}`],
    protocolTimeout: PATIENCE_MS,
    extraPrefsFirefox: {
      // A camera of the engine's own, agreed to without asking.
      'media.navigator.streams.fake': true,
      'media.navigator.permission.disabled': true,
      'browser.download.folderList': 2,
      'browser.download.dir': downloads,
      'browser.download.always_ask_before_handling_new_types': false,
      'browser.download.alwaysOpenPanel': false,
    },
  });
  return driven(await browser.newPage(), downloads, await browser.version(), () => browser.close());
}

/** @param folder for its profile and its downloads */
export async function chromium(folder: string): Promise<Engine> {
  const downloads = join(folder, 'downloads');
  mkdirSync(downloads, { recursive: true });
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    userDataDir: join(folder, 'profile'),
    defaultViewport: SIZE,
    args: [
      ...['--no-sandbox', '--disable-gpu', '--enable-unsafe-swiftshader', '--no-first-run'],
      ...['--use-fake-device-for-media-stream', '--use-fake-ui-for-media-stream'],
    ],
    protocolTimeout: PATIENCE_MS,
  });
  const page = await browser.newPage();
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
  // Where a file can be chosen to write into, a test could not choose one.
  await page.evaluateOnNewDocument(
    () => delete (window as { showSaveFilePicker?: unknown }).showSaveFilePicker,
  );
  return driven(page, downloads, await browser.version(), () => browser.close());
}

function driven(page: Page, downloads: string, name: string, close: () => Promise<void>): Engine {
  page.setDefaultTimeout(PATIENCE_MS);
  return {
    name: name.replace('/', ' '),
    downloads,
    goTo: async (address) => void (await page.goto(address)),
    ask: (question, ...args) => page.evaluate(question as unknown as (...of: unknown[]) => never, ...args),
    click: (selector) => page.click(selector),
    press: (key) => page.keyboard.press(key),
    close,
  };
}

/** How WebDriver calls keys that write nothing. */
const WRITTEN: Partial<Record<Key, string>> = { Escape: '\uE00C', ArrowRight: '\uE014' };
/** W3C WebDriver, section 12: under this name an element's reference comes. */
const ELEMENT = 'element-6066-11e4-a52e-4f735466cecf';

/** @param folder where everything that it writes goes */
export async function webkit(folder: string): Promise<Engine> {
  const downloads = join(folder, 'downloads');
  mkdirSync(downloads, { recursive: true });
  // Where the desktop's libraries look for the folder of downloads.
  const config = join(folder, 'config');
  mkdirSync(config, { recursive: true });
  writeFileSync(join(config, 'user-dirs.dirs'), `XDG_DOWNLOAD_DIR="${downloads}"\n`);
  const started: ChildProcess[] = [];
  const end = () => started.splice(0).forEach((child) => child.kill());
  try {
    const display = await displayOf(started);
    const port = await freePort();
    started.push(
      spawn('WebKitWebDriver', [`--port=${port}`], {
        stdio: 'ignore',
        env: {
          ...process.env,
          ...{ DISPLAY: display, HOME: folder, XDG_CONFIG_HOME: config },
          WEBKIT_DISABLE_COMPOSITING_MODE: '1',
          // It refuses to run as root otherwise, as containers do.
          WEBKIT_DISABLE_SANDBOX_THIS_IS_DANGEROUS: '1',
        },
      }),
    );
    const driver = `http://127.0.0.1:${port}`;
    await answering(driver);
    const send = async <T>(method: string, path: string, body?: object): Promise<T> => {
      const response = await fetch(driver + path, {
        method,
        ...(body && { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
      });
      const { value } = (await response.json()) as { value: T & { error?: string; message?: string } };
      if (!response.ok) throw new Error(`${value.error}: ${value.message}`);
      return value;
    };
    const { sessionId, capabilities } = await send<{
      sessionId: string;
      capabilities: { browserName: string; browserVersion: string };
    }>('POST', '/session', {
      capabilities: {
        alwaysMatch: {
          'webkitgtk:browserOptions': {
            binary: process.env.WEBKIT ?? '/usr/lib/x86_64-linux-gnu/webkit2gtk-4.1/MiniBrowser',
            args: [
              ...['--automation', '--enable-mock-capture-devices=true', '--enable-media-stream=true'],
              `--geometry=${SIZE.width}x${SIZE.height}`,
            ],
          },
        },
      },
    });
    const path = (rest: string) => `/session/${sessionId}${rest}`;
    await send('POST', path('/timeouts'), { script: PATIENCE_MS, pageLoad: PATIENCE_MS });
    const ask: Engine['ask'] = async (question, ...args) => {
      const script = `const done = arguments[arguments.length - 1];
        Promise.resolve((${question.toString()})(...arguments[0])).then(
          (value) => done({ value }),
          (error) => done({ error: String(error) }),
        );`;
      const answer = await send<{ value?: never; error?: string }>('POST', path('/execute/async'), {
        script,
        args: [args],
      });
      if (answer.error !== undefined) throw new Error(answer.error);
      return answer.value as never;
    };
    return {
      name: `WebKitGTK ${capabilities.browserVersion}`,
      downloads,
      goTo: (address) => send('POST', path('/url'), { url: address }),
      ask,
      click: async (selector) => {
        const found = await send<Record<typeof ELEMENT, string>>('POST', path('/element'), {
          using: 'css selector',
          value: selector,
        });
        await send('POST', path(`/element/${found[ELEMENT]}/click`), {});
      },
      press: async (key) => {
        const value = WRITTEN[key] ?? key;
        await send('POST', path('/actions'), {
          actions: [
            {
              ...{ type: 'key', id: 'keys' },
              actions: [
                { type: 'keyDown', value },
                { type: 'keyUp', value },
              ],
            },
          ],
        });
      },
      close: async () => {
        // A session that is left open keeps its browser.
        await send('DELETE', path('')).catch(() => undefined);
        end();
      },
    };
  } catch (error) {
    end();
    throw error;
  }
}

/** Starts a display without a screen, and gives its name. */
async function displayOf(started: ChildProcess[]): Promise<string> {
  const server = spawn('Xvfb', ['-displayfd', '3', '-screen', '0', '1280x1024x24', '-nolisten', 'tcp'], {
    stdio: ['ignore', 'ignore', 'ignore', 'pipe'],
  });
  started.push(server);
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.once('exit', () => reject(new Error('There is no display')));
    server.stdio[3]!.once('data', (number: Buffer) => resolve(`:${number.toString().trim()}`));
  });
}

async function freePort(): Promise<number> {
  const server = createServer();
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const { port } = server.address() as { port: number };
  await new Promise((done) => server.close(done));
  return port;
}

/** Waits until something answers there. */
async function answering(address: string): Promise<void> {
  for (const from = Date.now(); Date.now() - from < PATIENCE_MS;) {
    const ready = await fetch(`${address}/status`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (ready) return;
    await new Promise((next) => setTimeout(next, LOOK_MS));
  }
  throw new Error('The driver of the engine does not answer');
}
