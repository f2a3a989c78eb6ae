import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyHelmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import Fastify, { type FastifyInstance } from 'fastify';
import type { Planner } from './planner';

export interface ServerOptions {
  /** Folder of the built web app. */
  readonly webRoot: string;
  /** An empty app begins with the sample book. */
  readonly isDemo?: boolean;
  /** Answers requests for a plan, within bounds. */
  readonly plan: Planner;
}

const BODY_LIMIT_BYTES = 20 * 1024 * 1024;
const STUDENTS = '/students/';
const YEAR_SECONDS = 31_536_000;

const JSON_TYPE = 'application/json; charset=utf-8';
/** Per address. A studio of forty phones behind one address loads the app at once: some forty files each. */
const MOST_REQUESTS_A_MINUTE = 6000;
const MOST_PLANS_A_MINUTE = 120;
/** A request that is not whole by then is cut. */
const MOST_SENDING_MS = 20_000;
const LOOK_FOR_SLOW_MS = 2000;

/** Serves the built app with strict headers, and plans on request. Keeps nothing, logs no bodies. */
export async function createServer({
  webRoot,
  isDemo = false,
  plan,
}: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({
    bodyLimit: BODY_LIMIT_BYTES,
    logger: false,
    requestTimeout: MOST_SENDING_MS,
    forceCloseConnections: true,
    // What cannot be an address is one of the app's places all the same: the page says that nothing is there.
    rewriteUrl: ({ url = '/' }) => (isAddress(url) ? url : '/'),
    http: { headersTimeout: MOST_SENDING_MS / 2, connectionsCheckingInterval: LOOK_FOR_SLOW_MS },
  });
  // A body is opened by the planner, not here: no request can hold this thread.
  server.removeContentTypeParser('application/json');
  server.addContentTypeParser('application/json', { parseAs: 'buffer' }, (_, body, done) =>
    done(null, body),
  );
  await server.register(fastifyHelmet, {
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        mediaSrc: ["'self'", 'blob:'],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
      },
    },
    crossOriginEmbedderPolicy: false,
    // Loopback speaks plain HTTP; a host that adds TLS sets this itself.
    strictTransportSecurity: false,
  });
  await server.register(rateLimit, { max: MOST_REQUESTS_A_MINUTE, timeWindow: '1 minute' });

  const page = pageFrom(webRoot, isDemo);
  server.get('/', (_, reply) =>
    reply.type('text/html; charset=utf-8').header('cache-control', 'no-cache').send(page),
  );
  await server.register(fastifyStatic, {
    root: webRoot,
    index: false,
    preCompressed: true,
    cacheControl: false,
    setHeaders: (reply, path) =>
      reply.setHeader(
        'cache-control',
        path.includes(`${join('_expo', 'static')}`)
          ? `public, max-age=${YEAR_SECONDS}, immutable`
          : 'no-cache',
      ),
  });
  server.get('/healthz', () => ({ ok: true }));
  server.post(
    '/api/plan',
    { config: { rateLimit: { max: MOST_PLANS_A_MINUTE } } },
    async (request, reply) => {
      const outcome = await plan(request.body as Uint8Array);
      return outcome.ok
        ? reply.code(outcome.answer.status).type(JSON_TYPE).send(outcome.answer.body)
        : reply
            .code(503)
            .header('retry-after', '5')
            .send({ faults: [{ path: 'the server', words: outcome.words }] });
    },
  );
  // HEAD tells of what GET would send, and sends none of it.
  server.addHook('onSend', async (request, reply, payload) => {
    if (request.method !== 'HEAD' || typeof payload !== 'string') return payload;
    reply.header('content-length', Buffer.byteLength(payload));
    return '';
  });
  // Places of the app are paths without a file's ending; the page finds its own way.
  server.setNotFoundHandler((request, reply) => {
    const place =
      (request.method === 'GET' || request.method === 'HEAD') &&
      !request.url.startsWith('/api/') &&
      // A student's id may end like the name of a file.
      (request.url.startsWith(STUDENTS) || !/\.[a-z0-9]+$/i.test(request.url.split('?')[0] ?? ''));
    return place
      ? reply.type('text/html; charset=utf-8').header('cache-control', 'no-cache').send(page)
      : reply.code(404).send({ faults: [{ path: request.url, words: 'there is nothing here.' }] });
  });
  return server;
}

/** Whether an address can be read at all. */
function isAddress(url: string): boolean {
  try {
    return !decodeURIComponent(url).includes('\0');
  } catch {
    return false;
  }
}

/** The page, which in the demo says that an empty app begins with the sample book. */
function pageFrom(webRoot: string, isDemo: boolean): string {
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
  return isDemo ? page.replace('<head>', '<head><meta name="ojas-demo">') : page;
}
