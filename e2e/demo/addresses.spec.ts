import type { Page } from '@playwright/test';
import { expect, test } from '../silentPage';

const RESTS = [
  ...['', '/intake', '/measure', '/plan', '/mat', '/record', '/progress', '/home', '/proportions'],
  '/poses/hero',
];
/** One at every place, and the others where a mat or a plan would be looked up. */
const addresses = [
  ...RESTS.map((rest) => `toString${rest}`),
  ...['constructor', '__proto__', '%20', 'a'.repeat(10_000)].flatMap((id) => [
    `${id}/mat`,
    `${id}/plan`,
  ]),
];

/** Goes to an address inside the app, as a link of it would. */
const goTo = (page: Page, path: string) =>
  page.evaluate((to) => {
    history.pushState({}, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);

test('every place says that there is no such student, with the bar of places, whatever the address asks for', async ({
  page,
}) => {
  await page.goto('/');
  await page
    .getByText(/On the mat/)
    .first()
    .waitFor();
  for (const address of addresses) {
    const told = address.slice(0, 40);
    await goTo(page, '/more');
    await expect(page.getByRole('heading', { name: 'More', exact: true }), told).toBeVisible();
    await goTo(page, `/students/${address}`);
    await expect(page.getByRole('heading', { name: 'No such student' }), told).toBeVisible();
    await expect(page.getByRole('link', { name: 'Today' }).first(), told).toBeVisible();
  }
});

test('an address that names nobody, no place, no pose or cannot be read at all is answered by the app', async ({
  page,
}) => {
  for (const [path, heading] of [
    ['/students//mat', /No such student|There is no such place|Mat/],
    ['/students/%E0%A4%A/mat', /No such student|There is no such place/],
    ['/students/constructor/mat', /No such student/],
    [`/students/${'a'.repeat(10_000)}/mat`, /No such student/],
    ['/students/p-ines/poses/toString', /No such pose|There is no such/],
  ] as const) {
    await page.goto(path);
    await expect(
      page.getByRole('heading', { name: heading }).first(),
      path.slice(0, 40),
    ).toBeVisible();
    await expect(page.getByRole('link', { name: 'Today' }).first()).toBeVisible();
  }
});
