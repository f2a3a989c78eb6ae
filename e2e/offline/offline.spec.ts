import { expect, test, type Page } from '@playwright/test';
import { OwnServer } from './ownServer';

const FIRST_PORT = 8440;
let server: OwnServer;
test.beforeEach(async () => {
  server = new OwnServer(FIRST_PORT + (test.info().workerIndex % 50));
  await server.start();
});
test.afterEach(() => server.remove());

/** Opens the app for the first time, and waits until all of it is here. */
async function visit(page: Page): Promise<void> {
  await page.goto(`${server.address}/more/data`);
  await expect(page.getByText('All of Ojas is on this device')).toBeVisible({ timeout: 40_000 });
}

/** Has the browser look for a newer version now; resolves once that one is here, or was refused. */
const lookForNewer = (page: Page) =>
  page.evaluate(async () => {
    const kept = await navigator.serviceWorker.ready;
    await kept.update();
    const coming = kept.installing;
    if (!coming) return kept.waiting ? 'installed' : 'nothing';
    return new Promise<string>((resolve) => {
      const look = () => {
        if (coming.state === 'installed' || coming.state === 'redundant') resolve(coming.state);
      };
      coming.addEventListener('statechange', look);
      look();
    });
  });

async function newStudent(page: Page, name: string): Promise<void> {
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Height').fill('168');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await page.getByRole('button', { name: /All asked: no to the remaining/ }).click();
}

test('after one visit all of it works with the server gone, any address first', async ({
  page,
}) => {
  await visit(page);
  await server.stop();
  await page.goto(`${server.address}/students/new`);
  await newStudent(page, 'Tamsin Orrery');
  await page.getByRole('link', { name: 'On to measuring' }).click();
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await expect(page.getByRole('article', { name: 'Hero', exact: true })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('article', { name: 'Hero', exact: true })).toBeVisible();
  await page.goto(`${server.address}/more/how`);
  await expect(page.getByRole('heading').first()).toBeVisible();
  await page.goto(`${server.address}/week`);
  await expect(page.getByRole('heading', { name: 'Week' }).first()).toBeVisible();
  await page.goto(`${server.address}/`);
  await expect(page.getByText('Tamsin Orrery').first()).toBeVisible();
});

test('a version that was half fetched is not taken, and the old one goes on', async ({ page }) => {
  await visit(page);
  server.changeKeeper((text) => {
    const changed = text.replace('sample.json', 'not-there.json');
    expect(changed).not.toBe(text);
    return changed;
  });
  expect(await lookForNewer(page)).toBe('redundant');
  await expect(page.getByText('A newer Ojas is here')).toHaveCount(0);
  await server.stop();
  await page.goto(`${server.address}/`);
  await expect(page.getByText('Begin with one student')).toBeVisible();
});

test('a newer version waits for a session to end, and is taken by a tap', async ({ page }) => {
  await visit(page);
  await page.goto(`${server.address}/students/new`);
  await newStudent(page, 'Tamsin Orrery');
  await page.getByRole('link', { name: 'On to measuring' }).click();
  await page.getByRole('link', { name: 'Mat', exact: true }).click();
  await page.getByRole('button', { name: /^Begin: / }).click();
  await expect(page.getByRole('button', { name: 'Next: enter' })).toBeVisible();
  server.changeKeeper((text) => `${text}\n// another build`);
  expect(await lookForNewer(page)).toBe('installed');
  await page.getByRole('button', { name: 'Next: enter' }).click();
  await expect(page.getByRole('button', { name: 'Next: look' })).toBeVisible();
  await expect(page.getByText('A newer Ojas is here.')).toHaveCount(0);
  await page.goBack();
  await expect(page.getByText('A newer Ojas is here.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it' }).click();
  await page.waitForEvent('load');
  await expect(page.getByText('A newer Ojas is here.')).toHaveCount(0);
  await page.getByRole('link', { name: 'Mat', exact: true }).click();
  // The session that was begun goes on.
  await expect(page.getByText(/Look|Enter/).first()).toBeVisible();
  expect(
    await page.evaluate(async () => (await navigator.serviceWorker.ready).waiting === null),
  ).toBe(true);
});
