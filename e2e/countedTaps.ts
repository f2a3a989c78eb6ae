import { expect, type Locator, type Page } from '@playwright/test';

/** Counts what a teacher taps: buttons, links, choices, and each field that is typed into. */
export function counted(page: Page) {
  let taps = 0;
  return {
    count: () => taps,
    tap: async (role: 'button' | 'checkbox' | 'link' | 'radio', name: string | RegExp) => {
      taps += 1;
      await page
        .getByRole(role, { name, ...(typeof name === 'string' ? { exact: true } : {}) })
        .first()
        .click();
    },
    type: async (label: string, text: string) => {
      taps += 1;
      await page.getByLabel(label).fill(text);
    },
  };
}

/** Sets a slide of whole numbers to a value by one press on its line; what it brings about may take the slide away. */
export async function slideTo(slide: Locator, value: number): Promise<void> {
  const bound = async (name: string) => Number(await slide.getAttribute(name));
  const [least, most] = [await bound('aria-valuemin'), await bound('aria-valuemax')];
  const box = await slide.boundingBox();
  if (!box) throw new Error('The slide is not on the page.');
  const x = ((value - least) / (most - least)) * box.width;
  await slide.click({ position: { x, y: box.height / 2 } });
  const shown = () =>
    slide.evaluateAll((all) => all.map((one) => one.getAttribute('aria-valuenow')));
  await expect.poll(async () => (await shown()).filter((now) => now !== String(value))).toEqual([]);
}
