import fc from 'fast-check';
import { parse } from 'papaparse';
import { csvOf, rowsOf, textOf } from './csvText';

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

test.each([',', ';', '\t'])(
  'cells parted by “%s” are read, with rows as a spreadsheet counts them',
  (mark) => {
    const text =
      ['student', 'day', 'note'].join(mark) + '\n\n' + ['Bo', '3.2.2026', '"a, b"'].join(mark);
    expect(rowsOf(`\ufeff${text}\n`).slice(0, 3)).toEqual([
      ['student', 'day', 'note'],
      [''],
      ['Bo', '3.2.2026', 'a, b'],
    ]);
  },
);

test('a file of an older spreadsheet keeps its accents', () => {
  expect(textOf(Uint8Array.from([0x5a, 0x6f, 0xeb]).buffer)).toBe('Zoë');
  expect(textOf(new TextEncoder().encode('Zoë ṣ').buffer as ArrayBuffer)).toBe('Zoë ṣ');
});

test('what a spreadsheet would run stays a word', () => {
  const csv = csvOf({ head: ['note'], rows: [['=HYPERLINK("x")'], ['@sum'], [-3]] });
  expect(csv).toContain(`"'=HYPERLINK(""x"")"`);
  expect(csv).toContain(`'@sum`);
  expect(csv.split('\r\n')[3]).toBe('-3');
});
