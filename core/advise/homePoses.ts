import type { PlanPose } from '../formats/plan';

/** A sheet to take home holds no more poses by itself: nobody does more in an evening. */
const MOST_POSES = 5;

/** A pose as it is done at home: with one build for both sides, or with one for each. */
export interface HomePose {
  readonly pose: string;
  /** The sides that are done, each as it is planned. */
  readonly sides: readonly PlanPose[];
  /** What is built; one alone where both sides are built alike. */
  readonly builds: readonly PlanPose[];
}

const stacksOf = ({ way, slots, holdSeconds }: PlanPose): string =>
  JSON.stringify([way, holdSeconds, slots.map(({ slot, part, stack }) => [slot, part, stack])]);

/** The poses of a plan for home, each once; those that are not practised for now are left out. */
export function homePoses(planned: readonly PlanPose[]): readonly HomePose[] {
  const ids = [...new Set(planned.map(({ pose }) => pose))];
  return ids.flatMap((pose): HomePose[] => {
    const sides = planned.filter((one) => one.pose === pose && one.posture !== null);
    const [first] = sides;
    if (!first) return [];
    const isAlike = sides.every((one) => stacksOf(one) === stacksOf(first));
    return [{ pose, sides, builds: isAlike ? [first] : sides }];
  });
}

/** Whether somebody's written go-ahead comes first. */
export const needsGoAhead = ({ sides }: HomePose): boolean =>
  sides.some(({ status }) => status === 'ask-first');

/** Poses that a sheet begins with: what needs no written go-ahead first, as many as are done in an evening. */
export const firstForHome = (all: readonly HomePose[]): readonly string[] =>
  all
    .filter((one) => !needsGoAhead(one))
    .slice(0, MOST_POSES)
    .map(({ pose }) => pose);
