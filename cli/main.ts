import { format } from 'date-fns';
import type { LocalDay } from '@/core/formats/time';
import { run } from './ojas';

const today = format(new Date(), 'yyyy-MM-dd') as LocalDay;
run(process.argv.slice(2), today).then(({ out, words, exit }) => {
  if (out !== undefined) process.stdout.write(`${out}\n`);
  if (words !== undefined) process.stderr.write(`${words}\n`);
  process.exitCode = exit;
});
