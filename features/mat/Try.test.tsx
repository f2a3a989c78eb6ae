import { fireEvent, screen, waitFor } from '@testing-library/react';
import { put } from '@/store/facts';
import { samplePerson, sampleReading } from '@/core/tests/samples';
import { show, today, usualFacts } from '../tests/onScreen';
import { MatScreen } from './MatScreen';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const read = (['left', 'right'] as const).map((side) =>
  put('readings', sampleReading({ id: `own-${side}`, side, values: [120, 122, 121], at: today() })),
);

/** Hero alone on the mat, at its hold. */
async function atTheHold(more: readonly ReturnType<typeof put>[] = []) {
  const shown = await show(<MatScreen id="p1" />, [...usualFacts(), ...read, ...more]);
  for (const box of screen.getAllByRole('checkbox'))
    if (!box.textContent?.endsWith('Hero')) fireEvent.click(box);
  press(/^Begin/);
  fireEvent.click(screen.getByRole('radio', { name: 'Hold' }));
  return shown;
}
const asked = () => screen.queryByText(/^Seat .* cm: two or three breaths/);
const triedIn = ({ state }: Awaited<ReturnType<typeof atTheHold>>) =>
  Object.values(state().mat.now?.trials ?? {}).flat();

test('quiet takes a step away, a word goes back up one, and both are kept', async () => {
  const shown = await atTheHold();
  expect(asked()).toBeInTheDocument();
  const before = asked()?.textContent;
  press('Quiet');
  expect(asked()?.textContent).not.toBe(before);
  press('A word');
  expect(screen.getByText(/the step under it spoke\. Hold on this\.$/)).toBeInTheDocument();
  const [first, second] = triedIn(shown);
  expect([first?.word, second?.word]).toEqual([false, true]);
  expect(second?.heightCm).toBeLessThan(first?.heightCm ?? 0);
  const [lying] = Object.values(shown.state().mat.now?.settled ?? {});
  expect(lying?.find(({ slot }) => slot === 'seat')?.heightCm).toBeCloseTo(first?.heightCm ?? 0, 1);
  // Nobody chose against the advice: nothing is called the teacher's own.
  expect(screen.queryByText(/^Yours:/)).toBeNull();
});

test('the last step is taken back, and trying can be left', async () => {
  const shown = await atTheHold();
  press('Quiet');
  press('Undo the last step');
  expect(triedIn(shown)).toEqual([]);
  press('Hold it as it lies');
  expect(asked()).toBeNull();
});

test('what was tried is in the record', async () => {
  const shown = await atTheHold();
  press('A word');
  press('Next: feel');
  fireEvent.click(screen.getByRole('radio', { name: 'In muscle' }));
  fireEvent.click(screen.getByRole('radio', { name: /^3/ }));
  press('Record and end');
  await waitFor(() => {
    const own = Object.values(shown.state().sessions).flatMap(({ poses }) => poses);
    expect(own.some(({ trials }) => trials?.[0]?.word === true)).toBe(true);
  });
});

test('nothing is tried with a sore knee', async () => {
  const sore = samplePerson({ cautions: [{ id: 'knee-pain', answer: 'yes', at: '2026-01-05' }] });
  await atTheHold([put('people', sore)]);
  expect(asked()).toBeNull();
});

test('nothing is tried once the hold has begun', async () => {
  await atTheHold();
  press('Begin the hold');
  expect(asked()).toBeNull();
});

test('a clicker answers, too', async () => {
  const shown = await atTheHold();
  fireEvent.keyDown(document, { key: 'PageDown' });
  fireEvent.keyDown(document, { key: 'x' });
  await waitFor(() => expect(triedIn(shown).map(({ word }) => word)).toEqual([false, true]));
});

test('where it spoke is kept; what this height does not answer is answered otherwise', async () => {
  const shown = await atTheHold();
  press('A word');
  press('Say where it spoke');
  const radio = (name: RegExp) => fireEvent.click(screen.getByRole('radio', { name }));
  radio(/^Left knee/);
  expect(triedIn(shown).at(-1)?.spot).toBe('inner-knee:left');
  expect(screen.getByText(/^This height is not what answers that/)).toBeInTheDocument();
  expect(screen.getByText(/^Feet in line with the shins/)).toBeInTheDocument();
  radio(/^The front of the knee|^Front of the knee/);
  expect(triedIn(shown).at(-1)?.spot).toBe('front-knee:left');
  expect(screen.queryByText(/^This height is not what answers that/)).toBeNull();
});

test('a step that the teacher goes down to is heard like any other, and is no choice against the advice', async () => {
  const shown = await atTheHold();
  press('Hold it as it lies');
  press('Undo the last step');
  press(/One step lower/);
  expect(screen.getByRole('heading', { name: 'Your own step' })).toBeInTheDocument();
  press('Quiet');
  const [own] = triedIn(shown);
  expect(own).toMatchObject({ slot: 'seat', word: false });
  expect(own?.startCm).toBeGreaterThan(own?.heightCm ?? 0);
  expect(screen.getByText(/nothing spoke down to here\. Hold on this\.$/)).toBeInTheDocument();
  expect(Object.values(shown.state().mat.now?.changes ?? {}).flat()).toEqual([]);
  press(/One step lower/);
  press('A word');
  const [lying] = Object.values(shown.state().mat.now?.settled ?? {});
  const heights = triedIn(shown).map(({ heightCm }) => heightCm);
  expect(lying?.find(({ slot }) => slot === 'seat')?.heightCm).toBeGreaterThan(heights[1] ?? 0);
});

test('what was quiet lower down is not asked of again where it is held higher', async () => {
  await atTheHold();
  for (let i = 0; i < 4 && asked(); i++) press('Quiet');
  expect(screen.getByText(/nothing spoke down to .* Hold on this\.$/)).toBeInTheDocument();
  expect(screen.queryByRole('heading', { name: 'Your own step' })).toBeNull();
});

test('a step of the teacher’s own is not asked of with a sore knee', async () => {
  const sore = samplePerson({ cautions: [{ id: 'knee-pain', answer: 'yes', at: '2026-01-05' }] });
  await atTheHold([put('people', sore)]);
  press(/One step lower/);
  expect(screen.queryByRole('heading', { name: 'Your own step' })).toBeNull();
});
