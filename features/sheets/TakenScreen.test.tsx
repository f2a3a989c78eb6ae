import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { homePoses } from '@/core/advise/homePoses';
import { packTakenHome } from '@/core/advise/takenHome';
import { planStudent } from '@/core/plan/plan';
import { homeShelf } from '@/core/props/usualShelves';
import { ordinaryAdult } from '@/core/sim/room';
import { sheetText } from './phone/link';
import { TakenScreen } from './TakenScreen';

const mockKept = new Map<string, string>();
jest.mock('@react-native-async-storage/async-storage', () => ({
  createAsyncStorage: () => ({
    getItem: async (key: string) => mockKept.get(key) ?? null,
    setItem: async (key: string, value: string) => void mockKept.set(key, value),
  }),
}));

const POSES = ['easy-cross', 'hero', 'child'];
const record = ordinaryAdult(731, 99, 'built-up-alignment');
const { poses } = planStudent(record, homeShelf, '2026-03-02', { poses: POSES });
const text = (id: string) =>
  sheetText(
    packTakenHome({
      id,
      name: 'Maya',
      at: '2026-03-02',
      units: 'cm',
      statureCm: 168,
      bodyCm: {},
      home: [],
      minded: { hero: ['Sit no lower than this.'] },
      poses: homePoses(poses).flatMap(({ sides, builds }) =>
        builds.map((planned) => ({ planned, bothAlike: sides.length > builds.length })),
      ),
    }),
  );
async function open(hash: string) {
  window.location.hash = hash;
  render(<TakenScreen />);
  await act(async () => {
    await new Promise((go) => setTimeout(go, 50));
  });
}
beforeEach(() => mockKept.clear());

test('a sheet that was sent shows its poses, and keeps how they were on this phone', async () => {
  await open(text('a'));
  expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('To do at home: Maya');
  const hero = screen.getByRole('region', { name: 'Hero' });
  expect(within(hero).getByText('Go in')).toBeInTheDocument();
  expect(within(hero).getByText('Sit no lower than this.')).toBeInTheDocument();
  fireEvent.click(within(hero).getByRole('button', { name: 'I am in it' }));
  expect(within(hero).getByRole('timer')).toBeInTheDocument();
  fireEvent.click(within(hero).getByRole('button', { name: 'Just right' }));
  expect(within(hero).getByText(/just right. It stays as it is/)).toBeInTheDocument();
  const log = screen.getByRole('region', { name: 'What you did' });
  expect(within(log).getByText(/Hero.*just right/)).toBeInTheDocument();
  expect(JSON.parse(mockKept.get('done/a') ?? '[]')).toMatchObject([
    { pose: 'hero', felt: 'right' },
  ]);
  fireEvent.click(within(log).getByRole('button', { name: 'Take the latest back' }));
  expect(screen.queryByRole('region', { name: 'What you did' })).toBeNull();
});

test('a pose that hurt is left out: no timer, and whom to ask', async () => {
  await open(text('b'));
  const child = screen.getByRole('region', { name: 'Child' });
  fireEvent.click(within(child).getByRole('button', { name: 'It hurt' }));
  expect(within(child).getByRole('alert')).toHaveTextContent('Leave this pose out');
  expect(within(child).queryByRole('button', { name: 'I am in it' })).toBeNull();
});

test('without an address the sheet that was opened last is there; before any, how to come by one', async () => {
  await open('');
  expect(screen.getByRole('alert')).toHaveTextContent('No sheet was opened on this phone yet');
  mockKept.set('last', text('c'));
  await open('');
  expect(screen.getByText('To do at home: Maya')).toBeInTheDocument();
});

test('a damaged address says what to do, and the sheet that is kept stays', async () => {
  mockKept.set('last', text('d'));
  await open('abc');
  expect(screen.getByRole('alert')).toHaveTextContent('damaged or was cut short');
  expect(mockKept.get('last')).toBe(text('d'));
});
