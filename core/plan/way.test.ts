import fc from 'fast-check';
import { wayKey } from '../approaches/approaches';
import { bodyFrom } from '../body/body';
import type { CautionAnswer } from '../formats/book';
import type { PlanPose } from '../formats/plan';
import { studioShelf } from '../props/usualShelves';
import { squat as parameter } from '../parameters';
import { poseById } from '../poses/poses';
import { ordinaryAdult } from '../sim/room';
import { planStudent } from './plan';

const TODAY = '2026-03-02';
const SQUATS = ['squat', 'squat-one-side', 'side-squat'];
const yes = (id: string): CautionAnswer => ({ id, answer: 'yes', at: '2026-01-05' });
const soreKnees = ['knee-meniscus', 'knee-ligament', 'knee-arthritis'].map(yes);

interface Given {
  readonly index: number;
  readonly stifferDeg?: number;
  readonly cautions?: readonly CautionAnswer[];
  readonly choices?: Readonly<Record<string, string>>;
  readonly shelf?: typeof studioShelf;
}
const planned = (poses: readonly string[], given: Given) => {
  const { index, stifferDeg = 0, cautions = [], choices = {}, shelf = studioShelf } = given;
  const { person, readings } = ordinaryAdult(index, 23, 'built-up-alignment');
  const record = {
    person: { ...person, choices: { ...person.choices, ...choices }, cautions: [...cautions] },
    readings: readings.map((one) =>
      one.range.startsWith('kneeFlexion')
        ? { ...one, values: one.values.map((deg) => deg - stifferDeg) }
        : one,
    ),
    sessions: [],
  };
  return planStudent(record, shelf, TODAY, { poses }).poses;
};

const bodyOf = (index: number) => {
  const { person } = ordinaryAdult(index, 23, 'built-up-alignment');
  return bodyFrom(person.statureCm, person.bodyCm);
};
/** How far the sit bones hang over what stands under them; 0 where they sit. */
const hangsCm = (one: PlanPose, index: number) => {
  const seat = one.posture!.supports.find(({ slot }) => slot === 'seat');
  return one.posture!.hip[1] - bodyOf(index).seatToHipCm - (seat?.topCm ?? 0);
};
const kneeDeg = ({ posture }: PlanPose) => {
  const { hip, knee, ankle } = posture!;
  const at = (a: readonly number[], b: readonly number[]) =>
    Math.atan2(a[1]! - b[1]!, a[0]! - b[0]!);
  const open = (Math.abs(at(hip, knee) - at(ankle, knee)) * 180) / Math.PI;
  return 180 - (open > 180 ? 360 - open : open);
};

const anyone = fc.record({
  index: fc.integer({ min: 0, max: 60 }),
  stifferDeg: fc.integer({ min: 0, max: 50 }),
  sore: fc.boolean(),
  chosen: fc.constantFrom('', 'heels', 'seat'),
});

test('nobody hovers in a squat: thighs rest on calves, or the sit bones on a seat', () => {
  fc.assert(
    fc.property(anyone, ({ index, stifferDeg, sore, chosen }) => {
      const cautions = sore ? soreKnees : [];
      const choices = chosen ? Object.fromEntries(SQUATS.map((id) => [wayKey(id), chosen])) : {};
      for (const one of planned(SQUATS, { index, stifferDeg, cautions, choices })) {
        if (one.posture === null) continue;
        const carried = hangsCm(one, index) < 2.5;
        expect([one.pose, one.way, carried || kneeDeg(one) > parameter.closes.value - 1]).toEqual([
          one.pose,
          one.way,
          true,
        ]);
        if (sore) expect([one.pose, carried]).toEqual([one.pose, true]);
      }
    }),
    { numRuns: 60 },
  );
});

test('a sore knee squats on a seat, though the heels were chosen, and is told why', () => {
  for (const one of planned(['squat'], {
    index: 4,
    cautions: soreKnees,
    choices: { [wayKey('squat')]: 'heels' },
  })) {
    expect(one.way).toBe('seat');
    expect(one.slots.find(({ slot }) => slot === 'seat')!.stackCm).toBeGreaterThan(5);
    expect(one.notTaken).toContainEqual(
      expect.objectContaining({
        way: 'heels',
        because: expect.objectContaining({ of: 'knees-open' }),
      }),
    );
  }
});

test('where nothing carries the squat, the chair does', () => {
  const nothingHard = studioShelf.filter(({ kind }) => kind === 'strap' || kind === 'chair');
  const [one] = planned(['squat'], { index: 4, cautions: soreKnees, shelf: nothingHard });
  expect(one).toMatchObject({ status: 'instead', instead: 'chair-seat', posture: null });
  expect(one!.reasons).toContainEqual(expect.objectContaining({ code: 'not-carried' }));
});

/** A ramp may be built a rung too low; the shoulder takes that up. */
const SHORT_DEG = 6;

test('a ramp that is not to be had leads to less far back, never to the forearms below it', () => {
  fc.assert(
    fc.property(anyone, ({ index, stifferDeg, chosen }) => {
      const choices: Record<string, string> = chosen ? { 'reclined-hero/way': 'forearms' } : {};
      const poses = planned(['reclined-hero', 'reclined-hero-one'], {
        index,
        stifferDeg,
        choices: { ...choices, 'reclined-hero/gate': 'open' },
        shelf:
          stifferDeg % 2
            ? studioShelf
            : studioShelf.filter(({ kind }) => !kind.startsWith('bolster')),
      });
      for (const one of poses) {
        if (one.posture === null) continue;
        const asked = one.demands.filter(({ range }) => range === 'kneeFlexion.prone');
        // What is asked of the front thighs in the way that is taken is there, whatever was refused.
        for (const { needDeg, haveDeg } of asked)
          expect([one.way, needDeg <= haveDeg + SHORT_DEG]).toEqual([one.way, true]);
      }
    }),
    { numRuns: 200 },
  );
});

test('every way that is not taken names one that the pose has', () => {
  for (let index = 0; index < 20; index++)
    for (const one of planned(['squat', 'seated-fold', 'child', 'reclined-hero-one'], {
      index,
      stifferDeg: 2 * index,
    }))
      for (const { way } of one.notTaken as readonly { way?: string }[]) {
        expect(way).not.toBe(one.way);
        expect(poseById(one.pose)!.ways!.map(({ id }) => id)).toContain(way);
      }
});
