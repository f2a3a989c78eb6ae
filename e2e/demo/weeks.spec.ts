import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { go } from '../steps';

const list = (page: Page) => page.getByRole('list', { name: 'Today’s poses in their order' });
const beginWith = async (page: Page, id: string, ...poses: string[]) => {
  await page.goto(`/students/${id}/mat`);
  await list(page).getByRole('checkbox').first().waitFor();
  await leaveOnly(page, poses);
  await page.getByRole('button', { name: /^Begin: / }).click();
};
const ticked = async (page: Page) =>
  (await list(page).getByRole('checkbox', { checked: true }).allInnerTexts()).map((words) =>
    words.replace(/^✓\s*/, '').trim(),
  );
const leaveOnly = async (page: Page, poses: readonly string[]) => {
  for (const name of await ticked(page))
    if (!poses.includes(name))
      await list(page).getByRole('checkbox', { name, exact: true }).click();
};
const feel = async (page: Page, place: string, strength: string) => {
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: place, exact: true }).click();
  await page.getByRole('radio', { name: strength, exact: true }).click();
  await page.getByRole('button', { name: /^Record/ }).click();
};

test('a session of several poses: a fault mended, propped again, repeated, stopped, reloaded and offline in the middle', async ({
  page,
  context,
}) => {
  await page.goto('/students/p-gunnar/mat');
  await page.getByRole('button', { name: 'Hero again at the end', exact: true }).click();
  await leaveOnly(page, ['Staff', 'Hero', 'Child']);
  await page.getByRole('button', { name: /^Begin: 4 poses/ }).click();
  await expect(page.getByRole('heading', { name: 'Staff', level: 1 })).toBeVisible();
  await feel(page, 'In muscle', '3');
  // Hero: a piece is ticked off, a fault is mended at once, and its hold goes on through a reload.
  await expect(page.getByRole('heading', { name: 'Hero', level: 1 })).toBeVisible();
  const pieces = page.getByRole('list', { name: 'Seat, from the floor up' });
  await pieces.getByRole('checkbox').first().click();
  await expect(page.getByText(/^(1 of \d+|All) laid\.$/)).toBeVisible();
  await page.getByRole('radio', { name: 'Look' }).click();
  await page.getByRole('checkbox', { name: /Outer ankle pushed out/ }).click();
  await page.getByRole('button', { name: /^Do it: Outer ankle/ }).click();
  await page.getByRole('radio', { name: 'Hold' }).click();
  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await context.setOffline(true);
  await page
    .getByRole('button', { name: /One step (lower|higher)/ })
    .first()
    .click();
  await context.setOffline(false);
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Hero', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await feel(page, 'Left thigh, front', '4');
  // Child is stopped; then hero once more, beside its first round.
  await expect(page.getByRole('heading', { name: 'Child', level: 1 })).toBeVisible();
  await page.getByRole('button', { name: 'Stop: what is felt?' }).click();
  await page.getByRole('button', { name: 'Dizzy' }).click();
  await page.getByRole('button', { name: 'Out: save it' }).click();
  await expect(page.getByText('The round before, today')).toBeVisible();
  await expect(page.getByText(/4 of 10 at the front of the thigh, left/)).toBeVisible();
  await feel(page, 'In muscle', '2');
  await expect(page.getByRole('region', { name: 'Next time' })).toBeVisible();
  await expect(page.getByText('Session recorded: 4 poses')).toBeVisible();
  await expect(page.getByText(/stopped: dizzy/)).toBeVisible();
});

