import { expect, test } from '../silentPage';
import { go } from '../steps';

test('inches show everywhere at once, and the facts stay in centimetres', async ({ page }) => {
  await page.goto('/more');
  await page.getByRole('radio', { name: 'Inches' }).click();
  await expect(page.getByRole('radio', { name: 'Inches' })).toBeChecked();
  await go(page, '/students/p-marit/plan');
  await expect(
    page
      .getByRole('article', { name: 'Hero', exact: true })
      .getByText(/^Seat \d+(\.\d+)? in$/)
      .first(),
  ).toBeVisible();
  await go(page, '/shelf');
  await expect(
    page
      .getByRole('article', { name: 'Cork block' })
      .getByText(/flat 3 in · on edge 6 in · on end 9 in/),
  ).toBeVisible();
  await go(page, '/more/data');
  await expect(page.getByText(/^12 students/)).toBeVisible();
});

test('dark can be chosen, and stays after a reload', async ({ page }) => {
  await page.goto('/more');
  await page.getByRole('radio', { name: 'Dark' }).click();
  await expect(page.locator('html')).toHaveClass(/dark/);
  await page.reload();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('names of poses show all their marks in the shipped faces', async ({ page }) => {
  await page.goto('/students/p-yusuf/poses/seated-fold');
  await expect(page.getByText('Paścimottānāsana', { exact: false })).toBeVisible();
  const loaded = await page.evaluate(async () => {
    await document.fonts.ready;
    return [...document.fonts]
      .filter(({ status }) => status === 'loaded')
      .map(
        ({ family, unicodeRange }) =>
          `${family} ${unicodeRange.includes('U+1E00') ? 'ext' : 'latin'}`,
      );
  });
  expect(loaded).toEqual(
    expect.arrayContaining(['OjasText latin', 'OjasText ext', 'OjasTitle latin']),
  );
});

test('what one tab stores, another shows', async ({ page, context }) => {
  await page.goto('/students/p-cassian');
  await page.getByRole('heading', { name: 'Cassian Moor' }).waitFor();
  const other = await context.newPage();
  await other.goto('/students/p-cassian');
  await other.getByRole('button', { name: 'Change name, height, approach' }).click();
  await other.getByLabel('Name').fill('Cassian Moor-Hale');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(other.getByRole('heading', { name: 'Cassian Moor-Hale' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Cassian Moor-Hale' })).toBeVisible();
});

test('a removed session changes the plan at once, and its undo brings it back', async ({
  page,
}) => {
  await page.goto('/students/p-gunnar/plan');
  const hero = page.getByRole('article', { name: 'Hero', exact: true });
  await expect(hero.getByText('Keep', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Record' }).click();
  await page
    .getByRole('button', { name: /^Remove the session of/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'Plan' }).click();
  await expect(hero.getByText('Less support', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hero.getByText('Keep', { exact: true })).toBeVisible();
});

test('the very mobile student is never lowered, whatever her range', async ({ page }) => {
  await page.goto('/students/p-lulu/plan');
  await expect(page.getByText('never deeper', { exact: false }).first()).toBeVisible();
  await expect(page.getByText('Less support', { exact: true })).toHaveCount(0);
});

test('a written go-ahead opens the mat to a student who had to ask first', async ({ page }) => {
  await page.goto('/students/p-dario/mat');
  await expect(page.getByText('Ask first').first()).toBeVisible();
  await expect(page.getByRole('checkbox')).toHaveCount(0);
  await go(page, '/students/p-dario/intake');
  await page.getByLabel('Date of the written go-ahead').fill('2026-01-12');
  await page.getByRole('button', { name: 'Note the go-ahead' }).click();
  await expect(page.getByText('Written go-ahead of 12 Jan 2026.')).toBeVisible();
  await go(page, '/students/p-dario/mat');
  await expect(page.getByRole('checkbox')).toHaveCount(4);
});

test('back goes where one came from, and places can be linked to', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Ines Calloway/ }).click();
  await expect(page).toHaveURL(/\/students\/p-ines\/plan$/);
  await page.getByRole('link', { name: 'Measure' }).click();
  await page.goBack();
  await expect(page).toHaveURL(/\/students\/p-ines\/plan$/);
  await page.goBack();
  await expect(page.getByRole('heading', { name: 'Today', exact: true })).toBeVisible();
});

test('pieces that are missing are swapped for others, and stay swapped after a reload', async ({
  page,
}) => {
  await page.goto('/students/p-bram/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.getByRole('button', { name: 'Skip this pose' }).click();
  await page.getByRole('heading', { name: 'Hero' }).waitFor();
  const now = page.getByText(/^Now: /);
  const before = await now.textContent();
  await page.getByRole('button', { name: 'Other pieces: Seat' }).click();
  await page
    .getByRole('button', { name: /^Use instead: / })
    .first()
    .click();
  await expect(now).not.toHaveText(before ?? '');
  const after = await now.textContent();
  await page.reload();
  await expect(now).toHaveText(after ?? '');
});
