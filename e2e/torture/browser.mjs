import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { CHROMIUM, CHROMIUM_ARGS } from '../../scripts/browser.mjs';

/** Small and fast, for pauses and choices: the same seed tells the same story. */
export function chanceFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A browser with a profile of its own, that can be killed as a flat battery does. */
async function startOn(profile) {
  const child = spawn(
    CHROMIUM,
    [...CHROMIUM_ARGS, `--user-data-dir=${profile}`, '--remote-debugging-port=0', 'about:blank'],
    { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  const address = await new Promise((resolve, reject) => {
    let said = '';
    child.stderr.on('data', (part) => {
      said += part;
      const found = /DevTools listening on (ws:\S+)/.exec(said);
      if (found) resolve(found[1]);
    });
    child.once('exit', () => reject(new Error(`Chromium ended: ${said.slice(-400)}`)));
  });
  const browser = await chromium.connectOverCDP(address);
  const gone = new Promise((resolve) => child.once('exit', resolve));
  return {
    context: browser.contexts()[0],
    kill: async () => {
      process.kill(-child.pid, 'SIGKILL');
      await gone;
      await browser.close().catch(() => undefined);
    },
  };
}

/** Everything that lies in the app's storage. */
const stored = (page) =>
  page.evaluate(
    () =>
      new Promise((resolve, reject) => {
        const opening = indexedDB.open('ojas');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const entries = opening.result.transaction('entries').objectStore('entries');
          const [keys, values] = [entries.getAllKeys(), entries.getAll()];
          entries.transaction.oncomplete = () => {
            opening.result.close();
            resolve(Object.fromEntries(keys.result.map((key, i) => [key, values.result[i]])));
          };
        };
      }),
  );

const isBlank = async (page) =>
  !(
    (
      await page
        .locator('[role=main], main')
        .first()
        .innerText({ timeout: 10_000 })
        .catch(() => '')
    ).trim().length > 10
  );

/** Answers questions at intake one after another, telling each answer that the screen shows as stored. */
async function answerOn(page, address, student, told) {
  await page.goto(`${address}/students/${student}/intake`);
  await page.exposeFunction('tell', (question, answer, shown) =>
    told({ student, question, answer, shown }),
  );
  await page.locator('[role=radiogroup]').first().waitFor();
  await page.evaluate(
    () =>
      void (async () => {
        for (let i = 0; ; i++) {
          const groups = [...document.querySelectorAll('[role=radiogroup]')].filter(
            (group) =>
              group.querySelectorAll('[role=radio]').length === 3 &&
              group.getAttribute('aria-label') !== 'Which side',
          );
          const group = groups[i % groups.length];
          const radios = [...group.querySelectorAll('[role=radio]')];
          const radio = radios[(i * 7 + Math.floor(i / groups.length)) % 2];
          const [question, answer] = [group.getAttribute('aria-label'), radio.textContent];
          await window.tell(question, answer, false);
          radio.click();
          for (let wait = 0; wait < 200 && radio.getAttribute('aria-checked') !== 'true'; wait++)
            await new Promise((resolve) => setTimeout(resolve, 5));
          if (radio.getAttribute('aria-checked') === 'true')
            await window.tell(question, answer, true);
        }
      })(),
  );
}

/** Kills the browser in the middle of writing, in one tab or two, and looks what is there afterwards. */
export async function tortureKills(address, kills, seed, say) {
  const chance = chanceFrom(seed);
  const profile = mkdtempSync(join(tmpdir(), 'ojas-torture-'));
  const tally = { kills: 0, answers: 0, lost: [], blank: [], thrownAway: 0 };
  /** By student and question: what was shown as stored, and what was asked for since. */
  const expected = new Map();
  const told = ({ student, question, answer, shown }) => {
    const key = `${student}/${question}`;
    if (shown) {
      expected.set(key, { shown: answer, since: [] });
      tally.answers += 1;
    } else
      (expected.get(key) ?? expected.set(key, { shown: null, since: [] }).get(key)).since.push(
        answer,
      );
  };
  let names = null;
  try {
    for (let i = 0; i < kills; i++) {
      const browser = await startOn(profile);
      const page = await browser.context.newPage();
      await page.goto(`${address}/`);
      if (await isBlank(page)) tally.blank.push(`kill ${i}: nothing on the first screen`);
      if (
        await page
          .getByRole('heading', { name: 'The browser has lost your records' })
          .isVisible()
          .catch(() => false)
      ) {
        tally.thrownAway += 1;
        await page
          .getByRole('button', { name: /Bring back the second copy|Begin with no records/ })
          .first()
          .click();
        expected.clear();
      }
      await page
        .getByText(/On the mat|Not on the mat/)
        .first()
        .waitFor({ timeout: 20_000 })
        .catch(() => tally.blank.push(`kill ${i}: no student on the first screen`));
      const entries = await stored(page);
      if (Object.keys(entries).some((key) => key.startsWith('ojas/1/aside/')))
        tally.lost.push(`kill ${i}: a record was set aside`);
      names ??= Object.keys(entries)
        .filter((key) => key.startsWith('ojas/1/people/'))
        .map((key) => key.slice('ojas/1/people/'.length));
      for (const [key, { shown, since }] of expected) {
        const [student, question] = key.split('/');
        const label = { Yes: 'yes', No: 'no', 'Not asked': 'unanswered' };
        const answers = JSON.parse(
          entries[`ojas/1/people/${student}`] ?? '{"cautions":[]}',
        ).cautions.map(({ answer }) => answer);
        const questionId = ids.get(question);
        const now = JSON.parse(
          entries[`ojas/1/people/${student}`] ?? '{"cautions":[]}',
        ).cautions.find(({ id }) => id === questionId)?.answer;
        if (shown !== null && ![shown, ...since].some((one) => label[one] === now))
          tally.lost.push(
            `kill ${i}: ${key} was shown as ${shown} and is ${now} (${answers.length} answers)`,
          );
        expected.set(key, {
          shown: Object.keys(label).find((one) => label[one] === now) ?? null,
          since: [],
        });
      }
      const tabs = 1 + (i % 2);
      for (let tab = 0; tab < tabs; tab++) {
        const own = tab === 0 ? page : await browser.context.newPage();
        await answerOn(own, address, names[(i + tab) % names.length], told).catch(() => undefined);
      }
      await new Promise((resolve) => setTimeout(resolve, 150 + chance() * 1200));
      await browser.kill();
      tally.kills += 1;
      if (i % 10 === 9)
        say(
          `  ${i + 1} kills, ${tally.answers} answers shown as stored, ${tally.lost.length} lost`,
        );
    }
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
  return tally;
}

/** Questions by the name that the screen gives them, so that storage can be held against it. */
const ids = new Map();
export const knowQuestions = (questions) => questions.forEach(({ id, name }) => ids.set(name, id));

const PLACES = ['', '/intake', '/measure', '/plan', '/mat', '/record', '/proportions'];

/** Takes in books that were spoiled and still can be read, and looks at every place: none may be blank. */
export async function tortureScreens(browser, address, books, say) {
  const tally = { books: 0, pages: 0, blank: [], hung: [], crash: [] };
  for (const [i, text] of books.entries()) {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const page = await context.newPage();
    page.on('pageerror', (error) => tally.crash.push(`book ${i}: ${error.message}`));
    await page.goto(`${address}/more/data`);
    const chooser = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Restore a backup' }).click();
    await (
      await chooser
    ).setFiles({ name: 'spoiled.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await page
      .getByRole('button', { name: /^Take in what/ })
      .last()
      .dblclick();
    await page
      .getByText(/records came in/)
      .waitFor({ timeout: 15_000 })
      .catch(() => tally.crash.push(`book ${i}: not taken in`));
    const students = JSON.parse(text).people.map(({ id }) => encodeURIComponent(id));
    for (const place of [
      '/',
      '/students',
      '/week',
      '/shelf',
      '/more',
      '/more/data',
      ...students.flatMap((id) => PLACES.map((one) => `/students/${id}${one}`)),
    ]) {
      await page.goto(`${address}${place}`);
      await page
        .getByText(/Opening the book|One moment/)
        .first()
        .waitFor({ state: 'hidden', timeout: 20_000 })
        .catch(() => tally.hung.push(`book ${i}: ${place} does not open`));
      tally.pages += 1;
      if (await isBlank(page)) tally.blank.push(`book ${i}: ${place} is blank`);
      if (
        await page
          .getByText(/cannot be shown/)
          .isVisible()
          .catch(() => false)
      )
        tally.crash.push(
          `book ${i}: ${place} cannot be shown: ${(
            await page
              .getByText(/What was said/)
              .innerText()
              .catch(() => '')
          ).slice(0, 160)}`,
        );
    }
    tally.books += 1;
    await context.close();
    if (i % 5 === 4) say(`  ${i + 1} books looked at, ${tally.pages} pages`);
  }
  return tally;
}

/**
 * Walks back and forth at random through a running session: one store all the while, and the session there at the end.
 */
export async function tortureHistory(browser, address, walks, seed, say) {
  const chance = chanceFrom(seed);
  const tally = { walks: 0, lost: [], blank: [], crash: [] };
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  page.on('pageerror', (error) => tally.crash.push(`walk ${tally.walks}: ${error.message}`));
  await page.goto(`${address}/`);
  await page.getByRole('link', { name: 'Students' }).click();
  await page.getByRole('link', { name: /Ines Calloway/ }).click();
  await page.getByRole('link', { name: 'Mat', exact: true }).click();
  await page.getByRole('button', { name: /^Begin/ }).click();
  await page.getByRole('radio', { name: 'Build' }).waitFor();
  for (let i = 0; i < walks; i++) {
    const kind = chance();
    const step = (by) => page.evaluate((n) => history.go(n), by).catch(() => undefined);
    if (kind < 0.42) await step(-1);
    else if (kind < 0.84) await step(1);
    else if (kind < 0.94)
      await page
        .getByRole('link', { name: /^(Today|Students|Shelf|More|Plan|Record)$/ })
        .first()
        .click({ timeout: 1500 })
        .catch(() => undefined);
    else await page.reload();
    // Some in a hurry, some at leisure.
    await page.waitForTimeout(chance() < 0.5 ? 30 : 600);
    tally.walks += 1;
    if (!page.url().startsWith(address)) await page.goto(`${address}/`).catch(() => undefined);
    if (i % 10 !== 9) continue;
    await page.waitForTimeout(1500);
    if (await isBlank(page)) tally.blank.push(`walk ${i}: ${page.url()} is blank`);
    const stores = await page
      .evaluate(
        async () =>
          (await navigator.locks.query()).held.filter(({ name }) => name.startsWith('ojas-tab-'))
            .length,
      )
      // A page that is on its way elsewhere has none.
      .catch(() => 1);
    if (stores !== 1) tally.crash.push(`walk ${i}: ${stores} stores in one document`);
  }
  await page.goto(`${address}/students/p-ines/mat`);
  await page
    .getByRole('radio', { name: 'Build' })
    .waitFor({ timeout: 20_000 })
    .catch(() => tally.lost.push(`the session is gone after ${walks} walks`));
  say(`  ${tally.walks} walks`);
  await context.close();
  return tally;
}

/** Presses whatever can be pressed, often twice, while the storage now and then is full; no place may go blank. */
export async function tortureMonkey(browser, address, presses, seed, say) {
  const chance = chanceFrom(seed);
  const tally = { presses: 0, blank: [], crash: [] };
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  page.on('pageerror', (error) => tally.crash.push(`press ${tally.presses}: ${error.message}`));
  page.on('filechooser', () => undefined);
  await page.addInitScript(() => {
    const real = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function put(...given) {
      if (window.full) throw new DOMException('', 'QuotaExceededError');
      return real.apply(this, given);
    };
  });
  await page.goto(`${address}/`);
  await page
    .getByText(/On the mat/)
    .first()
    .waitFor();
  const second = await context.newPage();
  await second.goto(`${address}/students`);
  for (let i = 0; i < presses; i++) {
    if (i % 60 === 59) await page.goto(`${address}/`);
    await page.evaluate((full) => void (window.full = full), chance() < 0.1);
    const things = page.locator(
      '[role=button]:visible, [role=radio]:visible, [role=checkbox]:visible, a:visible, [role=link]:visible',
    );
    const count = await things.count();
    if (count > 0) {
      const thing = things.nth(Math.floor(chance() * count));
      const press =
        chance() < 0.3
          ? thing.dblclick({ timeout: 1500, noWaitAfter: true })
          : thing.click({ timeout: 1500, noWaitAfter: true });
      await press.catch(() => undefined);
    }
    const fields = page.locator('input:visible');
    const typed = await fields.count();
    if (typed > 0 && chance() < 0.4)
      await fields
        .nth(Math.floor(chance() * typed))
        .fill(
          ['', '1,234', '170', '-5', '2026-02-30', 'ś<b>', '9'.repeat(40)][
            Math.floor(chance() * 7)
          ],
          { timeout: 1500 },
        )
        .catch(() => undefined);
    tally.presses += 1;
    if (await isBlank(page)) tally.blank.push(`press ${i}: ${page.url()} is blank`);
    if (
      await page
        .getByText(/cannot be shown/)
        .isVisible()
        .catch(() => false)
    ) {
      tally.crash.push(
        `press ${i}: ${page.url()} cannot be shown: ${(
          await page
            .getByText(/What was said/)
            .innerText()
            .catch(() => '')
        ).slice(0, 160)}`,
      );
      await page.goto(`${address}/`);
    }
    if (i % 100 === 99) say(`  ${i + 1} presses`);
  }
  await page.evaluate(() => void (window.full = false));
  await page.goto(`${address}/students`);
  await page.getByRole('listitem').first().waitFor();
  await second.bringToFront();
  const counts = [
    await page.getByRole('listitem').count(),
    await second.getByRole('listitem').count(),
  ];
  if (counts[0] !== counts[1]) tally.crash.push(`two tabs show ${counts.join(' and ')} students`);
  await context.close();
  return tally;
}
