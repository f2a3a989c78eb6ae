import { expect, test, type Page } from '@playwright/test';

const NAMES = ['Today', 'Students', 'Shelf', 'More'] as const;

/** Where the names of the places stand: the middle of each. */
async function middles(page: Page) {
  const boxes = await Promise.all(
    NAMES.map((name) => page.getByText(name, { exact: true }).last().boundingBox()),
  );
  return boxes.map((box) => [
    Math.round((box?.x ?? 0) + (box?.width ?? 0) / 2),
    Math.round((box?.y ?? 0) + (box?.height ?? 0) / 2),
  ]);
}

// Scripts that do not come are an error in any console: these pages are not silent.
test('the bar of places stands before the scripts have run, where it stands afterwards', async ({
  page,
}) => {
  await page.route('**/*.js', (one) => one.abort());
  await page.goto('/');
  await expect(page.getByText('Opening your records…')).toBeVisible();
  const before = await page.evaluate(() =>
    [...document.querySelectorAll('.frame span')].map((one) => {
      const words = document.createRange();
      words.selectNodeContents(one);
      const { x, y, width, height } = words.getBoundingClientRect();
      return [Math.round(x + width / 2), Math.round(y + height / 2)];
    }),
  );
  await page.unroute('**/*.js');
  await page.goto('/');
  await expect(page.getByRole('article').first()).toBeVisible();
  await expect(page.locator('.frame')).toHaveCount(0);
  const there = await middles(page);
  before.forEach(([x = 0, y = 0], i) => {
    expect(Math.abs(x - (there[i]?.[0] ?? 0)), NAMES[i]).toBeLessThanOrEqual(4);
    expect(Math.abs(y - (there[i]?.[1] ?? 0)), NAMES[i]).toBeLessThanOrEqual(4);
  });
});

test('who comes is reckoned beside the page, and on paper is there at once', async ({ page }) => {
  const workers: string[] = [];
  page.on('worker', (worker) => workers.push(worker.url()));
  await page.goto('/');
  const first = page.getByRole('article').first();
  await expect(first.getByText(/^Check first/)).toBeVisible();
  expect(workers.some((url) => /\/plans-/.test(url))).toBe(true);
  await expect(page.getByText('Reckoning what changes…')).toHaveCount(0);
  // What was never near the part that is seen is whole on paper all the same.
  await page.reload();
  await expect(first).toBeVisible();
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')));
  await expect(page.getByRole('region', { name: 'To fetch for today' })).toBeAttached();
  await expect(page.getByText('Reckoning what changes…')).toHaveCount(0);
});

test('where no program can run beside the page, the page reckons itself', async ({ page }) => {
  await page.route('**/plans-*.js', (one) => one.abort());
  await page.goto('/');
  const first = page.getByRole('article').first();
  await expect(first.getByText(/^Check first/)).toBeVisible();
});
