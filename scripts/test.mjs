import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { needBuild, needNode, needPackages, root, runs, stop } from './steps.mjs';

/** Debian's browser, installed where that is allowed. */
function needChromium() {
  if (existsSync(process.env.CHROMIUM ?? '/usr/bin/chromium')) return;
  const apt = spawnSync('apt-get', ['--version']).status === 0;
  if (process.getuid?.() !== 0 || !apt)
    stop(
      'The end-to-end tests need Chromium: install Debian’s package "chromium", or name another in CHROMIUM=/path/to/chromium.',
    );
  process.stdout.write('Installing Chromium…\n');
  const quiet = ['-o', 'DPkg::Lock::Timeout=400', '-qq'];
  if (
    !runs('apt-get', ['update', ...quiet]) ||
    !runs('apt-get', ['install', '-y', '--no-install-recommends', ...quiet, 'chromium'], {
      DEBIAN_FRONTEND: 'noninteractive',
    })
  )
    stop('Chromium could not be installed: see above.');
}

const cache = join(root, '.cache');
const report = (name) => join(cache, name);
const readReport = (name) =>
  existsSync(report(name)) ? JSON.parse(readFileSync(report(name), 'utf8')) : null;
const total = { passed: 0, failed: 0 };

/** Seconds of each step, for `npm run bench` to tell. */
const seconds = {};
let since = Date.now();

function count(name, passed, failed) {
  total.passed += passed;
  total.failed += failed;
  seconds[name] = Math.round((Date.now() - since) / 1000);
  since = Date.now();
  process.stdout.write(`— ${name}: ${passed} passed, ${failed} failed, ${seconds[name]} s\n`);
}

/** A step that only passes or fails. */
const check = (name, command, args) => count(name, ...(runs(command, args) ? [1, 0] : [0, 1]));

needNode();
needPackages();
needChromium();
mkdirSync(cache, { recursive: true });
for (const name of ['unit.json', 'e2e.json']) rmSync(report(name), { force: true });

check('types', 'npx', ['tsc', '--noEmit']);
check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
check('line shape', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);

const unitOk = runs('npx', ['jest', '--json', '--outputFile', report('unit.json')]);
const unit = readReport('unit.json');
// A suite that could not even start has no failed tests, and fails all the same.
const broken =
  unit?.testResults.filter(
    ({ status, assertionResults }) =>
      status === 'failed' && assertionResults.every((one) => one.status !== 'failed'),
  ).length ?? 1;
count(
  'unit',
  unit?.numPassedTests ?? 0,
  (unit?.numFailedTests ?? 0) +
    broken +
    (!unitOk && unit && unit.numFailedTests + broken === 0 ? 1 : 0),
);

needBuild();
count('build', 1, 0);

const e2eOk = runs('npx', ['playwright', 'test']);
const e2e = readReport('e2e.json')?.stats;
const e2eFailed = (e2e?.unexpected ?? 0) + (e2e?.flaky ?? 0);
count('end to end', e2e?.expected ?? 0, !e2eOk && e2eFailed === 0 ? 1 : e2eFailed);

writeFileSync(report('times.json'), JSON.stringify(seconds));
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
