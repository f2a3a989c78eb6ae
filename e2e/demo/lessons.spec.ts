import { expect, test } from '../silentPage';
import { go } from '../steps';

test.use({ viewport: { width: 390, height: 844 } });

test('the hamstring lesson is led by the clock and keys, over a reload, and the first fold stands beside the last', async ({
  page,
}) => {
  await page.clock.install();
  await page.goto('/students/p-marit/lesson');
  await page.getByRole('radio', { name: 'Tight hamstrings' }).click();
  await page.getByRole('radio', { name: '30', exact: true }).click();
  await expect(page.getByText(/^About (2\d|30) minutes with setting up/)).toBeVisible();
  await page.getByRole('button', { name: /^Go: \d+ steps, until / }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Down to the floor' })).toBeVisible();
  const ends = await page.getByText(/^Ends at/).textContent();

  // By itself, into the first hold.
  await page.clock.fastForward(100_000);
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).not.toHaveText('Down to the floor');
  await expect(page.getByText(/^Ends at/)).toHaveText(ends as string);
  const before = await heading.textContent();
  await expect(page.getByRole('region', { name: 'Next' })).toBeVisible();

  // Loaded anew it goes on where it was.
  await page.clock.fastForward(2_000);
  await page.reload();
  await expect(heading).toHaveText(before as string);

  await page.getByRole('button', { name: 'Pause' }).click();
  await expect(page.getByText(/standing still/)).toBeVisible();
  await page.keyboard.press(' ');
  await expect(page.getByText(/standing still/)).toBeHidden();
  await page.keyboard.press('f');
  await expect(page.getByRole('button', { name: 'Near again' })).toBeVisible();
  await page.getByRole('button', { name: 'Near again' }).click();

  // Half an hour on, whether or not anybody looked.
  await page.clock.fastForward(32 * 60_000);
  await expect(page.getByRole('heading', { level: 1, name: 'How was it?' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'First and last' })).toContainText('Seated fold');
  await page.getByRole('button', { name: /^Record it: \d+ holds/ }).click();
  await expect(page).toHaveURL(/p-marit\/record/);
  await expect(page.getByRole('region', { name: 'First and last' }).first()).toContainText(
    'Seated fold',
  );
});

test('the chair lesson is led for a class, a line for each mat, and each record gets its own', async ({
  page,
}) => {
  await page.clock.install();
  await page.goto('/classes/c-evening');
  await page.getByRole('link', { name: 'Lead a whole lesson' }).click();
  await page.getByRole('radio', { name: 'On a chair, warm and open' }).click();
  await page.getByRole('button', { name: /^Go: / }).click();
  const mats = page.getByRole('region', { name: 'Mats' });
  await expect(mats).toContainText('Marit:');
  await page.clock.fastForward(70 * 60_000);
  await expect(page.getByRole('heading', { level: 1, name: 'How was it?' })).toBeVisible();
  await page.getByRole('button', { name: /^Record it: \d+ holds/ }).click();
  await go(page, '/students/p-marit/record');
  await expect(page.getByText('Seat on a chair').first()).toBeVisible();
});
