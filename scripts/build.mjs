import { createHash } from 'node:crypto';
import { cpSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { generateSW } from 'workbox-build';
import { copyFonts } from './fonts.mjs';
import { newestSource, noteBuilt, root, runs, stop } from './steps.mjs';

/** Compresses text once at build time, so that serving it costs nothing. */
function compress(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) compress(path);
    else if (/\.(js|css|html|json|svg)$/.test(name)) {
      const text = readFileSync(path);
      writeFileSync(
        `${path}.br`,
        brotliCompressSync(text, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
      );
      // A browser on a plain wireless takes no brotli.
      writeFileSync(`${path}.gz`, gzipSync(text, { level: 9 }));
    }
  }
}

/**
 * What each part may weigh over a wire, in KB of 1,024 bytes by gzip at its best: what the first screen waits for, what
 * comes after it, and the workers. A name that is in no list weighs on the first screen.
 */
const bounds = [
  { what: 'first scripts', mostKb: 400, names: null },
  { what: 'pages', mostKb: 305, names: /^pages-/ },
  { what: 'calendar, table and document', mostKb: 70, names: /^(all|HowScreen|StudentTable)-/ },
  { what: 'sheet in an address, tables for elsewhere', mostKb: 38, names: /^(address|csv)-/ },
  { what: 'what writes calendars', mostKb: 40, names: /^ics-/ },
  { what: 'what locks files', mostKb: 40, names: /^seal-/ },
  { what: 'workers', mostKb: 365, names: /^(book|records|plans|picture|ticks)-/ },
  { what: 'fonts', mostKb: 150, names: /\.woff2$/ },
];

/** Stops where a part has grown over what it may weigh: see docs/architecture.md before a bound is raised. */
function keepBounds() {
  const js = join(web, '_expo', 'static', 'js', 'web');
  const parts = [
    ...readdirSync(js)
      .filter((name) => name.endsWith('.js.gz'))
      .map((name) => ({ name, bytes: statSync(join(js, name)).size })),
    ...readdirSync(join(web, 'fonts'))
      .filter((name) => name.endsWith('.woff2'))
      .map((name) => ({ name, bytes: statSync(join(web, 'fonts', name)).size })),
  ];
  const kindOf = ({ name }) => bounds.find(({ names }) => names?.test(name)) ?? bounds[0];
  const over = bounds.flatMap((kind) => {
    const its = parts.filter((part) => kindOf(part) === kind);
    const kb = its.reduce((sum, { bytes }) => sum + bytes, 0) / 1024;
    process.stdout.write(`${kind.what}: ${kb.toFixed(0)} KB of at most ${kind.mostKb}\n`);
    if (its.length === 0) return [`${kind.what}: nothing is called so any more`];
    return kb > kind.mostKb ? [`${kind.what}: ${kb.toFixed(0)} KB, over ${kind.mostKb}`] : [];
  });
  if (over.length > 0) stop(`The app has grown too heavy.\n${over.join('\n')}`);
}

/**
 * What the app is made of, for the browser to keep: all of it is fetched before any of it is used, and a newer version
 * waits beside it until it is taken.
 */
async function keepWhole() {
  const page = readFileSync(join(web, 'index.html'));
  const { warnings } = await generateSW({
    globDirectory: web,
    globPatterns: ['**/*.{js,css,html,json,md,woff2,svg,png,webmanifest}'],
    // The page itself is kept as the server sends it.
    globIgnores: ['index.html', 'metadata.json'],
    additionalManifestEntries: [
      { url: '/', revision: createHash('sha256').update(page).digest('hex') },
    ],
    swDest: join(web, 'sw.js'),
    inlineWorkboxRuntime: true,
    sourcemap: false,
    dontCacheBustURLsMatching: /-[0-9a-f]{32}\./,
    maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
    cleanupOutdatedCaches: true,
    clientsClaim: true,
    navigateFallback: '/',
    navigateFallbackDenylist: [/^\/(api|healthz)/],
  });
  if (warnings.length > 0) stop(warnings.join('\n'));
}

const from = newestSource();
const web = join(root, 'dist', 'web');
rmSync(web, { recursive: true, force: true });
copyFonts(root);
// What the app shows of how it reckons is the very document.
const told = join(root, 'public', 'reckoning');
rmSync(told, { recursive: true, force: true });
cpSync(join(root, 'docs', 'reckoning'), told, { recursive: true });
cpSync(join(root, 'docs', 'reckoning.md'), join(told, 'reckoning.md'));
const quiet = { CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' };
if (!runs('npx', ['expo', 'export', '--platform', 'web', '--output-dir', web], quiet))
  stop('The web app could not be built.');
// To look around in before anything is begun; the demo begins with it.
cpSync(join(root, 'demo', 'kingfisher-boathouse.json'), join(web, 'sample.json'));
await keepWhole();
compress(web);
keepBounds();
const forNode = {
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  tsconfig: join(root, 'tsconfig.json'),
  logLevel: 'warning',
};
await build({
  ...forNode,
  entryPoints: [join(root, 'server', 'main.ts')],
  outfile: join(root, 'dist', 'server.mjs'),
});
await build({
  ...forNode,
  entryPoints: [join(root, 'server', 'planTask.ts')],
  outfile: join(root, 'dist', 'planTask.mjs'),
});
noteBuilt(from);
