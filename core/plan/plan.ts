import type { Day } from '../learn/decide';
import type { Estimates, StudentRecord } from '../estimate/estimate';
import type { Plan, PlanPose } from '../formats/plan';
import { memoise } from '../memoise';
import { dayOf, type LocalDay } from '../formats/time';
import type { Trial } from '../learn/trialLadder';
import type { SlotKey } from '../slots';
import { readingErrorBy } from '../measure/error';
import { poses, type Pose } from '../poses/poses';
import type { Shelf } from '../props/shelf';
import type { MethodId } from '../protocols/protocols';
import { sides, splitKey, type RangeKey, type ReadingSide } from '../ranges/ranges';
import { unansweredCautions } from '../safety/verdict';
import { contextFor, shippedCare, type Care, type Planned } from './context';
import { measureNext } from './measureNext';
import { planPose } from './pose';
import { practisedPoses } from './practised';
import { poseOr } from '../prepare/prepare';

export interface PlanWish {
  /** Pose ids; all of the catalogue when left out. */
  readonly poses?: readonly string[];
  /** How the student is today; as usual when left out. */
  readonly day?: Day;
  /** What the teacher measures with: it decides what is worth measuring next; a protractor when left out. */
  readonly method?: MethodId;
  /** How careful to be; the shipped setting when left out. */
  readonly care?: Care;
}

/** A pose and its side. */
type Place = Pick<PlanPose, 'pose' | 'side'>;
const placeOf = ({ pose, side }: Place) => `${pose}/${side}`;

/** A plan, with what is reckoned from it only where it is asked for. */
export interface Planning {
  readonly plan: Plan;
  /**
   * What is worth trying of a planned pose within the visit: heights from the start down, each for a few breaths; null
   * where none is.
   */
  readonly trial: (of: Place) => Trial | null;
  /** The slots of it whose height a teacher may try of their own: none with a caution, pain, or on a heavy day. */
  readonly triable: (of: Place) => readonly SlotKey[];
}

/**
 * Everything a student needs today: pose by pose the heights, their doubt, named pieces of this shelf, and why.
 *
 * @throws RangeError for a wished pose that nobody knows.
 */
export function planningFor(
  record: StudentRecord,
  shelf: Shelf,
  date: LocalDay,
  wish: PlanWish = {},
): Planning {
  const { person, sessions } = record;
  const today = dayOf(date);
  const context = contextFor(record, shelf, today, wish.day ?? 'usual', wish.care ?? shippedCare);
  const { estimates } = context;
  const wanted = wish.poses === undefined ? poses : wish.poses.map(poseOr);
  const planned = wanted.flatMap((pose) =>
    plannedSides(pose).map((side) => planPose(pose, side, context)),
  );
  const toNarrow = worthReading(planned, practisedPoses(sessions));
  const placed = new Map(planned.map((one) => [placeOf(one.planPose), one]));
  const trialAt = memoise((place: string) => placed.get(place)?.trial?.() ?? null);
  const triableAt = memoise((place: string) => placed.get(place)?.triable?.() ?? []);
  return {
    plan: {
      format: 'ojas-plan/2',
      person: person.id,
      date: today,
      approach: person.approach,
      unanswered: unansweredCautions(person.cautions, person.sex),
      ranges: rangesOf(estimates),
      measureNext: measureNext(
        toNarrow,
        estimates,
        readOn(today, estimates),
        readingErrorBy(wish.method ?? 'protractor', record, estimates),
      ),
      poses: planned.map(({ planPose: one }) => one),
    },
    trial: (of) => trialAt(placeOf(of)),
    triable: (of) => triableAt(placeOf(of)),
  };
}

/** The plan alone. */
export const planStudent = (...of: Parameters<typeof planningFor>): Plan => planningFor(...of).plan;

/** The sides that a pose is planned for: each by itself, or both at once. */
export const plannedSides = (pose: Pick<Pose, 'sides'>): readonly ReadingSide[] =>
  pose.sides === 'each' ? sides : BOTH;
const BOTH: readonly ReadingSide[] = ['both'];

/** What this student does is worth a reading; where none of it was asked for, what was. */
function worthReading(
  planned: readonly Planned[],
  practised: ReadonlySet<string>,
): readonly Planned[] {
  const done = planned.filter(({ planPose: { pose } }) => practised.has(pose));
  return done.length > 0 ? done : planned;
}

const readOn = (day: LocalDay, estimates: Estimates): ReadonlySet<RangeKey> =>
  new Set(Object.values(estimates).flatMap((one) => (one && one.lastAt === day ? [one.key] : [])));

const rangesOf = (estimates: Estimates): Plan['ranges'] =>
  Object.values(estimates).flatMap((estimate) => {
    if (!estimate) return [];
    const { id, side } = splitKey(estimate.key);
    return [
      {
        range: id,
        side,
        mean: estimate.mean,
        sd: estimate.sd,
        driftPerWeek: estimate.driftPerWeek,
        lastAt: estimate.lastAt,
        source: estimate.source,
      },
    ];
  });
