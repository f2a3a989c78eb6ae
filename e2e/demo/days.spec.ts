import { expect, test } from '../silentPage';
import { go } from '../steps';

/** One evening in each place: late enough, or early enough, that the day in London is another one. */
const evenings = [
  {
    timezoneId: 'America/Los_Angeles',
    at: '2026-03-08T05:30:00Z',
    day: '7 Mar 2026',
    what: 'the night before clocks go forward',
  },
  {
    timezoneId: 'America/Los_Angeles',
    at: '2026-11-01T06:30:00Z',
    day: '31 Oct 2026',
    what: 'the night before clocks go back',
  },
  {
    timezoneId: 'Asia/Kolkata',
    at: '2028-02-28T19:00:00Z',
    day: '29 Feb 2028',
    what: 'early on a leap day',
  },
  {
    timezoneId: 'UTC',
    at: '2026-12-31T23:30:00Z',
    day: '31 Dec 2026',
    what: 'the last half hour of a year',
  },
];

for (const { timezoneId, at, day, what } of evenings) {
  test.describe(`${timezoneId}, ${what}`, () => {
    test.use({ timezoneId });

    test('a session is of the day where the teacher stands, and "tired" lasts until that day ends', async ({
      page,
    }) => {
      await page.clock.install({ time: new Date(at) });
      await page.goto('/students/p-ines/mat');
      await page.getByRole('radio', { name: 'Tired' }).click();
      await expect(page.getByRole('radio', { name: 'Tired' })).toBeChecked();
      // A moment to be written: what is torn away within it was never said to be kept.
      await page.waitForTimeout(300);
      await page.reload();
      await expect(page.getByRole('radio', { name: 'Tired' })).toBeChecked();
      await page.getByRole('button', { name: /^Begin/ }).click();
      await page.getByRole('radio', { name: 'Feel' }).click();
      await page.getByRole('radio', { name: 'At a joint line' }).click();
      await page.getByRole('radio', { name: '4', exact: true }).click();
      await page.getByRole('button', { name: /^Record/ }).click();
      await page.getByRole('button', { name: 'End the session here' }).click();
      await expect(page.getByRole('heading', { name: day })).toBeVisible();
      // The record and the reason for next time name the same day.
      await expect(
        page.getByText(new RegExp(`Last time, ${day.replace(/ \d{4}$/, '')}`)).first(),
      ).toBeVisible();
      await go(page, '/');
      await expect(
        page.getByRole('article', { name: 'Ines Calloway' }).getByText(/On the mat today/),
      ).toBeVisible();
      // Left open over midnight, Today turns over by itself.
      await page.clock.fastForward('24:00:00');
      await expect(
        page.getByRole('article', { name: 'Ines Calloway' }).getByText(/On the mat yesterday/),
      ).toBeVisible();
      await go(page, '/students/p-ines/mat');
      await expect(page.getByRole('radio', { name: 'As usual' })).toBeChecked();
    });
  });
}

test.describe('a clock that was set back', () => {
  test.use({ timezoneId: 'America/Los_Angeles' });

  test('leaves what was recorded ahead of it in place, and says so', async ({ page }) => {
    await page.clock.install({ time: new Date('2026-05-10T20:00:00Z') });
    await page.goto('/students/p-ines/mat');
    await page.getByRole('button', { name: /^Begin/ }).click();
    await page.getByRole('radio', { name: 'Feel' }).click();
    await page.getByRole('radio', { name: 'In muscle' }).click();
    await page.getByRole('radio', { name: '3', exact: true }).click();
    await page.getByRole('button', { name: /^Record/ }).click();
    await page.getByRole('button', { name: 'End the session here' }).click();
    await expect(page.getByRole('heading', { name: '10 May 2026' })).toBeVisible();
    await page.clock.setSystemTime(new Date('2026-05-08T20:00:00Z'));
    await page.goto('/');
    await expect(page.getByText(/On the mat dated ahead, 10 May 2026/)).toBeVisible();
    await go(page, '/students/p-ines/record');
    await expect(page.getByRole('heading', { name: '10 May 2026' })).toBeVisible();
  });
});
