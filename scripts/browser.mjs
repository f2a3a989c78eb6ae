import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { needBuild, needPackages, root } from './steps.mjs';

const PORT = 8433;
export const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/**
 * Serves the built app, with or without the sample book, opens Debian's Chromium on it, and closes both whatever
 * happens.
 */
export async function withBrowser(demo, work) {
  needPackages();
  needBuild();
  const server = spawn(
    process.execPath,
    ['scripts/start.mjs', ...(demo ? ['--demo'] : []), '--port', String(PORT)],
    { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] },
  );
  try {
    await new Promise((resolve) => server.stdout.once('data', resolve));
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: CHROMIUM_ARGS,
    });
    try {
      await work(browser, `http://127.0.0.1:${PORT}`);
    } finally {
      await browser.close();
    }
  } finally {
    server.kill();
  }
}
