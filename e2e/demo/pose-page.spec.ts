import { expect, test } from '../silentPage';
import { focusOn, go } from '../steps';

test('the first figure of the plan stands within the first 300 pixels of a phone', async ({
  page,
}) => {
  await page.goto('/students/p-marit/plan');
  const figure = page.getByRole('article').first().getByRole('img').first();
  await expect(figure).toBeVisible();
  expect((await figure.boundingBox())!.y).toBeLessThanOrEqual(300);
});

test('a pose is found in Sanskrit without its marks, and opened', async ({ page }) => {
  await page.goto('/students/p-marit/plan');
  await page.getByRole('button', { name: 'Find a pose' }).click();
  await page.getByLabel('Find a pose, in English or Sanskrit').fill('baddha kon');
  await expect(page.getByRole('article')).toHaveCount(2);
  await page.getByRole('link', { name: 'Open Soles together' }).click();
  await expect(page.getByRole('heading', { name: 'Soles together', level: 1 })).toBeVisible();
});

test('a piece is swapped: the build, its height and the figure follow', async ({ page }) => {
  await page.goto('/students/p-marit/poses/hero');
  const build = page.getByRole('region', { name: 'Build' });
  const seat = build.getByRole('list', { name: 'Seat, from the floor up' });
  const before = await seat.innerText();
  await seat.getByRole('button').first().press('Enter');
  await expect(build.getByText(/^At home: /)).toBeVisible();
  await build.getByRole('button', { name: /^Without any / }).click();
  await expect.poll(() => seat.innerText()).not.toBe(before);
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect.poll(() => seat.innerText()).toBe(before);
});

test('the front view says what the core reckons of each knee', async ({ page }) => {
  await page.goto('/students/p-oona/poses/open-book');
  const figure = page.getByRole('region', { name: 'Figure' });
  await expect(figure.getByRole('img').first()).toHaveAccessibleName(
    /^Soles together, seen from the front: left thigh .*(level with|over|under) the hips, right thigh .*(level with|over|under) the hips\.$/,
  );
  await figure.getByRole('radio', { name: 'Side' }).click();
  await expect(figure.getByRole('img').first()).toHaveAccessibleName(/seen from the side/);
});

test('knees are bent a step more, and what if the hamstring were freer', async ({ page }) => {
  await page.goto('/students/p-marit/poses/standing-fold');
  await page.getByRole('button', { name: /^Knee bend: more$/ }).click();
  await expect(page.getByText('The dashed figure is the plan.')).toBeVisible();
  await go(page, '/students/p-marit/poses/staff');
  const freer = page.getByRole('button', { name: 'hamstring, left: 5° stiffer' });
  for (let i = 0; i < 3; i++) await freer.click();
  await expect(page.getByText('Hamstring, left 15° stiffer')).toBeVisible();
  await expect(page.getByText(/cm (higher|lower)/).first()).toBeVisible();
});

test('what is at home is counted, and the home build is made of it', async ({ page }) => {
  await page.goto('/students/p-marit/poses/hero');
  await page.getByRole('link', { name: 'What is at home' }).click();
  await expect(page.getByRole('heading', { name: 'At home: Marit Osei' })).toBeVisible();
  await page.getByRole('button', { name: 'Books: one more' }).click();
  await expect(page.getByText('Home builds are made of this.')).toBeVisible();
  await go(page, '/students/p-marit/poses/hero');
  await expect(
    page.getByRole('region', { name: 'At home' }).getByText('Of what Marit Osei has at home.'),
  ).toBeVisible();
});

test('by keys alone: from the plan to a pose, its way, and another pose around it', async ({
  page,
}) => {
  await page.goto('/students/p-marit/plan');
  await page.getByRole('article').first().waitFor();
  await focusOn(page, /^Open Staff$/);
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { name: 'Staff', level: 1 }).waitFor();
  await focusOn(page, /^Seated fold$/, 80);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Seated fold', level: 1 })).toBeVisible();
});
