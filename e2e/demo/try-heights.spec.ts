import { expect, test } from '../silentPage';

const reckoned = /Hero, seen from the side: seat on ([\d.]+) cm/;

test('dragging the seat’s top edge moves figure, pieces and numbers, and stores nothing', async ({
  page,
}) => {
  await page.goto('/students/p-marit/plan');
  const hero = page.getByRole('article', { name: 'Hero', exact: true });
  await hero.getByRole('button', { name: 'Try other heights' }).click();
  const edge = hero.getByRole('slider', { name: 'Height, seat' });
  await edge.scrollIntoViewIfNeeded();
  const before = Number(await edge.getAttribute('aria-valuenow'));
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 + 20, { steps: 5 });
  await page.mouse.up();
  const after = Number(await edge.getAttribute('aria-valuenow'));
  expect(after).toBeLessThan(before - 3);
  await expect(hero.getByRole('status')).toHaveText(reckoned);
  await expect(hero.getByText(/Knee bend, hip bent, left: \d+° more than there is/)).toBeVisible();
  await page.reload();
  await expect(
    hero.getByText(new RegExp(`^Seat ${Math.round(before * 2) / 2} cm`)).first(),
  ).toBeVisible();
});

test('the arrow keys do the same', async ({ page }) => {
  await page.goto('/students/p-marit/plan');
  const hero = page.getByRole('article', { name: 'Hero', exact: true });
  await hero.getByRole('button', { name: 'Try other heights' }).click();
  const edge = hero.getByRole('slider', { name: 'Height, seat' });
  const before = Number(await edge.getAttribute('aria-valuenow'));
  await edge.focus();
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowUp');
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeCloseTo(before + 2, 0);
  await page.keyboard.press('PageDown');
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeCloseTo(before, 0);
});
