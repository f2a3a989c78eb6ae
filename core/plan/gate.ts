import { wentWell } from '../learn/decide';
import { gateKey } from '../approaches/approaches';
import { daysBetween } from '../formats/time';
import { otherSide } from '../geometry/family';
import type { Gate } from '../poses/pose';
import { poseById, type Pose } from '../poses/poses';
import { keyOf, sides, type ReadingSide, type Side } from '../ranges/ranges';
import type { Reason } from '../reasons';
import { sidelessKey, slotKey } from '../slots';
import type { StudentContext } from './context';
import { earlierOf } from '../learn/evidence';

const legsOf = (of: 'worked' | 'other' | 'both', side: ReadingSide): readonly Side[] =>
  side === 'both' || of === 'both' ? sides : [of === 'worked' ? side : otherSide(side)];

/** Ranges that are not measured, or not yet free enough. */
const shortRanges = ({ ranges = [] }: Gate, side: ReadingSide, { estimates }: StudentContext) =>
  ranges.flatMap(({ range, leastDeg, of }) =>
    legsOf(of, side).flatMap((leg): Reason<'gate-range'>[] => {
      const estimate = estimates[keyOf(range, leg)];
      const deg = estimate?.source === 'measured' ? estimate.mean : null;
      // As it is told, to the degree: nobody is refused 74° that reads 74°.
      return deg !== null && Math.round(deg) >= leastDeg
        ? []
        : [{ code: 'gate-range', range, side: leg, leastDeg, deg }];
    }),
  );

type After = NonNullable<Gate['after']>[number];

/** Times on a side that went well, with what had to stand low enough. */
function timesOn(
  { pose, slot, mostCm = Infinity, stages }: After,
  side: ReadingSide,
  { history }: StudentContext,
) {
  return earlierOf(history, pose, side).filter(
    ({ outcome }) =>
      wentWell(outcome) &&
      (stages === undefined || stages.includes(outcome.stage ?? '')) &&
      (slot === undefined ||
        outcome.settled.every(
          (one) => sidelessKey(slotKey(one)) !== slot || one.heightCm <= mostCm,
        )),
  );
}

/** Poses that were not yet done often, long or low enough. */
const shortRecord = ({ after = [] }: Gate, side: ReadingSide, context: StudentContext) =>
  after.flatMap((asked): Reason<'gate-record'>[] => {
    const { pose, sessions, weeks = 0, slot, mostCm, stages } = asked;
    const asksSides = poseById(pose)?.sides === 'each';
    const on: readonly ReadingSide[] = !asksSides ? ['both'] : side === 'both' ? sides : [side];
    const times = on.map((one) => timesOn(asked, one, context));
    const done = Math.min(...times.map(({ length }) => length));
    const days = Math.min(
      ...times.map((all) => daysBetween(all[0]?.at ?? '', all.at(-1)?.at ?? '') || 0),
    );
    return done >= sessions && days >= 7 * weeks
      ? []
      : [
          {
            code: 'gate-record',
            pose,
            done,
            sessions,
            weeks,
            slot: slot ?? null,
            mostCm: mostCm ?? null,
            stage: stages?.[0] ?? null,
          },
        ];
  });

/** What keeps a gate shut, as reasons; none where it is open. A reading that is missing does not open it. */
export function shutBy(
  gate: Gate | undefined,
  pose: Pick<Pose, 'id'>,
  side: ReadingSide,
  context: StudentContext,
): readonly Reason<'gate-range' | 'gate-record'>[] {
  const opened = context.record.person.choices[gateKey(pose.id)];
  if (!gate || opened === 'open') return [];
  const ranges = shortRanges(gate, side, context);
  return opened === 'practised' ? ranges : [...ranges, ...shortRecord(gate, side, context)];
}
