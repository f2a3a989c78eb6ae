import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { needPackages, root } from './steps.mjs';

/** The medians of the reckoning, bundled as the app bundles it: loading module by module would be measured along. */
needPackages();
const folder = mkdtempSync(join(tmpdir(), 'ojas-bench-'));
const bundle = join(folder, 'bench.mjs');
buildSync({
  entryPoints: [join(root, 'bench/run.ts')],
  outfile: bundle,
  bundle: true,
  platform: 'node',
  format: 'esm',
  alias: { '@': root },
  logLevel: 'error',
});
const { status } = spawnSync(process.execPath, [bundle], { cwd: root, stdio: 'inherit' });
rmSync(folder, { recursive: true });

const times = join(root, '.cache', 'times.json');
if (existsSync(times)) {
  const { whole, ...seconds } = JSON.parse(readFileSync(times, 'utf8'));
  const parts = Object.entries(seconds).map(([name, one]) => `${name} ${one} s`);
  process.stdout.write(
    `The last npm test took ${whole} s: ${parts.join(', ')} (types, lint and units side by side).\n`,
  );
} else process.stdout.write('npm test has not run here yet: nothing is known of its time.\n');
process.exit(status ?? 1);
