import { chromiumWith } from '../chromium';
import { dragTo } from '../pictures';
import { expect, test } from '../silentPage';
import { keptAway } from '../steps';

// The browser's own stand-in for a camera, which says yes by itself.
test.use({
  launchOptions: chromiumWith(
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
  ),
});

test('a picture is taken with the camera, marked, and kept on purpose with its reading', async ({
  page,
}) => {
  await page.goto('/students/p-bram/measure');
  await page.getByRole('button', { name: /^Hamstring ?left/ }).click();
  await page.getByRole('radio', { name: 'Photo' }).click();
  await page.getByRole('button', { name: 'Open the camera' }).click();
  await page.getByRole('button', { name: 'Take the picture' }).click();
  await expect(
    page.getByRole('slider', { name: 'ankle of the raised leg', exact: true }),
  ).toBeVisible();
  // In shares of the picture: the size of a camera's is its own affair.
  await dragTo(page, 'heel of the flat leg', [0.2, 0.85], [1, 1]);
  await dragTo(page, 'hip', [0.6, 0.85], [1, 1]);
  await dragTo(page, 'ankle of the raised leg', [0.4, 0.4], [1, 1]);
  await page.getByRole('checkbox', { name: /^Keep the picture/ }).click();
  await page.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByRole('img', { name: /^Readings / })).toBeVisible();
  await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
  await expect(page.getByText(/Hamstring left noted/)).toBeVisible();
  await keptAway(page);
  await page.reload();
  await page.getByRole('button', { name: /^Hamstring ?left/ }).click();
  await expect(page.getByLabel('The picture kept with this reading')).toBeVisible();
  // Removed with its reading, and brought back with it.
  await page
    .getByRole('button', { name: /^Remove the reading of/ })
    .first()
    .click();
  await expect(page.getByLabel('The picture kept with this reading')).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('The picture kept with this reading')).toBeVisible();
});
