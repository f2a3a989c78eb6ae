import { movesOf } from '../dials';
import type { Person } from '../formats/book';
import { decision as parameter } from '../parameters';
import { dialled } from '../prepare/dial';
import { mostCmAt } from '../prepare/limits';
import { inItsWay } from '../prepare/ways';
import { purposeOf } from '../props/slots';
import type { Reason } from '../reasons';
import { yesOf } from '../safety/verdict';
import { type SlotKey, slotKey } from '../slots';
import type { Decision } from '../learn/decide';
import { builtOf } from '../learn/evidence';
import { layHeights, type AskedSince, type Laid } from './lay';
import { movedSince } from './movedSince';

const NOTHING: AskedSince = { cautions: [], moved: [], toCm: new Map() };

/** What was comfortable before a caution was known says nothing of what it asks for. */
const answeredSince = ({ cautions }: Pick<Person, 'cautions'>, at: string) =>
  yesOf(cautions).filter((one) => one.at > at);

/**
 * Heights that are asked for since the last time over what lay there then, by cautions that were answered and by ranges
 * that read stiffer: by as much as they ask for more, and no higher than what is reckoned and learned today.
 */
function askedSince(laid: Omit<Laid, 'since'>): AskedSince {
  const { pose, side, context, earlier, bands, doubts, dials, input } = laid;
  const last = earlier.at(-1);
  if (!last) return NOTHING;
  const { person } = context.record;
  const since = answeredSince(person, last.at);
  const moved = movedSince(laid);
  const stiffer = moved.filter(({ deg }) => deg < 0);
  if (since.length === 0 && stiffer.length === 0) return { ...NOTHING, moved };
  const then = Object.fromEntries(stiffer.map(({ key, wasDeg }) => [key, wasDeg]));
  const values = { ...context.likely, ...then };
  const before = {
    person: { ...person, cautions: person.cautions.filter((one) => !since.includes(one)) },
    pose: pose.id,
    side,
    shelf: context.shelf,
    values,
  };
  const { family, settings } = dialled(inItsWay(before), { values, side }, movesOf(dials));
  const heights = family.heights({ ...input, values, settings });
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
  // Of what was answered, what this pose meets.
  const cautions = laid.verdict.reasons.flatMap((one) =>
    one.code === 'caution' && since.some(({ id }) => id === one.caution) ? [one.caution] : [],
  );
  return { cautions: [...new Set(cautions)], moved, toCm: new Map(toCm) };
}

/** A pose laid out for its day: its heights, and what is asked for since the last time. */
export function layPose(...of: Parameters<typeof layHeights>): Laid {
  const laid = layHeights(...of);
  return { ...laid, since: askedSince(laid) };
}

/** A decision with what is asked for since the last time: that comes first, and nothing comes down beside it. */
export function withAskedSince(decision: Decision, { since }: Pick<Laid, 'since'>): Decision {
  const [slot] = since.toCm.keys();
  if (slot === undefined || decision.action === 'rest') return decision;
  const { cautions } = since;
  const reasons: Reason[] = cautions.length > 0 ? [{ code: 'caution-since', cautions }] : [];
  return decision.action === 'raise'
    ? { ...decision, word: 'ease', reasons: [...reasons, ...decision.reasons] }
    : { action: 'raise', word: 'ease', slot, dial: null, reasons, refer: decision.refer };
}
