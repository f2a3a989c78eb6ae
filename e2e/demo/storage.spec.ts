import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { go } from '../steps';

const students = (page: Page) => page.getByRole('listitem');

async function opened(page: Page): Promise<void> {
  await page.goto('/');
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
}

/** The second copy is written in a worker after a session; here it is awaited. */
const copied = (page: Page) =>
  expect
    .poll(() =>
      page.evaluate(async () => (await (await caches.open('ojas-second-copy')).keys()).length),
    )
    .toBe(1);

test('two windows agree on what there is, and each undoes its own', async ({ page, context }) => {
  await opened(page);
  const other = await context.newPage();
  await other.goto('/students');
  await expect(students(other)).toHaveCount(12);
  await page.goto('/students/p-ines');
  await page.getByRole('button', { name: 'Remove student' }).click();
  await expect(students(other)).toHaveCount(11);
  await other.getByRole('link', { name: 'New student' }).click();
  await other.getByLabel('Name').fill('Zora Quill');
  await other.getByLabel('Height').fill('166');
  await other.getByRole('button', { name: 'Save and ask the questions' }).dblclick();
  await expect(other.getByRole('heading', { name: 'Questions for Zora Quill' })).toBeVisible();
  await go(page, '/students');
  await expect(students(page)).toHaveCount(12);
  await expect(page.getByRole('link', { name: /Zora Quill/ })).toHaveCount(1);
  // Long after the bar is gone the student can be brought back, with everything.
  await page.getByRole('button', { name: 'Bring back Ines Calloway' }).click();
  await expect(students(page)).toHaveCount(13);
  await go(page, '/students/p-ines/record');
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
});

test('a form left open in one window does not put old fields back, and says where both changed the same', async ({
  page,
  context,
}) => {
  await opened(page);
  await page.goto('/students/p-ines');
  await page.getByRole('button', { name: 'Change name, height, approach' }).click();
  const other = await context.newPage();
  await other.goto('/students/p-ines');
  await other.getByRole('button', { name: 'Change name, height, approach' }).click();
  await other.getByLabel('Height').fill('181');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(other.getByText(/181 cm/)).toBeVisible();
  await page.getByLabel('Name').fill('Ines Calloway-Reed');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Ines Calloway-Reed' })).toBeVisible();
  await expect(page.getByText(/181 cm/)).toBeVisible();

  await page.getByRole('button', { name: 'Change name, height, approach' }).click();
  await other.getByRole('button', { name: 'Change name, height, approach' }).click();
  await other.getByLabel('Height').fill('182');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/182 cm/)).toBeVisible();
  await page.getByLabel('Height').fill('170');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(
    page.getByText(/Height was changed elsewhere while this stood open, and says “182” now/),
  ).toBeVisible();
  await expect(page.getByLabel('Height')).toHaveValue('170');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/170 cm/)).toBeVisible();
});

test('when the browser has thrown the book away it is said, and the second copy brings it back', async ({
  page,
}) => {
  await opened(page);
  await page.goto('/students/p-ines/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await page.getByRole('button', { name: /^Record/ }).click();
  await page.getByRole('button', { name: 'End the session here' }).dblclick();
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
  // The first sessions are shown first: counted once no more come.
  let records = 0;
  await expect
    .poll(
      async () => {
        const before = records;
        records = await page.getByText(/of 10 /).count();
        return records > 0 && records === before;
      },
      { intervals: [700] },
    )
    .toBe(true);
  await copied(page);
  // As the browser does when its database is spoiled: all of it goes at once, and nothing else.
  await page.route('**/elsewhere', (route) =>
    route.fulfill({ contentType: 'text/html', body: '<link rel="icon" href="data:,">' }),
  );
  await page.goto('/elsewhere');
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const gone = indexedDB.deleteDatabase('ojas');
        gone.onsuccess = () => resolve();
        gone.onerror = () => reject(gone.error);
      }),
  );
  await page.goto('/');
  await expect(
    page.getByRole('heading', { name: 'The browser has lost your records' }),
  ).toBeVisible();
  await expect(page.getByText(/12 students, \d+ readings, \d+ sessions/)).toBeVisible();
  // On a full storage nothing comes back, and nothing is given up for it.
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('', 'QuotaExceededError');
    };
  });
  await page.getByRole('button', { name: 'Bring back the second copy' }).click();
  await expect(page.getByText(/Not saved: this browser’s storage is full/)).toBeVisible();
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'The browser has lost your records' }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Bring back the second copy' }).click();
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  await go(page, '/students');
  await expect(students(page)).toHaveCount(12);
  await go(page, '/students/p-ines/record');
  await expect(page.getByText(/of 10 /)).toHaveCount(records);
});

