import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { bookSchema } from '@/core/formats/book';
import { planSchema } from '@/core/formats/plan';

test.each([
  ['ojas-book-1.schema.json', () => z.toJSONSchema(bookSchema, { io: 'input' })],
  ['ojas-plan-1.schema.json', () => z.toJSONSchema(planSchema)],
] as const)('the published %s is what the program checks with (else: npm run make:schemas)', (name, made) => {
  expect(JSON.parse(readFileSync(join(__dirname, '..', 'docs', 'formats', name), 'utf8'))).toEqual(JSON.parse(JSON.stringify(made())));
});
