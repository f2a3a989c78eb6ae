import { expect, test } from '../silentPage';
import { firstVisit, go, idOf, importText } from '../steps';

test('an empty app teaches its first step', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByRole('heading', { name: 'Begin with one student' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'New student' })).toBeVisible();
});

test('a student without a name, or of no human height, is not stored', async ({ page }) => {
  await page.goto('/students/new');
  await page.getByLabel('Height').fill('1,700');
  await page.getByLabel('Year of birth').fill('3000');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await expect(page.getByText('Name: enter what the student is called.')).toBeVisible();
  await expect(page.getByText(/Height: “1,700” can be read in two ways/)).toBeVisible();
  await expect(page.getByText(/Year of birth: four digits/)).toBeVisible();
  await page.getByLabel('Height').fill('17');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await expect(page.getByText('Height: 17 is not between 90 and 230 cm.')).toBeVisible();
  await go(page, '/students');
  await expect(page.getByText('Nobody here yet.', { exact: false })).toBeVisible();
});

test('readings that no person shows, letters and ambiguous commas are refused, and nothing stored changes', async ({
  page,
}) => {
  await firstVisit(page, 'Edda Vance', '171', { left: '130', right: '131' });
  const refused = async (typed: string, words: RegExp) => {
    await page.getByLabel(/^Reading/).fill(typed);
    await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
  };
  await refused(
    '1300',
    /1300° is outside what a person can show for knee bend with a bent hip \(60 to 175°\)/,
  );
  await refused('abc', /“abc” is not a number/);
  await refused('1,234', /can be read in two ways/);
  await page.getByLabel(/^Reading/).fill('129,5');
  await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
  await expect(page.getByText(/Knee bend with a bent hip left noted/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Knee bend with a bent hip.*left .*right/ }).click();
  await expect(page.getByText(/: (130, 130, 130|129\.5)°$/)).toHaveCount(2);
  await page.getByRole('radio', { name: /^Right/ }).click();
  await expect(page.getByText(/: 131, 131, 131°$/)).toHaveCount(1);
  expect(idOf(page)).not.toBe('');
});

test('broken and foreign books are refused by line or field, and nothing changes; one dated ahead is taken in with word of it', async ({
  page,
}) => {
  await page.goto('/more/data');
  await importText(page, 'broken.json', '{"format": "ojas-book/1",\n "people": [');
  await expect(
    page.getByText('broken.json was not taken in; nothing stored has changed.'),
  ).toBeVisible();
  await importText(page, 'foreign.json', '{"format":"something-else"}');
  await expect(page.getByText(/expected "ojas-book\/1"/)).toBeVisible();
  const person = { id: 'p1', name: 'Later', statureCm: 170 };
  const reading = {
    id: 'r1',
    person: 'p1',
    range: 'hamstring',
    side: 'left',
    method: 'protractor',
    values: [60],
    at: '2999-01-01',
  };
  await importText(
    page,
    'future.json',
    JSON.stringify({
      format: 'ojas-book/1',
      people: [person],
      readings: [reading],
      shelf: [],
      sessions: [],
    }),
  );
  await expect(page.getByText(/expected a year from 1900 to 2199/)).toBeVisible();
  await go(page, '/students');
  await expect(page.getByText('Nobody here yet.', { exact: false })).toBeVisible();
  await go(page, '/more/data');
  await importText(
    page,
    'ahead.json',
    JSON.stringify({
      format: 'ojas-book/1',
      people: [person],
      readings: [{ ...reading, at: '2199-01-01' }],
      shelf: [],
      sessions: [],
    }),
  );
  await expect(page.getByText('readings[0].at:')).toBeVisible();
  await expect(page.getByText(/2199-01-01 is after today/)).toBeVisible();
  await page.getByRole('button', { name: 'Take in what is new' }).click();
  await expect(page.getByText(/2 records came in/)).toBeVisible();
});

test('a full storage says so; what was typed and what was stored stays', async ({ page }) => {
  await firstVisit(page, 'Tarn Ellery', '171', { left: '130', right: '131' });
  // As the browser does when its quota is spent: an error without a message.
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('', 'QuotaExceededError');
    };
  });
  await page.getByLabel(/^Reading/).fill('125');
  await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
  await expect(page.getByText(/Not saved: this browser’s storage is full/)).toBeVisible();
  await expect(page.getByLabel(/^Reading/)).toHaveValue('125');
  await page.reload();
  await page.getByRole('button', { name: /^Knee bend with a bent hip.*left .*right/ }).click();
  await expect(page.getByText(/: 130, 130, 130°$/)).toHaveCount(1);
  await expect(page.getByText(/: 125°$/)).toHaveCount(0);
});

test('without any storage the app says so, and nothing can be begun as if it were new', async ({
  page,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('The operation is insecure.', 'SecurityError');
    };
  });
  await page.goto('/students/new');
  await expect(page.getByRole('heading', { name: 'Your records cannot be reached' })).toBeVisible();
  await expect(page.getByText(/cannot be reached \(The operation is insecure/)).toBeVisible();
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('heading', { name: 'Your records cannot be reached' })).toBeVisible();
  await expect(page.getByLabel('Name')).toHaveCount(0);
});

test('a shelf item keeps its heights when an entry is wrong', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Begin with a usual shelf' }).click();
  await page.getByRole('button', { name: 'Change Blanket' }).click();
  await page.getByLabel('Height, folded three times').fill('four');
  await page.getByLabel('Sat on, folded twice').fill('9');
  await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
  await expect(page.getByText('Height: “four” is not a number', { exact: false })).toBeVisible();
  await expect(page.getByText('Sat on: cannot be higher than unloaded.')).toBeVisible();
  await page.reload();
  await expect(
    page.getByRole('article', { name: 'Blanket' }).getByText(/folded three times 4 cm/),
  ).toBeVisible();
});

test('removing a student can be undone', async ({ page }) => {
  await firstVisit(page, 'Una Blythe', '171', { left: '130', right: '131' });
  await go(page, `/students/${idOf(page)}`);
  await page.getByRole('button', { name: 'Remove student' }).click();
  await expect(page.getByText(/Una Blythe removed, with 2 readings/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { name: 'Una Blythe' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Una Blythe' })).toBeVisible();
});
