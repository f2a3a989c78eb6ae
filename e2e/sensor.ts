import type { CDPSession, Page } from '@playwright/test';

/** The browser's own emulation of a phone's turn, so that real orientation events reach the page. */
export async function emulatedPhone(
  page: Page,
): Promise<{ turn: (betaDeg: number, gammaDeg?: number) => Promise<void>; devtools: CDPSession }> {
  await page.context().grantPermissions(['accelerometer', 'gyroscope', 'magnetometer']);
  const devtools = await page.context().newCDPSession(page);
  const turn = (betaDeg: number, gammaDeg = 0) =>
    devtools
      .send('DeviceOrientation.setDeviceOrientationOverride', {
        alpha: 0,
        beta: betaDeg,
        gamma: gammaDeg,
      })
      .then(() => undefined);
  await turn(0);
  return { turn, devtools };
}
