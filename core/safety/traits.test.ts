import type { CautionAnswer } from '../formats/book';
import { poses, type Pose } from '../poses/poses';
import { asksNoJoint, hasTrait, traitIds, type Trait } from '../poses/traits';
import { sides, type ReadingSide } from '../ranges/ranges';
import { cautions } from './cautions';
import type { CautionId } from './ids';
import { verdictOn, type Status } from './verdict';

/**
 * What a body with each caution must never meet as if nothing were; left out where the caution is about the whole of
 * it.
 */
const mustAct: Readonly<Record<CautionId, readonly Trait[]>> = {
  'hip-replacement': ['hip.pastRightAngle', 'hip.heldOpen', 'hip.frontStretched'],
  'knee-meniscus': ['knee.satBackOn', 'knee.kneltOn', 'knee.turned', 'knee.squatted'],
  'knee-ligament': ['knee.satBackOn', 'knee.kneltOn', 'knee.turned', 'knee.squatted'],
  'knee-pain': ['knee.satBackOn', 'knee.kneltOn', 'knee.turned', 'knee.loaded'],
  'knee-arthritis': ['knee.satBackOn', 'knee.kneltOn', 'knee.turned', 'knee.loaded'],
  'knee-replacement': ['knee.satBackOn', 'knee.kneltOn', 'knee.turned', 'knee.squatted'],
  'low-back-disc': ['back.rounded', 'back.pulledRound', 'back.arched', 'hip.hamstringStretched'],
  sciatica: ['back.rounded', 'back.pulledRound', 'back.arched', 'hip.hamstringStretched'],
  sacroiliac: ['hip.frontStretched'],
  'hamstring-origin': ['hip.hamstringStretched', 'hip.foldPulled'],
  osteoporosis: ['back.rounded', 'whole.balance'],
  pregnancy: ['belly.pressed', 'whole.onRamp', 'whole.balance'],
  'head-pressure': ['head.lowered', 'head.belowHeart', 'whole.longStill', 'whole.balance'],
  'very-mobile': ['hip.spread'],
  'recent-or-unexplained': [],
  'ankle-foot': ['ankle.pressedFlat', 'ankle.bentUnderWeight'],
  shoulder: ['arms.carryWeight', 'arms.restOverhead'],
  'under-18': ['whole.longStill'],
};

/** What a body with each caution is never offered at all. */
const never: Readonly<Record<CautionId, readonly Trait[]>> = {
  'hip-replacement': [
    'hip.foldedDeep',
    'hip.crossesMidline',
    'hip.turnedIn',
    'hip.turnedOutLoaded',
    'hip.spreadLoaded',
    'hip.frontLoaded',
  ],
  'knee-meniscus': ['knee.drawn', 'knee.turnedUnderWeight'],
  'knee-ligament': ['knee.drawn', 'knee.turnedUnderWeight'],
  'knee-pain': ['knee.drawn', 'knee.turnedUnderWeight'],
  'knee-arthritis': ['knee.drawn', 'knee.turnedUnderWeight'],
  'knee-replacement': ['knee.drawn', 'knee.turnedUnderWeight'],
  'low-back-disc': ['back.hangs'],
  sciatica: ['back.hangs', 'back.foldsStanding', 'hip.straightLegPulled'],
  sacroiliac: ['hip.spread', 'back.oneSided', 'back.turnsSeated'],
  'hamstring-origin': ['hip.straightLegPulled'],
  osteoporosis: ['back.hangs', 'back.turnsSeated', 'back.turnsFolded', 'head.neckLoaded'],
  pregnancy: ['whole.flatOnBack', 'back.turnsSeated'],
  'head-pressure': ['head.neckLoaded'],
  'very-mobile': [],
  'recent-or-unexplained': traitIds,
  'ankle-foot': ['ankle.fullKneel', 'ankle.sickled'],
  shoulder: ['arms.overhead'],
  'under-18': [],
};

const refused: readonly Status[] = ['instead', 'forbidden'];
const sidesOf = (pose: Pose): readonly ReadingSide[] => (pose.sides === 'each' ? sides : ['both']);
const soreSides = (sided: boolean): readonly ReadingSide[] =>
  sided ? [...sides, 'both'] : ['both'];

const cases = cautions.flatMap((caution) =>
  poses.flatMap((pose) =>
    sidesOf(pose).flatMap((side) =>
      soreSides(caution.sided).map((sore) => ({ caution, pose, side, sore })),
    ),
  ),
);
const yes = (id: CautionId, side: ReadingSide): CautionAnswer[] => [
  { id, side, answer: 'yes', at: '2026-01-05' },
];

