import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { samplePerson } from '@/core/tests/samples';
import { put } from '@/store/facts';
import { undo } from '@/store/store';
import { show, usualFacts } from '../tests/onScreen';
import { MeasureScreen } from './MeasureScreen';

/** Keeps a reading; where the other side is next, it says so. */
const SAVE = /^Save(, other side)?$/;

const open = async (name: RegExp) => {
  const shown = await show(<MeasureScreen id="p1" />);
  fireEvent.click(screen.getByRole('button', { name }));
  return shown;
};
const type = (text: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: /^Reading [0-9]/ }), {
    target: { value: text },
  });
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

test('what narrows this student’s heights most comes first, with what it decides, and nothing read today', async () => {
  await show(<MeasureScreen id="p1" />);
  expect(screen.getByRole('heading', { name: 'What to measure next' })).toBeInTheDocument();
  const offered = screen.getAllByRole('button', { name: /: decides \w+ heights?: / });
  expect(offered.length).toBeGreaterThan(0);
  expect(offered.every((one) => !/Knee bend with a bent hip/.test(one.textContent ?? ''))).toBe(
    true,
  );
});

test('a protocol shows its position, its tool and its stop rules', async () => {
  await open(/^Hamstring ?left/);
  expect(screen.getByText(/On the back, other leg flat/)).toBeInTheDocument();
  expect(screen.getByText(/Stop as the pelvis starts to roll/)).toBeInTheDocument();
  expect(
    screen.getByText(/A line of feeling below the knee is no hamstring reading: refer on/),
  ).toBeInTheDocument();
});

test('two readings are kept together, and the other side comes next', async () => {
  const { state } = await open(/^Hamstring ?left/);
  type('52');
  press('Take this reading');
  type('55');
  press(SAVE);
  await waitFor(() => expect(Object.values(state().readings)).toHaveLength(3));
  expect(Object.values(state().readings).find(({ range }) => range === 'hamstring')).toMatchObject({
    side: 'left',
    method: 'protractor',
    protocol: 'straight-leg-raise.pelvis-watched',
    values: [52, 55],
    warm: false,
  });
  expect(screen.getByRole('radio', { name: /^Right/ })).toBeChecked();
});

test('readings are shown as dots with their mean, error and believable change', async () => {
  await open(/^Hamstring ?left/);
  for (const value of ['52', '56']) {
    type(value);
    press('Take this reading');
  }
  expect(screen.getByRole('img', { name: 'Readings 52, 56, mean 54°' })).toBeInTheDocument();
  expect(
    screen.getByText(/Mean 54° ± 3\. A change is worth believing from \d+°/),
  ).toBeInTheDocument();
});

test('readings that disagree ask for another', async () => {
  await open(/^Hamstring ?left/);
  for (const value of ['50', '60']) {
    type(value);
    press('Take this reading');
  }
  expect(
    screen.getByText(/lie 10° apart, more than this method explains: take another/),
  ).toBeInTheDocument();
  press('Drop the last one');
  expect(screen.queryByText(/take another/)).not.toBeInTheDocument();
});

test.each([
  ['999', /outside what a person can show for hamstring \(10 to 140°\)/],
  ['fifty', /“fifty” is not a number/],
  ['1,234', /two ways/],
  ['', /at least one reading/],
])('"%s" is refused, and nothing is stored', async (typed, words) => {
  const { state } = await open(/^Hamstring ?left/);
  type(typed);
  press(SAVE);
  expect(await screen.findByRole('alert')).toHaveTextContent(words);
  expect(Object.values(state().readings)).toHaveLength(2);
});

