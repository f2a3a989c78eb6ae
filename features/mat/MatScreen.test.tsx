import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { put } from '@/store/facts';
import { holdStarted, matStarted, matTaken } from '@/store/mat';
import { shiftDays } from '@/core/formats/time';
import { samplePerson, sampleReading, sampleSession } from '@/core/tests/samples';
import { commit } from '@/store/store';
import { show, today, usualFacts, type Shown } from '../tests/onScreen';
import { MatScreen } from './MatScreen';

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const step = (name: string) => fireEvent.click(screen.getByRole('radio', { name }));
const answer = (group: string, name: string) =>
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: group })).getByRole('radio', { name }),
  );

const ago = (days: number) => shiftDays(today(), -days);
const onMat = (...keep: string[]) => onMatWith([], ...keep);
async function onMatWith(more: readonly ReturnType<typeof put>[], ...keep: string[]) {
  const shown = await show(<MatScreen id="p1" />, [...usualFacts(), ...more]);
  for (const box of screen.getAllByRole('checkbox'))
    if (!keep.some((name) => box.textContent?.endsWith(name))) fireEvent.click(box);
  press(/^Begin/);
  return shown;
}

test('poses are chosen, with the holding they come to', async () => {
  await show(<MatScreen id="p1" />);
  expect(screen.getByRole('button', { name: 'Begin: 5 poses, 5:30 of holding' })).toBeEnabled();
  for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
  expect(screen.getByRole('button', { name: /Begin: 0 poses/ })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
});

test('a pose that a caution forbids is not on offer, and says why', async () => {
  const facts = [
    ...usualFacts(),
    put(
      'people',
      samplePerson({ cautions: [{ id: 'knee-replacement', answer: 'yes', at: '2026-01-05' }] }),
    ),
  ];
  await show(<MatScreen id="p1" />, facts);
  expect(screen.queryByRole('checkbox', { name: 'Hero' })).not.toBeInTheDocument();
  expect(
    screen.getAllByText(/kneeling only with the surgeon’s or physiotherapist’s written go-ahead/)
      .length,
  ).toBe(2);
  expect(screen.getByRole('button', { name: /^Begin: 3 poses/ })).toBeInTheDocument();
});

test('on a cold day the supports stand a rung higher, and it says so', async () => {
  await show(<MatScreen id="p1" />);
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'How today is' })).getByRole('radio', {
      name: 'Cold',
    }),
  );
  for (const box of screen.getAllByRole('checkbox'))
    if (!box.textContent?.endsWith('Hero')) fireEvent.click(box);
  press(/^Begin/);
  expect(screen.getByText('A cold day: one step easier than usual.')).toBeInTheDocument();
});

test('other poses are added from their group, each side by itself', async () => {
  await show(<MatScreen id="p1" />);
  expect(screen.queryByRole('checkbox', { name: 'Pigeon, left' })).not.toBeInTheDocument();
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'Add other poses' })).getByRole('radio', {
      name: 'Seated',
    }),
  );
  fireEvent.click(screen.getByRole('checkbox', { name: 'Heron, left' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'Heron, right' }));
  expect(screen.getByRole('button', { name: /^Begin: 7 poses/ })).toBeInTheDocument();
});

test('each step has its own help: pieces, entry, checks, timer, feeling', async () => {
  await onMat('Hero');
  expect(screen.getByRole('heading', { name: 'Fetch and build' })).toBeInTheDocument();
  step('Enter');
  expect(screen.getByText(/Kneel with the thighs parallel/)).toBeInTheDocument();
  step('Look');
  expect(screen.getByText(/outer ankles not pushed out/)).toBeInTheDocument();
  step('Hold');
  expect(screen.getByRole('timer')).toHaveAccessibleName('0:00 held of 1:00');
  step('Feel');
  expect(screen.getByText('Where was the feeling?')).toBeInTheDocument();
});

