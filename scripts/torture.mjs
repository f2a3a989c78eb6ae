import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { buildSync } from 'esbuild';
import {
  knowQuestions,
  tortureHistory,
  tortureKills,
  tortureMonkey,
  tortureScreens,
} from '../e2e/torture/browser.mjs';
import { withBrowser } from './browser.mjs';
import { needPackages, root } from './steps.mjs';

/**
 * Attacks the app with spoiled books, spoiled records, kills and a monkey, bounded and told by a seed: `npm run torture
 * -- --seed 7`.
 */
const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    books: { type: 'string', default: '3000' },
    screens: { type: 'string', default: '25' },
    kills: { type: 'string', default: '100' },
    presses: { type: 'string', default: '400' },
    walks: { type: 'string', default: '200' },
  },
});
const [seed, books, screens, kills, presses, walks] = [
  'seed',
  'books',
  'screens',
  'kills',
  'presses',
  'walks',
].map((name) => Number(values[name]));
const say = (words) => process.stdout.write(`${words}\n`);
const all = { lost: [], blank: [], hung: [], crash: [] };
const add = (tally) => Object.keys(all).forEach((name) => all[name].push(...(tally[name] ?? [])));

needPackages();
const folder = mkdtempSync(join(tmpdir(), 'ojas-torture-'));
const bundle = join(folder, 'books.mjs');
buildSync({
  entryPoints: [join(root, 'e2e/torture/books.ts')],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  format: 'esm',
  alias: { '@': root },
  logLevel: 'error',
});
process.chdir(root);
const { tortureBooks, questions } = await import(pathToFileURL(bundle).href);
rmSync(folder, { recursive: true });
knowQuestions(questions);

const spoiled = await tortureBooks(books, seed, say);
add(spoiled);
say(
  `${spoiled.books} spoiled books: ${spoiled.taken} taken in, ${spoiled.refused} refused in words; ${spoiled.records} stored records with spoiled ones among them`,
);
say(
  `${spoiled.pairs} pairs of devices that changed one book and took in each other's; ${spoiled.broughtBack} lost books brought back onto a storage that fills up`,
);
await withBrowser(false, async (browser, address) => {
  const looked = await tortureScreens(browser, address, spoiled.texts.slice(0, screens), say);
  add(looked);
  say(`${looked.books} of the books taken in on screen: ${looked.pages} pages looked at`);
});
await withBrowser(true, async (browser, address) => {
  const pressed = await tortureMonkey(browser, address, presses, seed, say);
  add(pressed);
  say(`${pressed.presses} presses by a monkey, in a storage that is full now and then`);
  const walked = await tortureHistory(browser, address, walks, seed, say);
  add(walked);
  say(`${walked.walks} steps back, forth, along links and over reloads through a running session`);
  const killed = await tortureKills(address, kills, seed, say);
  add(killed);
  say(
    `${killed.kills} kills while writing, in one tab and two: ${killed.answers} answers shown as stored; the browser threw its storage away ${killed.thrownAway} times`,
  );
});
for (const name of Object.keys(all))
  for (const one of all[name].slice(0, 20)) say(`${name}: ${one}`);
say(
  Object.entries(all)
    .map(([name, those]) => `${those.length} ${name}`)
    .join(', '),
);
process.exit(Object.values(all).every((those) => those.length === 0) ? 0 : 1);
