import { calledSo } from './called';

test.each([
  ['virasana', 'hero'],
  ['Vīrāsana', 'hero'],
  ['butterfly', 'open-book'],
  ['saddle', 'reclined-hero'],
  ['sleeping swan', 'pigeon'],
  ['child’s', 'child'],
  ["child's pose", 'child'],
  ['LIZ', 'lizard'],
])('%s finds %s', (sought, pose) => {
  expect(calledSo(sought)).toContain(pose);
});

test('a name itself stands before what is also called so; one letter and what nobody says find nothing', () => {
  expect(calledSo('hero')[0]).toBe('hero');
  expect(calledSo('pigeon')[0]).toBe('pigeon');
  expect([calledSo('h'), calledSo('  '), calledSo('trapeze')]).toEqual([[], [], []]);
});
