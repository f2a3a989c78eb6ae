import type { PlanSlot } from '../formats/plan';
import type { Band } from '../geometry/band';
import type { Built, Family, FamilyInput, Figure } from '../geometry/family';
import type { InputKey, InputValues } from '../geometry/inputs';
import { firstZero } from '../geometry/root';
import type { Pose } from '../poses/poses';
import { purposeOf } from '../props/slots';
import type { RangeId } from '../ranges/ranges';
import { slotKey, type SlotKey } from '../slots';
import { standsIn } from '../prepare/limits';
import { isMoved } from '../lies';

/**
 * What the mat has shown of a range in one pose: so many degrees more than all readings say. A seat on which a pelvis
 * has stood upright time and again is not drawn with a pelvis rolled back.
 */
export type Taught = Readonly<Partial<Record<RangeId, number>>>;

/** No body is freer than its readings by more than this. */
const MOST_DEG = 30;
const CLOSE_DEG = 0.1;

/** What a figure lacks of a range: the most that it is asked for over what it has, or that the pelvis rolls back. */
const lacksDeg = ({ demands, findings }: Figure, id: RangeId) =>
  Math.max(
    findings.rollBackDeg ?? -Infinity,
    ...demands.filter(({ range }) => range === id).map(({ needDeg, haveDeg }) => needDeg - haveDeg),
  );

/** Values with what the mat has taught added, on both sides alike. */
export function withTaught(values: InputValues, taught: Taught): InputValues {
  const ids = Object.keys(taught) as RangeId[];
  if (ids.length === 0) return values;
  return Object.fromEntries(
    Object.entries(values).map(([key, value]) => {
      const [id] = key.split(':') as [RangeId];
      return [key, value === undefined ? value : value + (taught[id] ?? 0)];
    }),
  );
}

/** Whether a slot's height follows from a joint, and less than what was reckoned has been enough. */
const wasEnough = (pose: Pose, { slot, offsetCm, isLength }: PlanSlot) =>
  !isLength &&
  offsetCm < 0 &&
  isMoved(offsetCm) &&
  ['carry', 'tilt'].includes(purposeOf(slot, pose.family));

/** The range that moves a slot's height most, of those that the pose asks something of. */
function rangeUnder(
  bands: readonly Band[],
  { demands }: Figure,
  slot: PlanSlot,
): RangeId | undefined {
  const band = bands.find(({ need }) => slotKey(need) === slotKey(slot));
  const asked = (key: InputKey) => demands.find(({ range }) => range === key.split(':')[0])?.range;
  return band?.parts.flatMap(({ key }) => asked(key) ?? []).at(0);
}

/** Heights of slots that stand for something in the pose, in cm. */
const heightsOf = (pose: Pose, slots: readonly PlanSlot[], cm: (slot: PlanSlot) => number): Built =>
  Object.fromEntries(
    slots
      .filter((slot) => standsIn(pose, slot))
      .map((slot): [SlotKey, number] => [slotKey(slot), Math.max(0, cm(slot))]),
  );

/**
 * What the mat has taught of this body in a pose: by how much the range that decides must be freer for the heights that
 * have been enough to lack no more than what was reckoned does. Nothing where no height says so.
 *
 * @param lastWell whether the last time went well: then what lay there was enough, too.
 */
export function taughtBy(
  pose: Pose,
  family: Family,
  input: FamilyInput,
  { bands, slots, lastWell }: Lesson,
): Taught {
  const told = slots.filter((slot) => wasEnough(pose, slot));
  if (told.length === 0) return {};
  const reckoned = family.figure(
    input,
    heightsOf(pose, slots, ({ reckonedCm }) => reckonedCm),
  );
  const range = told.map((slot) => rangeUnder(bands, reckoned, slot)).find((id) => id);
  if (!range) return {};
  const enough = heightsOf(pose, slots, ({ targetCm, lastCm }) =>
    lastWell && lastCm !== null ? Math.min(targetCm, lastCm) : targetCm,
  );
  const mayLack = Math.max(0, lacksDeg(reckoned, range));
  const over = (deg: number) => {
    const values = withTaught(input.values, { [range]: deg });
    return lacksDeg(family.figure({ ...input, values }, enough), range) - mayLack - CLOSE_DEG;
  };
  if (over(0) <= 0 || over(MOST_DEG) > 0) return {};
  return { [range]: firstZero(over, 0, MOST_DEG, CLOSE_DEG) };
}

interface Lesson {
  readonly bands: readonly Band[];
  readonly slots: readonly PlanSlot[];
  readonly lastWell: boolean;
}
