import { cpSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
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
compress(web);
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