test.each(cautions.map((caution) => [caution.id, caution] as const))(
  '%s: what it must never meet is never offered, and what it must act on is never passed over',
  (id, { sided }) => {
    for (const { pose, side, sore } of cases.filter((one) => one.caution.id === id)) {
      const meets = (trait: Trait) => hasTrait(pose, trait, side, sided ? sore : 'both');
      const { status, reasons, refer } = verdictOn(pose, side, yes(id, sore));
      const where = `${pose.id} ${side}, sore ${sore}`;
      if (never[id].some(meets)) expect([where, refused.includes(status)]).toEqual([where, true]);
      else if (mustAct[id].some(meets)) expect([where, status]).not.toEqual([where, 'offered']);
      expect(reasons.length > 0).toBe(status !== 'offered');
      expect(refer.length > 0).toBe(status !== 'offered');
    }
  },
);

test('a pose that has none of a caution’s traits on the sore side is left as it is', () => {
  for (const { caution, pose, side, sore } of cases) {
    const touched = caution.rules.some(
      ({ on }) =>
        on === 'all' ||
        (on === 'but-rests'
          ? !asksNoJoint(pose)
          : on.some((trait) => hasTrait(pose, trait, side, caution.sided ? sore : 'both'))),
    );
    if (!touched)
      expect(verdictOn(pose, side, yes(caution.id, sore))).toMatchObject({
        status: 'offered',
        reasons: [],
      });
  }
});

test('a pose that is lain in for rest is not told to stop before an end that it does not come near', () => {
  const rests = poses.filter(asksNoJoint).map(({ id }) => id);
  expect(rests).toEqual(['constructive', 'rest']);
  for (const id of ['osteoporosis', 'pregnancy', 'very-mobile'] as const)
    for (const pose of poses) {
      const { changes } = verdictOn(pose, 'both', yes(id, 'both'));
      expect([pose.id, changes.has('mid-range')]).toEqual([pose.id, !rests.includes(pose.id)]);
    }
});

test('what stands in for a pose does not itself do what the pose was left out for', () => {
  for (const { caution, pose, side, sore } of cases) {
    const { instead } = verdictOn(pose, side, yes(caution.id, sore));
    const other = poses.find(({ id }) => id === instead);
    if (!other) continue;
    for (const trait of never[caution.id])
      expect([
        pose.id,
        instead,
        trait,
        hasTrait(
          other,
          trait,
          other.sides === 'both' ? 'both' : side,
          caution.sided ? sore : 'both',
        ),
      ]).toEqual([pose.id, instead, trait, false]);
  }
});

test('a sore left side is to the left what a sore right side is to the right', () => {
  const mirror = (side: ReadingSide): ReadingSide =>
    side === 'both' ? 'both' : side === 'left' ? 'right' : 'left';
  for (const { caution, pose, side, sore } of cases) {
    const one = verdictOn(pose, side, yes(caution.id, sore));
    const other = verdictOn(pose, mirror(side), yes(caution.id, mirror(sore)));
    expect({ ...one, kneeSide: mirror(one.kneeSide) }).toEqual(other);
  }
});

test('a pose with sides is asked of the leg that is sore: the side-lying stretch draws the lower knee', () => {
  const stretch = poses.find(({ id }) => id === 'cats-tail') as Pose;
  // Worked on the right, the left heel is drawn to the seat.
  expect(verdictOn(stretch, 'right', yes('knee-meniscus', 'left'))).toMatchObject({
    status: 'instead',
    instead: 'chair-lunge',
  });
  expect(verdictOn(stretch, 'left', yes('knee-meniscus', 'left')).status).toBe('offered');
  expect(verdictOn(stretch, 'left', yes('knee-meniscus', 'both')).status).toBe('instead');
});

test('what a setting alone does counts where it is chosen, and at its worst where nobody knows', () => {
  const child = poses.find(({ id }) => id === 'child') as Pose;
  const changes = (childKnees?: string) =>
    verdictOn(child, 'both', yes('pregnancy', 'both'), childKnees ? { childKnees } : undefined)
      .changes;
  expect(changes('together')).toContain('belly room');
  expect(changes('wide')).not.toContain('belly room');
  expect(changes()).toContain('belly room');
});

test('every trait is one that some caution speaks of', () => {
  const spoken = new Set(cautions.flatMap(({ rules }) => rules.flatMap(({ on }) => on)));
  expect(traitIds.filter((trait) => !spoken.has(trait))).toEqual([]);
});
