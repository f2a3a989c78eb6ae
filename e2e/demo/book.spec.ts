import { readFile } from 'node:fs/promises';
import type { Book } from '@/core/formats/book';
import { bookParts } from '@/core/formats/bookText';
import { parseBook } from '@/core/formats/check';
import { expect, test } from '../silentPage';
import { go, importText } from '../steps';

test('the demo opens with the boathouse book, its last evening a few days ago', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText(/On the mat \d days? ago/).first()).toBeVisible();
  await go(page, '/students');
  await expect(page.getByRole('listitem')).toHaveCount(12);
});

test('an exported book is whole, comes back as the same, and a changed one asks first', async ({
  page,
}) => {
  await page.goto('/');
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  await go(page, '/more/data');
  await expect(page.getByText(/^12 students/)).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const text = await readFile(await (await download).path(), 'utf8');
  const parsed = parseBook(text, '2999-01-01');
  expect(parsed.ok).toBe(true);
  if (!parsed.ok) return;

  await importText(page, 'same.json', text);
  await expect(
    page.getByText(/same\.json: 0 new, \d+ the same as here, 0 that differ/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();

  const changed = {
    ...parsed.value,
    people: parsed.value.people.map((person) =>
      person.id === 'p-ines' ? { ...person, name: 'Ines Calloway-Reed' } : person,
    ),
  };
  await importText(page, 'changed.json', JSON.stringify(changed));
  await expect(
    page.getByText('Name: Ines Calloway here, Ines Calloway-Reed in the backup'),
  ).toBeVisible();
  await page.getByRole('button', { name: /Take in all, replacing 1/ }).click();
  const undo = page.getByRole('button', { name: 'Undo', exact: true });
  await undo.click();
  await expect(undo).toBeHidden();
  await go(page, '/students');
  await expect(page.getByRole('heading', { name: 'Ines Calloway', exact: true })).toBeVisible();
});

test('one student’s record is a file of its own, and changes nothing where it is taken in again', async ({
  page,
}) => {
  await page.goto('/students/p-dario');
  await expect(page.getByRole('region', { name: 'Their record as a file' })).toBeVisible();
  const saved = async () => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const file = await download;
    expect(file.suggestedFilename()).toMatch(/^ojas-dario-whitlock-.*\.json$/);
    return readFile(await file.path(), 'utf8');
  };
  const bare = await saved();
  await page.getByRole('checkbox', { name: /With the answers on health/ }).click();
  const whole = await saved();
  const [read, told] = [parseBook(bare, '2999-01-01'), parseBook(whole, '2999-01-01')];
  expect(read.ok && read.value.people.map(({ cautions }) => cautions)).toEqual([[]]);
  expect(told.ok && told.value.people[0]?.cautions.length).toBeGreaterThan(0);
  expect(bare).not.toContain('Calloway');

  await go(page, '/more/data');
  await importText(page, 'whole.json', whole);
  await expect(
    page.getByText(/whole\.json: 0 new, \d+ the same as here, 0 that differ/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await importText(page, 'bare.json', bare);
  await expect(page.getByText(/bare\.json: 0 new, /)).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await go(page, '/students/p-dario');
  await expect(page.getByText('Nothing answered with yes.')).toBeHidden();
});

test('a large book is read by a worker and stored in parts, told how far, and is all there after a reload', async ({
  page,
}) => {
  const book = JSON.parse(await readFile('demo/kingfisher-boathouse.json', 'utf8')) as Book;
  const copies = [1, 2, 3, 4, 5, 6, 7, 8].flatMap((n) =>
    book.people.map((person) => ({
      ...person,
      id: `${person.id}-${n}`,
      name: `${person.name} ${n}`,
    })),
  );
  const of = <T extends { id: string; person: string }>(records: readonly T[]) =>
    copies.flatMap(({ id }) =>
      records
        .filter(({ person }) => id.startsWith(`${person}-`))
        .map((one) => ({ ...one, id: `${one.id}-${id}`, person: id })),
    );
  const large = bookParts({
    ...book,
    people: copies,
    readings: of(book.readings),
    sessions: of(book.sessions),
    visits: [],
    classes: [],
  }).join('');
  expect(large.length).toBeGreaterThan(2_000_000);
  await page.goto('/');
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  await go(page, '/more/data');
  await expect(page.getByText(/^12 students/)).toBeVisible();
  await importText(page, 'large.json', large);
  const records = 96 + of(book.readings).length + of(book.sessions).length;
  await expect(page.getByText(`large.json: ${records} new,`, { exact: false })).toBeVisible({
    timeout: 40_000,
  });
  await page
    .getByRole('button', { name: /^Take in what/ })
    .first()
    .click();
  await expect(page.getByText(`${records} records came in.`)).toBeVisible({ timeout: 40_000 });
  await page.goto('/students');
  await expect(page.getByRole('listitem')).toHaveCount(108);
});

test('a record that cannot be read is set aside and shown; the rest works', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText(/On the mat/).first()).toBeVisible();
  await page.evaluate(async () => {
    const names = (await indexedDB.databases()).map(({ name }) => name ?? '');
    for (const name of names) {
      await new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open(name);
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const db = opening.result;
          for (const storeName of db.objectStoreNames) {
            const store = db.transaction(storeName, 'readwrite').objectStore(storeName);
            const cursor = store.openCursor();
            cursor.onsuccess = () => {
              const at = cursor.result;
              if (!at) return resolve();
              if (String(at.key).includes('people/p-ines'))
                at.update(
                  typeof at.value === 'string'
                    ? '{"id":"p-ines"'
                    : { ...at.value, value: '{"id":"p-ines"' },
                );
              at.continue();
            };
          }
        };
      });
    }
  });
  await page.goto('/more/data');
  await expect(page.getByRole('heading', { name: /\d+ records could not be read/ })).toBeVisible();
  await expect(page.getByText('people/p-ines', { exact: true })).toBeVisible();
  await go(page, '/students');
  await expect(page.getByRole('listitem')).toHaveCount(11);

  // What could not be read goes out with the book, and the book is whole all the same.
  await go(page, '/more/data');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const parsed = parseBook(await readFile(await (await download).path(), 'utf8'), '2999-01-01');
  expect(parsed.ok && parsed.value.setAside?.find(({ key }) => key === 'people/p-ines')).toEqual({
    key: 'people/p-ines',
    text: '{"id":"p-ines"',
  });
});

