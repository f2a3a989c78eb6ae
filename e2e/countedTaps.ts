import type { Locator, Page } from '@playwright/test';

/** Counts what a teacher taps: buttons, links, choices, and each field that is typed into. */
export function counted(page: Page) {
  let taps = 0;
  return {
    count: () => taps,
    tap: async (role: 'button' | 'link' | 'radio', name: string | RegExp) => {
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

/** Turns a slide to a value with the keyboard: in tens, then in ones. */
export async function chooseFrom(slide: Locator, value: number): Promise<void> {
  const now = Number(await slide.getAttribute('aria-valuenow'));
  const steps = value - now;
  await slide.focus();
  for (let i = 0; i < Math.floor(Math.abs(steps) / 10); i++)
    await slide.press(steps > 0 ? 'PageUp' : 'PageDown');
  for (let i = 0; i < Math.abs(steps) % 10; i++)
    await slide.press(steps > 0 ? 'ArrowRight' : 'ArrowLeft');
}