test('a storage that never answers: words, then ways on, and a book from a file can be looked into', async ({
  page,
}) => {
  await page.clock.install();
  await page.addInitScript(() => {
    const real = IDBFactory.prototype.open;
    IDBFactory.prototype.open = function open(...asked) {
      const request = real.apply(this, asked);
      for (const answer of ['success', 'error', 'upgradeneeded', 'blocked'])
        request.addEventListener(answer, (event) => event.stopImmediatePropagation());
      return request;
    };
  });
  await page.goto('/');
  await expect(page.getByText('Opening your records…')).toBeVisible();
  await page.clock.fastForward(3500);
  await expect(page.getByText(/has not answered yet/)).toBeVisible();
  await page.clock.fastForward(7000);
  await expect(page.getByRole('heading', { name: 'The storage does not answer' })).toBeVisible();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Look into a backup' }).click();
  await (await chooser).setFiles('demo/kingfisher-boathouse.json');
  await expect(page.getByText(/Only looked at/)).toBeVisible();
  await page.getByRole('link', { name: 'Students' }).click();
  await expect(students(page)).toHaveCount(12);
  await page.getByRole('link', { name: /Ines Calloway/ }).click();
  await page.getByRole('button', { name: 'Remove student' }).click();
  await expect(page.getByText(/Not saved: this book is only looked at/)).toBeVisible();
});

test('a hold that was left running is asked about, and not recorded as it ran', async ({
  page,
}) => {
  await page.clock.install();
  await page.goto('/students/p-ines/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.getByRole('radio', { name: 'Hold' }).click();
  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await page.clock.fastForward('02:31:00');
  await page.getByRole('radio', { name: 'Feel' }).click();
  await page.getByRole('radio', { name: 'In muscle' }).click();
  await page.getByRole('radio', { name: '4', exact: true }).click();
  await page.getByRole('button', { name: /^Record/ }).click();
  await expect(page.getByRole('heading', { name: 'How long was it held?' })).toBeVisible();
  await expect(page.getByText(/The timer ran for 151:/)).toBeVisible();
  await expect(page.getByRole('button', { name: /As the timer ran/ })).toHaveCount(0);
  await page.getByLabel('Minutes').fill('500');
  await page.getByRole('button', { name: 'Record these minutes' }).click();
  await expect(page.getByText('Minutes: 500 is not between 0 and 120.')).toBeVisible();
  await page.getByLabel('Minutes').fill('1,5');
  await page.getByRole('button', { name: 'Record these minutes' }).click();
  await page.getByRole('button', { name: 'End the session here' }).click();
  await expect(page.getByText(/1:30 held · 4 of 10 in muscle/).first()).toBeVisible();
});

test('what is answered about health in another window is told on the mat at once, and changes what is to come', async ({
  page,
  context,
}) => {
  await page.goto('/students/p-ines/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await expect(page.getByText(/^1 of \d+ · Ines Calloway$/)).toBeVisible();
  const other = await context.newPage();
  await other.goto('/students/p-ines/intake');
  await other
    .getByRole('radiogroup', { name: 'Knee replacement' })
    .getByRole('radio', { name: 'Yes' })
    .click();
  const news = page.getByRole('alert', { name: 'Answered since it began' });
  await expect(news.getByText('Knee replacement: yes')).toBeVisible();
  await expect(news.getByText(/Hero is left out\. .*kneeling only with/)).toBeVisible();
  await page.getByRole('button', { name: 'Understood' }).click();
  await expect(news).toBeHidden();
  await expect(page.getByText(/^1 of 3 · Ines Calloway$/)).toBeVisible();
});

test('what the mat cannot keep is said at once', async ({ page }) => {
  await page.goto('/students/p-ines/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('', 'QuotaExceededError');
    };
  });
  await page.getByRole('button', { name: 'Skip this pose' }).click();
  await expect(
    page.getByText(/What was just done on the mat cannot be kept: it would be gone after a reload/),
  ).toBeVisible();
});
