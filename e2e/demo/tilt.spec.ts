import { expect, test } from '../silentPage';
import { emulatedPhone } from '../sensor';
import { focusOn, go } from '../steps';

const hamstring = async (page: import('@playwright/test').Page) => {
  await page.goto('/students/p-bram/measure');
  await page.getByRole('button', { name: /^Hamstring ?left/ }).click();
  await page.getByRole('radio', { name: 'Phone tilt' }).click();
};

test('real orientation events: zeroed on a floor that slopes, raised, held still, brought back, read without a tap', async ({
  page,
}) => {
  const phone = await emulatedPhone(page);
  await hamstring(page);
  await phone.turn(2);
  await page.getByRole('button', { name: 'Start the phone’s sensor' }).click();
  // An emulated phone speaks only when it turns; a real one trembles all the time.
  const held = async (deg: number, until: () => Promise<boolean>) => {
    for (let i = 0; i < 200 && !(await until()); i++) {
      await phone.turn(deg + (i % 2 === 0 ? 0.1 : -0.1));
      await page.waitForTimeout(25);
    }
  };
  const soon = (times: number) => {
    let left = times;
    return async () => left-- <= 0;
  };
  await held(2, soon(20));
  await page.getByRole('button', { name: 'Zero on the floor' }).click();
  const read = page.getByRole('img', { name: /^Readings / });
  const end = page.getByText(/^6\d° held: bring it back/);
  await held(40, soon(60));
  await held(66, async () => (await end.isVisible()) && /^6[345]°/.test(await end.innerText()));
  await expect(read).toBeHidden();
  await held(2, () => read.isVisible());
  await expect(read).toHaveAccessibleName(/^Readings 6[345](\.5)?, mean 6[345]°$/);
  await held(2, soon(20));
  await held(67, async () => (await end.isVisible()) && /^6[456]°/.test(await end.innerText()));
  await held(2, () => page.getByText(/Hamstring left noted/).isVisible());
  await expect(page.getByRole('radio', { name: /^Right/ })).toBeChecked();
});

test('leave refused: it says what to do, and the simulated sensor stands by', async ({ page }) => {
  await page.addInitScript(() =>
    Object.assign(DeviceOrientationEvent, { requestPermission: async () => 'denied' }),
  );
  await hamstring(page);
  await page.getByRole('button', { name: 'Start the phone’s sensor' }).click();
  await expect(page.getByRole('alert')).toHaveText(
    /was not allowed to read the tilt\. Allow motion and orientation/,
  );
  await page.getByRole('button', { name: 'Use the simulated sensor' }).click();
  await expect(page.getByRole('heading', { name: 'Simulated sensor' })).toBeVisible();
});

test('a desk without a sensor is told so', async ({ page }) => {
  await hamstring(page);
  await page.getByRole('button', { name: 'Start the phone’s sensor' }).click();
  await expect(page.getByRole('alert')).toHaveText(/This device shows no tilt/);
});

test('an interrupted visit goes on after a reload, with what was taken and not yet kept', async ({
  page,
}) => {
  await page.goto('/students/p-ines/measure');
  await page.getByRole('button', { name: /^Begin the re-check/ }).click();
  await expect(page.getByText(/^Re-check: 1 of/)).toBeVisible();
  await page.getByRole('button', { name: 'Skip' }).click();
  await expect(page.getByText(/^Re-check: 2 of 2/)).toBeVisible();
  const range = await page.getByRole('heading', { level: 2 }).first().innerText();
  for (const digit of '61') await page.getByRole('button', { name: digit, exact: true }).click();
  await page.getByRole('button', { name: 'Take this reading' }).click();
  await expect(page.getByRole('img', { name: 'Readings 61, mean 61°' })).toBeVisible();
  await page.reload();
  await expect(page.getByText(/^Re-check: 2 of 2/)).toBeVisible();
  await expect(page.getByRole('heading', { level: 2 }).first()).toHaveText(range);
  await expect(page.getByRole('img', { name: 'Readings 61, mean 61°' })).toBeVisible();
  await go(page, '/');
  await page.getByRole('link', { name: 'Go on measuring' }).click();
  await expect(page.getByRole('img', { name: 'Readings 61, mean 61°' })).toBeVisible();
});

test('the keyboard alone takes a reading by the simulated sensor', async ({ page }) => {
  await page.goto('/students/p-bram/measure');
  await page.getByRole('heading', { name: 'All ranges' }).waitFor();
  const reach = (name: RegExp) => focusOn(page, name, 90);
  await reach(/^Hamstring\s?left/);
  await page.keyboard.press('Enter');
  // Tab comes to the chosen one of a group; the arrow keys choose another.
  await reach(/^Protractor$/);
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('radio', { name: 'Phone tilt' })).toBeChecked();
  await reach(/^Use the simulated sensor$/);
  await page.keyboard.press('Enter');
  await reach(/^Zero on the floor$/);
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Zeroed flat on its back/)).toBeVisible();
  await reach(/^Turn of the simulated phone/);
  for (let i = 0; i < 6; i++) await page.keyboard.press('PageUp');
  await expect(page.getByText(/^(59|60|61)° held: bring it back/)).toBeVisible();
  await page.keyboard.press('Home');
  await expect(page.getByRole('img', { name: /^Readings (59|60|61)(\.5)?, / })).toBeVisible();
});
