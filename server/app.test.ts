import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import type { FastifyInstance } from 'fastify';
import { planSchema } from '@/core/formats/plan';
import { buildSync } from 'esbuild';
import { createServer } from './app';
import { planner } from './planner';
import planTask from './planTask';

const demoBook = join(__dirname, '..', 'demo', 'kingfisher-boathouse.json');
const webRoot = mkdtempSync(join(tmpdir(), 'ojas-web-'));
writeFileSync(
  join(webRoot, 'index.html'),
  '<!doctype html><html><head><title>Ojas</title></head></html>',
);
writeFileSync(join(webRoot, 'app.js'), 'void 0;');
writeFileSync(join(webRoot, 'app.js.br'), brotliCompressSync('void 0;'));
writeFileSync(join(webRoot, 'app.js.gz'), gzipSync('void 0;'));

/** Plans in this thread: what it answers, without the threads. */
const here = async (bytes: Uint8Array) => ({ ok: true as const, answer: planTask(bytes) });

let server: FastifyInstance;
beforeAll(async () => {
  server = await createServer({ webRoot, isDemo: true, plan: here });
});
afterAll(() => server.close());

test('pages come with a strict policy, whatever place they are', async () => {
  for (const url of ['/', '/students/p-ines/plan']) {
    const answer = await server.inject({ url });
    expect(answer.statusCode).toBe(200);
    expect(answer.body).toMatch('<meta name="ojas-demo">');
    expect(answer.headers['content-security-policy']).toMatch(
      /default-src 'none'.*frame-ancestors 'none'/,
    );
    expect(answer.headers['set-cookie']).toBeUndefined();
  }
});

test('the headers that are told to hosts are those that go out here', async () => {
  const told = readFileSync('docs/hosting.md', 'utf8').match(/```\n([\s\S]*?)```/)?.[1] ?? '';
  const lines = told.trim().split('\n');
  expect(lines.length).toBeGreaterThan(3);
  const { headers } = await server.inject({ url: '/' });
  for (const line of lines) {
    const [name = '', ...value] = line.split(': ');
    expect(headers[name]).toBe(value.join(': '));
  }
});

test('what a browser takes is sent: brotli, else gzip, else as it is', async () => {
  const sentFor = async (accepts: string) => {
    const headers = accepts === '' ? {} : { 'accept-encoding': accepts };
    return (await server.inject({ url: '/app.js', headers })).headers['content-encoding'];
  };
  expect(await sentFor('gzip, deflate, br')).toBe('br');
  expect(await sentFor('gzip, deflate')).toBe('gzip');
  expect(await sentFor('')).toBeUndefined();
});

test('without the demo an empty app stays empty', async () => {
  const plain = await createServer({ webRoot, plan: here });
  expect((await plain.inject({ url: '/' })).body).not.toMatch('ojas-demo');
  await plain.close();
});

test('files are files, and what is missing is missing', async () => {
  expect((await server.inject({ url: '/app.js' })).body).toBe('void 0;');
  expect((await server.inject({ url: '/nothing.js' })).statusCode).toBe(404);
  expect((await server.inject({ url: '/../package.json' })).body).not.toMatch('"name": "ojas"');
});

test('what is no address is the page too, which says that nothing is there; an id may end like a file', async () => {
  for (const url of ['/students/%E0%A4%A/mat', '/students/%00/plan', '/students/p.1', '/%']) {
    const answer = await server.inject({ url });
    expect([url, answer.statusCode, answer.headers['content-type']]).toEqual([
      url,
      200,
      'text/html; charset=utf-8',
    ]);
  }
});

test('what is missing in a request is told in words of ours', async () => {
  const answer = await server.inject({ method: 'POST', url: '/api/plan', payload: {} });
  expect(answer.statusCode).toBe(400);
  expect(answer.body).not.toMatch(/nonoptional|invalid|zod/i);
  expect(answer.json()).toMatchObject({
    faults: expect.arrayContaining([
      { path: 'book', words: 'expected something here; it is missing.' },
    ]),
  });
});

test('it plans on request', async () => {
  const book = JSON.parse(readFileSync(demoBook, 'utf8')) as unknown;
  const answer = await server.inject({
    method: 'POST',
    url: '/api/plan',
    payload: { book, person: 'p-ines', date: '2026-04-01', poses: ['hero'] },
  });
  expect(answer.statusCode).toBe(200);
  expect(planSchema.parse(answer.json())).toMatchObject({ person: 'p-ines', date: '2026-04-01' });
});