test('a fault that is seen says what mends it here, and one tap does it; the step is taken back', async () => {
  const { state } = await onMat('Hero');
  const seat = () => state().mat.now?.settled['hero/both']?.find(({ slot }) => slot === 'seat');
  step('Look');
  fireEvent.click(screen.getByRole('checkbox', { name: /Outer ankle pushed out/ }));
  expect(state().mat.now?.faults['hero/both']).toEqual(['ankle-out']);
  expect(screen.getByText(/^Seat one step higher, \d+(\.5)? cm: /)).toBeInTheDocument();
  press(/^Do it: Outer ankle/);
  const once = seat()?.heightCm ?? NaN;
  const [change] = state().mat.now?.changes['hero/both'] ?? [];
  expect(change).toMatchObject({ slot: 'seat', toCm: expect.closeTo(once, 0) as number });
  expect(once).toBeGreaterThan(change?.fromCm ?? Infinity);
  press('Undo the last step');
  expect(state().mat.now?.changes['hero/both']).toBeUndefined();
  expect(state().mat.now?.faults['hero/both']).toEqual(['ankle-out']);
});

test('a fault that a setting mends turns it', async () => {
  const { state } = await onMat('Standing fold');
  step('Look');
  const before = state().mat.now?.dials['standing-fold/both'];
  expect(before).toBeUndefined();
  fireEvent.click(
    screen.getByRole('checkbox', { name: /Low back rounds to keep the knees straight/ }),
  );
  press(/^Do it: Low back rounds/);
  const bend = state().mat.now?.dials['standing-fold/both']?.find(
    ({ dial }) => dial === 'kneeBend',
  );
  expect(bend?.value).toBeGreaterThan(bend?.reckoned ?? Infinity);
});

test('pieces are ticked off as they are laid, and another piece is another one to lay', async () => {
  await onMat('Hero');
  const seat = within(screen.getByRole('list', { name: 'Seat, from the floor up' }));
  const boxes = seat.getAllByRole('checkbox');
  expect(screen.getByText(/^0 of \d+ laid\.$/)).toBeInTheDocument();
  fireEvent.click(boxes[0]!);
  expect(screen.getByText(/^(1 of \d+|All) laid\.$/)).toBeInTheDocument();
  press(/One step higher/);
  const after = within(screen.getByRole('list', { name: 'Seat, from the floor up' }));
  const laid = after.queryAllByRole('checkbox', { checked: true });
  expect(laid.length).toBeLessThanOrEqual(1);
});

test('a hold is lengthened, and its cues are said aloud where that is wished', async () => {
  const { state } = await onMat('Hero');
  step('Hold');
  const whole = () => screen.getByRole('timer').getAttribute('aria-label');
  const before = whole();
  press('30 seconds more');
  expect(whole()).not.toBe(before);
  expect(state().mat.now?.moreSeconds).toBe(30);
  await act(
    async () => void fireEvent.click(screen.getByRole('checkbox', { name: /Say the cues aloud/ })),
  );
  expect(state().settings['settings']?.cuesAloud).toBe(true);
});

test('a pose done again is held against the round before', async () => {
  const { state } = await show(<MatScreen id="p1" />);
  press('Hero again at the end');
  for (const box of screen.getAllByRole('checkbox'))
    if (!box.textContent?.endsWith('Hero')) fireEvent.click(box);
  press(/^Begin: 2 poses/);
  step('Feel');
  answer('Where was the feeling', 'In muscle');
  answer('How strong out of ten', '3');
  await act(async () => press(/^Record, next pose/));
  expect(state().mat.now?.at).toBe(1);
  expect(screen.getByText('The round before, today')).toBeInTheDocument();
  expect(screen.getByText(/3 of 10 in muscle/)).toBeInTheDocument();
});

