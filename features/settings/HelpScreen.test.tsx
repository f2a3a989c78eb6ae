import { fireEvent, screen } from '@testing-library/react';
import { put } from '@/store/facts';
import { samplePerson } from '@/core/tests/samples';
import { show, usualFacts } from '../tests/onScreen';
import { HelpScreen } from './HelpScreen';
import { saveFile } from '../data/files';

jest.mock('../data/files', () => ({ saveFile: jest.fn() }));

test('words are explained, and a report names nobody and says how much is recorded', async () => {
  await show(<HelpScreen />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Nadia Orrin' })),
  ]);
  expect(screen.getByRole('heading', { name: 'Learned on the mat' })).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Save a report' }));
  const [name, [text]] = jest.mocked(saveFile).mock.calls[0]! as unknown as [string, [string]];
  expect(name).toMatch(/^ojas-report-\d{4}-\d\d-\d\d\.json$/);
  expect(JSON.parse(text)).toMatchObject({ version: expect.any(String), counts: { people: 2 } });
  expect(text).not.toMatch(/Nadia|Wren/);
});
