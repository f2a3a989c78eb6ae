import { expect, test } from '../silentPage';

test('a one-sided pose is planned, seen from above, and done on each side by itself', async ({
  page,
}) => {
  await page.goto('/students/p-tobiah/plan');
  const left = page.getByRole('article', { name: 'One-leg fold, left' });
  // A figure is drawn where it is near what is seen.
  await left.scrollIntoViewIfNeeded();
  await expect(left.getByRole('img').first()).toHaveAccessibleName(
    /^One-leg fold, left, seen from the side/,
  );
  await expect(page.getByRole('article', { name: 'One-leg fold, right' })).toBeVisible();
  await left.getByRole('link', { name: 'Open One-leg fold, left' }).click();
  const figure = page.getByRole('region', { name: 'Figure' });
  await figure.getByRole('radio', { name: 'Above' }).click();
  await expect(figure.getByRole('img').first()).toHaveAccessibleName(
    'One-leg fold, left, seen from above.',
  );
  await page.getByRole('radio', { name: 'Right', exact: true }).click();
  await expect(figure.getByRole('img').first()).toHaveAccessibleName(
    /^One-leg fold, right, seen from/,
  );

  await page.getByRole('link', { name: 'To the mat' }).click();
  await page.getByRole('radiogroup', { name: 'How today is' }).waitFor();
  for (const box of await page.getByRole('checkbox').all())
    if (!/(^|\n)One-leg fold/.test(await box.innerText())) await box.click();
  await page.getByRole('button', { name: /Begin: 2 poses/ }).click();
  await expect(page.getByRole('heading', { name: 'One-leg fold, left' })).toBeVisible();
  for (const step of ['enter', 'look', 'hold', 'feel'])
    await page.getByRole('button', { name: `Next: ${step}` }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: /^Record/ }).click();
  await expect(page.getByRole('heading', { name: 'One-leg fold, right' })).toBeVisible();
  await page.getByRole('button', { name: 'End the session here' }).click();
  await expect(page.getByText('One-leg fold, left', { exact: true }).first()).toBeVisible();
});

test('a pose of another group is looked at, and its caution told', async ({ page }) => {
  await page.goto('/students/p-ines/plan');
  await page.getByRole('radio', { name: 'Kneeling' }).click();
  await expect(
    page.getByRole('article', { name: 'Horse, left' }).getByText('Not for now'),
  ).toBeVisible();
  await expect(page.getByRole('article', { name: 'Child' }).getByRole('img').first()).toBeVisible();
  await page.getByRole('radio', { name: 'Chair', exact: true }).click();
  await page.getByRole('link', { name: 'Open Seat on a chair' }).click();
  await expect(
    page
      .getByRole('region', { name: 'Build' })
      .getByText(/^The back of the knee stands/)
      .first(),
  ).toBeVisible();
});

test('a sore day lifts what stands there, and is said on the mat', async ({ page }) => {
  await page.goto('/students/p-oona/mat');
  await page
    .getByRole('radiogroup', { name: 'How today is' })
    .getByRole('radio', { name: 'Sore' })
    .click();
  for (const box of await page.getByRole('checkbox').all())
    if (!/(^|\n)Hero$/.test((await box.innerText()).trim())) await box.click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  await expect(page.getByText('A sore day: one step easier than usual.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('A sore day: one step easier than usual.')).toBeVisible();
});

test('a choice for one pose is set on its page and can be undone', async ({ page }) => {
  await page.goto('/students/p-marit/poses/hero');
  await page.getByRole('radio', { name: 'A folded towel' }).click();
  await expect(page.getByRole('radio', { name: 'A folded towel' })).toBeChecked();
  await expect(page.getByRole('heading', { name: /^Behind the knee/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('radio', { name: 'As for this student: none' })).toBeChecked();
});
