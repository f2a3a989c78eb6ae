import { bodyFrom } from '../body/body';
import { poseById, type PoseId } from '../poses/poses';
import { bestStacks } from '../props/search';
import { kinds, propKinds } from '../props/kinds';
import type { Shelf, ShelfItem } from '../props/shelf';
import { slotRule } from '../props/slots';
import { largestStepCm, type SlotRule, type Stack } from '../props/stack';
import { usualItem } from '../props/usualShelves';
import type { SlotId, SlotKey } from '../slots';
import { mostCmAt } from '../prepare/limits';

/** What a shelf is asked for most, each with a pose in which it stands. */
export const ladderPurposes: readonly {
  readonly id: string;
  readonly pose: PoseId;
  readonly slot: SlotId;
  readonly key: SlotKey;
}[] = [
  { id: 'kneeling-seat', pose: 'hero', slot: 'seat', key: 'seat' },
  { id: 'sitting-seat', pose: 'staff', slot: 'seat', key: 'seat' },
  { id: 'under-knees', pose: 'staff', slot: 'underKnees', key: 'underKnees' },
  { id: 'hip', pose: 'pigeon', slot: 'hipLevel', key: 'hipLevel' },
  { id: 'ramp', pose: 'reclined-hero', slot: 'back', key: 'back.high' },
  { id: 'hands', pose: 'standing-fold', slot: 'hands', key: 'hands' },
];
export type LadderPurpose = (typeof ladderPurposes)[number];

/** Heights that no rung of a shelf reaches. */
export interface Gap {
  readonly fromCm: number;
  readonly toCm: number;
  /** One thing more that would stand in it, and how high; null where no usual prop does. */
  readonly closer: {
    readonly item: ShelfItem;
    readonly isNew: boolean;
    readonly atCm: number;
  } | null;
}

export interface Ladder {
  readonly mostCm: number;
  readonly rungs: readonly Stack[];
  readonly gaps: readonly Gap[];
}

/** A body whose width decides what may serve as a seat. */
const PLAIN_STATURE_CM = 170;
const EVERY_CM = 0.5;
const HAIR_CM = 0.05;

/** Every height that a shelf builds for a purpose, from the floor up, one stack for each. */
function rungsOf(shelf: Shelf, rule: SlotRule, mostCm: number): Stack[] {
  const rungs: Stack[] = [];
  for (let cm = EVERY_CM; cm <= mostCm; cm += EVERY_CM) {
    const wish = { targetCm: cm, leastCm: cm - EVERY_CM / 2, mostCm: cm + EVERY_CM / 2 };
    const [stack] = bestStacks(shelf, rule, wish, 1);
    if (stack && Math.abs(stack.heightCm - (rungs.at(-1)?.heightCm ?? 0)) > HAIR_CM)
      rungs.push(stack);
  }
  return rungs;
}

/** The stretches between rungs that are wider than one step down. */
function gapsIn(rungs: readonly Stack[], mostCm: number, stepCm: number): Omit<Gap, 'closer'>[] {
  const heights = [0, ...rungs.map(({ heightCm }) => heightCm), mostCm];
  return heights.slice(1).flatMap((toCm, i) => {
    const fromCm = heights[i] as number;
    return toCm - fromCm > stepCm + HAIR_CM ? [{ fromCm, toCm }] : [];
  });
}

/** One more of what is there, or one of what most rooms have, that stands inside a gap. */
function closerOf(
  shelf: Shelf,
  rule: SlotRule,
  { fromCm, toCm }: Omit<Gap, 'closer'>,
): Gap['closer'] {
  const more = shelf.map((item) => ({ item, isNew: false }));
  const fresh = propKinds
    .filter((kind) => !shelf.some((item) => item.kind === kind))
    .map((kind) => ({ item: usualItem(`new-${kind}`, kind, kinds[kind].name, 0), isNew: true }));
  const middle = (fromCm + toCm) / 2;
  let best: Gap['closer'] = null;
  for (const { item, isNew } of [...more, ...fresh]) {
    const with1 = [...shelf.filter((one) => one !== item), { ...item, count: item.count + 1 }];
    const wish = { targetCm: middle, leastCm: fromCm + 1, mostCm: toCm - 1 };
    const [stack] = bestStacks(with1, rule, wish, 1);
    if (!stack || !stack.pieces.some((piece) => piece.item === item.id)) continue;
    const nearer =
      best === null || Math.abs(stack.heightCm - middle) < Math.abs(best.atCm - middle) - HAIR_CM;
    if (nearer) best = { item, isNew, atCm: stack.heightCm };
  }
  return best;
}

/** What a shelf can and cannot build for one purpose, up to the most that anybody builds there. */
export function ladderFor(shelf: Shelf, { pose: id, slot, key }: LadderPurpose): Ladder {
  const pose = poseById(id);
  if (!pose) throw new Error(`No pose is called ${id}`);
  const rule = slotRule(slot, pose.family, bodyFrom(PLAIN_STATURE_CM));
  const mostCm = mostCmAt(pose, key);
  const rungs = rungsOf(shelf, rule, mostCm);
  return {
    mostCm,
    rungs,
    gaps: gapsIn(rungs, mostCm, largestStepCm(rule)).map((gap) => ({
      ...gap,
      closer: closerOf(shelf, rule, gap),
    })),
  };
}