test('where a thing is missing, other pieces for about the height take its place, and are what is recorded', async () => {
  const { state } = await onMat('Hero');
  const seat = () => state().mat.now?.settled['hero/both']?.find(({ slot }) => slot === 'seat');
  const before = screen.getByText(/^Now: /).textContent ?? '';
  expect(screen.queryByRole('button', { name: /^Use instead/ })).not.toBeInTheDocument();
  press('Other pieces: Seat');
  expect(screen.getByRole('button', { name: 'Other pieces: Seat' })).toHaveAttribute(
    'aria-expanded',
    'true',
  );
  fireEvent.click(screen.getAllByRole('button', { name: /^Use instead/ })[0] as HTMLElement);
  const after = screen.getByText(/^Now: /).textContent ?? '';
  expect(after).not.toBe(before);
  const height = (words: string) => Number(/Now: ([\d.]+)/.exec(words)?.[1]);
  expect(Math.abs(height(after) - height(before))).toBeLessThan(2.6);
  expect(seat()?.pieces.length).toBeGreaterThan(0);
  // It is no correction of the plan: nothing is counted as moved.
  expect(state().mat.now?.changes['hero/both']).toBeUndefined();
  // And back again.
  const swapped = seat()?.pieces;
  press('Other pieces: Seat');
  fireEvent.click(screen.getAllByRole('button', { name: /^Use instead/ })[0] as HTMLElement);
  expect(seat()?.pieces).not.toEqual(swapped);
});

test('a rung down names its height and pieces before and after, and the figure answers', async () => {
  const { state } = await onMat('Hero');
  const before = screen.getByText(/^Now: /).textContent ?? '';
  const figure = screen
    .getByRole('img', { name: /Hero, seen from the side/ })
    .getAttribute('aria-label');
  press(/One step lower/);
  expect(screen.getByText(/^Now: /).textContent).not.toBe(before);
  expect(
    screen.getByRole('img', { name: /Hero, seen from the side/ }).getAttribute('aria-label'),
  ).not.toBe(figure);
  const change = state().mat.now?.changes['hero/both']?.[0];
  expect((change?.fromCm ?? 0) - (change?.toCm ?? 0)).toBeGreaterThanOrEqual(1 - 1e-6);
  expect((change?.fromCm ?? 0) - (change?.toCm ?? 0)).toBeLessThanOrEqual(2.5 + 0.06);
});

test('two taps record a pose; what was moved against the advice is marked as such', async () => {
  const { state } = await onMat('Hero');
  press(/One step lower/);
  step('Feel');
  expect(screen.getByRole('button', { name: 'Record and end' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  answer('Where was the feeling', 'In muscle');
  answer('How strong out of ten', '4');
  press('Record and end');
  await waitFor(() => expect(Object.values(state().sessions)).toHaveLength(1));
  const pose = Object.values(state().sessions)[0]?.poses[0];
  expect(pose).toMatchObject({
    pose: 'hero',
    feeling: { strength: 4, place: 'muscle' },
    overruled: true,
  });
  // What nobody looked at is not told as upright, easy and even.
  for (const unseen of ['pelvis', 'breath', 'list']) expect(pose).not.toHaveProperty(unseen);
  expect(pose?.changes).toHaveLength(1);
  expect(state().mat.now).toBeNull();
});

test('what was looked at is told', async () => {
  const { state } = await onMat('Hero');
  step('Feel');
  answer('Where was the feeling', 'In muscle');
  answer('How strong out of ten', '4');
  answer('The pelvis', 'Upright');
  answer('Leans to a side', 'Left');
  answer('The breath', 'Easy');
  press('Record and end');
  await waitFor(() => expect(Object.values(state().sessions)).toHaveLength(1));
  expect(Object.values(state().sessions)[0]?.poses[0]).toMatchObject({
    pelvis: 'upright',
    list: 'left',
    breath: 'easy',
  });
});

test('that it was as the last time is one tap, and says nothing of what nobody looked at', async () => {
  const well = sampleSession(ago(7), { feeling: { strength: 3, place: 'muscle' } });
  const { state } = await onMatWith([put('sessions', well)], 'Hero');
  step('Feel');
  press('As last time, 3 of 10 in muscle: record it');
  await waitFor(() => expect(Object.values(state().sessions)).toHaveLength(2));
  const [pose] = Object.values(state().sessions).find(({ at }) => at !== well.at)!.poses;
  expect(pose?.feeling).toEqual({ strength: 3, place: 'muscle' });
  expect(pose).not.toHaveProperty('pelvis');
});

test('what was complained of last time is never the same without being said', async () => {
  const sore = sampleSession(ago(7), { feeling: { strength: 3, place: 'joint' } });
  await onMatWith([put('sessions', sore)], 'Hero');
  step('Feel');
  expect(screen.queryByRole('button', { name: /^As last time/ })).toBeNull();
});

test('a joint that spoke is recorded before anything else, and nothing comes down after it', async () => {
  const { state } = await onMat('Staff', 'Hero');
  step('Feel');
  const isShut = (name: string) =>
    screen.getByRole('button', { name }).getAttribute('aria-disabled') === 'true';
  expect(isShut('Skip this pose')).toBe(false);
  answer('Where was the feeling', 'At a joint line');
  expect(screen.getByText(/A joint spoke: ease it or leave the pose/)).toBeInTheDocument();
  expect([isShut('Skip this pose'), isShut('End the session here')]).toEqual([true, true]);
  answer('How strong out of ten', '3');
  fireEvent.change(screen.getByRole('textbox', { name: 'Note, of this pose' }), {
    target: { value: ' Left knee, inside. ' },
  });
  press('Record, next pose');
  expect(screen.getByRole('heading', { name: 'Hero' })).toBeInTheDocument();
  expect(screen.getByText('A joint spoke today: nothing comes down.')).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: /One step lower/ })).toBeNull();
  expect(screen.getByRole('button', { name: /One step higher/ })).toBeInTheDocument();
  press('End the session here');
  await waitFor(() => expect(Object.values(state().sessions)).toHaveLength(1));
  expect(Object.values(state().sessions)[0]?.poses[0]?.note).toBe('Left knee, inside.');
});

