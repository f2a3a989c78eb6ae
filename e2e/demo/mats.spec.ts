import { expect, test } from '../silentPage';
import { matsKept } from '../steps';

test.use({ viewport: { width: 1280, height: 800 } });

test('three at once, side by side: each is led on its own, one stops, one is ended, a reload keeps the rest', async ({
  page,
}) => {
  await page.goto('/students');
  for (const name of ['Marit Osei', 'Ines Calloway', 'Yusuf Bellamy']) {
    await page.getByRole('link', { name: 'Students', exact: true }).click();
    await page.getByRole('row').filter({ hasText: name }).getByRole('link').click();
    await page.getByRole('link', { name: 'Mat', exact: true }).click();
    await page.getByRole('button', { name: /^Begin: / }).click();
  }
  const mat = (name: string) => page.getByRole('region', { name: `Mat of ${name}` });
  const [marit, ines, yusuf] = [mat('Marit Osei'), mat('Ines Calloway'), mat('Yusuf Bellamy')];
  for (const one of [marit, ines, yusuf])
    await expect(one.getByRole('button', { name: 'Stop: what is felt?' })).toBeInViewport();

  await ines.getByRole('radio', { name: 'Hold' }).click();
  await ines.getByRole('button', { name: 'Begin the hold' }).click();
  await expect(ines.getByRole('timer')).toHaveText(/^0:0[1-9]/);

  // A rung on one mat moves nothing on another.
  await marit.getByRole('button', { name: /^↑ One step higher/ }).click();
  await expect(marit.getByRole('button', { name: 'Undo the last step' })).toBeVisible();
  await expect(yusuf.getByRole('button', { name: 'Undo the last step' })).toBeHidden();

  await yusuf.getByRole('button', { name: 'Stop: what is felt?' }).click();
  await yusuf.getByRole('button', { name: 'Joint', exact: true }).click();
  await yusuf.getByRole('button', { name: 'Out: save it' }).click();
  await expect(yusuf.getByText(/^2 of /)).toBeVisible();
  await expect(marit.getByText(/^1 of /)).toBeVisible();

  await yusuf.getByRole('button', { name: 'End the session here' }).click();
  await expect(yusuf).toBeHidden();
  await expect(page.getByText('Session recorded: 1 pose')).toBeVisible();

  // The screen is that of one who goes on.
  await expect(page).not.toHaveURL(/p-yusuf/);
  await matsKept(page, ['p-marit', 'p-ines']);
  await page.reload();
  await expect(marit.getByRole('button', { name: 'Undo the last step' })).toBeHidden();
  await expect(ines.getByRole('button', { name: 'Pause' })).toBeVisible();
  await marit.getByRole('button', { name: 'End the session here' }).click();
  // Alone again, a mat has the screen, with the list beside it.
  await expect(page.getByRole('heading', { level: 1, name: /Staff/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
});
