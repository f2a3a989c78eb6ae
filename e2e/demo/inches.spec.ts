import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { go, keptAway } from '../steps';
import { openPlace, placesTogether } from './places';

/** Everything that a page says, to the eye or to a screen reader. */
const saidOn = (page: Page) =>
  page.evaluate(() => {
    const spoken = ['aria-label', 'aria-valuetext', 'placeholder', 'title', 'alt'];
    return [
      document.body.innerText,
      ...[...document.querySelectorAll('*')].flatMap((one) =>
        spoken.flatMap((name) => one.getAttribute(name) ?? []),
      ),
      ...[...document.querySelectorAll('svg text')].map((one) => one.textContent ?? ''),
    ].join('\n');
  });

/** Lines in which a centimetre is left. */
const centimetresOn = async (page: Page) =>
  (await saidOn(page)).split('\n').filter((line) => /\bcm\b|centimetre(?!s$)/i.test(line));

test.beforeEach(async ({ page }) => {
  await page.goto('/more');
  await page.getByRole('radio', { name: 'Inches' }).click();
  await expect(page.getByText('Lengths in inches')).toBeVisible();
});

for (const some of placesTogether(8)) {
  test(`${some.map(({ name }) => name).join(', ')}: with inches chosen no centimetre is left`, async ({
    page,
  }) => {
    for (const place of some) {
      await openPlace(page, place);
      expect(await centimetresOn(page), place.name).toEqual([]);
    }
  });
}

test('the working, the months to come and other heights of a pose are told in inches', async ({
  page,
}) => {
  await go(page, '/students/p-marit/poses/hero');
  await expect(page.getByText(/Reckoned [\d.]+ in/).first()).toBeVisible();
  await page.getByRole('slider').first().press('ArrowUp');
  await page
    .getByRole('list', { name: /from the floor up/ })
    .getByRole('button')
    .first()
    .click();
  expect(await centimetresOn(page)).toEqual([]);
});

test('on the mat, step by step', async ({ page }) => {
  await go(page, '/students/p-marit/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  for (const step of ['Build', 'Enter', 'Look', 'Hold', 'Feel']) {
    await page.getByRole('radio', { name: step }).click();
    expect(await centimetresOn(page), step).toEqual([]);
  }
});

test('a tape is read in inches, its working too, and kept to the millimetre', async ({ page }) => {
  await go(page, '/students/p-marit/measure');
  await page.getByRole('button', { name: /^Knee bend with a bent hip ?left/ }).click();
  await page.getByRole('radio', { name: 'Heel to seat', exact: true }).click();
  await page.getByLabel('Reading 1').fill('12');
  await expect(page.getByText(/and 12 in make a triangle/)).toBeVisible();
  await page.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByText(/Mean 12 in ± /)).toBeVisible();
  expect(await centimetresOn(page)).toEqual([]);
  await page.getByLabel('Reading 2').fill('200');
  await page.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByText(/200 in is outside what a person can show/)).toBeVisible();
  await page.getByLabel('Reading 2').fill('');
  await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
  await expect(page.getByText(/Knee bend with a bent hip left noted/)).toBeVisible();
  await keptAway(page);
  await go(page, '/more');
  await page.getByRole('radio', { name: 'Centimetres' }).click();
  await expect(page.getByText('Lengths in centimetres')).toBeVisible();
  await go(page, '/students/p-marit/measure');
  await page.getByRole('button', { name: /^Knee bend with a bent hip ?left/ }).click();
  await expect(page.getByText(/: 30.5 cm/).first()).toBeVisible();
});
