import type { Plan } from '../formats/plan';
import { eachOnce } from '../plan/measureNext';
import type { RangeId, ReadingSide } from '../ranges/ranges';
import type { VisitKind } from '../visitKinds';

/** One range to read in a visit, with what it is worth. */
export interface VisitStep {
  readonly range: RangeId;
  /** Sides that are still worth reading today, the stiffer one first. */
  readonly sides: readonly ReadingSide[];
  /** By how much the heights would narrow, both sides together. */
  readonly gainCm: number;
  /** The heights that it decides, on either side. */
  readonly decides: Plan['measureNext'][number]['decides'];
}

const MOST_STEPS: Readonly<Record<VisitKind, number>> = { first: 5, recheck: 2 };

/** What is worth reading, in the order of a visit: the one order for all who ask. */
export const worthReading = (plan: Pick<Plan, 'measureNext' | 'ranges'>): Plan['measureNext'] =>
  visitSteps('first', plan, [], []).flatMap(({ range, sides }) =>
    sides.flatMap(
      (side) => plan.measureNext.find((one) => one.range === range && one.side === side) ?? [],
    ),
  );

/**
 * What is left to read in a visit, most worth first: ranges of the plan's own ranking, both sides of one range
 * together. Ranges that were read or passed over count toward the visit's length, so that it ends.
 */
export function visitSteps(
  kind: VisitKind,
  plan: Pick<Plan, 'measureNext' | 'ranges'>,
  done: readonly RangeId[],
  passed: readonly RangeId[],
): VisitStep[] {
  const left = MOST_STEPS[kind] - new Set([...done, ...passed]).size;
  const steps = new Map<RangeId, VisitStep>();
  for (const { range, side, gainCm, decides } of plan.measureNext) {
    if (passed.includes(range)) continue;
    const before = steps.get(range);
    steps.set(range, {
      range,
      sides: [...(before?.sides ?? []), side],
      gainCm: (before?.gainCm ?? 0) + gainCm,
      decides: eachOnce([...(before?.decides ?? []), ...decides]),
    });
  }
  const stiffnessOf = (range: RangeId, side: ReadingSide) =>
    plan.ranges.find((one) => one.range === range && one.side === side)?.mean ?? 0;
  const started = [...steps.values()].filter(({ range }) => done.includes(range));
  const fresh = [...steps.values()]
    .filter(({ range }) => !done.includes(range))
    .sort((a, b) => b.gainCm - a.gainCm)
    .slice(0, Math.max(0, left));
  return [...started, ...fresh].map((step) => ({
    ...step,
    sides: [...step.sides].sort(
      (a, b) => stiffnessOf(step.range, a) - stiffnessOf(step.range, b) || a.localeCompare(b),
    ),
  }));
}
