import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { z } from '@/core/z';
import { homeLogSchema } from '@/core/advise/homeLog';
import { takenHomeSchema } from '@/core/advise/takenHome';
import { bookSchema } from '@/core/formats/book';
import { lessonFileSchema } from '@/core/formats/lesson';
import { planSchema } from '@/core/formats/plan';

/** JSON Schemas of the open formats, made from the schemas that the program itself checks with. */
export const schemas = {
  'ojas-book-1.schema.json': () => z.toJSONSchema(bookSchema, { io: 'input' }),
  'ojas-plan-2.schema.json': () => z.toJSONSchema(planSchema),
  'ojas-lesson-1.schema.json': () => z.toJSONSchema(lessonFileSchema, { io: 'input' }),
  'ojas-home-log-1.schema.json': () => z.toJSONSchema(homeLogSchema, { io: 'input' }),
  'ojas-taken-home-1.schema.json': () => z.toJSONSchema(takenHomeSchema, { io: 'input' }),
};

export const schemaText = (name: keyof typeof schemas) =>
  `${JSON.stringify(schemas[name](), null, 2)}\n`;

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  for (const name of Object.keys(schemas) as (keyof typeof schemas)[])
    writeFileSync(new URL(`../docs/formats/${name}`, import.meta.url), schemaText(name));
}
