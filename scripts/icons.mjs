import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from './browser.mjs';
import { root } from './steps.mjs';

/**
 * The app's icons, from its own figure of Hero on its seat: `npm run icons`, then look at each. What a launcher cuts
 * round leaves the outer tenth on every side.
 */
const drawing = readFileSync(join(root, 'docs', 'reckoning', 'hero.svg'), 'utf8');
const figure = /<svg x="[^"]*"[^>]*viewBox="([^"]*)">([\s\S]*?)<\/svg>/.exec(drawing);
const [x, y, width, height] = figure[1].split(' ').map(Number);
const sizes = [
  { name: 'icon-192.png', px: 192, room: 0.08, round: 0.18 },
  { name: 'icon-512.png', px: 512, room: 0.08, round: 0.18 },
  { name: 'icon-cut-512.png', px: 512, room: 0.2, round: 0 },
  { name: 'icon-180.png', px: 180, room: 0.12, round: 0 },
];

const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
for (const { name, px, room, round } of sizes) {
  const page = await browser.newPage({ viewport: { width: px, height: px } });
  const side = Math.max(width, height) / (1 - 2 * room);
  const [left, top] = [x + width / 2 - side / 2, y + height / 2 - side / 2];
  await page.setContent(
    `<body style="margin:0"><svg width="${px}" height="${px}" viewBox="${left} ${top} ${side} ${side}" style="display:block">
      <rect x="${left}" y="${top}" width="${side}" height="${side}" rx="${round * side}" fill="#e6dcc6"/>${figure[2]}</svg></body>`,
  );
  writeFileSync(
    join(root, 'public', 'icons', name),
    await page.screenshot({ omitBackground: true }),
  );
  await page.close();
}
await browser.close();
