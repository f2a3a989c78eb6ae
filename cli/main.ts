import { run } from './ojas';

const today = new Date().toISOString().slice(0, 10);
run(process.argv.slice(2), today).then(({ out, words, exit }) => {
  if (out !== undefined) process.stdout.write(`${out}\n`);
  if (words !== undefined) process.stderr.write(`${words}\n`);
  process.exitCode = exit;
});
