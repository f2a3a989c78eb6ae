import { readFile } from 'node:fs/promises';
import { expect, test } from '../silentPage';
import { importText } from '../steps';

test('everything is erased at once after a book came in, and an empty app begins', async ({
  page,
}) => {
  await page.goto('/more/data');
  await importText(page, 'book.json', await readFile('demo/kingfisher-boathouse.json', 'utf8'));
  await page.getByRole('button', { name: 'Take in what is new' }).click();
  await expect(page.getByText(/records came in/)).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Write “erase” to do so').fill('erase');
  await page.getByRole('button', { name: 'Erase everything' }).click();
  await expect(page.getByText('Begin with one student')).toBeVisible({ timeout: 30_000 });
  const left = await page.evaluate(async () => {
    const copies = await caches.open('ojas-second-copy');
    return (await copies.keys()).length;
  });
  expect(left).toBe(0);
  await page.goto('/students');
  await expect(page.getByText('Marit Osei')).toHaveCount(0);
});
