import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/** The steps are plain modules of Node's own; what they say is asked of a Node of its own. */
const asked = (wanted: object, laid: object | null) =>
  spawnSync(
    process.execPath,
    [
      '--input-type=module',
      '-e',
      `const { arePackagesThere } = await import(${JSON.stringify(join(__dirname, 'steps.mjs'))});
       const laid = () => { const is = ${JSON.stringify(laid)}; if (!is) throw new Error('none'); return is; };
       console.log(arePackagesThere(() => (${JSON.stringify(wanted)}), laid));`,
    ],
    { encoding: 'utf8' },
  ).stdout.trim();

const of = (packages: Record<string, object>) => ({ packages: { '': {}, ...packages } });

test('packages that somebody else put in are taken as they are, where they are those of the lock file', () => {
  const wanted = of({
    'node_modules/a': { version: '1.0.0' },
    'node_modules/b': { version: '2.0.0', optional: true },
  });
  expect(asked(wanted, of({ 'node_modules/a': { version: '1.0.0' } }))).toBe('true');
  expect(asked(wanted, of({ 'node_modules/a': { version: '1.0.1' } }))).toBe('false');
  expect(asked(wanted, of({}))).toBe('false');
  expect(asked(wanted, null)).toBe('false');
});
