import { expect, type Page } from '@playwright/test';

/** Goes to another place as a link does, without loading the app anew: a load costs two seconds of a processor. */
export const go = (page: Page, path: string): Promise<void> =>
  page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);

/** A student with both knees read, on a shelf that a small studio has. */
export async function firstVisit(
  page: Page,
  name: string,
  stature: string,
  knees: { left: string; right: string },
): Promise<void> {
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Begin with a usual shelf' }).click();
  await expect(page.getByRole('article', { name: 'Round bolster' })).toBeVisible();
  await go(page, '/');
  await page.getByRole('link', { name: 'New student' }).click();
  await page.getByLabel('Name').fill(name);
  await page.getByLabel('Height').fill(stature);
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await page.getByRole('button', { name: /All asked: no to the remaining/ }).click();
  await expect(page.getByRole('button', { name: /All asked/ })).toBeHidden();
  await page.getByRole('link', { name: 'On to measuring' }).click();
  await page.getByRole('button', { name: /^Knee bend with a bent hip.*left .*right/ }).click();
  for (const side of ['left', 'right'] as const) {
    await expect(page.getByRole('radio', { name: new RegExp(`^${side}`, 'i') })).toBeChecked();
    for (let i = 0; i < 3; i++) {
      for (const digit of knees[side])
        await page.getByRole('button', { name: digit, exact: true }).click();
      await page.getByRole('button', { name: 'Take this reading' }).click();
    }
    await page.getByRole('button', { name: /^Save(, other side)?$/ }).click();
    await expect(
      page.getByText(new RegExp(`Knee bend with a bent hip ${side} noted`)),
    ).toBeVisible();
  }
}

/** One session of hero alone: built, entered, looked at, held whole, and felt. */
export async function heroSession(
  page: Page,
  id: string,
  felt: { place: string; strength: string },
): Promise<void> {
  await go(page, `/students/${id}/mat`);
  for (const other of ['Staff', 'Seated fold', 'Child', 'Standing fold'])
    await page.getByRole('checkbox', { name: other }).click();
  await page.getByRole('button', { name: /Begin: 1 pose/ }).click();
  for (const step of ['enter', 'look', 'hold'])
    await page.getByRole('button', { name: `Next: ${step}` }).click();
  await page.getByRole('button', { name: 'Begin the hold' }).click();
  await page.clock.runFor(240_000);
  await page.getByRole('button', { name: 'Next: feel' }).click();
  await page.getByRole('radio', { name: felt.place }).click();
  await page.getByRole('radio', { name: felt.strength, exact: true }).click();
  await page.getByRole('button', { name: 'Record and end' }).click();
  await expect(page.getByRole('heading', { name: 'Next time' })).toBeVisible();
}

export const heroSeatCm = async (page: Page, id: string): Promise<number> => {
  await go(page, `/students/${id}/plan`);
  const words = await page
    .getByRole('article', { name: 'Hero', exact: true })
    .getByText(/^Seat \d/)
    .first()
    .innerText();
  return Number(/Seat ([\d.]+) cm/.exec(words)?.[1]);
};

export const idOf = (page: Page) => /\/students\/([^/]+)/.exec(page.url())?.[1] ?? '';

/** Chooses a file of this name and text as the book to import. */
export async function importText(page: Page, name: string, text: string): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Restore a backup' }).click();
  await (await chooser).setFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}

/** Tabs on until what has the focus is called so, by its words or its label; never with a pointer. */
export async function focusOn(page: Page, name: RegExp, mostTabs = 60): Promise<void> {
  for (let i = 0; i < mostTabs; i++) {
    await page.keyboard.press('Tab');
    const called = await page.evaluate(() => [
      document.activeElement?.textContent ?? '',
      document.activeElement?.getAttribute('aria-label') ?? '',
      ...[...((document.activeElement as HTMLInputElement | null)?.labels ?? [])].map(
        ({ textContent }) => textContent ?? '',
      ),
      ...(document.activeElement?.getAttribute('aria-labelledby') ?? '')
        .split(' ')
        .map((id) => document.getElementById(id)?.textContent ?? ''),
    ]);
    if (called.some((words) => name.test(words))) return;
  }
  throw new Error(`the keyboard never reached ${name}`);
}

/** Waits until a kept reading has left its form, and the form on its way is stored as it is now. */
export async function keptAway(page: Page): Promise<void> {
  await expect(page.getByRole('img', { name: /^Readings / })).toBeHidden();
  await page.waitForTimeout(500);
}

/**
 * Waits until the storage knows these students on the mat and no other: a page that is loaded anew goes on from there.
 */
export async function matsKept(page: Page, people: readonly string[]): Promise<void> {
  const kept = () =>
    page.evaluate(
      () =>
        new Promise<string[]>((resolve, reject) => {
          const opening = indexedDB.open('ojas');
          opening.onerror = () => reject(opening.error);
          opening.onsuccess = () => {
            const entries = opening.result.transaction('entries').objectStore('entries');
            const [keys, texts] = [entries.getAllKeys(), entries.getAll()];
            texts.onsuccess = () => {
              opening.result.close();
              const read = (name: string) =>
                keys.result.flatMap((key, i) =>
                  String(key).includes(`draft/${name}/`)
                    ? [JSON.parse(String(texts.result[i])) as Record<string, unknown> | null]
                    : [],
                );
              resolve([
                ...read('mat').flatMap((mat) => (mat ? [String(mat.person)] : [])),
                ...read('parked').flatMap((parked) => Object.keys(parked ?? {})),
              ]);
            };
          };
        }),
    );
  await expect.poll(async () => (await kept()).sort()).toEqual([...people].sort());
}
