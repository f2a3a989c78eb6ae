import { Buffer } from 'node:buffer';
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { needBuild, needNode, needPackages, root, runs, stop } from './steps.mjs';

/** What of Debian's the end-to-end tests use: the browser, and what reads back what it prints. */
const [BROWSER, READER] = [process.env.CHROMIUM ?? '/usr/bin/chromium', '/usr/bin/pdftotext'];

/** Debian's packages, installed where that is allowed. */
function needDebian() {
  const missing = [
    ...(existsSync(BROWSER) ? [] : ['chromium']),
    ...(existsSync(READER) ? [] : ['poppler-utils']),
  ];
  if (missing.length === 0) return;
  const apt = spawnSync('apt-get', ['--version']).status === 0;
  if (process.getuid?.() === 0 && apt) {
    process.stdout.write(`Installing ${missing.join(' and ')}…\n`);
    const quiet = ['-o', 'DPkg::Lock::Timeout=400', '-qq'];
    runs('apt-get', ['update', ...quiet]);
    for (const one of missing)
      runs('apt-get', ['install', '-y', '--no-install-recommends', ...quiet, one], {
        DEBIAN_FRONTEND: 'noninteractive',
      });
  }
  if (!existsSync(BROWSER))
    stop(
      'The end-to-end tests need Chromium: install Debian’s package "chromium", or name another in CHROMIUM=/path/to/chromium.',
    );
  if (!existsSync(READER))
    process.stdout.write(
      'Debian’s package "poppler-utils" is not there: what is printed is not read back from the paper.\n',
    );
}

const cache = join(root, '.cache');
const report = (name) => join(cache, name);
const readReport = (name) =>
  existsSync(report(name)) ? JSON.parse(readFileSync(report(name), 'utf8')) : null;
const total = { passed: 0, failed: 0 };

/** Seconds of each step, for `npm run bench` to tell. Some run side by side: their sum is more than the whole. */
const seconds = {};
const begun = Date.now();
const secondsSince = (then) => Math.round((Date.now() - then) / 1000);

function count(name, passed, failed, took) {
  total.passed += passed;
  total.failed += failed;
  seconds[name] = took;
  process.stdout.write(`— ${name}: ${passed} passed, ${failed} failed, ${took} s\n`);
}

/**
 * A command that runs beside others: what it says is shown whole once it has ended. Resolves to whether it ended well.
 */
function beside(command, args) {
  return new Promise((ended) => {
    const said = [];
    const child = spawn(command, args, { cwd: root });
    child.stdout.on('data', (part) => said.push(part));
    child.stderr.on('data', (part) => said.push(part));
    child.on('error', (error) => said.push(Buffer.from(`${error.message}\n`)));
    child.on('close', (status) => {
      process.stdout.write(Buffer.concat(said));
      ended(status === 0);
    });
  });
}

/** A step that only passes or fails. */
async function check(name, command, args) {
  const then = Date.now();
  count(name, ...((await beside(command, args)) ? [1, 0] : [0, 1]), secondsSince(then));
}

async function unitTests() {
  const then = Date.now();
  const ok = await beside('npx', [
    'jest',
    '--maxWorkers=2',
    '--json',
    '--outputFile',
    report('unit.json'),
  ]);
  const unit = readReport('unit.json');
  // A suite that could not even start has no failed tests, and fails all the same.
  const broken =
    unit?.testResults.filter(
      ({ status, assertionResults }) =>
        status === 'failed' && assertionResults.every((one) => one.status !== 'failed'),
    ).length ?? 1;
  const failed = (unit?.numFailedTests ?? 0) + broken;
  count('unit', unit?.numPassedTests ?? 0, failed || (ok ? 0 : 1), secondsSince(then));
}

async function whatIsWritten() {
  await check('types', 'npm', ['run', '--silent', 'types']);
  await check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
  await check('borders', 'npm', ['run', '--silent', 'borders']);
  await check('line shape', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
}

function endToEnd() {
  let then = Date.now();
  needBuild();
  count('build', 1, 0, secondsSince(then));
  then = Date.now();
  const ok = runs('npx', ['playwright', 'test']);
  const e2e = readReport('e2e.json')?.stats;
  const again = e2e?.flaky ?? 0;
  if (again > 0) process.stdout.write(`${again} of these only at the second try: see above.\n`);
  const failed = e2e?.unexpected ?? 0;
  count('end to end', (e2e?.expected ?? 0) + again, failed || (ok ? 0 : 1), secondsSince(then));
}

needNode();
needPackages();
needDebian();
mkdirSync(cache, { recursive: true });
for (const name of ['unit.json', 'e2e.json']) rmSync(report(name), { force: true });

// What reads the sources and what runs them share the cores; the browser then has them to itself.
await Promise.all([whatIsWritten(), unitTests()]);
endToEnd();

writeFileSync(report('times.json'), JSON.stringify({ whole: secondsSince(begun), ...seconds }));
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
