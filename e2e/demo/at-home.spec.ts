import { readFile } from 'node:fs/promises';
import { AxeBuilder } from '@axe-core/playwright';
import { expect, test } from '../silentPage';

test('a sheet goes to the student’s own phone by its address, and is done there without a book', async ({
  page,
  browser,
}) => {
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/students/p-marit/sheet');
  // The same days for their calendar, written by a part that comes late.
  const calendar = page.waitForEvent('download');
  await page.getByRole('button', { name: /For their calendar/ }).click();
  expect(await readFile(await (await calendar).path(), 'utf8')).toContain('RRULE:FREQ=DAILY');
  await page.getByRole('button', { name: 'On their own phone' }).click();
  await expect(page.getByRole('img', { name: /A code that opens this sheet/ })).toBeVisible();
  await page.getByRole('button', { name: 'Copy the address' }).click();
  await expect(page.getByText('Copied.')).toBeVisible();
  const address = await page.evaluate(() => navigator.clipboard.readText());
  // Nothing of it reaches a server: all stands after the #.
  expect(new URL(address).pathname + new URL(address).search).toBe('/at-home');
  expect(address.length).toBeLessThan(2900);

  const context = await browser.newContext({
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  });
  const phone = await context.newPage();
  await phone.goto(address);
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('To do at home: Marit');
  await expect(phone.getByRole('link', { name: 'Students' })).toHaveCount(0);
  const first = phone.getByRole('region').first();
  await expect(first.getByText('Go in')).toBeVisible();
  await first.getByRole('button', { name: 'I am in it' }).click();
  await expect(first.getByRole('timer')).toHaveAccessibleName(/0:0[1-9] held/);
  await first.getByRole('button', { name: 'Just right' }).click();
  await expect(phone.getByRole('region', { name: 'What you did' })).toContainText('just right');
  const { violations } = await new AxeBuilder({ page: phone })
    .exclude('[role="img"] svg')
    .setLegacyMode(true)
    .analyze();
  expect(violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')).toEqual(
    [],
  );
  // The phone's own book is neither opened nor made; the sheet is there again without its address.
  const databases = await phone.evaluate(async () =>
    (await indexedDB.databases()).map(({ name }) => name),
  );
  expect(databases).toEqual(['ojas-at-home']);
  await phone.goto('/at-home');
  await expect(phone.getByRole('region', { name: 'What you did' })).toContainText('just right');
  // Back to the teacher, by the address that the code holds: once, however often it is opened.
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await phone.getByRole('button', { name: 'For your teacher' }).click();
  await expect(phone.getByRole('img', { name: /hands your teacher/ })).toBeVisible();
  await phone.getByRole('button', { name: 'Copy the address' }).click();
  await expect(phone.getByText('Copied.')).toBeVisible();
  const back = await phone.evaluate(() => navigator.clipboard.readText());
  expect(new URL(back).pathname).toBe('/done-at-home');
  await page.goto(back);
  await page.getByRole('button', { name: 'Take it in for Marit Osei' }).click();
  await expect(page.getByText('Taken in.')).toBeVisible();
  await page.goto('/students/p-marit/record');
  await expect(page.getByRole('region', { name: 'At home' })).toContainText('just right');
  await page.goto(back);
  await expect(page.getByText('All of it is here already.')).toBeVisible();

  await phone.goto('/at-home#damaged');
  await expect(phone.getByRole('alert')).toContainText('damaged or was cut short');
  await context.close();
});
