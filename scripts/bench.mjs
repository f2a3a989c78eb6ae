import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
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
process.exit(status ?? 1);