test('a tape reading says which angle it comes to', async () => {
  await open(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Heel to seat' }));
  type('30');
  press('Take this reading');
  expect(screen.getByText(/which is a range of 1\d\d° ± \d/)).toBeInTheDocument();
});

test('a pelvis in long sit asks for the seat’s height, within reason', async () => {
  const { state } = await open(/^Pelvic tilt, long sit/);
  fireEvent.change(screen.getByLabelText('Seat height'), { target: { value: '900' } });
  type('-12');
  press(SAVE);
  expect(await screen.findByRole('alert')).toHaveTextContent(/900 is not between 0 and 80 cm/);
  fireEvent.change(screen.getByLabelText('Seat height'), { target: { value: '10' } });
  press(SAVE);
  await waitFor(() =>
    expect(
      Object.values(state().readings).find(({ range }) => range === 'pelvicTilt.longSit'),
    ).toMatchObject({ seatCm: 10, values: [-12], side: 'both' }),
  );
});

test('a reading can be removed, and brought back', async () => {
  const { store, state } = await open(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('button', { name: /^Remove the reading/ }));
  await waitFor(() => expect(Object.values(state().readings)).toHaveLength(1));
  expect(state().undo.offered?.words).toMatch('Reading of knee bend with a bent hip removed');
  await store.dispatch(undo());
  expect(Object.values(state().readings)).toHaveLength(2);
});

test('the keypad types into the field', async () => {
  await open(/^Hamstring ?left/);
  const pad = within(screen.getByRole('group', { name: 'Keypad' }));
  for (const key of ['5', '7', '9', 'Delete the last digit'])
    fireEvent.click(pad.getByRole('button', { name: key }));
  expect(screen.getByRole('textbox', { name: /^Reading [0-9]/ })).toHaveValue('57');
});

test('a reading can be put right, within reason', async () => {
  const { state } = await open(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('button', { name: /^Edit the reading/ }));
  fireEvent.change(screen.getByLabelText('Values'), { target: { value: '128 1300' } });
  press('Save the change');
  expect(await screen.findByRole('alert')).toHaveTextContent(/1300° is outside/);
  fireEvent.change(screen.getByLabelText('Values'), { target: { value: '126 127,5' } });
  press('Save the change');
  await waitFor(() => expect(state().readings.l).toMatchObject({ values: [126, 127.5] }));
  expect(state().undo.offered?.words).toMatch(/changed/);
});

test('the working of a tape stands beside what is typed', async () => {
  await open(/^Knee bend with a bent hip ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'Heel to seat' }));
  type('30');
  expect(
    screen.getByText(/Thigh 41\.\d, knee to heel 4\d(\.\d)? and 30 cm make a triangle/),
  ).toBeInTheDocument();
});

test('what was typed for one side or way does not go along to another', async () => {
  const { state } = await open(/^Hamstring ?left/);
  type('52');
  press('Take this reading');
  type('53');
  fireEvent.click(screen.getByRole('radio', { name: /^Right/ }));
  expect(screen.getByRole('textbox', { name: /^Reading 1/ })).toHaveValue('');
  expect(state().measuring.now?.entry).toMatchObject({ side: 'right', values: [] });
});

test('by eye, the nearest drawing is picked, or one between two', async () => {
  const { state } = await open(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'By eye' }));
  fireEvent.click(screen.getByRole('radio', { name: 'About 60 degrees' }));
  press('A little more');
  press(SAVE);
  await waitFor(() =>
    expect(
      Object.values(state().readings).find(({ range }) => range === 'hamstring'),
    ).toMatchObject({ method: 'by-eye', values: [65] }),
  );
});

test('ranges never read are told as assumed, with what they decide', async () => {
  await show(<MeasureScreen id="p1" />);
  expect(
    screen.getByRole('button', {
      name: /^Hamstring.*assumed.*never measured; it decides/,
    }),
  ).toBeInTheDocument();
  expect(
    screen.getByRole('button', { name: /^Spread.*no pose of this plan leans on it/ }),
  ).toBeInTheDocument();
});

describe('a led visit', () => {
  const begin = async (kind: RegExp) => {
    const shown = await show(<MeasureScreen id="p1" />);
    press(kind);
    await screen.findByText(/^(Visit|Re-check): 1 of/);
    return shown;
  };
  const here = () =>
    screen.getByRole('heading', { level: 2, name: (name) => !/Readings so far/.test(name) })
      .textContent;

  test('opens what narrows most, goes on to the other side, then to the next range', async () => {
    const { state } = await begin(/^Begin a whole visit/);
    const first = here();
    const read = {
      Hamstring: '58',
      'Knee bend face down': '120',
      'Pointed ankle': '50',
    } as Record<string, string>;
    for (let i = 0; i < 2; i++) {
      type(read[first!] ?? '50');
      press(SAVE);
      await waitFor(() => expect(Object.values(state().readings)).toHaveLength(3 + i));
    }
    await screen.findByText(/^Visit: 2 of/);
    expect(here()).not.toBe(first);
    expect(state().measuring.now?.visit?.done).toHaveLength(1);
  });

  test('passing over everything ends it, and says so', async () => {
    await begin(/^Begin the re-check/);
    press('Skip');
    await screen.findByText(/^Re-check: 2 of 2/);
    press('Skip');
    expect(await screen.findByText(/Nothing was read\. Passed over:/)).toBeInTheDocument();
    press('All ranges');
    expect(screen.getByRole('heading', { name: 'All ranges' })).toBeInTheDocument();
  });

  test('can be stopped at any place', async () => {
    await begin(/^Begin the re-check/);
    press('Stop here');
    expect(screen.getByRole('heading', { name: 'What to measure next' })).toBeInTheDocument();
  });
});

