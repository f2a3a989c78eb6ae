import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import type { Page } from '@playwright/test';

const PDFTOTEXT = '/usr/bin/pdftotext';

/** Whether Debian's poppler-utils are there to read what was printed; `npm test` installs them where it may. */
export const canReadPrinted = existsSync(PDFTOTEXT);

/** What comes out of the printer, read back from the paper: each page's words, in the order in which they stand there. */
export async function printedPages(page: Page, path: string): Promise<string[]> {
  await page.pdf({ path, format: 'A4' });
  const read = spawnSync(PDFTOTEXT, ['-layout', path, '-'], { encoding: 'utf8' });
  if (read.status !== 0) throw new Error(`${path} could not be read: ${read.stderr}`);
  // Every page ends with a form feed.
  return read.stdout.split('\f').slice(0, -1);
}
