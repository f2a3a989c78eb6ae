import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { shiftDays } from '@/core/formats/time';
import { sampleReading, sampleSession } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { saveFile } from '../data/files';
import { show, today, usualFacts } from '../tests/onScreen';
import { ProgressScreen } from './ProgressScreen';

jest.mock('../data/files', () => ({ chooseFile: jest.fn(), saveFile: jest.fn() }));

const ago = (days: number) => shiftDays(today(), -days);
const seat = (heightCm: number) => ({
  settled: [{ slot: 'seat' as const, side: 'both' as const, heightCm, pieces: [] }],
});
const facts = () => [
  ...usualFacts(),
  put('readings', sampleReading({ id: 'old', values: [108, 109, 108], at: ago(70) })),
  put('sessions', sampleSession(ago(42), seat(20))),
  put('sessions', {
    ...sampleSession(ago(28), { ...seat(17.5), feeling: { strength: 6, place: 'joint' } }),
    id: 's-28',
  }),
  put('sessions', { ...sampleSession(ago(1), seat(15)), id: 's-1' }),
];
const region = (name: string) => within(screen.getByRole('region', { name }));

test('nothing on record is said, not drawn', async () => {
  await show(<ProgressScreen id="p1" />, [usualFacts()[0]!]);
  expect(screen.getByText(/^Nothing is on record of/)).toBeInTheDocument();
  expect(region('Ranges').getByText(/^Nothing was read yet/)).toBeInTheDocument();
  expect(screen.queryByRole('img')).toBeNull();
});

test('a range has its course, its real change, left against right, and its rows', async () => {
  await show(<ProgressScreen id="p1" />, facts());
  const ranges = region('Ranges');
  expect(
    ranges.getByRole('img', { name: /Knee bend with a bent hip, left through time/ }),
  ).toBeVisible();
  expect(ranges.getByText(/\d+° freer$/)).toBeInTheDocument();
  expect(ranges.getByText(/^Left against right/)).toBeInTheDocument();
  fireEvent.click(ranges.getAllByRole('button', { name: 'As a table' })[0]!);
  const table = within(ranges.getByRole('table'));
  expect(table.getAllByRole('row')).toHaveLength(3);
  expect(table.getAllByRole('columnheader')[0]).toHaveTextContent('Day');
  fireEvent.click(ranges.getAllByRole('button', { name: / as CSV$/ })[0]!);
  await waitFor(() => expect(saveFile).toHaveBeenCalled());
  const [name, parts, type] = jest.mocked(saveFile).mock.calls.at(-1)!;
  expect([name, type]).toEqual([expect.stringMatching(/left\.csv$/), 'text/csv']);
  expect(String(parts[0]).slice(1).split('\r\n')[0]).toBe('Day,Read,Believed,Doubt,Real change');
});

test('heights go step by step, with holds, stages, warnings, and before beside now', async () => {
  await show(<ProgressScreen id="p1" />, facts());
  const heights = region('Heights');
  expect(
    heights.getByRole('img', { name: /^Hero, heights through time\. Seat: 20 cm on .* 15 cm on / }),
  ).toBeVisible();
  expect(heights.getByText('▲ a joint spoke, or it was stopped')).toBeInTheDocument();
  expect(heights.getByText('Before and now')).toBeInTheDocument();
  expect(heights.getByRole('img', { name: /^Hero: the figure of .* over that of / })).toBeVisible();
  expect(heights.getByText(/over 3 times\.$/)).toBeInTheDocument();
  expect(region('Month by month').getAllByText(/on the mat/).length).toBeGreaterThan(0);
  fireEvent.click(heights.getAllByRole('button', { name: / as SVG$/ })[0]!);
  const svg = String(jest.mocked(saveFile).mock.calls.at(-1)![1][0]);
  expect(svg).toMatch(/^<svg[^>]*xmlns="http:\/\/www\.w3\.org\/2000\/svg"/);
  await act(async () => undefined);
});

test('steps that were tried are marked on the course of their height, and told in its rows', async () => {
  const tried = sampleSession(ago(3), {
    trials: [
      { slot: 'seat', side: 'both', heightCm: 15, word: false },
      { slot: 'seat', side: 'both', heightCm: 13, word: true },
    ],
  });
  await show(<ProgressScreen id="p1" />, [...facts(), put('sessions', tried)]);
  const heights = region('Heights');
  expect(heights.getByText('● tried and quiet, × tried and it spoke')).toBeInTheDocument();
});

test('what the heights may become is told, or that the record is too short for it', async () => {
  await show(<ProgressScreen id="p1" />, [
    ...usualFacts(),
    put('sessions', sampleSession(ago(14))),
    put('sessions', { ...sampleSession(ago(7)), id: 's-7' }),
  ]);
  const heights = region('Heights');
  expect(heights.getByText('In the months to come')).toBeInTheDocument();
  expect(heights.getByText(/^Not enough record: \d of 3 dated readings/)).toBeInTheDocument();
});