test('a backup goes out locked, and opens again by its passphrase alone', async ({ page }) => {
  await page.goto('/more/data');
  await page.getByRole('checkbox', { name: 'Locked with a passphrase' }).click();
  await expect(page.getByRole('button', { name: 'Save a backup' })).toBeDisabled();
  await page.getByLabel('Passphrase').fill('fjord under a thin moon');
  const download = page.waitForEvent('download', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const file = await (await download).path();
  expect((await readFile(file, 'latin1')).slice(0, 21)).toBe('age-encryption.org/v1');
  await expect(page.getByText(/^Last saved on .*; 0 changes since/)).toBeVisible();
  await page.getByRole('checkbox', { name: 'Locked with a passphrase' }).click();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Restore a backup' }).click();
  await (await chooser).setFiles(file);
  const open = async (passphrase: string) => {
    await page.getByLabel('Passphrase').fill(passphrase);
    await page.getByRole('button', { name: 'Open it' }).click();
  };
  await open('another thin moon');
  await expect(page.getByText(/does not open by this passphrase/)).toBeVisible({ timeout: 60_000 });
  await open('fjord under a thin moon');
  await expect(page.getByText(/: 0 new, \d+ the same as here/)).toBeVisible({ timeout: 60_000 });
});

test('a table goes out and comes in again, and brings nothing that is here', async ({ page }) => {
  await page.goto('/more/data');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Heights built' }).click();
  const file = await (await download).path();
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Take in a table' }).click();
  await (await chooser).setFiles(file);
  await expect(page.getByText(/heights built: 0 new, \d{3,} here already, 0 that/)).toBeVisible();
});

test('who has a book is never shown the empty app, not while the sample book comes in either', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const seen = new Set<string>();
    Object.assign(globalThis, { seen });
    const look = () => {
      for (const { textContent } of document.querySelectorAll('h1, h2'))
        seen.add(textContent ?? '');
      requestAnimationFrame(look);
    };
    look();
  });
  await page.route('**/demo/**', async (route) => {
    await new Promise((later) => setTimeout(later, 500));
    await route.continue();
  });
  for (let i = 0; i < 2; i++) {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Comes today' })).toBeVisible();
    const seen = await page.evaluate(() => [
      ...(globalThis as unknown as { seen: Set<string> }).seen,
    ]);
    expect(seen).not.toContain('Begin with one student');
  }
});

test('the records come out as tables that a spreadsheet opens', async ({ page }) => {
  await page.goto('/more/data');
  const lines: number[] = [];
  for (const name of ['Readings', 'Poses done', 'Heights built']) {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    const file = await download;
    expect(file.suggestedFilename()).toMatch(/^ojas-(readings|poses|heights)-[\d-]+\.csv$/);
    const text = await readFile(await file.path(), 'utf8');
    expect(text.charCodeAt(0)).toBe(0xfeff);
    expect(text.slice(1)).toMatch(/^student,day,/);
    expect(text).toContain('Marit Osei');
    lines.push(text.trim().split('\r\n').length);
  }
  expect(Math.min(...lines)).toBeGreaterThan(60);
});