test.each([
  [
    'a book of another kind',
    { book: { format: 'x' }, person: 'p', date: '2026-04-01' },
    400,
    /ojas-book/,
  ],
  [
    'an unknown pose',
    { book: {}, person: 'p', date: '2026-04-01', poses: ['moonwalk'] },
    400,
    /no pose is called that/,
  ],
  ['no date', { book: {}, person: 'p' }, 400, /date/],
  [
    'a day that is none',
    { book: {}, person: 'p', date: '2026-02-30' },
    400,
    /expected a day that there is/,
  ],
  [
    'a book nested too deep',
    {
      book: JSON.parse('['.repeat(500) + ']'.repeat(500)) as unknown,
      person: 'p',
      date: '2026-04-01',
    },
    400,
    /nested deeper/,
  ],
  [
    'nobody of that name',
    {
      book: { format: 'ojas-book/1', people: [], readings: [], shelf: [], sessions: [] },
      person: 'p',
      date: '2026-04-01',
    },
    404,
    /no person p/,
  ],
])('%s is refused in words', async (_, payload, status, words) => {
  const answer = await server.inject({ method: 'POST', url: '/api/plan', payload });
  expect(answer.statusCode).toBe(status);
  expect(answer.body).toMatch(words);
});

test('what is no JSON is refused in words', async () => {
  const answer = await server.inject({
    method: 'POST',
    url: '/api/plan',
    headers: { 'content-type': 'application/json' },
    payload: '{"book":',
  });
  expect([answer.statusCode, answer.body]).toEqual([400, expect.stringMatching('not whole JSON')]);
});

test('a pose that is named often is planned once', async () => {
  const book = JSON.parse(readFileSync(demoBook, 'utf8')) as unknown;
  const answer = await server.inject({
    method: 'POST',
    url: '/api/plan',
    payload: {
      book,
      person: 'p-ines',
      date: '2026-04-01',
      poses: Array.from({ length: 400 }, () => 'hero'),
    },
  });
  expect(planSchema.parse(answer.json()).poses).toHaveLength(1);
});

test('HEAD answers as GET does, without the page', async () => {
  for (const url of ['/', '/students/p-ines', '/app.js', '/nothing.js', '/healthz']) {
    const [head, get] = [
      await server.inject({ method: 'HEAD', url }),
      await server.inject({ url }),
    ];
    expect([url, head.statusCode, head.body]).toEqual([url, get.statusCode, '']);
  }
});

describe('in threads of its own', () => {
  const bundle = (source: string, name: string) => {
    const file = join(webRoot, name);
    buildSync({
      stdin: { contents: source, resolveDir: __dirname, loader: 'ts' },
      outfile: file,
      bundle: true,
      platform: 'node',
      format: 'esm',
      tsconfig: join(__dirname, '..', 'tsconfig.json'),
    });
    return file;
  };

  test('a plan is the same', async () => {
    const bytes = new TextEncoder().encode(
      JSON.stringify({
        book: JSON.parse(readFileSync(demoBook, 'utf8')) as unknown,
        person: 'p-ines',
        date: '2026-04-01',
        poses: ['hero'],
      }),
    );
    const plan = planner(bundle("export { default } from './planTask';", 'plan.mjs'));
    expect(await plan(bytes)).toEqual({ ok: true, answer: planTask(bytes) });
  });

  test('work without end is given up, more than can wait is turned away, and the server is well meanwhile', async () => {
    const busy = await createServer({
      webRoot,
      plan: planner(bundle('export default () => { for (;;); }', 'endless.mjs'), {
        mostMs: 700,
        mostWaiting: 2,
        threads: 2,
      }),
    });
    const ask = () => busy.inject({ method: 'POST', url: '/api/plan', payload: {} });
    let answered = 0;
    const asked = Array.from({ length: 4 }, () => ask().finally(() => (answered += 1)));
    const refused = await Promise.all([ask(), ask()]);
    expect(
      refused.map(({ statusCode, body }) => [
        statusCode,
        body.includes('too much is asked at once'),
      ]),
    ).toEqual([
      [503, true],
      [503, true],
    ]);
    // While two endless tasks hold their threads, this one answers.
    expect((await busy.inject({ url: '/healthz' })).json()).toEqual({ ok: true });
    expect(answered).toBe(0);
    const answers = await Promise.all(asked);
    expect(
      answers.map(({ statusCode, body }) => [
        statusCode,
        body.includes('no plan within 0.7 seconds'),
      ]),
    ).toEqual(Array.from({ length: 4 }, () => [503, true]));
    await busy.close();
  });
});

test('it is well', async () =>
  expect((await server.inject({ url: '/healthz' })).json()).toEqual({ ok: true }));
