import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';
import { focusOn } from '../steps';
import { places } from './places';

async function serious(page: Page) {
  const { violations } = await new AxeBuilder({ page }).analyze();
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

for (const scheme of ['light', 'dark'] as const) {
  test.describe(scheme, () => {
    test.use({ colorScheme: scheme });
    for (const { name, path, heading } of places) {
      test(`${name}: axe finds nothing serious`, async ({ page }) => {
        await page.goto(path);
        await expect(
          page.getByRole('heading', { name: heading, exact: true }).first(),
        ).toBeVisible();
        expect(await serious(page)).toEqual([]);
      });
    }
  });
}

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
for (const scheme of ['light', 'dark'] as const) {
  for (const { method, open } of measuringBy) {
    test(`measuring, ${method}, ${scheme}: axe finds nothing serious, and nothing spills over at 200 % text`, async ({
      page,
    }) => {
      await page.emulateMedia({ colorScheme: scheme });
      await page.goto('/students/p-marit/measure');
      await page.getByRole('button', { name: /^Hamstring ?left/ }).click();
      await page.getByRole('radio', { name: method, exact: true }).click();
      await open(page);
      expect(await serious(page)).toEqual([]);
      await page.evaluate(() => document.documentElement.style.setProperty('font-size', '200%'));
      expect(
        await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        ),
      ).toBeLessThanOrEqual(1);
    });
  }
}

for (const [seen, viewport] of [
  ['on a phone', { width: 390, height: 844 }],
  ['wide', { width: 1280, height: 800 }],
] as const) {
  test.describe(`at 200 % text ${seen}`, () => {
    test.use({ viewport });
    for (const { name, path } of places) {
      test(`${name}: nothing spills over the side`, async ({ page }) => {
        await page.goto(path);
        await page.getByRole('heading').first().waitFor();
        await page.evaluate(() => document.documentElement.style.setProperty('font-size', '200%'));
        expect(
          await page.evaluate(
            () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
          ),
        ).toBeLessThanOrEqual(1);
      });
    }
  });
}

test('the keyboard alone goes from Today to a student’s working', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Today', exact: true }).waitFor();
  await focusOn(page, /^(\d\d:\d\d · )?Ines Calloway/);
  await page.keyboard.press('Enter');
  await page.getByRole('article', { name: 'Staff' }).waitFor();
  await focusOn(page, /^Open Staff$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText('What the pose asks of the joints')).toBeVisible();
});