test('the next pose follows, and a skipped one is not recorded', async () => {
  const { state } = await onMat('Staff', 'Hero');
  expect(screen.getByRole('heading', { name: 'Staff' })).toBeInTheDocument();
  press('Skip this pose');
  expect(screen.getByRole('heading', { name: 'Hero' })).toBeInTheDocument();
  step('Feel');
  answer('Where was the feeling', 'At a joint line');
  answer('How strong out of ten', '2');
  answer('The breath', 'Held');
  press('Record and end');
  await waitFor(() =>
    expect(
      Object.values(state().sessions)[0]?.poses.map(({ pose, breath }) => [pose, breath]),
    ).toEqual([['hero', 'held']]),
  );
});

test('stop is under the thumb at every step, its words one tap on, with the way out, and can be taken back', async () => {
  const { state } = await onMat('Hero');
  for (const name of ['Build', 'Enter', 'Look', 'Hold', 'Feel']) {
    step(name);
    press('Stop: what is felt?');
    expect(
      within(screen.getByRole('group', { name: 'Stop words' })).getAllByRole('button'),
    ).toHaveLength(6);
    press('Nothing: back to the pose');
    expect(screen.queryByRole('group', { name: 'Stop words' })).not.toBeInTheDocument();
  }
  press('Stop: what is felt?');
  press('Numb');
  expect(screen.getByText(/Lean forward on to the hands/)).toBeInTheDocument();
  expect(screen.getByText(/This pose rests for two weeks/)).toBeInTheDocument();
  press(/It was a slip/);
  press('Stop: what is felt?');
  press('Joint');
  press('Out: save it');
  await waitFor(() =>
    expect(Object.values(state().sessions)[0]?.poses[0]).toMatchObject({ stop: 'joint' }),
  );
  // What nobody said or saw is not recorded.
  const [stopped] = Object.values(state().sessions)[0]?.poses ?? [];
  expect(stopped?.feeling).toEqual({ place: 'joint' });
  expect(stopped).not.toHaveProperty('pelvis');
  expect(stopped).not.toHaveProperty('breath');
});

test('the timer runs, says its marks, and stops at a pause', async () => {
  // Ahead of the tests before: a hold's own clock never goes back.
  const now = new Date(Date.now() + 86_400_000);
  jest.useFakeTimers({ now, doNotFake: ['queueMicrotask'] });
  try {
    const { state } = await onMat('Hero');
    step('Hold');
    expect(screen.getByText('Let the body settle first.')).toBeInTheDocument();
    press('Begin the hold');
    act(() => void jest.advanceTimersByTime(31_050));
    expect(screen.getByRole('timer')).toHaveAccessibleName('0:31 held of 1:00');
    expect(screen.getByText(/Now look whether there is room/)).toBeInTheDocument();
    press('Pause');
    act(() => void jest.advanceTimersByTime(60_000));
    expect(Math.floor(state().mat.now?.heldSeconds ?? 0)).toBe(31);
    press('Go on');
    act(() => void jest.advanceTimersByTime(30_050));
    expect(screen.getByText('The whole time. Come out in order.')).toBeInTheDocument();
  } finally {
    jest.useRealTimers();
  }
});

