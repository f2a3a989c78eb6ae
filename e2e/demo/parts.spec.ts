import { expect, test } from '@playwright/test';

test('a part of the app that cannot be loaded is tried again, then said; the rest works, and it comes when it can', async ({
  page,
}) => {
  let offline = true;
  await page.route(/\/pages-[^/]+\.js$/, (route) => (offline ? route.abort() : route.continue()));
  await page.goto('/');
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByText(/A part of the app cannot be loaded now/)).toBeVisible({
    timeout: 20_000,
  });
  await page.getByRole('link', { name: 'Today' }).click();
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  offline = false;
  await page.getByRole('button', { name: 'Try now' }).click();
  await expect(page.getByText(/A part of the app cannot be loaded now/)).toBeHidden();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('article').first()).toBeVisible();
});
