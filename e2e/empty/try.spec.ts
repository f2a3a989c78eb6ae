import { expect, test } from '../silentPage';
import { firstVisit, go, heroSeatCm, idOf } from '../steps';

const EVENING = new Date('2026-03-02T18:00:00Z');

test('a first visit finds the height of hero by trying: quiet, undone, reloaded, a word; the next begins where it is sure', async ({
  page,
}) => {
  test.slow();
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Wren Tollivar', '180', { left: '120', right: '122' });
  const id = idOf(page);
  const planned = await heroSeatCm(page, id);
  await go(page, `/students/${id}/mat`);
  for (const other of ['Staff', 'Seated fold', 'Child', 'Standing fold'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  await page.getByRole('radio', { name: 'Hold' }).click();
  const asks = page.getByText(/^Seat [\d.]+ cm: two or three breaths/);
  const heightNow = async () => Number(/Seat ([\d.]+) cm/.exec(await asks.innerText())?.[1]);
  await expect(asks).toBeVisible();
  expect(await heightNow()).toBeCloseTo(planned, 0);
  await expect(page.getByText(/^If quiet: /)).toBeVisible();

  await page.getByRole('button', { name: 'Quiet', exact: true }).click();
  const second = await heightNow();
  expect(second).toBeLessThan(planned);
  await page.getByRole('button', { name: 'Undo the last step' }).click();
  expect(await heightNow()).toBeCloseTo(planned, 0);
  await page.getByRole('button', { name: 'Quiet', exact: true }).click();
  expect(await heightNow()).toBe(second);

  // What was tried is kept through a reload in the middle.
  await page.waitForTimeout(600);
  await page.reload();
  await expect(asks).toBeVisible();
  expect(await heightNow()).toBe(second);
  await page.getByRole('button', { name: 'A word', exact: true }).click();
  await expect(page.getByText(/the step under it spoke\. Hold on this\.$/)).toBeVisible();

  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await page.clock.runFor(240_000);
  await page.getByRole('button', { name: 'Next: feel' }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: 'Record and end' }).click();
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
  await expect(page.getByText(/^Tried: [\d.]+ cm quiet, [\d.]+ cm a word$/)).toBeVisible();

  await page.clock.setSystemTime(new Date(EVENING.getTime() + 7 * 86_400_000));
  const next = await heroSeatCm(page, id);
  expect(next).toBeLessThanOrEqual(planned + 0.5);
  // After a step that spoke nothing is tried the next time.
  await go(page, `/students/${id}/mat`);
  for (const other of ['Staff', 'Seated fold', 'Child', 'Standing fold'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  await page.getByRole('radio', { name: 'Hold' }).click();
  await expect(page.getByRole('heading', { name: 'Find the height' })).toBeHidden();
});
