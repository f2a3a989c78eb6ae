import { expect, test } from '../silentPage';
import { focusOn } from '../steps';

test('the first hour and the second visit go by keys alone: from nothing to a pose recorded twice', async ({
  page,
}) => {
  test.slow();
  await page.clock.install();
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'New student' })).toBeVisible();
  const press = async (name: RegExp, key: 'Enter' | 'Space' = 'Enter', mostTabs = 120) => {
    await focusOn(page, name, mostTabs);
    await page.keyboard.press(key);
  };
  const type = async (name: RegExp, text: string) => {
    await focusOn(page, name, 120);
    await page.keyboard.type(text);
  };
  /** Staff alone on the mat, through its steps. */
  const staffToItsFeeling = async () => {
    await expect(page.getByRole('checkbox', { name: 'Staff' })).toBeVisible();
    for (const other of [/^✓Hero/, /^✓Child/, /^✓Standing fold/, /^✓Seated fold/])
      await press(other, 'Space');
    await press(/^Begin: 1 pose/);
    for (const step of ['enter', 'look', 'hold', 'feel'])
      await press(new RegExp(`^Next: ${step}$`));
  };
  await press(/^New student$/);
  await expect(page.getByLabel('Name')).toBeVisible();
  await type(/^Name$/, 'Tamsin Orrery');
  await type(/^Height/, '168');
  await press(/^Save and ask the questions$/);
  await expect(page.getByRole('button', { name: /All asked/ })).toBeVisible();
  await press(/^All asked: no to the remaining/);
  await press(/^On to measuring$/);
  await expect(
    page.getByRole('button', { name: /^Knee bend with a bent hip/ }).first(),
  ).toBeVisible();
  await press(/^Plan$/);
  await expect(page.getByRole('article', { name: 'Hero', exact: true })).toBeVisible();
  await press(/^Mat$/);
  await staffToItsFeeling();
  await press(/^In muscle/, 'Space');
  // A scale is one stop of the keyboard; arrows go along it.
  await focusOn(page, /^0/, 120);
  for (let step = 0; step < 3; step++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByRole('radio', { name: /^3/ })).toBeChecked();
  await press(/^Record and end$/);
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
  await press(/^Record$/);
  await expect(page.getByRole('button', { name: /^Correct the session of/ })).toBeVisible();

  await page.clock.runFor(7 * 24 * 3600 * 1000);
  await press(/^Today$/);
  await press(/^Tamsin Orrery/);
  await press(/^Mat$/);
  await staffToItsFeeling();
  await press(/^As last time, 3 of 10/);
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
});
