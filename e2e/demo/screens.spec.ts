import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { focusOn } from '../steps';
import { openPlace, placesTogether } from './places';

/**
 * What a drawing is made of is not looked into where its words stand for it as one picture. There are no frames of
 * other hosts, which all but the legacy mode opens a page for; and what passes is not written up.
 */
const axe = (page: Page) =>
  new AxeBuilder({ page })
    .exclude('[role="img"] svg')
    .setLegacyMode(true)
    .options({ resultTypes: ['violations'] });

async function serious(page: Page, builder = axe(page)) {
  const { violations } = await builder.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ html }) => html.slice(0, 160))
          .join(' | ')}`,
    );
}

/** Light, whole; dark, what colours decide: nothing else of a screen is another in the dark. */
async function findsNothing(page: Page) {
  await page.emulateMedia({ colorScheme: 'light' });
  expect(await serious(page)).toEqual([]);
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect(page.locator('html')).toHaveCSS('color-scheme', /dark/);
  expect(
    await serious(page, axe(page).withRules(['color-contrast', 'link-in-text-block'])),
  ).toEqual([]);
}

/** Nothing spills over the side with text twice as large, on a phone and wide. */
async function keepsWithin(page: Page) {
  await page.evaluate(() => document.documentElement.style.setProperty('font-size', '200%'));
  for (const viewport of [
    { width: 390, height: 844 },
    { width: 1280, height: 800 },
  ]) {
    await page.setViewportSize(viewport);
    // What depends on the width is drawn anew in the next frame.
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
    expect(
      await page.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      ),
      `${viewport.width} wide`,
    ).toBeLessThanOrEqual(1);
  }
}

for (const some of placesTogether(3))
  test(`${some.map(({ name }) => name).join(', ')}: axe finds nothing serious, light and dark, and nothing spills over at 200 % text`, async ({
    page,
  }) => {
    for (const place of some)
      await test.step(place.name, async () => {
        await openPlace(page, place);
        await findsNothing(page);
        await keepsWithin(page);
        await page.evaluate(() => document.documentElement.style.removeProperty('font-size'));
        await page.setViewportSize({ width: 390, height: 844 });
      });
  });

test('every step on the mat: axe finds nothing serious', async ({ page }) => {
  await page.goto('/students/p-marit/mat');
  await page.getByRole('button', { name: /^Begin/ }).click();
  for (const step of ['Build', 'Enter', 'Look', 'Hold', 'Feel']) {
    await page.getByRole('radio', { name: step }).click();
    if (step === 'Build')
      await page
        .getByRole('button', { name: /^Other pieces/ })
        .first()
        .click();
    expect(await serious(page)).toEqual([]);
  }
  await page.getByRole('button', { name: 'Stop: what is felt?' }).click();
  expect(await serious(page)).toEqual([]);
  await page.getByRole('button', { name: 'Joint' }).click();
  expect(await serious(page)).toEqual([]);
});

const measuringBy: readonly {
  readonly method: string;
  readonly open: (page: Page) => Promise<void>;
}[] = [
  { method: 'Protractor', open: async () => undefined },
  {
    method: 'By eye',
    open: (page) => page.getByRole('radio', { name: 'About 60 degrees' }).click(),
  },
  {
    method: 'Phone tilt',
    open: async (page) => {
      await page.getByRole('button', { name: 'Use the simulated sensor' }).click();
      await page.getByRole('button', { name: 'Zero on the floor' }).click();
    },
  },
  {
    method: 'Photo',
    open: async (page) => {
      await page.getByRole('button', { name: 'Try it on a drawn figure' }).click();
      await page.getByLabel('The picture to be marked').waitFor();
    },
  },
];
for (const { method, open } of measuringBy)
  test(`measuring, ${method}: axe finds nothing serious, light and dark, and nothing spills over at 200 % text`, async ({
    page,
  }) => {
    await page.goto('/students/p-marit/measure');
    await page.getByRole('button', { name: /^Hamstring ?left/ }).click();
    await page.getByRole('radio', { name: method, exact: true }).click();
    await open(page);
    await findsNothing(page);
    await keepsWithin(page);
  });

test('the keyboard alone goes from Today to a student’s working', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Comes today' }).waitFor();
  await focusOn(page, /^([\d:.]+(\s[AP]M)? · )?Ines Calloway/);
  await page.keyboard.press('Enter');
  await page.getByRole('article', { name: 'Staff' }).waitFor();
  await focusOn(page, /^Open Staff$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('What the pose asks of the joints')).toBeVisible();
});
