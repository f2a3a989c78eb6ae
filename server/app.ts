import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyHelmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import Fastify, { type FastifyInstance } from 'fastify';
import { z } from 'zod';
import { checkBook } from '@/core/formats/check';
import { planStudent } from '@/core/plan/plan';
import { poseById } from '@/core/poses/poses';

export interface ServerOptions {
  /** Folder of the built web app. */
  readonly webRoot: string;
  /** Path of the sample book; given only by the demo. */
  readonly demoBook?: string;
}

const BODY_LIMIT_BYTES = 20 * 1024 * 1024;
const DEMO_ADDRESS = '/demo/book.json';
const YEAR_SECONDS = 31_536_000;

const planRequest = z.object({
  book: z.unknown(),
  person: z.string(),
  date: z.iso.date(),
  poses: z.array(z.string().refine((id) => poseById(id) !== undefined, { error: 'no pose is called that' })).optional(),
});

/** Serves the built app with strict headers, and plans on request. Keeps nothing, logs no bodies. */
export async function createServer({ webRoot, demoBook }: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({ bodyLimit: BODY_LIMIT_BYTES, logger: false });
  await server.register(fastifyHelmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"], scriptSrc: ["'self'", "'wasm-unsafe-eval'"], styleSrc: ["'self'", "'unsafe-inline'"], imgSrc: ["'self'", 'data:', 'blob:'], fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"], workerSrc: ["'self'"], manifestSrc: ["'self'"], mediaSrc: ["'self'", 'blob:'], baseUri: ["'none'"], formAction: ["'self'"], frameAncestors: ["'none'"], objectSrc: ["'none'"],
      },
    },
    crossOriginEmbedderPolicy: false,
    // Loopback speaks plain HTTP; a host that adds TLS sets this itself.
    strictTransportSecurity: false,
  });
  await server.register(rateLimit, { max: 600, timeWindow: '1 minute' });

  const page = pageFrom(webRoot, demoBook !== undefined);
  server.get('/', (_, reply) => reply.type('text/html; charset=utf-8').header('cache-control', 'no-cache').send(page));
  await server.register(fastifyStatic, {
    root: webRoot, index: false, preCompressed: true,
    setHeaders: (reply, path) => reply.header('cache-control', path.includes(`${join('_expo', 'static')}`) ? `public, max-age=${YEAR_SECONDS}, immutable` : 'no-cache'),
  });
  if (demoBook !== undefined) {
    const book = readFileSync(demoBook, 'utf8');
    server.get(DEMO_ADDRESS, (_, reply) => reply.type('application/json; charset=utf-8').send(book));
  }
  server.get('/healthz', () => ({ ok: true }));
  server.post('/api/plan', (request, reply) => {
    const asked = planRequest.safeParse(request.body);
    if (!asked.success) return reply.code(400).send({ faults: asked.error.issues.map(({ path, message }) => ({ path: path.join('.'), words: message })) });
    const { book, person: id, date, poses } = asked.data;
    const checked = checkBook(book, date);
    if (!checked.ok) return reply.code(400).send({ faults: checked.faults });
    const person = checked.value.people.find((one) => one.id === id);
    if (!person) return reply.code(404).send({ faults: [{ path: 'person', words: `there is no person ${id} in this book.` }] });
    const own = <T extends { person: string }>(records: readonly T[]) => records.filter((one) => one.person === id);
    return planStudent({ person, readings: own(checked.value.readings), sessions: own(checked.value.sessions) }, checked.value.shelf, date, poses ? { poses } : {});
  });
  // Places of the app are paths without a file's ending; the page finds its own way.
  server.setNotFoundHandler((request, reply) => {
    const place = request.method === 'GET' && !request.url.startsWith('/api/') && !/\.[a-z0-9]+$/i.test(request.url.split('?')[0] ?? '');
    return place ? reply.type('text/html; charset=utf-8').header('cache-control', 'no-cache').send(page) : reply.code(404).send({ faults: [{ path: request.url, words: 'there is nothing here.' }] });
  });
  return server;
}

/** The page, which in the demo names the sample book. */
function pageFrom(webRoot: string, demo: boolean): string {
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
  return demo ? page.replace('<head>', `<head><meta name="ojas-demo" content="${DEMO_ADDRESS}">`) : page;
}
