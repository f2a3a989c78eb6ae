import { readFile } from 'node:fs/promises';
import type { Book } from '@/core/formats/book';
import { expect, test } from '../silentPage';
import { canReadPrinted, printedPages } from '../printed';
import { go } from '../steps';

const book = async () =>
  JSON.parse(await readFile('demo/kingfisher-boathouse.json', 'utf8')) as Book;

for (const [width, height] of [
  [390, 844],
  [1280, 800],
] as const)
  for (const place of ['plan', 'poses/hero', 'record', 'progress', 'sheet'] as const)
    test(`printed at ${width}, ${place} is one student's alone, whole, with nothing to press`, async ({
      page,
    }) => {
      await page.setViewportSize({ width, height });
      await page.goto('/');
      await expect(page.getByText(/On the mat/).first()).toBeVisible();
      await go(page, `/students/p-ines/${place}`);
      await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
      await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
      await page.emulateMedia({ media: 'print' });
      const { people } = await book();
      const printed = await page.locator('body').innerText();
      for (const { id, name } of people) if (id !== 'p-ines') expect(printed).not.toContain(name);
      expect(printed).toContain('Ines Calloway');
      await expect(page.getByRole('navigation').first()).toBeHidden();
      await expect(page.getByRole('button').first()).toBeHidden();
      // Whole: nothing is left below the fold of a box that scrolls.
      const cut = await page.evaluate(() =>
        [...document.querySelectorAll('main, main > div, main > div > div')].some(
          (box) => box.scrollHeight > box.clientHeight + 2,
        ),
      );
      expect(cut).toBe(false);
      const pages = (await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type \/Page\b/g);
      expect(pages?.length ?? 0).toBeGreaterThan(0);
    });

test('a class is printed with those who are in it and nobody else, each with heights and pieces', async ({
  page,
}) => {
  await page.goto('/classes/c-evening');
  await expect(page.getByRole('region', { name: 'Staff' })).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  const printed = await page.locator('main').innerText();
  const { people, classes } = await book();
  const inIt = new Set(classes.find(({ id }) => id === 'c-evening')?.people);
  for (const { id, name } of people)
    if (inIt.has(id)) expect(printed).toContain(name);
    else expect(printed).not.toContain(name);
  expect(printed).toMatch(/Seat \d+(\.5)? cm: /);
  await expect(page.getByRole('navigation').first()).toBeHidden();
});

for (const place of ['plan', 'poses/hero', 'record', 'progress', 'sheet'] as const)
  test(`${place} is read back from the paper: one student, heights as on screen, no page empty`, async ({
    page,
  }, testInfo) => {
    test.skip(!canReadPrinted, 'Debian’s poppler-utils are not there');
    await page.goto('/');
    await expect(page.getByText(/On the mat/).first()).toBeVisible();
    await go(page, `/students/p-ines/${place}`);
    await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
    if (place === 'plan')
      await expect(page.getByRole('article', { name: 'Seated fold', exact: true })).toBeVisible();
    const screen = await page.locator('main').innerText();
    const headings = await page.locator('main').getByRole('heading').allInnerTexts();
    const pages = await printedPages(page, testInfo.outputPath('printed.pdf'));
    const paper = pages.join('\n').replace(/\s+/g, ' ');
    const { people } = await book();
    expect(paper).toContain('Ines Calloway');
    for (const { id, name } of people) if (id !== 'p-ines') expect(paper).not.toContain(name);
    const asPrinted = headings.map((one) => one.replace(/\s+/g, ' ').trim());
    expect(asPrinted.filter((one) => !paper.includes(one))).toEqual([]);
    for (const one of pages) expect(one.trim().length).toBeGreaterThan(20);
    const heights = (text: string) => [...new Set(text.match(/\d+(?:\.5)? cm/g) ?? [])];
    expect(heights(screen).length).toBeGreaterThan(0);
    expect(heights(screen).filter((height) => !paper.includes(height))).toEqual([]);
  });
