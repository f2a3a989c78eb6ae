import { expect, test } from '../silentPage';
import { go } from '../steps';

test('from an empty app one looks around in a sample, tries things, and leaves without a trace', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Look around in a sample' }).click();
  await expect(page.getByText('A sample, invented: try anything.', { exact: false })).toBeVisible();
  await go(page, '/students');
  await expect(page.getByRole('listitem')).toHaveCount(12);
  // What is changed meanwhile is changed in the sample alone.
  await go(page, '/students/new');
  await page.getByLabel('Name').fill('Somebody Else');
  await page.getByLabel('Height').fill('170');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await expect(page.getByRole('button', { name: /All asked/ })).toBeVisible();
  await go(page, '/students');
  await expect(page.getByRole('listitem')).toHaveCount(13);
  await page.getByRole('button', { name: 'Leave the sample' }).click();
  await expect(page.getByRole('heading', { name: 'Begin with one student' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Begin with one student' })).toBeVisible();
  await expect(page.getByText('Leave the sample')).toBeHidden();
});
