import type { PlanPose } from '../formats/plan';
import { poseById, type PoseId } from '../poses/poses';
import { adviceOn, withAdvice, type OrderAdvice, type PlaceKey } from './order';

/** An order with all that it asked for, and what that took. */
export interface MendedOrder {
  readonly keys: readonly PlaceKey[];
  readonly added: readonly PoseId[];
  readonly moved: readonly PoseId[];
}

/** Longer than any order asks for: what is added may ask for something itself. */
const MOST_STEPS = 100;

type Addition = Extract<OrderAdvice, { add: PoseId }>;
const adds = (one: OrderAdvice): one is Addition => 'add' in one;

const servesFor = ({ says, pose }: Addition): readonly PoseId[] => {
  const known = poseById(pose);
  return (says === 'warm-first' ? known?.warmUps : known?.counterposes) ?? [];
};

/**
 * The one pose that answers most of what is missed, where it answers all of that: a warm-up before the first that wants
 * it, a counterpose after the last.
 */
function bestAddition(advice: readonly Addition[], can: ReadonlySet<string>): Addition | null {
  let best: { readonly step: Addition; readonly answers: number } | null = null;
  for (const one of advice)
    for (const add of servesFor(one)) {
      if (!can.has(add)) continue;
      const alike = advice.filter(
        (other) => other.says === one.says && servesFor(other).includes(add),
      );
      const places = alike.map(({ at }) => at);
      const at = one.says === 'warm-first' ? Math.min(...places) : Math.max(...places);
      if (best === null || alike.length > best.answers)
        best = { step: { ...one, add, at }, answers: alike.length };
    }
  return best?.step ?? null;
}

/** An order in which all that it asks for is done, with as few poses more as may be. */
export function mendOrder(
  order: readonly PlaceKey[],
  offered: readonly Pick<PlanPose, 'pose' | 'side'>[],
): MendedOrder {
  const can = new Set(offered.map(({ pose }) => pose));
  const [added, moved]: [PoseId[], PoseId[]] = [[], []];
  let keys = order;
  const passed = new Set<string>();
  for (let step = 0; step < MOST_STEPS && !passed.has(keys.join()); step++) {
    passed.add(keys.join());
    const advice = adviceOn(keys, can);
    const move = advice.find((one) => !adds(one));
    const next = move ?? bestAddition(advice.filter(adds), can);
    if (!next) break;
    if (adds(next)) added.push(next.add);
    else moved.push(next.pose);
    keys = withAdvice(keys, next, offered);
  }
  return { keys, added: [...new Set(added)], moved: [...new Set(moved)] };
}
