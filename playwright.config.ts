import { defineConfig } from '@playwright/test';
import { chromiumWith } from './e2e/chromium';

const [DEMO_PORT, EMPTY_PORT] = [8431, 8432];
const serve = (port: number, demo: boolean) => ({
  command: `node scripts/start.mjs --port ${port}${demo ? ' --demo' : ''}`,
  url: `http://127.0.0.1:${port}/healthz`,
  reuseExistingServer: false,
  timeout: 30_000,
});

/** Everything runs in Debian's own Chromium against the built app on loopback. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  timeout: 90_000,
  expect: { timeout: 10_000 },
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  // A shared machine may stand still for seconds: what passes only at the second try is told by `npm test`.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: '.cache/e2e.json' }]],
  use: {
    viewport: { width: 390, height: 844 },
    launchOptions: chromiumWith(),
    // Each test has a browser of its own, which would fetch the whole app to keep it; what is kept has tests of its own.
    serviceWorkers: 'block',
  },
  projects: [
    {
      name: 'demo',
      testMatch: 'demo/*.spec.ts',
      use: { baseURL: `http://127.0.0.1:${DEMO_PORT}` },
    },
    {
      name: 'empty',
      testMatch: 'empty/*.spec.ts',
      use: { baseURL: `http://127.0.0.1:${EMPTY_PORT}` },
    },
    { name: 'offline', testMatch: 'offline/*.spec.ts', use: { serviceWorkers: 'allow' } },
  ],
  webServer: [serve(DEMO_PORT, true), serve(EMPTY_PORT, false)],
});
