import fc from 'fast-check';
import { parse } from 'papaparse';
import { csvOf } from './csv';

const text = fc.string({ unit: 'grapheme', maxLength: 20 });
const RUNS = /^[=+\-@\t\r]/;

test('whatever is written comes back from the file as it was, line by line', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(text, fc.double({ noNaN: true, noDefaultInfinity: true }), text), {
        maxLength: 12,
      }),
      (rows) => {
        const { data, errors } = parse<string[]>(csvOf({ head: ['a', 'b', 'c'], rows }).slice(1), {
          skipEmptyLines: 'greedy',
          delimiter: ',',
        });
        expect(errors).toEqual([]);
        expect(data[0]).toEqual(['a', 'b', 'c']);
        rows.forEach(([first, number, last], i) => {
          const [a, b, c] = data[i + 1]!;
          expect(a).toBe(RUNS.test(first) ? `'${first}` : first);
          expect(Number(b)).toBe(number === 0 ? 0 : number);
          expect(c).toBe(RUNS.test(last) ? `'${last}` : last);
        });
      },
    ),
  );
});

test('what a spreadsheet would run stays a word', () => {
  const csv = csvOf({ head: ['note'], rows: [['=HYPERLINK("x")'], ['@sum'], [-3]] });
  expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
  expect(csv).toContain(`'@sum`);
  expect(csv.split('\r\n')[3]).toBe('-3');
});
