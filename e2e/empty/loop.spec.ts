import { expect, test } from '../silentPage';
import { firstVisit, go, heroSeatCm, heroSession, idOf } from '../steps';

const EVENING = new Date('2026-03-02T18:00:00Z');
const week = (n: number) => new Date(EVENING.getTime() + n * 7 * 86_400_000);

test('good sessions bring the seat of hero down one rung, with its reason', async ({ page }) => {
  test.slow();
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Wren Tollivar', '180', { left: '120', right: '122' });
  const id = idOf(page);
  const first = await heroSeatCm(page, id);
  expect(first).toBeGreaterThan(20);

  await heroSession(page, id, { place: 'In muscle', strength: '2' });
  await expect(
    page
      .getByRole('region', { name: 'Next time' })
      .getByText(/^Stay: one good time more at this height/),
  ).toBeVisible();

  // What is hardly felt says more than what is felt well.
  for (const n of [1, 2]) {
    await page.clock.setSystemTime(week(n));
    await heroSession(page, id, { place: 'In muscle', strength: '1' });
  }
  await page.getByRole('link', { name: 'Back to today' }).click();
  const card = page.getByRole('article', { name: 'Wren Tollivar' });
  await expect(card.getByText('Less support')).toBeVisible();
  await expect(card.getByText(/good times here\. Try one step lower/)).toBeVisible();

  await page.clock.setSystemTime(week(3));
  const lowered = await heroSeatCm(page, id);
  expect(lowered).toBeLessThanOrEqual(first - 1);
  expect(lowered).toBeGreaterThanOrEqual(first - 2.5);
  await expect(
    page
      .getByRole('article', { name: 'Hero', exact: true })
      .getByText(/good times here\. Try one step lower/),
  ).toBeVisible();
});

test('a joint-line feeling brings the seat up a rung, with its reason', async ({ page }) => {
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Piet Harrowgate', '170', { left: '131', right: '134' });
  const id = idOf(page);
  const first = await heroSeatCm(page, id);
  await heroSession(page, id, { place: 'At a joint line', strength: '3' });
  await page.clock.setSystemTime(week(1));
  const raised = await heroSeatCm(page, id);
  expect(raised).toBeGreaterThanOrEqual(first + 1);
  await expect(
    page.getByRole('article', { name: 'Hero', exact: true }).getByText(/felt at a joint line/),
  ).toBeVisible();
});

test('the timer and the session go on after a reload', async ({ page }) => {
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Noor Falkenrath', '165', { left: '140', right: '140' });
  const id = idOf(page);
  await go(page, `/students/${id}/mat`);
  await page.getByRole('button', { name: /Begin: 5 poses/ }).click();
  await page.getByRole('radio', { name: 'Hold' }).click();
  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await page.clock.runFor(20_000);
  await page.reload();
  await expect(page.getByRole('timer')).toHaveAccessibleName(/0:2\d held of 1:00/);
  await go(page, '/');
  await page.getByRole('link', { name: 'Go on with the session' }).click();
  await expect(page.getByRole('heading', { name: 'Staff' })).toBeVisible();
});

test('a stop word ends the pose with its exit, is written down, and rests it next time', async ({
  page,
}) => {
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Ansel Corrigan', '172', { left: '138', right: '138' });
  const id = idOf(page);
  await go(page, `/students/${id}/mat`);
  for (const other of ['Staff', 'Seated fold', 'Child', 'Standing fold'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  await page.getByRole('button', { name: 'Stop: what is felt?' }).click();
  await page.getByRole('button', { name: 'Electric' }).click();
  await expect(page.getByText(/Lean forward on to the hands/)).toBeVisible();
  await page.getByRole('button', { name: 'Out: save it' }).click();
  await expect(page.getByText(/stopped: electric/)).toBeVisible();
  await page.clock.setSystemTime(week(1));
  await go(page, `/students/${id}/plan`);
  await expect(
    page
      .getByRole('article', { name: 'Hero', exact: true })
      .getByText(/Left out today: an electric feeling/),
  ).toBeVisible();
});

test('a rung moved on the mat is named at once, and what was settled on is recorded', async ({
  page,
}) => {
  await page.clock.install({ time: EVENING });
  await firstVisit(page, 'Isolde Brack', '168', { left: '128', right: '130' });
  const id = idOf(page);
  const first = await heroSeatCm(page, id);
  await go(page, `/students/${id}/mat`);
  for (const other of ['Staff', 'Seated fold', 'Child', 'Standing fold'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  const up = page.getByRole('button', { name: /One step higher: / });
  const named = Number(/([\d.]+) cm/.exec(await up.innerText())?.[1]);
  expect(named).toBeGreaterThan(first);
  await up.click();
  await expect(
    page.getByText(new RegExp(`^Now: ${String(named).replace('.', '\\.')} cm`)),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: 'Record and end' }).click();
  await expect(
    page.getByText(new RegExp(`^Seat ${String(named).replace('.', '\\.')} cm`)).first(),
  ).toBeVisible();
});
