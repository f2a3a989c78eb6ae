import { bodyFrom } from '../body/body';
import { between, type Posture } from '../geometry/posture';
import { exampleBodies } from '../sim/examples';
import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { atMoment, inPosition, midway } from './position';
import { standingPosture } from './standing';
import { steps } from './steps';

/** The lengths that are drawn, in cm: what no movement may change. */
const bonesOf = ({ hip, knee, ankle, heel, toe, spine, elbow, hand, far }: Posture) => [
  between(hip, knee),
  between(knee, ankle),
  between(ankle, heel),
  between(ankle, toe),
  between(spine.at(-1)!, elbow),
  between(elbow, hand),
  ...(far ? [between(hip, far.knee), between(far.knee, far.ankle)] : []),
  spine.slice(1).reduce((sum, one, i) => sum + between(one, spine[i]!), 0),
];

const MOMENTS = Array.from({ length: 13 }, (_, i) => i / 12);
const moving = steps.filter(({ positions }) => positions !== undefined);
/** A sole may be drawn so much under the line of the floor, in cm. */
const SOLE_CM = 2.5;

/** What a movement is done in: of six people, and of bodies that stand. */
function posturesFor(at: string): Posture[] {
  if (at === 'standing')
    return exampleBodies.map(({ statureCm }) => standingPosture(bodyFrom(statureCm)));
  return (Object.keys(sixPeople) as OneOfSix[]).flatMap((name) =>
    planStudent(recordOfSix(name), studioShelf, '2026-03-02', { poses: [at] }).poses.flatMap(
      ({ posture }) => posture ?? [],
    ),
  );
}

test.each(moving)('$name: no bone grows or shrinks, and nothing goes through the floor', (step) => {
  const postures = posturesFor(step.at!);
  expect(postures.length).toBeGreaterThan(3);
  for (const posture of postures) {
    const drawn = bonesOf(posture);
    const lowest = Math.min(posture.heel[1], posture.toe[1], posture.far?.toe[1] ?? 0, 0);
    for (const share of MOMENTS) {
      const now = inPosition(posture, atMoment(step.positions!, share));
      for (const [i, cm] of bonesOf({ ...now, far: posture.far && now.far }).entries())
        expect(cm).toBeCloseTo(drawn[i]!, 6);
      for (const [, y] of [now.heel, now.toe, now.ankle, now.knee, now.hip, now.head])
        expect(y).toBeGreaterThan(lowest - SOLE_CM);
      if (now.far) expect(Math.min(now.far.toe[1], now.far.heel[1])).toBeGreaterThan(-3);
    }
  }
});

test.each(moving)('$name: it comes back to where it began, and is drawn apart between', (step) => {
  const [posture] = posturesFor(step.at!);
  const at = (share: number) => inPosition(posture!, atMoment(step.positions!, share));
  expect(at(1)).toEqual(at(0));
  const apart = MOMENTS.map((share) => at(share)).map(({ head, knee, toe, hand, far }) =>
    [head, knee, toe, hand, far?.toe ?? toe].flat(),
  );
  const most = Math.max(
    ...apart.map((one) => Math.max(...one.map((x, i) => Math.abs(x - apart[0]![i]!)))),
  );
  expect(most).toBeGreaterThan(2);
});

test('what stands keeps its heel where it was, and the hips move over it', () => {
  const posture = standingPosture(bodyFrom(170));
  const bent = { thigh: 30, knee: 60, foot: 30 };
  const now = inPosition(posture, { near: bent, far: bent, stands: true });
  expect(now.heel[0]).toBeCloseTo(posture.heel[0], 6);
  expect(Math.min(now.heel[1], now.toe[1])).toBeCloseTo(posture.heel[1], 6);
  expect(now.hip[1]).toBeLessThan(posture.hip[1] - 5);
});

test('halfway between two positions is half of each', () => {
  expect(midway({ trunk: 10, near: { knee: 20 } }, { trunk: -10 }, 0.5)).toMatchObject({
    trunk: 0,
    near: { thigh: 0, knee: 10, foot: 0 },
  });
});
