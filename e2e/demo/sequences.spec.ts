import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { go } from '../steps';

const list = (page: Page) => page.getByRole('list', { name: 'Today’s poses in their order' });
const inOrder = async (page: Page) =>
  (await list(page).getByRole('checkbox', { checked: true }).allInnerTexts()).map((words) =>
    words.replace(/^✓\s*/, '').trim(),
  );

test('a shipped sequence is ordered by a drag and by keys, kept, and run in that order', async ({
  page,
}) => {
  await page.goto('/students/p-yusuf/mat');
  await page.getByRole('radio', { name: 'Tight hamstrings' }).click();
  await expect(list(page).getByRole('checkbox', { name: /^Reclined leg raise/ })).toHaveCount(2);
  const before = await inOrder(page);
  expect(before.at(-1)).toMatch(/rest/i);
  // By keys: the second pose goes up one.
  const second = list(page)
    .getByRole('button', { name: /^Move / })
    .nth(1);
  await second.focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(300);
  await page.keyboard.press('ArrowUp');
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expect.poll(() => inOrder(page)).toEqual([before[1], before[0], ...before.slice(2)]);
  // By a drag: it goes back down.
  const grip = (await list(page)
    .getByRole('button', { name: /^Move / })
    .first()
    .boundingBox())!;
  const under = (await list(page)
    .getByRole('button', { name: /^Move / })
    .nth(1)
    .boundingBox())!;
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(grip.x + grip.width / 2, under.y + under.height / 2 + 8, { steps: 8 });
  await page.mouse.up();
  await expect.poll(() => inOrder(page)).toEqual(before);
  await page.getByLabel('Name of the sequence').fill('Thursday backs');
  await page.getByRole('button', { name: 'Keep it for any student' }).click();
  await expect(page.getByText('Sequence Thursday backs kept')).toBeVisible();
  await go(page, '/students/p-tobiah/mat');
  await page.getByRole('radio', { name: 'Thursday backs' }).click();
  await expect(list(page).getByRole('checkbox', { name: 'Staff' })).toBeVisible();
  const order = await inOrder(page);
  await page.getByRole('button', { name: /^Begin: / }).click();
  await expect(page.getByRole('heading', { name: order[0]!, level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Skip this pose' }).click();
  await expect(page.getByRole('heading', { name: order[1]!, level: 1 })).toBeVisible();
});

test('a pose is done again at the end, and what the order asks for is told', async ({ page }) => {
  await page.goto('/students/p-yusuf/mat');
  await list(page).getByRole('checkbox').first().waitFor();
  const count = (await inOrder(page)).length;
  await page.getByRole('button', { name: 'Staff again at the end' }).click();
  await expect(list(page).getByRole('checkbox', { name: 'Staff' })).toHaveCount(2);
  await expect(
    page.getByRole('button', { name: new RegExp(`^Begin: ${count + 1} poses`) }),
  ).toBeVisible();
  const asks = page.getByRole('region', { name: 'What this order asks for' });
  await expect(asks.getByText(/^About \d+ minutes with setting up\..*Fetch /)).toBeVisible();
  await expect(asks.getByText(/carried or refolded in all/)).toBeVisible();
});

test('one seat throughout stays under every pose that it serves', async ({ page }) => {
  await page.goto('/students/p-yusuf/mat');
  await page.getByRole('radio', { name: 'Outer hip' }).click();
  const seat = page.getByRole('button', { name: /^One seat throughout: / });
  await seat.click();
  const cm = /([\d.]+) cm/.exec(
    await page.getByRole('button', { name: /^One seat throughout, .*taken$/ }).innerText(),
  )![1]!;
  await page.getByRole('button', { name: /^Begin: / }).click();
  const seats: string[] = [];
  for (let i = 0; i < 14; i++) {
    const heading = await page.getByRole('heading', { level: 1 }).innerText();
    const here = page.getByText(new RegExp(`^Seat ${cm.replace('.', '\\.')} cm$`)).first();
    if (/^(Easy crossed|Soles together)/.test(heading) && (await here.isVisible()))
      seats.push(heading);
    const skip = page.getByRole('button', { name: 'Skip this pose' });
    if (!(await skip.isVisible())) break;
    await skip.click();
  }
  expect(new Set(seats.map((one) => one.split(',')[0])).size).toBe(2);
});
