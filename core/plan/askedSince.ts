import type { CautionId } from '../safety/ids';
import { cautionById } from '../safety/cautions';
import type { Person } from '../formats/book';
import { decision as parameter } from '../parameters';
import { dialled } from '../prepare/dial';
import { mostCmAt } from '../prepare/limits';
import { inItsWay } from '../prepare/ways';
import { purposeOf } from '../props/slots';
import { yesOf } from '../safety/verdict';
import { type SlotKey, slotKey } from '../slots';
import type { Decision } from '../learn/decide';
import { builtOf } from '../learn/evidence';
import type { Laid } from './lay';

/** What was answered on cautions since a pose was last done, and the heights that it asks for at once. */
export interface AskedSince {
  readonly cautions: readonly CautionId[];
  /** Height that a slot rises to; one that lies as high as that already is not named. */
  readonly toCm: ReadonlyMap<SlotKey, number>;
}
const NOTHING: AskedSince = { cautions: [], toCm: new Map() };

/** What was comfortable before a caution was known says nothing of what it asks for. */
const answeredSince = ({ cautions }: Pick<Person, 'cautions'>, at: string) =>
  yesOf(cautions).filter((one) => one.at > at);

/**
 * Heights that cautions answered since the last time ask for over what lay there then: by as much as they ask for more,
 * and no higher than what is reckoned and learned today.
 */
export function askedSince(laid: Omit<Laid, 'since'>): AskedSince {
  const { pose, side, context, earlier, bands, doubts, dials, input } = laid;
  const last = earlier.at(-1);
  if (!last) return NOTHING;
  const { person } = context.record;
  const since = answeredSince(person, last.at);
  if (since.length === 0) return NOTHING;
  const before = {
    person: { ...person, cautions: person.cautions.filter((one) => !since.includes(one)) },
    pose: pose.id,
    side,
    shelf: context.shelf,
    values: context.likely,
  };
  const moves = Object.fromEntries(
    dials.map(({ dial, reckoned, value }) => [dial, value - reckoned]),
  );
  const then = dialled(inItsWay(before), { values: context.likely, side }, moves);
  const heights = then.family.heights({ ...input, settings: then.settings });
  const thenCm = new Map(heights.map((need) => [slotKey(need), need.rawCm]));
  const lay = builtOf(last.outcome);
  const toCm = bands.flatMap(({ need }): [SlotKey, number][] => {
    const key = slotKey(need);
    const layCm = lay[key];
    if (layCm === undefined || need.isLength || purposeOf(need.slot, pose.family) === 'fill')
      return [];
    const goesTo = Math.min(
      layCm + need.rawCm - (thenCm.get(key) ?? need.rawCm),
      need.rawCm + (doubts.get(key)?.offset.meanCm ?? 0),
      mostCmAt(pose, key),
    );
    return goesTo - layCm > parameter.leastRung.value ? [[key, goesTo]] : [];
  });
  const known = since.flatMap(({ id }) => cautionById(id)?.id ?? []);
  return { cautions: known, toCm: new Map(toCm) };
}

/** A decision with what a caution asks for since: that comes first, and nothing comes down beside it. */
export function withAskedSince(decision: Decision, { since }: Pick<Laid, 'since'>): Decision {
  const [slot] = since.toCm.keys();
  if (slot === undefined || decision.action === 'rest') return decision;
  const reason = { code: 'caution-since' as const, cautions: since.cautions };
  return decision.action === 'raise'
    ? { ...decision, word: 'ease', reasons: [reason, ...decision.reasons] }
    : { action: 'raise', word: 'ease', slot, dial: null, reasons: [reason], refer: decision.refer };
}
