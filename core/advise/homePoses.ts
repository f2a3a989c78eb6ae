import type { PlanPose } from '../formats/plan';
import type { ReadingSide } from '../ranges/ranges';

/** A sheet to take home holds no more poses by itself: nobody does more in an evening. */
const MOST_POSES = 5;

/** A pose as it is done at home: with one build for both sides, or with one for each. */
export interface HomePose {
  readonly pose: string;
  /** What is built; one alone where both sides are built alike. */
  readonly builds: readonly PlanPose[];
  /** Both sides are done, alike. */
  readonly bothAlike: boolean;
}

const stacksOf = ({ way, slots, holdSeconds }: PlanPose): string =>
  JSON.stringify([way, holdSeconds, slots.map(({ slot, part, stack }) => [slot, part, stack])]);

/** The poses of a plan for home, each once; those that are not practised for now are left out. */
export function homePoses(planned: readonly PlanPose[]): readonly HomePose[] {
  const ids = [...new Set(planned.map(({ pose }) => pose))];
  return ids.flatMap((pose): HomePose[] => {
    const builds = planned.filter((one) => one.pose === pose && one.posture !== null);
    const [first, second] = builds;
    if (!first) return [];
    const sides = new Set<ReadingSide>(builds.map(({ side }) => side));
    const alike = second !== undefined && stacksOf(first) === stacksOf(second) && sides.size === 2;
    return [{ pose, builds: alike ? [first] : builds, bothAlike: alike }];
  });
}

/** Whether somebody's written go-ahead comes first. */
export const needsGoAhead = (builds: readonly PlanPose[]): boolean =>
  builds.some(({ status }) => status === 'ask-first');

/** Poses that a sheet begins with: what needs no written go-ahead first, as many as are done in an evening. */
export const firstForHome = (all: readonly HomePose[]): readonly string[] =>
  all
    .filter(({ builds }) => !needsGoAhead(builds))
    .slice(0, MOST_POSES)
    .map(({ pose }) => pose);