test('two on the mat at once: each goes on, and the one whose time runs out comes first', async ({
  page,
}) => {
  await beginWith(page, 'p-gunnar', 'Hero');
  await page.getByRole('radio', { name: 'Hold' }).click();
  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await beginWith(page, 'p-ines', 'Staff');
  const other = page.getByRole('group', { name: 'Mat of Gunnar Aldous' });
  await expect(other.getByText(/^Hero · \d+:\d\d left$/)).toBeVisible();
  await other.getByRole('link', { name: 'To Gunnar Aldous' }).click();
  await expect(page.getByRole('heading', { name: 'Hero', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('group', { name: 'Mat of Ines Calloway' })).toBeVisible();
  await go(page, '/');
  await expect(page.getByText('Ines Calloway is still on the mat')).toBeVisible();
  await expect(page.getByText('Gunnar Aldous is still on the mat')).toBeVisible();
});

test('what is tried on a pose’s page lies on the mat', async ({ page }) => {
  await page.goto('/students/p-gunnar/poses/hero');
  const pieces = page.getByRole('list', { name: 'Seat, from the floor up' });
  const planned = await pieces.innerText();
  await pieces.getByRole('button').first().click();
  await page.getByRole('button', { name: /^Without any / }).click();
  await expect.poll(() => pieces.innerText()).not.toBe(planned);
  const tried = (await pieces.innerText()).toLowerCase();
  await page.getByRole('button', { name: 'Use this next time' }).click();
  await expect(page.getByText('Used next time, as it stands here.')).toBeVisible();
  // Drafts are written once a hand rests.
  await page.waitForTimeout(600);
  await page.reload();
  await expect(page.getByText('Used next time, as it stands here.')).toBeVisible();
  await beginWith(page, 'p-gunnar', 'Hero');
  await expect(page.getByRole('heading', { name: 'Hero', level: 1 })).toBeVisible();
  expect((await pieces.innerText()).toLowerCase()).toBe(tried);
});

test('a past session is noted in a few taps, and the decision is overruled with its reason', async ({
  page,
}) => {
  await page.goto('/students/p-gunnar/record');
  await page.getByRole('button', { name: 'Note a past session' }).click();
  await page.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText(/^Session of .* noted$/)).toBeVisible();
  await page.getByRole('button', { name: 'Why, or change it: Hero' }).click();
  await page.getByRole('textbox', { name: /^Why/ }).fill('A long row on Sunday');
  await page
    .getByRole('button', { name: /^(More support|Keep): Hero/ })
    .first()
    .click();
  await expect(page.getByText(/reckoned \d/)).toBeVisible();
  await beginWith(page, 'p-gunnar', 'Hero');
  await feel(page, 'In muscle', '2');
  await expect(page.getByText(/A long row on Sunday/).first()).toBeVisible();
});

test('progress is drawn, read as a table, and saved', async ({ page }) => {
  await page.goto('/students/p-marit/progress');
  const heights = page.getByRole('region', { name: 'Heights' });
  await heights.getByRole('radio', { name: 'Hero', exact: true }).click();
  await expect(heights.getByRole('img', { name: /^Hero, heights through time/ })).toBeVisible();
  await heights.getByRole('button', { name: 'As a table' }).first().click();
  expect(await heights.getByRole('table').first().getByRole('row').count()).toBeGreaterThan(3);
  for (const [kind, end] of [
    ['CSV', '.csv'],
    ['SVG', '.svg'],
    ['PNG', '.png'],
  ] as const) {
    const download = page.waitForEvent('download');
    await heights
      .getByRole('button', { name: new RegExp(` as ${kind}$`) })
      .first()
      .click();
    expect((await download).suggestedFilename()).toMatch(new RegExp(`\\${end}$`));
  }
});

test('who comes today stands first, and the week is kept by keys alone', async ({ page }) => {
  await page.goto('/');
  const names = () =>
    page.getByRole('article').evaluateAll((cards) => cards.map((card) => card.ariaLabel));
  await expect(page.getByRole('heading', { name: 'Comes today' })).toBeVisible();
  expect((await names()).slice(0, 3)).toEqual([
    'Saoirse Lindqvist',
    'Gunnar Aldous',
    'Ines Calloway',
  ]);
  await expect(page.getByRole('region', { name: 'To fetch for today' })).toContainText(
    'cork block',
  );
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden();
  await page.keyboard.press('w');
  await expect(page.getByRole('heading', { name: 'Week', level: 1 })).toBeVisible();
  await expect(page.getByText(/: 3 visits, 1 class\.$/)).toBeVisible();
  await page.getByRole('button', { name: 'Week after' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/: 3 visits, 1 class\.$/)).toBeVisible();
  await page.getByRole('button', { name: /^Gunnar Aldous does not come on / }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByText(/: 2 visits, 1 class\.$/)).toBeVisible();
  await page.keyboard.press('u');
  await expect(page.getByText(/: 3 visits, 1 class\.$/)).toBeVisible();
});

test('from Today to the first laid piece in four taps', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('article', { name: 'Gunnar Aldous' }).waitFor();
  await page
    .getByRole('link', { name: /Gunnar Aldous/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'To the mat' }).click();
  await page.getByRole('button', { name: /^Begin: / }).click();
  await page.getByRole('checkbox').first().click();
  await expect(page.getByText(/laid\.$/)).toBeVisible();
});
