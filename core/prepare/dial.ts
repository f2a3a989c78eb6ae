import {
  dials,
  easedSteps,
  movesOf,
  turned,
  withinDial,
  type DialId,
  type DialSetting,
  type DialTurn,
  type DialValues,
} from '../dials';
import type { SessionPose } from '../formats/book';
import type { FamilyInput, PoseSettings } from '../geometry/family';
import { dialsOf } from '../poses/poses';
import { leftOut } from '../safety/changes';
import { sidelessKey, slotKey } from '../slots';
import { mostCmAt } from './limits';
import type { Prepared } from './prepare';

type Where = Pick<FamilyInput, 'values' | 'side'>;

const withDial = (settings: PoseSettings, dial: DialId, value: number): PoseSettings => ({
  ...settings,
  dials: { ...settings.dials, [dial]: value },
});

/** Turns a dial as far as its slots need to stand no higher than anybody builds them. */
function turnedFirst(prepared: Prepared, where: Where, dial: DialId, from: number): number {
  const { pose, family, body, settings } = prepared;
  const { turnsFirst } = pose;
  if (turnsFirst?.dial !== dial) return from;
  const fits = (value: number) =>
    family.heights({ body, settings: withDial(settings, dial, value), ...where }).every((need) => {
      const name = sidelessKey(slotKey(need));
      return !turnsFirst.under.includes(name) || need.rawCm <= mostCmAt(pose, name);
    });
  let value = from;
  for (let turns = 0; turns < MOST_TURNS && !fits(value); turns++)
    value = turned({ dial, way: dials[dial].eases }, value);
  return value;
}
/** Further than this the pose is another one. */
const MOST_TURNS = 4;

/**
 * A prepared pose with its dials as they are reckoned for this body and moved by so much. A dial that follows another
 * (a strap follows the leg that it holds) is reckoned after it.
 *
 * @param moves how far each dial stands from what is reckoned, in its own unit.
 */
export function dialled(
  prepared: Prepared,
  where: Where,
  moves: DialValues = {},
): Prepared & { readonly dials: readonly DialSetting[] } {
  const { pose, family, body, verdict } = prepared;
  let { settings } = prepared;
  const set: DialSetting[] = [];
  for (const dial of dialsOf(pose, settings.way)) {
    // A strap that a caution takes away is not set either.
    if (dial === 'strap' && leftOut(verdict.changes, dial)) continue;
    const usual = family.dials?.({ body, settings, ...where })[dial];
    if (usual === undefined) continue;
    const reckoned = turnedFirst({ ...prepared, settings }, where, dial, withinDial(dial, usual));
    const value = withinDial(dial, reckoned + (moves[dial] ?? 0));
    settings = withDial(settings, dial, value);
    set.push({ dial, reckoned, value });
  }
  return { ...prepared, settings, dials: set };
}

/** The values of dials by name. */
export const valuesOf = (set: readonly DialSetting[]): DialValues =>
  Object.fromEntries(set.map(({ dial, value }) => [dial, value]));

/** How far the dials stood from what was reckoned, the last time. */
export const movesThen = (last: SessionPose | undefined): DialValues => movesOf(last?.dials ?? []);

/** Where a dial stood last time; where it stands today if that was not noted. */
export const stoodAt = ({ dial, value }: DialSetting, last: SessionPose | undefined): number =>
  last?.dials?.find((one) => one.dial === dial)?.value ?? value;

/** What a dial is turned to: one step from where it stood last time, or stands today where that is further. */
export function turnedFrom(
  turn: DialTurn,
  one: DialSetting,
  last: SessionPose | undefined,
): number {
  const further = turn.way === 'raise' ? Math.max : Math.min;
  return turned(turn, further(stoodAt(one, last), one.value));
}

/** Dials that stand eased by half a step or more: what may be given back once it goes well. */
export const easedDials = (set: readonly DialSetting[]): readonly DialSetting[] =>
  set.filter((one) => easedSteps(one) >= 0.5);

/** The way back of what was eased. */
export const backWay = (dial: DialId): 'raise' | 'lower' =>
  dials[dial].eases === 'raise' ? 'lower' : 'raise';

/** A dial turned back by one step, no further than to what is reckoned. */
export function givenBack({ dial, reckoned, value }: DialSetting): number {
  const back = backWay(dial);
  const next = turned({ dial, way: back }, value);
  return back === 'lower' ? Math.max(reckoned, next) : Math.min(reckoned, next);
}
