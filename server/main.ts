import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { createServer } from './app';
import { planner } from './planner';

const { values } = parseArgs({
  options: { demo: { type: 'boolean' }, port: { type: 'string' }, host: { type: 'string' } },
});
const port = Number(values.port ?? process.env.PORT ?? 8420);
const host = values.host ?? '127.0.0.1';
const webRoot = join(process.cwd(), 'dist', 'web');

function stop(words: string): never {
  process.stderr.write(`${words}\n`);
  process.exit(1);
}

if (!Number.isInteger(port) || port < 0 || port > 65_535)
  stop(`--port ${values.port}: expected a number from 0 to 65535.`);
if (!existsSync(join(webRoot, 'index.html')))
  stop(
    'The app is not built yet: run "npm run build" first, or "npm run demo", which does everything.',
  );

const server = await createServer({
  webRoot,
  plan: planner(join(process.cwd(), 'dist', 'planTask.mjs')),
  ...(values.demo ? { isDemo: true } : {}),
});
try {
  process.stdout.write(
    `Ojas is at ${await server.listen({ port, host })}${values.demo ? ' with the Kingfisher Boathouse book' : ''}\n`,
  );
} catch (error) {
  if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE')
    stop(
      `Port ${port} is taken by another program: stop it, or choose another with "-- --port ${port + 1}".`,
    );
  throw error;
}
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void server.close().then(() => process.exit(0)));
