import { expect, test } from '../silentPage';
import { counted } from '../countedTaps';

/** What a teacher says of one pose in a first session: through its steps, where, how strong, recorded. */
const POSES = ['Staff', 'Seated fold', 'Hero', 'Child', 'Standing fold'] as const;

test('the first hour and the second visit are counted in taps, and a session of the wrong student is put right', async ({
  page,
}) => {
  await page.clock.install();
  await page.goto('/');
  const taps = counted(page);
  await taps.tap('link', 'New student');
  await taps.type('Name', 'Tamsin Orrery');
  await taps.type('Height', '168');
  await taps.tap('button', 'Save and ask the questions');
  await taps.tap('button', /All asked: no to the remaining/);
  await taps.tap('link', 'On to measuring');
  await taps.tap('link', 'Plan');
  for (const pose of POSES)
    await expect(page.getByRole('article', { name: pose, exact: true })).toBeVisible();
  expect(taps.count()).toBeLessThanOrEqual(8);
  await taps.tap('link', 'Shelf');
  await taps.tap('button', 'Begin with a usual shelf');
  await expect(page.getByRole('article', { name: 'Round bolster' })).toBeVisible();
  await taps.tap('link', 'Students');
  await taps.tap('link', /Tamsin Orrery/);
  await taps.tap('link', 'Plan');
  await expect(page.getByRole('article', { name: 'Hero', exact: true })).toBeVisible();
  expect(taps.count()).toBeLessThanOrEqual(12);

  await taps.tap('link', 'Mat');
  for (const other of ['Child', 'Standing fold']) {
    await taps.tap('checkbox', other);
  }
  await taps.tap('button', /^Begin: 3 poses/);
  for (let pose = 1; pose <= 3; pose++) {
    for (const step of ['enter', 'look', 'hold', 'feel']) await taps.tap('button', `Next: ${step}`);
    await taps.tap('radio', 'In muscle');
    await taps.tap('radio', /^3/);
    await taps.tap('button', pose < 3 ? 'Record, next pose' : 'Record and end');
  }
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
  expect(taps.count()).toBeLessThanOrEqual(45);
  // The two others, so that the second visit has five.
  await page.getByRole('link', { name: 'Mat', exact: true }).click();
  for (const other of ['Staff', 'Seated fold', 'Hero'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /^Begin: 2 poses/ }).click();
  for (const last of [false, true]) {
    await page.getByRole('radio', { name: 'Feel' }).click();
    await page.getByRole('radio', { name: 'In muscle' }).click();
    await page.getByRole('radio', { name: /^3/ }).click();
    await page.getByRole('button', { name: last ? 'Record and end' : 'Record, next pose' }).click();
  }
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();

  await page.clock.runFor(7 * 24 * 3600 * 1000);
  await page.getByRole('link', { name: 'Today', exact: true }).click();
  const second = counted(page);
  await second.tap('link', /Tamsin Orrery/);
  await second.tap('link', 'Mat');
  await second.tap('button', /^Begin: 5 poses/);
  for (let pose = 1; pose <= 5; pose++) {
    await second.tap('radio', 'Feel');
    await second.tap('button', /^As last time, 3 of 10/);
  }
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
  expect(second.count()).toBeLessThanOrEqual(15);

  await page.getByRole('link', { name: 'Students', exact: true }).click();
  await page.getByRole('link', { name: 'New student' }).click();
  await page.getByLabel('Name').fill('Aster Early');
  await page.getByLabel('Height').fill('171');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await page.getByRole('link', { name: 'Students', exact: true }).click();
  await page.getByRole('link', { name: /Tamsin Orrery/ }).click();
  await page.getByRole('link', { name: 'Record', exact: true }).click();
  const moved = counted(page);
  await moved.tap('button', /^Correct the session of/);
  await moved.tap('button', 'It was somebody else’s');
  await moved.tap('button', 'Aster Early');
  await expect(page.getByText(/is Aster Early’s now/).first()).toBeVisible();
  expect(moved.count()).toBeLessThanOrEqual(4);
  test.info().annotations.push({
    type: 'taps',
    description: `${taps.count()} first session, ${second.count()} second visit, ${moved.count()} moved`,
  });
});
