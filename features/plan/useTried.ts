import { useMemo, useState, type Dispatch, type SetStateAction } from 'react';
import { movesOf, turned, type DialId, type DialSetting, type DialTurn } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import { isMoved } from '@/core/lies';
import { asPlanned, asSettled } from '@/core/learn/settled';
import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import type { Figure } from '@/core/geometry/family';
import {
  dialsIn,
  followsDials,
  inPoseOf,
  nearestStack,
  solveFigure,
  type InPose,
} from '@/core/build/solve';
import { triedHeights, tryableCm } from '@/core/build/tryHeights';
import type { Shelf } from '@/core/props/shelf';
import { usedBy, type Stack } from '@/core/props/stack';
import { slotKey, type SlotKey } from '@/core/slots';
import type { LaidPose } from '@/store/mat';

/** What is tried on the pose's page: heights, other pieces, and what is set of the pose itself. */
interface Tries {
  readonly stacks: Readonly<Record<string, Stack>>;
  readonly dials: readonly DialSetting[] | null;
  /** The last of it was dragged, and may be dragged on. */
  readonly byHand?: boolean;
}
const NOTHING: Tries = { stacks: {}, dials: null };

export interface Tried {
  /** The pose as it is tried: its slots, findings and dials. */
  readonly now: PlanPose;
  readonly figure: Figure;
  readonly inPose: InPose;
  readonly isTried: boolean;
  /** Something is being dragged, or was just now. */
  readonly byHand: boolean;
  readonly moveTo: (key: string, cm: number) => void;
  readonly swap: (key: SlotKey, stack: Stack) => void;
  readonly turn: (dial: DialId, way: DialTurn['way']) => void;
  readonly reset: () => void;
  /** As it stands now, to be laid out for the next session. */
  readonly asLaid: () => LaidPose;
}

/** What was laid out before, to be tried on. */
const triesOf = (laid: LaidPose | undefined): Tries =>
  laid
    ? {
        stacks: Object.fromEntries(laid.settled.map((one) => [slotKey(one), one])),
        dials: laid.dials.length > 0 ? laid.dials : null,
      }
    : NOTHING;

/** What is tried, as it would be settled on, with how far each support went from the plan. */
function laidAs(
  planned: PlanPose,
  slots: readonly PlanSlot[],
  dials: readonly DialSetting[],
): LaidPose {
  const settled = new Map(asPlanned(planned).map((one) => [slotKey(one), one]));
  const moved = slots.filter(
    (slot, i) => !slot.isLength && slot.stack !== (planned.slots[i] as PlanSlot).stack,
  );
  for (const { slot, part, side, stack, stackCm } of moved) {
    const ref = { slot, ...(part ? { part } : {}), side };
    settled.set(slotKey(ref), asSettled(ref, { pieces: stack, heightCm: stackCm }));
  }
  const changes = moved
    .map(({ slot, part, side, lastCm, stackCm }) => ({
      slot,
      ...(part ? { part } : {}),
      side,
      fromCm: lastCm ?? 0,
      toCm: stackCm,
      atSeconds: 0,
    }))
    .filter(({ fromCm, toCm }) => isMoved(toCm - fromCm));
  return { settled: [...settled.values()], dials: [...dials], changes };
}

const builtOf = (slots: readonly PlanSlot[]) =>
  Object.fromEntries(slots.map((slot) => [slotKey(slot), slot.stackCm]));
/** Pieces of all slots but one. */
const usedBeside = (slots: readonly PlanSlot[], key: string) =>
  usedBy(slots.filter((slot) => slotKey(slot) !== key).map(({ stack }) => stack));

/**
 * Heights, pieces and settings tried on a planned pose: pelvis, back and knees answer at once, and nothing is stored.
 */
export function useTried(
  planned: PlanPose,
  person: Person,
  estimates: Estimates,
  shelf: Shelf,
  laid: LaidPose | undefined,
): Tried {
  const [tries, setTries] = useState<Tries>(() => triesOf(laid));
  // The same for as long as nothing is tried anew: what shows it is then drawn once.
  return useMemo(
    () => triedAs(planned, person, estimates, shelf, tries, setTries),
    [planned, person, estimates, shelf, tries],
  );
}

function triedAs(
  planned: PlanPose,
  person: Person,
  estimates: Estimates,
  shelf: Shelf,
  tries: Tries,
  setTries: Dispatch<SetStateAction<Tries>>,
): Tried {
  const dials = tries.dials ?? planned.dials;
  const inPose = inPoseOf(person, planned, shelf, dials);
  const slots = planned.slots.map((slot): PlanSlot => {
    const stack = tries.stacks[slotKey(slot)];
    return stack
      ? {
          ...slot,
          stack: [...stack.pieces],
          stackCm: stack.heightCm,
          lastCm: slot.stackCm,
          last: slot.stack,
        }
      : slot;
  });
  const built = { ...triedHeights(planned, {}), ...builtOf(slots.filter(isTried(tries))) };
  const figure = solveFigure(inPose, estimates, built);
  const nearest = (of: InPose, key: string, cm: number): Stack => {
    const slot = planned.slots.find((one) => slotKey(one) === key) as PlanSlot;
    return nearestStack(of, slot.slot, cm, usedBeside(slots, key));
  };
  const put = (
    stacks: Readonly<Record<string, Stack>>,
    { set, byHand = false }: { readonly set?: Tries['dials']; readonly byHand?: boolean } = {},
  ) =>
    setTries((before) => ({
      stacks: { ...before.stacks, ...stacks },
      dials: set ?? before.dials,
      byHand,
    }));
  return {
    now: { ...planned, slots, findings: { ...figure.findings }, dials: [...dials] },
    figure,
    inPose,
    isTried: tries !== NOTHING,
    byHand: tries.byHand === true,
    // A dragged edge stands where it was dragged to, with the pieces that come nearest.
    moveTo: (key, wished) => {
      const heightCm = tryableCm(wished);
      const { pieces } = nearest(inPose, key, heightCm);
      put({ [key]: { pieces, heightCm } }, { byHand: true });
    },
    swap: (key, stack) => put({ [key]: stack }),
    turn: (dial, way) => {
      const moved = dials.map((one) =>
        one.dial === dial ? { ...one, value: turned({ dial, way }, one.value) } : one,
      );
      const there = inPoseOf(person, planned, shelf, moved);
      const follows = [...followsDials(there, estimates, built, movesOf(dials))]
        .filter(([, byCm]) => isMoved(byCm))
        .map(
          ([key, byCm]) =>
            [key, nearest(there, key, Math.max(0, (built[key] ?? 0) + byCm))] as const,
        );
      put(Object.fromEntries(follows), { set: dialsIn(there, estimates) });
    },
    reset: () => setTries(NOTHING),
    asLaid: () => laidAs(planned, slots, dials),
  };
}

const isTried =
  ({ stacks }: Tries) =>
  (slot: PlanSlot) =>
    stacks[slotKey(slot)] !== undefined;
