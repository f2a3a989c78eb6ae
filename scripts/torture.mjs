import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { buildSync } from 'esbuild';
import {
  knowQuestions,
  tortureKills,
  tortureMonkey,
  tortureScreens,
} from '../e2e/torture/browser.mjs';
import { withBrowser } from './browser.mjs';
import { needPackages, root } from './steps.mjs';

/** Attacks the app with spoiled books, spoiled records, kills and a monkey, bounded and told by a seed: `npm run torture -- --seed 7`. */
const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    books: { type: 'string', default: '3000' },
    screens: { type: 'string', default: '25' },
    kills: { type: 'string', default: '100' },
    presses: { type: 'string', default: '400' },
  },
});
const [seed, books, screens, kills, presses] = ['seed', 'books', 'screens', 'kills', 'presses'].map(
  (name) => Number(values[name]),
);
const say = (words) => process.stdout.write(`${words}\n`);
const all = { lost: [], blank: [], crash: [] };
const add = (tally) =>
  ['lost', 'blank', 'crash'].forEach((name) => all[name].push(...(tally[name] ?? [])));

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
await withBrowser(false, async (browser, address) => {
  const looked = await tortureScreens(browser, address, spoiled.texts.slice(0, screens), say);
  add(looked);
  say(`${looked.books} of the books taken in on screen: ${looked.pages} pages looked at`);
});
await withBrowser(true, async (browser, address) => {
  const pressed = await tortureMonkey(browser, address, presses, seed, say);
  add(pressed);
  say(`${pressed.presses} presses by a monkey, in a storage that is full now and then`);
  const killed = await tortureKills(address, kills, seed, say);
  add(killed);
  say(
    `${killed.kills} kills while writing, in one tab and two: ${killed.answers} answers shown as stored; the browser threw its storage away ${killed.thrownAway} times`,
  );
});
for (const name of ['lost', 'blank', 'crash'])
  for (const one of all[name].slice(0, 20)) say(`${name}: ${one}`);
say(`${all.lost.length} lost, ${all.blank.length} blank, ${all.crash.length} crash`);
process.exit(all.lost.length + all.blank.length + all.crash.length === 0 ? 0 : 1);
