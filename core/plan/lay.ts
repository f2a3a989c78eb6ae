import type { PlanPose } from '../formats/plan';
import { decision as decisionParameter } from '../parameters';
import type { DialSetting, DialValues } from '../dials';
import { type Band, bandsOf } from '../geometry/band';
import type { FamilyInput } from '../geometry/family';
import type { Earlier } from '../learn/decide';
import { earlierOf, offsetsOf, settledAt, type SlotDoubt } from '../learn/evidence';
import { comesDown, wayOf } from '../poses/poses';
import { dialled } from '../prepare/dial';
import { mostCmAt } from '../prepare/limits';
import { comesDownTo, type Prepared } from '../prepare/prepare';
import type { Stack } from '../props/stack';
import type { RangeKey, ReadingSide } from '../ranges/ranges';
import { sidelessKey, type SlotKey, slotKey, type SlotName } from '../slots';
import type { CautionId } from '../safety/ids';
import type { StudentContext } from './context';

/** Of whom, and on which side, a pose is planned. */
export interface Place {
  readonly side: ReadingSide;
  readonly context: StudentContext;
  /** What was planned for the first of two sides; null for that one. */
  readonly first: PlanPose | null;
  /** A way was left today, since what should rise in it cannot. */
  readonly hasLeft?: boolean;
  /** Slots that were raised in vain: nothing comes to lie there. */
  readonly idle?: ReadonlySet<SlotName>;
}

/** A range of which a reading moved the belief since a pose was last done, in degrees; freer is more. */
export interface RangeMoved {
  readonly key: RangeKey;
  readonly deg: number;
  /** What was likeliest then. */
  readonly wasDeg: number;
}

/** What was answered on cautions and read since a pose was last done, and the heights that it asks for at once. */
export interface AskedSince {
  readonly cautions: readonly CautionId[];
  readonly moved: readonly RangeMoved[];
  /** Height that a slot rises to; one that lies as high as that already is not named. */
  readonly toCm: ReadonlyMap<SlotKey, number>;
}

/** Everything about one pose on one side that its decision and its slots are made from. */
export interface Laid extends Prepared, Place {
  readonly dials: readonly DialSetting[];
  readonly input: FamilyInput;
  readonly bands: readonly Band[];
  readonly earlier: readonly Earlier[];
  readonly doubts: ReadonlyMap<SlotKey, SlotDoubt>;
  /** Heights to which a support may come down: the body's edge, and what a caution keeps in hand. */
  readonly leastCm: ReadonlyMap<SlotKey, number>;
  /** What cautions and readings since the last time ask for. */
  readonly since: AskedSince;
}

/**
 * A pose with its dials moved by so much from what is reckoned: its heights, their doubt, and what the mat says of
 * them.
 */
export function layHeights(
  prepared: Prepared,
  place: Place,
  moves: DialValues,
): Omit<Laid, 'since'> {
  const { side, context, first, hasLeft, idle } = place;
  const set = dialled(prepared, { values: context.likely, side }, moves);
  const { pose, family, body, settings } = set;
  const input: FamilyInput = { body, values: context.likely, settings, side };
  const built = wayOf(pose, settings.way)?.slots;
  const bands = bandsOf(family, input, context.belief).filter(
    ({ need }) => built === undefined || built.includes(need.slot),
  );
  const earlier = earlierOf(context.history, pose.id, side);
  const least = family.heights({ ...input, settings: comesDownTo(set) });
  return {
    ...set,
    side,
    context,
    first,
    ...(hasLeft ? { hasLeft } : {}),
    ...(idle ? { idle } : {}),
    input,
    bands,
    earlier,
    doubts: offsetsOf(set, side, bands, earlier, context),
    leastCm: new Map(least.map((need) => [slotKey(need), need.rawCm])),
  };
}

/** What lay in a slot last time. */
export function lyingAt({ earlier }: Laid, key: SlotKey): Stack | undefined {
  const last = earlier.at(-1)?.outcome;
  const there = last && settledAt(last, key);
  return there && { pieces: there.pieces, heightCm: there.heightCm };
}

/**
 * The slot that leans on a range most, of those that are meant (those that come down), with how far it goes up, in cm, as
 * that range goes to its stiffer end. Null where none does.
 */
export function leanOn(
  { pose, bands }: Laid,
  range: RangeKey,
  isMeant: (slot: SlotKey) => boolean = (slot) => comesDown(pose, slot),
): { readonly slot: SlotKey; readonly upCm: number } | null {
  const leans = bands
    .filter(({ need }) => isMeant(slotKey(need)))
    .map(({ need, parts }) => ({
      slot: slotKey(need),
      upCm: parts.find(({ key }) => key === range)?.upCm ?? 0,
    }));
  const most = Math.max(0, ...leans.map(({ upCm }) => upCm));
  return most > 0 ? (leans.find(({ upCm }) => upCm === most) ?? null) : null;
}

/** What lay in each slot last time, in the pose's order. */
export const lyingOf = (laid: Laid): ReadonlyMap<SlotKey, Stack> =>
  new Map(
    laid.bands.flatMap(({ need }) => {
      const key = slotKey(need);
      const stack = lyingAt(laid, key);
      return stack ? [[key, stack] as const] : [];
    }),
  );

/** Whether what lay in a slot, on either side, stood as high as anybody builds there. */
export const standsAtMost = (laid: Laid, slot: SlotKey) =>
  laid.bands
    .map(({ need }) => slotKey(need))
    .filter((key) => sidelessKey(key) === sidelessKey(slot))
    .some(
      (key) =>
        (lyingAt(laid, key)?.heightCm ?? 0) >
        mostCmAt(laid.pose, slot) - decisionParameter.leastRung.value,
    );
