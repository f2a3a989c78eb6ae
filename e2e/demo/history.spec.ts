import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';

/** Stores alive in this document, told by the locks that each holds for itself. */
const stores = (page: Page) =>
  page.evaluate(
    async () =>
      ((await navigator.locks.query()).held ?? []).filter(({ name }) =>
        name?.startsWith('ojas-tab-'),
      ).length,
  );
const session = (page: Page) => page.getByRole('radio', { name: 'Build' });

/** A session under way, with Students and the student before it. */
async function underWay(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('link', { name: 'Students' }).click();
  await page.getByRole('link', { name: /Ines Calloway/ }).click();
  await page.getByRole('link', { name: 'Mat', exact: true }).click();
  await page.getByRole('button', { name: /^Begin/ }).click();
  await expect(session(page)).toBeVisible();
}

test('twelve walks back and forth through a running session: one store, one lock, the session as it was', async ({
  page,
}) => {
  await underWay(page);
  for (let walk = 0; walk < 12; walk++) {
    const steps = 1 + (walk % 3);
    for (let i = 0; i < steps; i++) await page.goBack();
    if (steps === 3) await expect(page).toHaveURL(/:\d+\/$/);
    for (let i = 0; i < steps; i++) await page.goForward();
    await expect(page).toHaveURL(/p-ines\/mat$/);
    await expect(session(page)).toBeVisible();
  }
  expect(await stores(page)).toBe(1);
});

test('after a reload the entries of the document before are walked through by one store too', async ({
  page,
}) => {
  await underWay(page);
  await page.reload();
  await expect(session(page)).toBeVisible();
  for (let walk = 0; walk < 4; walk++) {
    await page.goBack();
    await expect(page.getByRole('heading', { name: 'Ines Calloway' })).toBeVisible();
    await page.goForward();
    await expect(session(page)).toBeVisible();
  }
  expect(await stores(page)).toBe(1);
});
