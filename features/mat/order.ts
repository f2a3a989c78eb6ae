import type { Estimates } from '@/core/estimate/estimate';
import type { Person, Settings } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { placeKey, type OneSeat, type OrderAdvice } from '@/core/advise/order';
import type { MendedOrder } from '@/core/advise/mendOrder';
import { asPlanned, asSettled } from '@/core/learn/settled';
import { fillsOn, inPoseOf } from '@/core/build/solve';
import type { Shelf } from '@/core/props/shelf';
import { slotKey } from '@/core/slots';
import type { Settled } from '@/store/mat';
import { capital, countWord } from '@/ui/format';
import { poseName } from '../plan/words';
import { builtOf, refilled } from './session';

/** What is advised, and what a tap on it does. */
export function adviceWords(advice: OrderAdvice): {
  readonly words: string;
  readonly does: string;
} {
  const pose = poseName(advice.pose);
  switch (advice.says) {
    case 'warm-first':
      return {
        words: `${pose} has nothing before it that warms it.`,
        does: `Add ${poseName(advice.add)} before it`,
      };
    case 'deep-early':
      return {
        words: `${pose} stands before ${poseName(advice.after)}, which warms it.`,
        does: `Move ${pose} after it`,
      };
    case 'counter-after':
      return {
        words: `Nothing after ${pose} takes it back.`,
        does: `Add ${poseName(advice.add)} after it`,
      };
    case 'rest-last':
      return { words: `${pose} comes last.`, does: `Move ${pose} to the end` };
  }
}

/** Names in a sentence; of many, how many. */
const named = (ids: readonly string[]): string => {
  const names = ids.map(poseName);
  if (names.length > 2) return `${countWord(names.length)} of these poses`;
  return names.join(' and ');
};

const them = (ids: readonly string[]) => (ids.length === 1 ? 'it' : 'them');

/** All that is amiss in an order, in a sentence. */
export function amissWords(advice: readonly OrderAdvice[]): string {
  const of = (says: OrderAdvice['says']) => [
    ...new Set(advice.flatMap((one) => (one.says === says ? [one.pose] : []))),
  ];
  const [cold, kept, early, rest] = [
    of('warm-first'),
    of('counter-after'),
    of('deep-early'),
    of('rest-last'),
  ];
  const parts = [
    ...(cold.length > 0 ? [`nothing before ${named(cold)} warms ${them(cold)}`] : []),
    ...(kept.length > 0 ? [`nothing after ${named(kept)} takes ${them(kept)} back`] : []),
    ...(early.length > 0 ? [`${named(early)} would come before what warms ${them(early)}`] : []),
    ...(rest.length > 0 ? [`${named(rest)} comes last`] : []),
  ];
  return capital(`${parts.join('; ')}.`);
}

/** What mending an order adds and moves. */
export function mendWords({ added, moved }: Pick<MendedOrder, 'added' | 'moved'>): string {
  const listed = (ids: readonly string[]) =>
    ids
      .map((id, i) => (i === 0 ? '' : i === ids.length - 1 ? ' and ' : ', ') + poseName(id))
      .join('');
  return `Mend it: ${[
    ...(added.length > 0 ? [`add ${listed(added)}`] : []),
    ...(moved.length > 0 ? [`move ${listed(moved)}`] : []),
  ].join('; ')}`;
}

/** What would be settled on with one seat throughout: the seat stays, and what fills a gap follows it. */
export function settledOn(
  { stack, places }: OneSeat,
  planned: readonly PlanPose[],
  person: Person,
  estimates: Estimates,
  shelf: Shelf,
): Record<string, Settled[]> {
  return Object.fromEntries(
    planned
      .filter((one) => places.includes(placeKey(one)))
      .map((one) => {
        const inPose = inPoseOf(person, one, shelf);
        const seated = asPlanned(one).map((slot) =>
          slot.slot === 'seat' ? asSettled(slot, stack) : slot,
        );
        const fills = fillsOn(inPose, estimates, builtOf(seated));
        const settled = refilled(
          inPose,
          one,
          seated,
          (slot) => fills.get(slotKey(slot)) ?? slot.heightCm,
        );
        return [placeKey(one), settled];
      }),
  );
}

/** A teacher's own sequences with one more, or one of that name in its place. */
export function withSequence(
  { sequences = [] }: Settings,
  own: { readonly id: string; readonly name: string; readonly poses: readonly string[] },
): NonNullable<Settings['sequences']> {
  const others = sequences.filter(({ name }) => name !== own.name);
  return [...others, { ...own, poses: [...own.poses] }];
}