test('two students at once: a mat goes on beside the other, and one tap turns to it', async () => {
  const { store, state } = await show(<MatScreen id="p1" />, [
    ...usualFacts(),
    put('people', samplePerson({ id: 'p2', name: 'Other Sample' })),
  ]);
  const long = new Date(Date.now() - 3_600_000).toISOString();
  act(() => {
    store.dispatch(matStarted({ person: 'p2', poses: ['hero/both'], at: long }));
    store.dispatch(holdStarted(long));
  });
  const beside = () => within(screen.getByRole('group', { name: 'Mat of Other Sample' }));
  expect(beside().getByText('Hero · the time is over')).toBeInTheDocument();
  press(/^Begin/);
  expect(state().mat.now?.person).toBe('p1');
  expect(state().mat.parked['p2']?.holdingSince).toBe(long);
  step('Hold');
  press('Begin the hold');
  expect(screen.getByRole('link', { name: 'To Other Sample' })).toHaveAttribute(
    'href',
    '/students/p2/mat',
  );
  act(() => void store.dispatch(matTaken('p2')));
  // The screen of the first student turns back to the first mat, whose hold runs on.
  await waitFor(() => expect(state().mat.now?.person).toBe('p1'));
  expect(Object.keys(state().mat.parked)).toEqual(['p2']);
  expect(state().mat.now?.holdingSince).not.toBeNull();
});

test('the knees bend more at a tap, it stands beside what was reckoned, and it is written down', async () => {
  const { state } = await onMat('Standing fold');
  press('Knee bend: more');
  press('Knee bend: more');
  const [bend] = state().mat.now?.dials['standing-fold/both'] ?? [];
  expect((bend?.value ?? 0) - (bend?.reckoned ?? 0)).toBeCloseTo(20);
  expect(screen.getByText(/^Reckoned \d+°$/)).toBeInTheDocument();
  // Hands stay on the same blocks: that is what makes it an ease.
  expect(state().mat.now?.changes['standing-fold/both']).toBeUndefined();
  press('Stop: what is felt?');
  press('Sharp');
  press('Out: save it');
  await waitFor(() =>
    expect(Object.values(state().sessions)[0]?.poses[0]?.dials?.[0]).toMatchObject({
      dial: 'kneeBend',
      value: bend?.value,
    }),
  );
});

test('a dial at its end turns no further', async () => {
  await onMat('Standing fold');
  for (let turns = 0; turns < 8; turns++) press('Knee bend: more');
  expect(screen.getByRole('button', { name: 'Knee bend: more' })).toHaveAttribute(
    'aria-disabled',
    'true',
  );
  expect(screen.getByText('70°')).toBeInTheDocument();
});

test('heels further away: what lies under the thighs follows, the seat stays', async () => {
  const rotation = (['left', 'right'] as const).map((side) =>
    put('readings', sampleReading({ id: side, range: 'hipRotation', side, values: [30, 30] })),
  );
  const { state } = await show(<MatScreen id="p1" />, [...usualFacts(), ...rotation]);
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'Add other poses' })).getByRole('radio', {
      name: 'Seated',
    }),
  );
  for (const box of screen.getAllByRole('checkbox', { checked: true })) fireEvent.click(box);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Soles together' }));
  press(/^Begin/);
  const lies = (slot: string) =>
    state().mat.now?.settled['open-book/both']?.find((one) => one.slot === slot)?.heightCm ?? NaN;
  press('Heels from the hips: more');
  const [seat, thigh] = [lies('seat'), lies('underThigh')];
  press('Heels from the hips: more');
  press('Heels from the hips: more');
  expect(lies('seat')).toBe(seat);
  expect(lies('underThigh')).toBeLessThan(thigh);
});

