import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { usualSettings } from '@/core/formats/facts';
import { put, SETTINGS_ID } from '@/store/facts';
import { commit } from '@/store/store';
import { matCleared, onMatOf, poseSkipped } from '@/store/mat';
import { show, usualFacts, type Shown } from '../tests/onScreen';
import { ledFromMat } from './lead';
import { LessonScreen } from './LessonScreen';

const said: string[] = [];
beforeAll(() => {
  Object.assign(globalThis, {
    SpeechSynthesisUtterance: class {
      lang = '';
      constructor(readonly text: string) {}
    },
    speechSynthesis: {
      cancel: () => undefined,
      getVoices: () => [{}],
      speak: ({ text }: { text: string }) => said.push(text),
    },
  });
});
afterAll(() => {
  delete (globalThis as { speechSynthesis?: unknown }).speechSynthesis;
});
afterEach(() => {
  jest.useRealTimers();
  said.length = 0;
});

const own = {
  id: 'own',
  name: 'Short and good',
  steps: [
    { is: 'pose', id: 'staff' },
    { is: 'step', id: 'arms-up-seated' },
    { is: 'pose', id: 'head-to-knee' },
    { is: 'hum', id: 'of-a-later-version' },
    { is: 'pose', id: 'staff' },
  ],
};

const key = (pressed: string) => act(() => void fireEvent.keyDown(document.body, { key: pressed }));
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const title = () => screen.getByRole('heading', { level: 1 }).textContent;
const pass = (seconds: number) => act(() => void jest.advanceTimersByTime(seconds * 1000));
const stretch = ({ state }: Shown) => {
  const led = state().led.now!;
  return `${led.steps[led.segments[led.at]!.step]!.whose.p1!.id} ${led.segments[led.at]!.phase}`;
};

/** The lesson on the screen, begun. */
async function begun(): Promise<Shown> {
  const facts = [
    ...usualFacts(),
    put('settings', { ...usualSettings, id: SETTINGS_ID, cuesAloud: true, lessons: [own] }),
  ];
  const shown = await show(<LessonScreen id="p1" />, facts);
  jest.useFakeTimers({ now: Date.now() + 86_400_000, doNotFake: ['queueMicrotask'] });
  press(/^Go: 5 steps, until/);
  return shown;
}

test('all lessons are there, with what they come to, and what is not known is told and left out', async () => {
  const facts = [
    ...usualFacts(),
    put('settings', { ...usualSettings, id: SETTINGS_ID, lessons: [own] }),
  ];
  await show(<LessonScreen id="p1" />, facts);
  expect(
    screen.getAllByRole('radio', { name: /chair|amstrings|ips|bite|pigeon|hero|squat/ }),
  ).toHaveLength(7);
  expect(screen.getByText(/of a later version: kept, and left out/)).toBeInTheDocument();
  expect(screen.getByText(/the first time/)).toBeInTheDocument();
  expect(screen.getByText(/again, to compare/)).toBeInTheDocument();
  // What is unticked is left out, and the lesson is shorter by it.
  fireEvent.click(screen.getByRole('checkbox', { name: 'One-leg fold' }));
  expect(screen.getByRole('button', { name: /^Go: 3 steps/ })).toBeInTheDocument();
  expect(screen.getByText(/left out for the clock/)).toBeInTheDocument();
});

test('what does not fit is dropped by what matters least, and too little time offers another lesson', async () => {
  await show(<LessonScreen id="p1" />);
  fireEvent.click(screen.getByRole('radio', { name: 'Before the king pigeon' }));
  fireEvent.click(screen.getByRole('radio', { name: '20' }));
  expect(
    screen.getAllByText(/left out for the clock|shorter for the clock/).length,
  ).toBeGreaterThan(1);
  fireEvent.click(screen.getByRole('radio', { name: '15' }));
  const offered = screen.queryAllByRole('button', { name: / fits$/ });
  if (screen.queryByText(/at the least: what warms/)) {
    expect(offered.length).toBeGreaterThan(0);
    fireEvent.click(offered[0]!);
    expect(screen.queryByText(/at the least/)).not.toBeInTheDocument();
  } else expect(offered).toEqual([]);
});

test('a whole lesson is led by one tap and the clock, said aloud, asked after and recorded', async () => {
  const shown = await begun();
  expect(title()).toBe('Staff');
  expect(said[0]).toMatch(/^Staff\. /);
  for (let i = 0; i < 300; i += 1) pass(3);
  expect(title()).toBe('How was it?');
  // What comes is said before it comes, and each begins with its name.
  expect(said.some((words) => /Next: One-leg fold, left$/.test(words))).toBe(true);
  expect(said.some((words) => words.startsWith('Arms up, legs long. 5 times'))).toBe(true);
  expect(said.at(-1)).toMatch(/That was the last one/);
  const done = shown.state().mat.now!.done;
  expect(done.map(({ pose, side }) => `${pose}/${side}`)).toEqual([
    'staff/both',
    'head-to-knee/left',
    'head-to-knee/right',
    'staff/both',
  ]);
  for (const one of done) {
    expect(one.heldSeconds).toBe(one.plannedSeconds);
    expect(one.setUpSeconds).toBeGreaterThan(5);
    // Nothing is recorded that nobody said.
    expect(one.feeling).toEqual({});
    expect(one.pelvis).toBeUndefined();
  }
  expect(screen.getByRole('region', { name: 'First and last' })).toHaveTextContent(/Staff: /);
  fireEvent.click(screen.getAllByRole('radio', { name: 'In muscle' })[0]!);
  fireEvent.click(screen.getAllByRole('radio', { name: '3' })[0]!);
  fireEvent.click(screen.getByRole('checkbox', { name: /^One-leg fold, right/ }));
  jest.useRealTimers();
  press('Record it: 3 holds');
  await waitFor(() => expect(Object.values(shown.state().sessions)).toHaveLength(1));
  const [session] = Object.values(shown.state().sessions);
  expect(session!.poses).toHaveLength(3);
  expect(session!.poses[0]!.feeling).toEqual({ place: 'muscle', strength: 3 });
  expect(shown.state().led.now).toBeNull();
});

