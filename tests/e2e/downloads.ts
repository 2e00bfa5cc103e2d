// What a page hands to the browser's downloads, for a test that looks into it.
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';

/** How browsers call what they are still writing. */
const UNDER_WAY = /\.(crdownload|part|wkdownload)$/;

/** Has what the page downloads, now and once it is opened anew, come into that folder. */
export async function downloadsTo(page: Page, folder: string): Promise<void> {
  const session = await page.createCDPSession();
  await session.send('Browser.setDownloadBehavior', {
    behavior: 'allow',
    browserContextId: page.browserContext().id,
    downloadPath: folder,
  });
  // Where a file can be chosen to write into, a test could not choose one.
  const withoutPicker = () => void delete (window as { showSaveFilePicker?: unknown }).showSaveFilePicker;
  await page.evaluateOnNewDocument(withoutPicker);
  await page.evaluate(withoutPicker);
}

/** Waits for a file of that ending, and takes it out of the folder. */
export async function downloaded(
  folder: string,
  ending: string,
): Promise<{ readonly name: string; readonly bytes: Uint8Array }> {
  for (;;) {
    const names = readdirSync(folder);
    const name = names.find((file) => file.endsWith(ending));
    if (name && !names.some((file) => UNDER_WAY.test(file))) {
      const bytes = new Uint8Array(readFileSync(join(folder, name)));
      // Some put an empty one there first.
      if (bytes.length > 0) {
        rmSync(join(folder, name));
        return { name, bytes };
      }
    }
    await new Promise((next) => setTimeout(next, 50));
  }
}
