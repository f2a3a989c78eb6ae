import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root, stop } from './steps.mjs';

if (!existsSync(join(root, 'dist', 'server.mjs')))
  stop(
    'Nothing is built yet: run "npm run build" first, or "npm run demo", which does everything.',
  );
process.chdir(root);
await import('../dist/server.mjs');
