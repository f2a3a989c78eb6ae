import { expect, test } from '../silentPage';

const reckoned = /Hero, seen from the side: seat on ([\d.]+) cm/;
const HERO = '/students/p-marit/poses/hero';

test('dragging the seat’s top edge moves figure, pieces and numbers, and stores nothing', async ({
  page,
}) => {
  await page.goto(HERO);
  const figure = page.getByRole('region', { name: 'Figure' });
  const edge = figure.getByRole('slider', { name: 'Height, seat' });
  await edge.scrollIntoViewIfNeeded();
  const before = Number(await edge.getAttribute('aria-valuenow'));
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 20, { steps: 5 });
  await page.mouse.up();
  const after = Number(await edge.getAttribute('aria-valuenow'));
  expect(after).toBeLessThan(before - 3);
  await expect(figure.getByText(reckoned)).toBeVisible();
  await expect(
    figure.getByText(/Knee bend with a bent hip, left: \d+° more than there is/),
  ).toBeVisible();
  const seat = (cm: number) =>
    page.getByRole('heading', { name: new RegExp(`^Seat ${Math.round(cm * 2) / 2} cm$`) });
  await expect(seat(after)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(seat(before)).toBeVisible();
  await page.reload();
  await expect(seat(before)).toBeVisible();
});

test('the seat itself is taken hold of under the figure, and its edge on the rail follows', async ({
  page,
}) => {
  await page.goto(HERO);
  const figure = page.getByRole('region', { name: 'Figure' });
  const edge = figure.getByRole('slider', { name: 'Height, seat' });
  const before = Number(await edge.getAttribute('aria-valuenow'));
  const seat = figure.getByTestId('support').first();
  await seat.scrollIntoViewIfNeeded();
  const box = (await seat.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + 16, { steps: 4 });
  await page.mouse.up();
  await expect
    .poll(async () => Number(await edge.getAttribute('aria-valuenow')))
    .toBeLessThan(before - 2);
  await expect(figure.getByText(reckoned)).toBeVisible();
});

test('the arrow keys do the same', async ({ page }) => {
  await page.goto(HERO);
  const edge = page.getByRole('slider', { name: 'Height, seat' });
  const before = Number(await edge.getAttribute('aria-valuenow'));
  await edge.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeCloseTo(before + 2, 0);
  await page.keyboard.press('PageDown');
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeCloseTo(before, 0);
});
