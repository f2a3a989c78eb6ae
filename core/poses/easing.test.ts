import { families } from '../geometry/families';
import type { Built, Family, FamilyInput } from '../geometry/family';
import { planStudent } from '../plan/plan';
import { studioShelf } from '../props/usualShelves';
import { slotKey, type SlotId, type SlotKey } from '../slots';
import { recordOfSix, sixPeople, type OneOfSix } from '../tests/sixPeople';
import { doneAsPlanned, inputOf } from '../tests/samples';
import { dials, turned } from '../dials';
import { poses, type PoseId } from './poses';

/** What is asked of the ranges over what there is, and what rolls, arches or lists. */
function strainOf(family: Family, input: FamilyInput, built: Built): number {
  const { demands, findings } = family.figure(input, built);
  const short = demands.reduce(
    (sum, { needDeg, haveDeg }) => sum + Math.max(0, needDeg - haveDeg),
    0,
  );
  return short + (findings.rollBackDeg ?? 0) + (findings.archDeg ?? 0) + (findings.listDeg ?? 0);
}

const RUNG_CM = 2;
const stiff = inputOf({
  hamstring: 40,
  'kneeFlexion.hipBent': 118,
  'kneeFlexion.prone': 100,
  hipRotation: 42,
  hipFlexion: 105,
  hipExtension: -2,
  ankleBend: 16,
  anklePoint: 40,
});

/** Supports of a pose as the geometry asks for them, each a little too low. */
const lowBuild = (family: Family, input: FamilyInput): Record<string, number> =>
  Object.fromEntries(
    family
      .heights(input)
      .filter(({ isLength }) => !isLength)
      .map((need) => [slotKey(need), Math.max(0, need.rawCm - 3)]),
  );

test.each(poses.map((pose) => [pose.id, pose] as const))(
  '%s: what eases it asks for no more of any joint than before',
  (_, pose) => {
    const family: Family = families[pose.family];
    const input: FamilyInput = { ...stiff, side: pose.sides === 'each' ? 'left' : 'both' };
    const built = lowBuild(family, input);
    for (const remedy of Object.values(pose.eases)) {
      if (!remedy || 'cue' in remedy) continue;
      if ('dial' in remedy) {
        const reckoned = family.dials?.(input)[remedy.dial];
        // Knees that are not planted have no bend of their own, and a hand that reaches needs no strap.
        if (reckoned === undefined) continue;
        const at = (value: number): FamilyInput => ({
          ...input,
          settings: { ...input.settings, dials: { [remedy.dial]: value } },
        });
        expect(remedy.way).toBe(dials[remedy.dial].eases);
        expect(strainOf(family, at(turned(remedy, reckoned)), built as Built)).toBeLessThanOrEqual(
          strainOf(family, at(reckoned), built as Built) + 0.01,
        );
        continue;
      }
      const keys = Object.keys(built).filter((key) => key.split(':')[0] === remedy.slot);
      const by = remedy.way === 'raise' ? RUNG_CM : -RUNG_CM;
      const eased = { ...built };
      for (const key of keys) eased[key] = Math.max(0, (built[key] ?? 0) + by);
      // The ramp behind a seat rises with it.
      if (remedy.slot === 'seat' && built['back.high'] !== undefined)
        eased['back.high'] = built['back.high'] + by;
      expect(strainOf(family, input, eased as Built)).toBeLessThanOrEqual(
        strainOf(family, input, built as Built) + 0.01,
      );
    }
  },
);

test('a block under the standing foot is nobody’s ease, and raised legs ease by coming down', () => {
  const strong = (id: PoseId) => poses.find((pose) => pose.id === id)!.eases.strong;
  for (const id of ['figure-four', 'chair-four'] as const) expect(strong(id)).toHaveProperty('cue');
  for (const id of ['leg-up', 'heron', 'sundial'] as const)
    expect(strong(id)).toEqual({ dial: 'legHeight', way: 'lower' });
});

/** Hands come down by faces of blocks, what is soft by things that one knows apart, all else by less. */
const MOST_STEP_CM: Partial<Record<SlotId, number>> = {
  // A ramp comes down by its wide step where that is as good as sure.
  back: 5.1,
  hands: 22.6,
  underKnees: 4.1,
  underThigh: 4.1,
  outerHip: 4.1,
  forehead: 4.1,
  neck: 4.1,
  chest: 4.1,
};

test.each(Object.keys(sixPeople) as OneOfSix[])(
  '%s: a support that comes down is at most a rung lower than what lay there',
  (name) => {
    const record = recordOfSix(name);
    const first = planStudent(record, studioShelf, '2026-02-02').poses;
    const sessions = ['2026-02-03', '2026-02-10', '2026-02-17'].map((at) => ({
      id: at,
      person: 'p1',
      at,
      poses: first.filter(({ posture }) => posture).map((one) => doneAsPlanned(one)),
    }));
    for (const next of planStudent({ ...record, sessions }, studioShelf, '2026-02-24').poses)
      if (next.decision.word === 'deepen')
        for (const slot of next.slots)
          if (slot.action === 'lower' && slotKey(slot) === (next.decision.slot as SlotKey))
            expect((slot.lastCm ?? 0) - slot.stackCm).toBeLessThanOrEqual(
              MOST_STEP_CM[slot.slot] ?? 2.6,
            );
  },
);