test('a counted movement asks for no settling', async () => {
  await show(<MatScreen id="p1" />);
  fireEvent.click(
    within(screen.getByRole('radiogroup', { name: 'Add other poses' })).getByRole('radio', {
      name: 'Chair',
    }),
  );
  for (const box of screen.getAllByRole('checkbox', { checked: true })) fireEvent.click(box);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Rocking on a chair' }));
  press(/^Begin/);
  step('Hold');
  expect(screen.getByRole('heading', { name: '8 times, with the breath' })).toBeInTheDocument();
  expect(screen.getByText('One breath, one movement.')).toBeInTheDocument();
});

test('long quiet holds settle, prop again, settle, and then stay still', async () => {
  jest.useFakeTimers({ now: new Date('2026-03-02T18:00:00Z'), doNotFake: ['queueMicrotask'] });
  try {
    await show(<MatScreen id="p1" />, [
      ...usualFacts(),
      put('people', samplePerson({ approach: 'long-quiet-holds' })),
    ]);
    for (const box of screen.getAllByRole('checkbox'))
      if (!box.textContent?.endsWith('Child')) fireEvent.click(box);
    press(/^Begin/);
    step('Hold');
    press('Begin the hold');
    act(() => void jest.advanceTimersByTime(49_000));
    expect(screen.getByText(/set the props again if they ask/)).toBeInTheDocument();
    act(() => void jest.advanceTimersByTime(50_000));
    expect(screen.getByText('Settled again. From here on, still.')).toBeInTheDocument();
  } finally {
    jest.useRealTimers();
  }
});

describe('a caution that is answered while the session runs', () => {
  const answered = (id: string) =>
    commit({
      words: 'answered',
      put: [put('people', samplePerson({ cautions: [{ id, answer: 'yes', at: '2026-01-05' }] }))],
      remove: [],
    });
  const tell = (store: Shown['store'], id: string) =>
    act(async () => void (await store.dispatch(answered(id))));
  const news = () => screen.getByRole('alert', { name: 'Answered since it began' });

  test('ends what may no longer be done, at once, with the way out and why', async () => {
    const { store, state } = await onMat('Hero', 'Child');
    step('Hold');
    press('Begin the hold');
    await tell(store, 'knee-replacement');
    expect(news()).toHaveTextContent(/Help Wren out of Hero now:/);
    expect(news()).toHaveTextContent(/Hero is left out\. .*kneeling only with/);
    expect(screen.queryByRole('heading', { name: 'Hero' })).not.toBeInTheDocument();
    expect(state().mat.now).toMatchObject({ poses: [], holdingSince: null, heldSeconds: 0 });
    press('Understood');
    expect(screen.queryByRole('alert')).not.toBeInTheDocument();
    expect(screen.getByText('Every pose of this session is done.')).toBeInTheDocument();
  });

  test('rebuilds what it changes, and leaves alone what it does not', async () => {
    const { store, state } = await onMat('Staff', 'Hero');
    const at = () => state().mat.now?.poses[state().mat.now?.at ?? 0];
    expect(at()).toBe('staff/both');
    step('Hold');
    press('Begin the hold');
    await tell(store, 'knee-meniscus');
    expect(state().mat.now).toMatchObject({ step: 'hold', answers: ['knee-meniscus//'] });
    expect(state().mat.now?.holdingSince).not.toBeNull();
    expect(news()).toHaveTextContent(/look at each build again/);
    // Told once, and again where it is taken back.
    await act(
      async () =>
        void (await store.dispatch(
          commit({ words: 'x', put: [put('people', samplePerson())], remove: [] }),
        )),
    );
    expect(news()).toHaveTextContent(/no longer so/);
  });

  test('is seen after a reload too: a mat that was planned without it is laid out anew', async () => {
    const { store, state } = await show(<MatScreen id="p1" />);
    await tell(store, 'knee-replacement');
    await act(
      async () =>
        void store.dispatch(
          matStarted({
            person: 'p1',
            poses: ['staff/both', 'hero/both', 'staff/both'],
            at: '2026-03-02T18:00:00Z',
            answers: [],
            settled: { 'staff/both': [] },
          }),
        ),
    );
    expect(state().mat.now).toMatchObject({ poses: ['staff/both', 'staff/both'], settled: {} });
    expect(news()).toHaveTextContent(/Hero is left out/);
  });
});
