import { expect, test } from '../silentPage';
import { chooseFrom, counted } from '../countedTaps';

test('a new student has heights for the five commonest poses within 25 taps and 90 seconds, by the simulated sensor', async ({
  page,
}) => {
  test.slow();
  await page.goto('/shelf');
  await page.getByRole('button', { name: 'Begin with a usual shelf' }).click();
  await expect(page.getByRole('article', { name: 'Round bolster' })).toBeVisible();
  await page.goto('/');

  const begun = Date.now();
  const taps = counted(page);
  await taps.tap('link', 'New student');
  await taps.type('Name', 'Tamsin Orrery');
  await taps.type('Stature', '168');
  await taps.tap('button', 'Save and ask the questions');
  await taps.tap('button', /All asked: no to the remaining/);
  await taps.tap('link', 'On to measuring');
  await taps.tap('button', /^Begin a first visit/);
  await taps.tap('radio', 'Phone tilt');
  await taps.tap('button', 'Use the simulated sensor');
  await taps.tap('button', 'Zero on the floor');

  // The dial stands for the student's limb: turning it is no tap of the teacher's.
  const dial = page.getByRole('slider', { name: 'Turn of the simulated phone' });
  const limb = (deg: number) => chooseFrom(dial, deg);
  const here = () =>
    page
      .getByRole('heading', { level: 2 })
      .filter({ hasNotText: 'Readings so far' })
      .first()
      .innerText();
  const turns: Readonly<Record<string, readonly number[]>> = {
    Hamstring: [62],
    'Knee bend, hip bent': [110, -28],
    'Knee bend, face down': [118],
    'Thigh to chest': [116],
    'Thigh behind the pelvis': [-12],
  };
  for (let step = 0; step < 12; step++) {
    if (await page.getByText(/^Visit done$/).isVisible()) break;
    const range = await here();
    const places = turns[range];
    if (!places) {
      await taps.tap('button', 'Pass over');
      await expect(page.getByRole('heading', { level: 2, name: range, exact: true })).toBeHidden();
      continue;
    }
    const side = await page
      .getByRole('radio', { name: /^(Left|Right)/, checked: true })
      .innerText();
    for (let reading = 0; reading < 2; reading++) {
      for (const [i, deg] of places.entries()) {
        await limb(deg + reading);
        if (i < places.length - 1) await expect(page.getByText(/^2 of 2/)).toBeVisible();
        else if (reading === 0)
          await expect(page.getByRole('img', { name: /^Readings / })).toBeVisible();
        else
          await expect(
            page.getByText(
              new RegExp(`${range} ${side.startsWith('Left') ? 'left' : 'right'} noted`),
            ),
          ).toBeVisible();
      }
      if (await dial.isVisible()) await limb(0);
    }
  }
  await expect(page.getByText(/^Visit done$/)).toBeVisible();
  await taps.tap('link', 'See the plan');
  for (const pose of ['Staff', 'Seated fold', 'Hero', 'Child', 'Standing fold'])
    await expect(page.getByRole('article', { name: pose, exact: true })).toBeVisible();
  const seconds = (Date.now() - begun) / 1000;
  test.info().annotations.push({
    type: 'first visit',
    description: `${taps.count()} taps, ${seconds.toFixed(0)} s`,
  });
  process.stdout.write(`first visit: ${taps.count()} taps, ${seconds.toFixed(0)} s\n`);
  expect(taps.count()).toBeLessThanOrEqual(25);
  expect(seconds).toBeLessThan(90);
});
