import { expect, test } from '../silentPage';
import { counted, slideTo } from '../countedTaps';
import { keptAway } from '../steps';

/** Longer than a limb must be still to be read. */
const HOLD_MS = 2000;
/** Longer than a phone takes to be carried to the other limb, and to be seen at rest there. */
const REST_MS = 4500;

test('a new student has heights for the five commonest poses within 25 taps, by the simulated sensor', async ({
  page,
}) => {
  // Holding still is waited for by the page's own clock, which is put on.
  await page.clock.install();
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Begin with a usual shelf' }).click();
  await expect(page.getByRole('article', { name: 'Round bolster' })).toBeVisible();
  await page.goto('/');

  const taps = counted(page);
  await taps.tap('link', 'New student');
  await taps.type('Name', 'Tamsin Orrery');
  await taps.type('Height', '168');
  await taps.tap('button', 'Save and ask the questions');
  await taps.tap('button', /All asked: no to the remaining/);
  await taps.tap('link', 'On to measuring');
  await taps.tap('button', /^Begin a first visit/);
  await taps.tap('radio', 'Phone tilt');
  await taps.tap('button', 'Use the simulated sensor');
  await taps.tap('button', 'Zero on the floor');

  // The dial stands for the student's limb: turning it is no tap of the teacher's. It goes there at once, for a limb
  // that pauses on the way is read there.
  const dial = page.getByRole('slider', { name: 'Turn of the simulated phone' });
  const limb = (deg: number) => slideTo(dial, deg);
  const heading = page
    .getByRole('heading', { level: 2 })
    .filter({ hasNotText: 'Readings so far' })
    .first();
  const done = page.getByText(/^Visit done$/);
  const sideOf = page.getByRole('radio', { name: /^(Left|Right)/, checked: true });
  /** What is being read, and on which side; null once nothing is. */
  const here = async () => {
    await expect(heading.or(done).first()).toBeVisible();
    if (await done.isVisible()) return null;
    const sided = (await sideOf.count()) > 0;
    return {
      range: await heading.innerText(),
      side: sided ? (await sideOf.innerText()).split(' ')[0]! : '',
    };
  };
  const turns: Readonly<Record<string, readonly number[]>> = {
    Hamstring: [62],
    'Knee bend with a bent hip': [110, -28],
    'Knee bend face down': [118],
    'Thigh to chest': [116],
    'Thigh behind the pelvis': [-12],
  };
  /** From rest, held still in each place, and back; a phone that goes from place to place is carried, not raised. */
  const read = async (places: readonly number[]) => {
    await limb(0);
    if (places.length === 1) await page.clock.runFor(REST_MS);
    for (const [i, deg] of places.entries()) {
      if (i > 0) await expect(page.getByText(/^2 of 2/)).toBeVisible();
      await limb(deg);
      await page.clock.runFor(HOLD_MS);
    }
    if (places.length > 1) return;
    await limb(0);
    await page.clock.runFor(500);
  };
  for (let now = await here(); now; now = await here()) {
    const places = turns[now.range];
    if (places) {
      await read(places);
      await expect(page.getByRole('img', { name: /^Readings / })).toBeVisible();
      await read(places.map((deg) => deg + 1));
    } else await taps.tap('button', 'Skip');
    await expect.poll(here).not.toEqual(now);
  }
  await expect(done).toBeVisible();
  await taps.tap('link', 'See the plan');
  for (const pose of ['Staff', 'Seated fold', 'Hero', 'Child', 'Standing fold'])
    await expect(page.getByRole('article', { name: pose, exact: true })).toBeVisible();
  expect(taps.count()).toBeLessThanOrEqual(25);
});

test('the readings of a first visit are typed in 50 taps', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'New student' }).click();
  await page.getByLabel('Name').fill('Tamsin Orrery');
  await page.getByLabel('Height').fill('168');
  await page.getByRole('button', { name: 'Save and ask the questions' }).click();
  await page.getByRole('button', { name: /All asked: no to the remaining/ }).click();
  await page.getByRole('link', { name: 'On to measuring' }).click();

  const taps = counted(page);
  await taps.tap('button', /^Begin a first visit/);
  await taps.tap('radio', 'Protractor');
  const heading = page
    .getByRole('heading', { level: 2 })
    .filter({ hasNotText: 'Readings so far' })
    .first();
  const done = page.getByText(/^Visit done$/);
  const shown: Readonly<Record<string, string>> = {
    Hamstring: '62',
    'Knee bend with a bent hip': '138',
    'Knee bend face down': '118',
    'Thigh to chest': '110',
    'Thigh behind the pelvis': '8',
    'Rounding of the spine': '48',
    'Pointed ankle': '52',
  };
  const sideOf = page.getByRole('radio', { name: /^(Left|Right)/, checked: true });
  /** What is asked for now; nothing once the visit is done. */
  const asked = async () => {
    await expect(heading.or(done).first()).toBeVisible();
    if (await done.isVisible()) return '';
    // What is believed of a side stands beside it, and changes before the next one comes.
    const side = (await sideOf.count()) > 0 ? (await sideOf.innerText()).split(' ')[0] : '';
    return `${await heading.innerText()}/${side}`;
  };
  const read: string[] = [];
  for (let now = await asked(); now !== ''; now = await asked()) {
    const typed = shown[now.split('/')[0]!];
    if (typed === undefined) throw new Error(`no value for ${now}`);
    for (const digit of typed) await taps.tap('button', digit);
    await taps.tap('button', 'Take this reading');
    await expect(page.getByRole('img', { name: /^Readings / })).toBeVisible();
    await taps.tap('button', /^Save(, other side)?$/);
    read.push(now);
    await keptAway(page);
    await expect.poll(asked).not.toBe(now);
  }
  expect(new Set(read.map((one) => one.split('/')[0])).size).toBe(5);
  expect(taps.count()).toBeLessThanOrEqual(50);
});
