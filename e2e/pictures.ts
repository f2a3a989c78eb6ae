import type { Page } from '@playwright/test';

export type Spot = readonly [x: number, y: number];

/** A picture of a bent leg in plain strokes, made in the page, with its joints where they are said to be. */
export async function legPicture(
  page: Page,
  [width, height]: readonly [number, number],
  joints: readonly Spot[],
  type: 'image/png' | 'image/jpeg' = 'image/png',
): Promise<Buffer> {
  const url = await page.evaluate(
    ({ width, height, joints, type }) => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [width, height];
      const pen = canvas.getContext('2d')!;
      pen.fillStyle = '#efe6d6';
      pen.fillRect(0, 0, width, height);
      [pen.lineWidth, pen.lineCap, pen.lineJoin, pen.strokeStyle] = [
        width / 40,
        'round',
        'round',
        '#55606e',
      ];
      pen.beginPath();
      joints.forEach(([x, y], i) => (i === 0 ? pen.moveTo(x, y) : pen.lineTo(x, y)));
      pen.stroke();
      return canvas.toDataURL(type);
    },
    { width, height, joints, type },
  );
  return Buffer.from(url.slice(url.indexOf(',') + 1), 'base64');
}

/** Chooses a file of these bytes as the picture. */
export async function choosePicture(
  page: Page,
  name: string,
  mimeType: string,
  buffer: Buffer,
): Promise<void> {
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a picture' }).click();
  await (await chooser).setFiles({ name, mimeType, buffer });
}

/** Drags a point of the board to where it belongs on the picture. */
export async function dragTo(page: Page, name: string, at: Spot, picture: Spot): Promise<void> {
  const handle = page.getByRole('slider', { name, exact: true });
  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.boundingBox())!;
  const shown = (await page.getByLabel('The picture to be marked').boundingBox())!;
  const to = [
    shown.x + (at[0] / picture[0]) * shown.width,
    shown.y + (at[1] / picture[1]) * shown.height,
  ] as const;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(to[0], to[1], { steps: 6 });
  await page.mouse.up();
}

/** Angle and half width of its band, as the board says them. */
export async function angleSaid(page: Page): Promise<{ deg: number; within: number }> {
  const said = await page
    .getByRole('status')
    .filter({ hasText: /^-?\d+° ± \d+$/ })
    .innerText();
  const [, deg, within] = /^(-?\d+)° ± (\d+)$/.exec(said)!;
  return { deg: Number(deg), within: Number(within) };
}
