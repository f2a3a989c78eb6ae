import { expect, test } from '../silentPage';
import { go } from '../steps';

test('a sore knee goes from its question to a squat on a seat, is answered on the mat, and is kept', async ({
  page,
}) => {
  await page.goto('/students/p-oona/intake');
  const question = page.getByRole('radiogroup', { name: 'Meniscus injury', exact: true });
  await question.getByRole('radio', { name: 'Yes' }).click();
  await go(page, '/students/p-oona/poses/squat');
  const build = page.getByRole('region', { name: 'Build' });
  // On a seat that is built, or the chair where that seat would stand too high: never hovering.
  await expect(
    build
      .getByText(/^Seat \d/)
      .or(page.getByRole('link', { name: 'Seat on a chair' }))
      .first(),
  ).toBeVisible();

  await go(page, '/students/p-oona/poses/hero');
  await page.getByRole('link', { name: 'To the mat' }).click();
  await page.getByRole('radiogroup', { name: 'How today is' }).waitFor();
  for (const box of await page.getByRole('checkbox').all())
    if (!/(^|\n)Hero/.test(await box.innerText())) await box.click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: 'Left knee' }).click();
  await page.getByRole('radio', { name: 'Front of the knee' }).click();
  await expect(page.getByText('A higher seat.')).toBeVisible();
  await page.getByRole('button', { name: /hold again/ }).click();
  await expect(page.getByRole('button', { name: /hold/i }).first()).toBeVisible();
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '2', exact: true }).click();
  await page.getByRole('button', { name: 'Record and end' }).click();
  await expect(page.getByRole('region', { name: 'Next time' })).toContainText(
    'the front of the knee, left spoke and was eased',
  );
});