test('keys alone lead it: onward, once more, longer, standing still, from afar', async () => {
  const shown = await begun();
  const first = stretch(shown);
  key('ArrowRight');
  expect(stretch(shown)).not.toBe(first);
  while (stretch(shown) !== 'staff hold') key('PageDown');
  pass(20);
  const left = () => screen.getByRole('timer').textContent;
  key(' ');
  const before = left();
  pass(300);
  expect(left()).toBe(before);
  expect(screen.getByText(/standing still/)).toBeInTheDocument();
  key(' ');
  key('+');
  pass(1);
  expect(left()).not.toBe(before);
  expect(shown.state().led.now!.moreSeconds).toBe(30);
  // Out of the hold before its time: it is written down as long as it was.
  key('ArrowRight');
  expect(shown.state().mat.now!.done[0]).toMatchObject({ pose: 'staff', heldSeconds: 21 });
  // Once more is the same hold again, beside the first.
  key('ArrowLeft');
  expect(stretch(shown)).toBe('staff hold');
  pass(15);
  key('PageDown');
  expect(shown.state().mat.now!.done.map(({ heldSeconds }) => heldSeconds)).toEqual([21, 15]);
  key('f');
  expect(screen.getByRole('button', { name: 'Near again' })).toBeInTheDocument();
  expect(screen.getByText(/^Next: Arms up/)).toBeInTheDocument();
  key('f');
  // Hardly held is not held.
  while (stretch(shown) !== 'head-to-knee hold') key('PageDown');
  pass(3);
  key('PageDown');
  expect(shown.state().mat.now!.done).toHaveLength(2);
  expect(stretch(shown)).toBe('head-to-knee out');
});

test('a page that was away for minutes is where it would have been, with everything written down', async () => {
  const shown = await begun();
  while (stretch(shown) !== 'staff hold') key('PageDown');
  const ends = screen.getByText(/^Ends at/).textContent;
  // Nothing ticks while the page is away; then it looks again.
  const later = Date.now() + 240_000;
  jest.setSystemTime(later);
  pass(2);
  expect(shown.state().mat.now!.done.length).toBeGreaterThanOrEqual(2);
  expect(screen.getByText(/^Ends at/).textContent).toBe(ends);
});

test('a stop word stands the lesson still, is written down, and it goes on after that pose', async () => {
  const shown = await begun();
  while (stretch(shown) !== 'staff hold') key('PageDown');
  pass(12);
  press('Stop: what is felt?');
  expect(shown.state().led.now!.pausedMs).not.toBeNull();
  press('Sharp');
  jest.useRealTimers();
  press('Out: save it');
  await waitFor(() => expect(shown.state().mat.now!.done).toHaveLength(1));
  expect(shown.state().mat.now!.done[0]).toMatchObject({ pose: 'staff', stop: 'sharp' });
  await waitFor(() => expect(title()).not.toMatch(/out of the pose/));
  // With the movement that follows, and not with the next pose.
  expect(stretch(shown)).toMatch(/^arms-up-seated /);
});

test('ended early, only what was held is asked after; a pose left out is not done', async () => {
  const shown = await begun();
  press('Leave it out');
  expect(title()).toBe('Arms up, legs long');
  press('End it here');
  expect(title()).toBe('How was it?');
  expect(screen.getByText('Nothing was held.')).toBeInTheDocument();
  jest.useRealTimers();
  press('Nothing to record: end');
  await waitFor(() => expect(shown.state().led.now).toBeNull());
  expect(shown.state().mat.now).toBeNull();
  expect(shown.state().sessions).toEqual({});
});

test('what was done by hand on the mat is not led again, and a mat that was ended ends the lesson', async () => {
  const shown = await begun();
  const { dispatch } = shown.store;
  const by = async (thunk: Parameters<typeof dispatch>[0]) =>
    act(() => void dispatch(thunk as never));
  await by(onMatOf('p1', poseSkipped()) as never);
  await by(ledFromMat('p1', Date.now()) as never);
  expect(stretch(shown)).toMatch(/^arms-up-seated /);
  await by(ledFromMat('p1', Date.now()) as never);
  expect(stretch(shown)).toMatch(/^arms-up-seated /);
  await by(onMatOf('p1', matCleared()) as never);
  await by(ledFromMat('p1', Date.now()) as never);
  expect(shown.state().led.now).toBeNull();
});

test('an answer about health while it is led stands it still, and asks that it be laid anew', async () => {
  const shown = await begun();
  jest.useRealTimers();
  const { p1 } = shown.state().people;
  const cautions = [{ id: 'knee-meniscus', answer: 'yes' as const, at: '2026-01-05' }];
  await act(async () => {
    await shown.store.dispatch(
      commit({ words: 'answered', put: [put('people', { ...p1!, cautions })], remove: [] }),
    );
  });
  expect(screen.getByRole('alert')).toHaveTextContent(/has changed: what is still to come/);
  expect(shown.state().led.now!.pausedMs).not.toBeNull();
  press('End it, to lay it anew');
  expect(title()).toBe('How was it?');
});