describe('what was answered at intake', () => {
  const answered = (id: string, side?: 'left' | 'right') =>
    show(<MeasureScreen id="p1" />, [
      ...usualFacts(),
      put(
        'people',
        samplePerson({
          cautions: [{ id, answer: 'yes', at: '2026-01-05', ...(side ? { side } : {}) }],
        }),
      ),
    ]);

  test('leaves out a reading on the sore side, with where to turn, and not on the other', async () => {
    await answered('hip-replacement', 'left');
    press(/^Thigh to chest/);
    expect(screen.getByRole('heading', { name: 'Not measured this way' })).toBeInTheDocument();
    expect(
      screen.getByText(/without the word of the surgeon or physiotherapist/),
    ).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: SAVE })).not.toBeInTheDocument();
    fireEvent.click(screen.getByRole('radio', { name: /^Right/ }));
    expect(screen.getByRole('button', { name: SAVE })).toBeInTheDocument();
  });

  test('is said in the list, and no visit leads there', async () => {
    const { state } = await answered('pregnancy');
    expect(
      screen.getByRole('button', {
        name: /^Knee bend face down.*left out by the answers at intake/,
      }),
    ).toBeInTheDocument();
    expect(
      screen.queryByRole('button', { name: /^Knee bend face down, (left|right): decides/ }),
    ).not.toBeInTheDocument();
    press(/^Begin a whole visit/);
    for (
      let i = 0;
      i < 6 &&
      state().measuring.now?.entry !== undefined &&
      screen.queryByRole('button', { name: 'Skip' });
      i++
    ) {
      expect(state().measuring.now?.entry?.range).not.toBe('kneeFlexion.prone');
      press('Skip');
    }
    expect(await screen.findByText(/Passed over:/)).not.toHaveTextContent('knee bend face down');
  });

  test('asks for care where a reading stays open', async () => {
    await answered('very-mobile');
    press(/^Hamstring ?left/);
    expect(
      screen.getByText('Very mobile: read to the first resistance, not to the end.'),
    ).toBeInTheDocument();
  });
});

test('a reading far from what is believed is asked about before it is kept', async () => {
  const { state } = await open(/^Knee bend with a bent hip ?left/);
  const before = Object.keys(state().readings).length;
  type('75');
  press(SAVE);
  expect(screen.getByRole('alert')).toHaveTextContent(
    /^Knee bend with a bent hip: 75°, after \d+° ± \d+\. The other side, or a slip of ten\?/,
  );
  expect(Object.keys(state().readings)).toHaveLength(before);
  // Put right, it is kept without a word.
  type('130');
  expect(screen.queryByRole('alert')).not.toBeInTheDocument();
  type('75');
  press(SAVE);
  press('It is so: save it');
  await waitFor(() => expect(Object.keys(state().readings)).toHaveLength(before + 1));
});

test('a tape that comes to what no body shows is refused in words, and nothing is kept', async () => {
  const { state } = await open(/^Knee bend with a bent hip ?left/);
  const before = Object.keys(state().readings).length;
  fireEvent.click(screen.getByRole('radio', { name: 'Heel to seat' }));
  type('0');
  press(SAVE);
  expect(screen.getByText(/^(It comes to \d+°|No body of these lengths)/)).toBeInTheDocument();
  expect(Object.keys(state().readings)).toHaveLength(before);
});

test('the side of a reading can be put right', async () => {
  const { state } = await open(/^Knee bend with a bent hip ?left/);
  const [edit] = screen.getAllByRole('button', { name: /^Edit the reading of .*left$/ });
  fireEvent.click(edit!);
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'Side that was read' })).getByRole('radio', {
      name: 'Right',
    }),
  );
  press('Save the change');
  await waitFor(() =>
    expect(Object.values(state().readings).every(({ side }) => side === 'right')).toBe(true),
  );
});

test('by eye, the picture that is chosen is what is kept, and the page says what comes next', async () => {
  const { state } = await open(/^Hamstring ?left/);
  fireEvent.click(screen.getByRole('radio', { name: 'By eye' }));
  fireEvent.click(screen.getByRole('radio', { name: 'About 60 degrees' }));
  press(SAVE);
  await waitFor(() => expect(Object.values(state().readings)).toHaveLength(3));
  expect(Object.values(state().readings).find(({ range }) => range === 'hamstring')).toMatchObject({
    side: 'left',
    method: 'by-eye',
    values: [60],
  });
  expect(await screen.findByText('Now hamstring, right.')).toBeInTheDocument();
});
