import { wayKey, type QuestionId } from '../approaches/approaches';
import type { Person } from '../formats/book';
import type { FamilyInput, RuledOut } from '../geometry/family';
import { poseById, wayOf, type Pose } from '../poses/poses';
import type { PoseWay } from '../poses/pose';
import type { ReadingSide } from '../ranges/ranges';
import type { Reason, WayRuledOut } from '../reasons';
import { refusalOfWay } from '../safety/verdict';
import { pelvisTarget } from '../parameters';
import type { Shelf } from '../props/shelf';
import { preparePose, type Prepared } from './prepare';

/** Whether the approach's answers speak for a way. */
const isAnswered = ({ proposedIf }: PoseWay, { choices }: Pick<Prepared, 'choices'>): boolean => {
  const [question, answer] = proposedIf?.split('=') ?? [];
  return question !== undefined && choices[question as QuestionId] === answer;
};

/** The ways of a pose in the order in which they are thought of: the student's own, the approach's, then the pose's. */
function inOrder(prepared: Prepared, own: string | undefined): readonly PoseWay[] {
  const ways = prepared.pose.ways ?? [];
  const rank = (way: PoseWay) => (way.id === own ? 0 : isAnswered(way, prepared) ? 1 : 2);
  return [...ways].sort((a, b) => rank(a) - rank(b));
}

/** What a caution has against a way; null where none has. */
function refused(pose: Pose, way: PoseWay, side: ReadingSide, person: Person): RuledOut | null {
  const reason = refusalOfWay(pose, way, side, person.cautions);
  return reason ? { because: { of: 'caution', ...reason }, firm: true } : null;
}

/** The way in which a pose is set up, and what ruled out those that come before it. */
export interface ChosenWay {
  readonly way: string;
  readonly notTaken: readonly Reason<'way-not-taken'>[];
}

/**
 * The first way in which this body is carried, under its cautions and with what is settled for it. What is firmly ruled
 * out is not taken though the student's own choice; what only speaks against a way gives way to that choice. A way that
 * is behind a gate is taken by choice, or where the approach begins with it.
 *
 * @param unbuilt ways in which this shelf was seen not to build what carries the body.
 */
export function chooseWay(
  prepared: Prepared,
  { person, values, side, asked }: Omit<Wanted, 'pose' | 'shelf'>,
  unbuilt: ReadonlyMap<string, WayRuledOut> = new Map(),
): ChosenWay {
  const { pose, family, body, settings } = prepared;
  const own = asked ?? person.choices[wayKey(pose.id)];
  const notBuilt = ({ id }: PoseWay): RuledOut | null => {
    const because = unbuilt.get(id);
    // What was felt there speaks against a way, and forbids none.
    return because ? { because, firm: because.of !== 'felt-there' } : null;
  };
  const ruledOut = (way: PoseWay): RuledOut | null =>
    refused(pose, way, side, person) ??
    notBuilt(way) ??
    family.rulesOut?.({ body, values, side, settings: { ...settings, way: way.id } }) ??
    null;
  const stands = (way: PoseWay, out: RuledOut | null) =>
    way.id === own
      ? !out?.firm
      : out === null && (way.gate === undefined || isAnswered(way, prepared));
  const weighed = inOrder(prepared, own).map((way) => ({ way, out: ruledOut(way) }));
  const taken =
    weighed.find(({ way, out }) => stands(way, out)) ??
    weighed.find(({ out }) => !out?.firm) ??
    weighed[0];
  // Of a way that was left for the one that is asked for, it is told, too, why.
  const isLeft = (out: RuledOut | null) =>
    asked !== undefined && (out?.because.of === 'felt-there' || out?.because.of === 'shelf');
  const at = taken ? weighed.indexOf(taken) : 0;
  const before = weighed.filter((one, i) => i !== at && (i < at || isLeft(one.out)));
  return {
    way: taken?.way.id ?? '',
    notTaken: before.flatMap(({ way, out }) =>
      out
        ? [{ code: 'way-not-taken' as const, pose: pose.id, way: way.id, because: out.because }]
        : [],
    ),
  };
}

/** Of whom a pose is made ready, and of what. */
export interface Wanted extends Pick<FamilyInput, 'values' | 'side'> {
  readonly person: Person;
  readonly pose: string;
  readonly shelf: Shelf;
  /** A way that answers what was felt: thought of first. */
  readonly asked?: string | undefined;
}

/** A pose as this body does it: on its own pelvis, and in the first way in which it is carried. */
export function inItsWay(wanted: Wanted, unbuilt?: ReadonlyMap<string, WayRuledOut>): Prepared {
  const ready = inWay(wanted, '');
  if (!ready.pose.ways) return ready;
  const { way, notTaken } = chooseWay(ready, wanted, unbuilt);
  // Made ready anew only for what the way does more than the pose.
  const taken = wayOf(ready.pose, way)?.also ? inWay(wanted, way) : setIn(ready, way);
  return { ...taken, notTaken };
}

/** A pose as this body does it, in a way that is known already; empty for none. What the way does more counts, too. */
export function inWay({ person, pose, side, shelf, values }: Wanted, way: string): Prepared {
  const prepared = onItsPelvis(
    preparePose(person, pose, side, shelf, wayOf(poseById(pose), way)),
    values['pelvicTilt.sits'],
  );
  return way === '' ? prepared : setIn(prepared, way);
}

const setIn = (prepared: Prepared, way: string): Prepared => ({
  ...prepared,
  settings: { ...prepared.settings, way },
});

/** What the approach asks of a pelvis is asked of this one, from where it sits well by itself. */
function onItsPelvis(prepared: Prepared, sitsDeg: number | undefined): Prepared {
  const usualDeg = pelvisTarget.neutral.value;
  if (sitsDeg === undefined || sitsDeg === usualDeg) return prepared;
  const { settings } = prepared;
  return {
    ...prepared,
    settings: {
      ...settings,
      pelvisTargetDeg: settings.pelvisTargetDeg + sitsDeg - usualDeg,
      sitsDeg,
    },
  };
}
