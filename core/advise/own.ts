import { dials as allDials, type DialId, type DialSetting } from '../dials';
import type { PlanPose, PlanSlot } from '../formats/plan';
import type { Demand } from '../geometry/family';
import { isMoved } from '../lies';
import { poseById } from '../poses/poses';
import { purposeOf } from '../props/slots';
import type { CautionId } from '../safety/ids';
import { slotKey, type SlotKey, type SlotRef } from '../slots';

/** A height that somebody chose, beside the one that is reckoned. */
export interface OwnHeight {
  readonly slot: PlanSlot;
  readonly ownCm: number;
}

/** What a height of one's own oversteps. */
export type Overstep =
  | {
      readonly of: 'joint';
      readonly range: Demand['range'];
      readonly side: Demand['side'];
      readonly deg: number;
    }
  | { readonly of: 'caution'; readonly caution: CautionId; readonly slot: PlanSlot };

interface Lying extends SlotRef {
  readonly heightCm: number;
}

/** The slots that stand otherwise than planned, each with both heights. */
export function ownHeights(planned: Pick<PlanPose, 'slots'>, lying: readonly Lying[]): OwnHeight[] {
  const at = new Map<SlotKey, number>(lying.map((one) => [slotKey(one), one.heightCm]));
  return planned.slots.flatMap((slot) => {
    const ownCm = at.get(slotKey(slot));
    return ownCm === undefined || slot.isLength || !isMoved(ownCm - slot.stackCm)
      ? []
      : [{ slot, ownCm }];
  });
}

/** Settings of the pose that somebody chose, each with what is planned for it. */
export function ownDials(
  planned: Pick<PlanPose, 'dials'>,
  dials: readonly DialSetting[],
): { readonly dial: DialId; readonly own: number; readonly planned: number }[] {
  return planned.dials.flatMap(({ dial, value }) => {
    const own = dials.find((one) => one.dial === dial)?.value ?? value;
    return Math.abs(own - value) >= allDials[dial].step / 2 ? [{ dial, own, planned: value }] : [];
  });
}

/** More than this over what a joint has is told, in degrees. */
const TOLD_DEG = 0.5;

/**
 * What heights of one's own overstep: joints that would have to give more than they have, more than the plan itself asks
 * of them; and a support that carries, lower than a caution has it.
 *
 * @param demands what the pose asks of each joint on the heights that lie there.
 */
export function overstepsOf(
  planned: Pick<PlanPose, 'pose' | 'reasons' | 'demands'>,
  own: readonly OwnHeight[],
  demands: readonly Demand[],
): Overstep[] {
  if (own.length === 0) return [];
  const family = poseById(planned.pose)?.family;
  const asPlanned = new Map(
    planned.demands.map(({ range, side, needDeg, haveDeg }) => [
      `${range}/${side}`,
      needDeg - haveDeg,
    ]),
  );
  const joints = demands.flatMap(({ range, side, needDeg, haveDeg }): Overstep[] => {
    const deg = needDeg - haveDeg;
    const before = Math.max(0, asPlanned.get(`${range}/${side}`) ?? 0);
    return deg > before + TOLD_DEG ? [{ of: 'joint', range, side, deg }] : [];
  });
  const lowered = own.find(
    ({ slot, ownCm }) =>
      family !== undefined && ownCm < slot.stackCm && purposeOf(slot.slot, family) === 'carry',
  );
  const cautions = new Set(
    planned.reasons.flatMap((one) => (one.code === 'caution' ? [one.caution] : [])),
  );
  return [
    ...joints,
    ...(lowered
      ? [...cautions].map((caution): Overstep => ({ of: 'caution', caution, slot: lowered.slot }))
      : []),
  ];
}
