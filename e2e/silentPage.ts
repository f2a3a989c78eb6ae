import { test as base, expect } from '@playwright/test';

/** A busy machine draws its first words late: the browser then says that their faces came too soon. */
const isOfSlowness = (words: string) => /was preloaded using link preload but not used/.test(words);

/** Keeping the whole app is left to the tests of it (`playwright.config.ts`): the tool says so at every load. */
const NOT_KEPT = 'Service Worker registration blocked by Playwright';

/** A test whose page must stay silent in the console and ask nothing of any other host. */
export const test = base.extend<{ quiet: void }>({
  quiet: [
    async ({ page, baseURL }, use) => {
      const said: string[] = [];
      page.on('console', (message) => {
        const words = message.text();
        const isBad = message.type() === 'error' || message.type() === 'warning';
        if (isBad && !isOfSlowness(words) && words !== NOT_KEPT) said.push(words);
      });
      page.on('pageerror', (error) => said.push(error.message));
      page.on('request', (request) => {
        const { protocol, origin } = new URL(request.url());
        if (protocol.startsWith('http') && origin !== baseURL)
          said.push(`asked another host: ${request.url()}`);
      });
      // What the page's own policy forbids is told in the page alone.
      await page.addInitScript(() =>
        addEventListener('securitypolicyviolation', (event) =>
          reportError(new Error(`forbidden: ${event.violatedDirective} ${event.blockedURI}`)),
        ),
      );
      await use();
      expect(said).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };
