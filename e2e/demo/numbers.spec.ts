import { expect, test } from '../silentPage';

test('another value of a number tells whom it would move and where, and what is planned stays', async ({
  page,
}) => {
  const seat = async () => {
    await page.goto('/students/p-bram/poses/staff');
    return page
      .getByRole('slider', { name: 'Height, seat' })
      .first()
      .getAttribute('aria-valuetext');
  };
  const before = await seat();
  expect(before).not.toBeNull();
  await page.goto('/more/reckoning');
  await page.getByLabel('Find a number').fill('seat to hip');
  await page.getByRole('button', { name: /^Seat to hip: what another number/ }).click();
  await page.getByLabel('Seat to hip: what if it were').fill('0.06');
  await page.getByRole('button', { name: 'Whom would it move?' }).click();
  await expect(
    page.getByText(/^\d+ of 12 would sit, kneel or lie on something else:$/),
  ).toBeVisible();
  await expect(
    page.getByText(/: (Seated fold|Hero|Child|One-leg fold), .* cm .*→ .* cm/).first(),
  ).toBeVisible();
  // One that nothing on a mat depends on.
  await page.getByLabel('Find a number').fill('still for');
  await page.getByRole('button', { name: /what another number would move$/ }).click();
  await page.getByRole('button', { name: 'Whom would it move?' }).click();
  await expect(page.getByText(/^Nothing would be laid otherwise for anyone/)).toBeVisible();
  expect(await seat()).toBe(before);
});
