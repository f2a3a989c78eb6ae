import { join } from 'node:path';
import { withBrowser } from './browser.mjs';
import { root } from './steps.mjs';

/** One picture of each main view from the sample book, for the README: `npm run pictures`, then look at each. */
const PHONE = { width: 390, height: 844 };
const WIDE = { width: 1280, height: 800 };
const press = (name) => (page) => page.getByRole('button', { name }).first().click();
const pick = (name) => (page) => page.getByRole('radio', { name, exact: true }).first().click();
const digits = (text) => async (page) => {
  for (const digit of text) await page.getByRole('button', { name: digit, exact: true }).click();
  await page.getByRole('button', { name: 'Take this reading' }).click();
};
const into = (name) => async (page) => {
  await page.getByRole('article', { name, exact: true }).evaluate((card) => card.scrollIntoView());
};

/** Opens what the code on the screen opens, as the student's phone does. */
async function takeAlong(page) {
  await page.evaluate(() => {
    navigator.clipboard.writeText = async (text) => void (window.copied = text);
  });
  await page.getByRole('button', { name: 'Copy the address' }).click();
  await page.getByText('Copied.').waitFor();
  await page.goto(await page.evaluate(() => window.copied));
  await page.getByRole('button', { name: 'I am in it' }).first().waitFor();
}

const views = [
  { name: 'today', path: '/' },
  { name: 'student', path: '/students/p-ines' },
  {
    name: 'measure',
    path: '/students/p-bram/measure',
    do: [
      press(/^Hamstring, (left|right): decides/),
      digits('52'),
      digits('59'),
      (page) => page.getByLabel(/^Reading 3/).evaluate((field) => field.scrollIntoView()),
    ],
  },
  {
    name: 'measure-tilt',
    path: '/students/p-marit/measure',
    do: [
      press(/^Hamstring ?left/),
      pick('Phone tilt'),
      press('Use the simulated sensor'),
      (page) => page.waitForTimeout(500),
      press('Zero on the floor'),
      (page) => page.getByRole('slider', { name: 'Turn of the simulated phone' }).focus(),
      ...Array.from({ length: 5 }, () => (page) => page.keyboard.press('PageUp')),
      (page) => page.getByText(/held: bring it back/).waitFor(),
    ],
  },
  {
    name: 'measure-photo',
    path: '/students/p-marit/measure',
    size: WIDE,
    do: [
      press(/^Knee bend with a bent hip ?left/),
      pick('Photo'),
      press('Try it on a drawn figure'),
      (page) => page.getByLabel('The picture to be marked').waitFor(),
      (page) => page.getByRole('slider', { name: 'knee', exact: true }).focus(),
      (page) => page.getByText(/^Drag each point/).evaluate((words) => words.scrollIntoView()),
    ],
  },
  { name: 'progress', path: '/students/p-marit/progress' },
  { name: 'proportions', path: '/students/p-bram/proportions' },
  { name: 'plan', path: '/students/p-bram/plan', do: [into('Hero')] },
  {
    name: 'pose',
    path: '/students/p-marit/poses/hero',
    do: [
      (page) => page.getByRole('slider', { name: 'Height, seat' }).focus(),
      ...Array.from({ length: 6 }, () => (page) => page.keyboard.press('PageDown')),
    ],
  },
  {
    name: 'at-home',
    path: '/students/p-marit/sheet',
    do: [press('On their own phone'), takeAlong],
  },
  {
    name: 'drawings',
    path: '/more/drawings',
    size: WIDE,
    do: [
      (page) => page.getByRole('radio', { name: 'Folds, hips and squats' }).click(),
      into('One-leg fold'),
    ],
  },
  {
    name: 'lesson',
    path: '/students/p-marit/lesson',
    dark: true,
    do: [
      pick('On a chair, warm and open'),
      press(/^Go:/),
      ...Array(14).fill(press(/^(Ready|Onward)$/)),
    ],
  },
  { name: 'plan-wide', path: '/students/p-bram/plan', size: WIDE, do: [into('Staff')] },
  { name: 'week', path: '/week' },
  {
    name: 'mat-build',
    path: '/students/p-bram/mat',
    do: [press(/^Begin/), press('Skip this pose'), press('Skip this pose')],
  },
  {
    name: 'mat-hold',
    path: '/students/p-yusuf/mat',
    do: [
      press(/^Begin/),
      press('Skip this pose'),
      press('Skip this pose'),
      pick('Hold'),
      press('Begin the hold'),
    ],
  },
  { name: 'record', path: '/students/p-hettie/record' },
  { name: 'shelf', path: '/shelf' },
  {
    name: 'mats',
    path: '/students/p-marit/mat',
    size: WIDE,
    do: [
      press(/^Begin/),
      ...['p-ines', 'p-yusuf'].flatMap((id) => [
        (page) => page.goto(new URL(`/students/${id}/mat`, page.url()).href),
        press(/^Begin/),
      ]),
      async (page) => {
        const mat = page.getByRole('region', { name: 'Mat of Ines Calloway' });
        await mat.getByRole('radio', { name: 'Hold' }).click();
        await mat.getByRole('button', { name: /^Begin/ }).click();
      },
    ],
  },
];

await withBrowser(true, async (browser, address) => {
  for (const { name, path, size = PHONE, dark = false, do: steps = [] } of views) {
    const page = await browser.newPage({
      viewport: size,
      colorScheme: dark ? 'dark' : 'light',
      reducedMotion: 'reduce',
    });
    await page.goto(`${address}/`);
    await page
      .getByText(/On the mat/)
      .first()
      .waitFor();
    await page.goto(`${address}${path}`);
    await page.getByRole('heading').first().waitFor();
    for (const step of steps) await step(page);
    await page.waitForTimeout(900);
    await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`) });
    await page.close();
  }
});
