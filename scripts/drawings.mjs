import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { withBrowser } from './browser.mjs';
import { root } from './steps.mjs';

/**
 * One drawing per family for docs/reckoning.md, taken from the app's own figures: `npm run drawings`, then look at
 * each.
 */
const drawn = {
  Seated: [
    'Staff',
    'Easy crossed legs',
    'Stacked shins',
    'Soles together',
    'Wide-angle seat',
    'Heron',
    'Seated twist, one knee up',
  ],
  Kneeling: ['Kneel on the heels', 'Hero', 'Child', 'Frog', 'Low lunge', 'Horse'],
  Reclined: [
    'Reclined hero',
    'One-leg reclined hero',
    'Reclined soles together',
    'Side-lying thigh stretch',
    'Crossed-leg reclined twist',
    'Reclined leg raise with strap',
    'Reclined figure four',
    'Supported rest',
  ],
  'Folds, hips and squats': [
    'Standing fold',
    'Seated fold',
    'One-leg fold',
    'Wide-angle fold',
    'Soles-together fold',
    'Pigeon',
    'One-leg king pigeon, later stages',
    'Garland squat',
    'Side squat',
  ],
  Chair: ['Seat on a chair', 'Lunge off a chair', 'Forward hinge on a chair'],
  Counterposes: ['Reverse table', 'Downward dog'],
};
const fileOf = (name) =>
  `${name
    .toLowerCase()
    .replace(/[^a-z]+/g, '-')
    .replace(/^-|-$/g, '')}.svg`;
const GAP = 10;
const CAPTION = 18;

await withBrowser(false, async (browser, address) => {
  const page = await browser.newPage({
    viewport: { width: 1280, height: 900 },
    colorScheme: 'light',
  });
  await page.goto(`${address}/more/drawings`);
  mkdirSync(join(root, 'docs', 'reckoning'), { recursive: true });
  for (const [group, names] of Object.entries(drawn)) {
    await page.getByRole('radio', { name: group, exact: true }).click();
    for (const name of names) {
      const article = page.getByRole('article', { name, exact: true });
      await article.getByText('Free, 170 cm').waitFor();
      await page.waitForTimeout(400);
      // Colours are names in the app; in a file of its own each is written out.
      const figures = await article.evaluate((card) => {
        const look = getComputedStyle(document.documentElement);
        const written = (markup) =>
          markup.replace(/rgb\(var\((--[\w-]+)\)(?: ?\/ ?([\d.]+))?\)/g, (_, colour, alpha) =>
            `rgb(${look.getPropertyValue(colour).trim().replace(/\s+/g, ',')}${alpha ? `,${alpha}` : ''})`.replace(
              'rgb(',
              alpha ? 'rgba(' : 'rgb(',
            ),
          );
        return [...card.querySelectorAll('[role=img]')].map((image) => {
          const svg = image.querySelector('svg');
          return {
            words: image.getAttribute('aria-label').split(':')[0],
            width: Number(svg.getAttribute('width')),
            height: Number(svg.getAttribute('height')),
            view: svg.getAttribute('viewBox'),
            inner: written(svg.innerHTML),
          };
        });
      });
      const tallest = Math.max(...figures.map(({ height }) => height));
      let x = GAP;
      const parts = figures.map(({ words, width, height, view, inner }) => {
        const at = x;
        x += width + GAP;
        return `<svg x="${at.toFixed(1)}" y="${(GAP + tallest - height).toFixed(1)}" width="${width.toFixed(1)}" height="${height.toFixed(1)}" viewBox="${view}">${inner}</svg><text x="${(at + width / 2).toFixed(1)}" y="${(GAP + tallest + CAPTION - 4).toFixed(1)}" font-size="12" font-family="sans-serif" text-anchor="middle" fill="#211e1a">${words}</text>`;
      });
      const [width, height] = [x, tallest + CAPTION + 2 * GAP];
      writeFileSync(
        join(root, 'docs', 'reckoning', fileOf(name)),
        `<svg xmlns="http://www.w3.org/2000/svg" width="${width.toFixed(0)}" height="${height.toFixed(0)}" viewBox="0 0 ${width.toFixed(1)} ${height.toFixed(1)}"><rect width="100%" height="100%" fill="#fbf8f1"/>${parts.join('')}</svg>\n`,
      );
    }
  }
});
