import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '..');

/** Runs a command in the project with its output shown; true when it ended well. */
export function runs(command, args, env = {}) {
  return (
    spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
      .status === 0
  );
}

export function stop(words) {
  process.stderr.write(`${words}\n`);
  process.exit(1);
}

/** Checked before anything else, since nothing works without it. */
export function needNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Node ${process.versions.node} is too old: Ojas needs 20.19 or newer.`);
}

const mark = join(root, 'node_modules', '.ojas-installed');
const lockHash = () =>
  createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');

const readJson = (path) => JSON.parse(readFileSync(join(root, path), 'utf8'));
/**
 * Whether the packages that are there are those of the lock file, whoever put them in: npm itself notes what it has
 * laid where.
 */
export function arePackagesThere(
  wanted = () => readJson('package-lock.json'),
  laid = () => readJson('node_modules/.package-lock.json'),
) {
  try {
    const there = laid().packages;
    return Object.entries(wanted().packages).every(
      ([path, { version, optional, devOptional, link }]) =>
        path === '' ||
        link ||
        (there[path] === undefined ? (optional ?? devOptional) : there[path].version === version),
    );
  } catch {
    return false;
  }
}

/**
 * Installs the packages when they are not there, or are not those of the lock file; never over those that a running app
 * uses.
 */
export function needPackages() {
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lockHash()) return;
  if (arePackagesThere()) return writeFileSync(mark, lockHash());
  process.stdout.write('Installing packages (about a minute)…\n');
  if (!runs('npm', ['ci', '--no-audit', '--no-fund']))
    stop('The packages could not be installed: see what npm says above.');
  writeFileSync(mark, lockHash());
}

const sources = [
  'app',
  'core',
  'features',
  'store',
  'ui',
  'workers',
  'server',
  'public/index.html',
  'app.json',
  'metro.config.js',
  'babel.config.js',
  'tailwind.config.js',
  'package-lock.json',
  'scripts/fonts.mjs',
  'scripts/build.mjs',
];

function newest(path) {
  if (!existsSync(path)) return 0;
  const stat = statSync(path);
  if (/\.test\.tsx?$|tests$/.test(path)) return 0;
  return stat.isDirectory()
    ? Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))))
    : stat.mtimeMs;
}

const built = join(root, 'dist', '.built');

export const newestSource = () => Math.max(...sources.map((path) => newest(join(root, path))));
/** Notes which sources a build was made of. */
export function noteBuilt(from) {
  mkdirSync(dirname(built), { recursive: true });
  writeFileSync(built, String(from));
}

/** Builds the app when a source is newer than the last build. */
export function needBuild() {
  const from = newestSource();
  if (existsSync(built) && Number(readFileSync(built, 'utf8')) >= from) return;
  process.stdout.write('Building the app (two minutes the first time, seconds after)…\n');
  if (!runs(process.execPath, ['scripts/build.mjs']))
    stop('The app could not be built: see above.');
}
