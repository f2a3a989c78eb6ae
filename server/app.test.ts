import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { planSchema } from '@/core/formats/plan';
import { createServer } from './app';

const demoBook = join(__dirname, '..', 'demo', 'kingfisher-boathouse.json');
const webRoot = mkdtempSync(join(tmpdir(), 'ojas-web-'));
writeFileSync(join(webRoot, 'index.html'), '<!doctype html><html><head><title>Ojas</title></head></html>');
writeFileSync(join(webRoot, 'app.js'), 'void 0;');

let server: FastifyInstance;
beforeAll(async () => {
  server = await createServer({ webRoot, demoBook });
});
afterAll(() => server.close());

test('pages come with a strict policy, whatever place they are', async () => {
  for (const url of ['/', '/students/p-ines/plan']) {
    const answer = await server.inject({ url });
    expect(answer.statusCode).toBe(200);
    expect(answer.body).toMatch('<meta name="ojas-demo" content="/demo/book.json">');
    expect(answer.headers['content-security-policy']).toMatch(/default-src 'none'.*frame-ancestors 'none'/);
    expect(answer.headers['set-cookie']).toBeUndefined();
  }
});

test('without the demo the page names no book, and there is none', async () => {
  const plain = await createServer({ webRoot });
  expect((await plain.inject({ url: '/' })).body).not.toMatch('ojas-demo');
  expect((await plain.inject({ url: '/demo/book.json' })).statusCode).toBe(404);
  await plain.close();
});

test('files are files, and what is missing is missing', async () => {
  expect((await server.inject({ url: '/app.js' })).body).toBe('void 0;');
  expect((await server.inject({ url: '/nothing.js' })).statusCode).toBe(404);
  expect((await server.inject({ url: '/../package.json' })).body).not.toMatch('"name": "ojas"');
});

test('it plans on request', async () => {
  const book = JSON.parse(readFileSync(demoBook, 'utf8')) as unknown;
  const answer = await server.inject({ method: 'POST', url: '/api/plan', payload: { book, person: 'p-ines', date: '2026-04-01', poses: ['hero'] } });
  expect(answer.statusCode).toBe(200);
  expect(planSchema.parse(answer.json())).toMatchObject({ person: 'p-ines', date: '2026-04-01' });
});

test.each([
  ['a book of another kind', { book: { format: 'x' }, person: 'p', date: '2026-04-01' }, 400, /ojas-book/],
  ['an unknown pose', { book: {}, person: 'p', date: '2026-04-01', poses: ['moonwalk'] }, 400, /no pose is called that/],
  ['no date', { book: {}, person: 'p' }, 400, /date/],
  ['nobody of that name', { book: { format: 'ojas-book/1', people: [], readings: [], shelf: [], sessions: [] }, person: 'p', date: '2026-04-01' }, 404, /no person p/],
])('%s is refused in words', async (_, payload, status, words) => {
  const answer = await server.inject({ method: 'POST', url: '/api/plan', payload });
  expect(answer.statusCode).toBe(status);
  expect(answer.body).toMatch(words);
});

test('it is well', async () => expect((await server.inject({ url: '/healthz' })).json()).toEqual({ ok: true }));
