import {
  measuringSchema,
  measuringSlice,
  methodChosen,
  rangeOpened,
  rangePassed,
  sideKept,
  entryChanged,
  visitBegan,
  visitEnded,
  rangeClosed,
  type Measuring,
} from './measuring';

const { reducer } = measuringSlice;
type State = ReturnType<typeof reducer>;
const after = (...actions: Parameters<typeof reducer>[1][]): Measuring =>
  actions.reduce<State>(reducer, { now: null, pictures: [] }).now as Measuring;
const hamstring = rangeOpened({
  person: 'p1',
  range: 'hamstring',
  side: 'left',
  protocol: 'straight-leg-raise.pelvis-watched',
});

test('a visit remembers what was read and what was passed over', () => {
  const now = after(
    visitBegan({ person: 'p1', kind: 'first' }),
    hamstring,
    entryChanged({ values: [60, 61] }),
    sideKept(null),
    rangePassed('kneeFlexion.prone'),
  );
  expect(now.visit).toEqual({ kind: 'first', done: ['hamstring'], passed: ['kneeFlexion.prone'] });
  expect(now.entry).toBeNull();
});

test('the method at hand goes along from range to range, and to the next student', () => {
  expect(
    after(
      hamstring,
      methodChosen('phone-tilt'),
      rangeClosed(),
      rangeOpened({ person: 'p2', range: 'hamstring', side: 'left', protocol: 'x' }),
    ).method,
  ).toBe('phone-tilt');
});

test('another method begins its readings anew; another side too', () => {
  expect(
    after(hamstring, entryChanged({ values: [60], sems: [2] }), methodChosen('photo')).entry,
  ).toMatchObject({ values: [], sems: [] });
  expect(after(hamstring, entryChanged({ values: [60] }), sideKept('right')).entry).toMatchObject({
    side: 'right',
    values: [],
  });
});

test('warmth stays from one range to the next of a student, and ends with the visit', () => {
  const now = after(
    visitBegan({ person: 'p1', kind: 'recheck' }),
    hamstring,
    entryChanged({ warm: true }),
    rangeOpened({ person: 'p1', range: 'hipFlexion', side: 'left', protocol: 'thigh-to-chest' }),
  );
  expect(now.entry?.warm).toBe(true);
  expect(reducer({ now, pictures: [] }, visitEnded()).now).toMatchObject({
    visit: null,
    entry: null,
  });
});

test('what is stored can be read again, and what is not of this kind is refused', () => {
  const now = after(
    visitBegan({ person: 'p1', kind: 'first' }),
    hamstring,
    entryChanged({ values: [60], note: 'after a run' }),
  );
  expect(measuringSchema.parse(JSON.parse(JSON.stringify(now)))).toEqual(now);
  expect(measuringSchema.safeParse({ ...now, method: 'guess' }).success).toBe(false);
});
