import { Pressable, View } from 'react-native';
import type { Estimates, RangeEstimate } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { Plan } from '@/core/formats/plan';
import { dayOf, daysBetween } from '@/core/formats/time';
import { visitSteps, worthReading } from '@/core/advise/visit';
import type { VisitKind } from '@/core/visitKinds';
import { protocolsOf, type MethodId } from '@/core/protocols/protocols';
import { mayRead } from '@/core/safety/reading';
import { keysOf, rangeIds, ranges, splitKey, type RangeId, type Side } from '@/core/ranges/ranges';
import { eachOnce } from '@/core/plan/measureNext';
import { decidesWords, heightsWords } from '@/ui/decides';
import { length, withDoubt, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { selectMethod } from '@/store/selectors';
import { todayIso, useOjas } from '../hooks';
import { rangeName } from '@/ui/words/words';

const measurable = rangeIds.filter((id) => protocolsOf(id).length > 0);
const SHOWN_NEXT = 3;
/** Readings older than this are worth another look before the poses that lean on them. */
const OLD_DAYS = 28;

interface OverviewProps {
  readonly person: Person;
  readonly plan: Plan;
  readonly estimates: Estimates;
  readonly units: Units;
  readonly onVisit: (kind: VisitKind) => void;
  readonly onPick: (range: RangeId, side: Side) => void;
}

/** What there is to measure: a led visit, what narrows most, and every range with what is known of it. */
export function Overview({ person, plan, estimates, units, onVisit, onPick }: OverviewProps) {
  return (
    <>
      <Visits plan={plan} estimates={estimates} onVisit={onVisit} />
      <Next plan={plan} onPick={onPick} />
      <View className="gap-2">
        <Title level={2}>All ranges</Title>
        {measurable.map((id) => (
          <RangeLine
            key={id}
            id={id}
            person={person}
            plan={plan}
            estimates={estimates}
            units={units}
            onPick={onPick}
          />
        ))}
      </View>
    </>
  );
}

function Visits({
  plan,
  estimates,
  onVisit,
}: Pick<OverviewProps, 'plan' | 'estimates' | 'onVisit'>) {
  const steps = (kind: VisitKind) => visitSteps(kind, plan, [], []);
  const [first, recheck] = [steps('first'), steps('recheck')];
  if (first.length === 0) return null;
  const known = Object.values(estimates).some((one) => one?.source === 'measured');
  const decided = (list: typeof first) => {
    const all = eachOnce(list.flatMap(({ decides }) => decides));
    return `${list.length === 1 ? 'it decides' : 'together they decide'} ${heightsWords(all)} of this plan`;
  };
  return (
    <Sheet>
      <Title level={2}>{known ? 'A short re-check' : 'First visit'}</Title>
      <Words>
        {known
          ? `${names(recheck.map(({ range }) => range))}: ${decided(recheck)}.`
          : `Led from range to range, what decides most first. ${names(first.map(({ range }) => range))}: ${decided(first)}. Skip what you like; stop when you like.`}
      </Words>
      {known ? (
        <Press kind="main" onPress={() => onVisit('recheck')}>
          Begin the re-check: {recheck.length} {recheck.length === 1 ? 'range' : 'ranges'}
        </Press>
      ) : null}
      <Press kind={known ? 'plain' : 'main'} onPress={() => onVisit('first')}>
        Begin a {known ? 'whole' : 'first'} visit: {first.length}{' '}
        {first.length === 1 ? 'range' : 'ranges'}
      </Press>
    </Sheet>
  );
}

/** Names of ranges in a sentence. */
const names = (ids: readonly RangeId[]) =>
  ids.map((id, i) => (i === 0 ? rangeName(id) : rangeName(id).toLowerCase())).join(', ');

/** In a sentence: read twice … */
const byMethod: Readonly<Record<MethodId, string>> = {
  'phone-tilt': 'with the phone',
  photo: 'from a photo',
  protractor: 'with the protractor',
  tape: 'with the tape',
  'by-eye': 'by eye',
  'from-pose': 'from the pose',
};

function Next({ plan, onPick }: Pick<OverviewProps, 'plan' | 'onPick'>) {
  const method = useOjas(selectMethod);
  if (plan.measureNext.length === 0)
    return <Words>Nothing more would narrow these poses by as much as a fold.</Words>;
  return (
    <Sheet>
      <Title level={2}>What to measure next</Title>
      <Aside>
        What makes these heights surest first, read twice {byMethod[method]}; where that does not
        serve, by the next best.
      </Aside>
      {worthReading(plan)
        .slice(0, SHOWN_NEXT)
        .map(({ range, side, decides }) => (
          <Press
            key={range + side}
            onPress={() => onPick(range, side === 'right' ? 'right' : 'left')}
          >
            {rangeName(range)}
            {side === 'both' ? '' : `, ${side}`}: {decidesWords(decides)}
          </Press>
        ))}
    </Sheet>
  );
}

/** What is known of a range on a side, short. */
function known(estimate: RangeEstimate | undefined): string {
  if (estimate === undefined) return '';
  const { id, side } = splitKey(estimate.key);
  const value =
    ranges[id].unit === 'deg' ? withDoubt(estimate.mean, estimate.sd) : estimate.mean.toFixed(2);
  const from =
    estimate.source === 'measured'
      ? ''
      : estimate.source === 'other-side'
        ? ' from the other side'
        : ' assumed';
  return `${side === 'both' ? '' : `${side} `}${value}${from}`;
}

function RangeLine({
  id,
  person,
  plan,
  estimates,
  units,
  onPick,
}: Omit<OverviewProps, 'onVisit'> & { readonly id: RangeId }) {
  const own = keysOf(id).map((key) => estimates[key]);
  const decides = eachOnce(
    plan.measureNext.filter(({ range }) => range === id).flatMap((one) => one.decides),
  );
  const counts = decides.length > 0;
  const unmeasured = own.every((one) => one !== undefined && one.source !== 'measured');
  const oldest = own.reduce<string | null>(
    (old, one) => (one?.lastAt && (old === null || one.lastAt < old) ? one.lastAt : old),
    null,
  );
  const age = oldest === null ? 0 : daysBetween(dayOf(oldest), todayIso());
  const closed = keysOf(id).every((key) => !mayRead(id, splitKey(key).side, person.cautions));
  const notes = [
    ...(closed ? ['left out by the answers at intake'] : []),
    ...(unmeasured && !closed
      ? [
          id === 'pelvicTilt.sits'
            ? `never measured: what is usual is taken; each degree is about ${length(1.5, units)} of a straight-legged seat`
            : counts
              ? `never measured; it ${decidesWords(decides)}`
              : 'never measured: no pose of this plan leans on it',
        ]
      : []),
    ...(!unmeasured && counts ? [`read again today, it ${decidesWords(decides)}`] : []),
    ...(age > OLD_DAYS ? [`last read ${age} days ago`] : []),
  ];
  return (
    <Pressable
      role="button"
      onPress={() => onPick(id, 'left')}
      className={`min-h-14 gap-0.5 rounded-md border bg-sheet px-4 py-2 ${unmeasured && counts ? 'border-dashed border-ochre' : 'border-line'}`}
    >
      <Words className="font-semibold">{rangeName(id)}</Words>
      <Aside>
        {id === 'pelvicTilt.longSit' ? 'a reading of the hamstrings' : own.map(known).join(' · ')}
      </Aside>
      {id === 'pelvicTilt.longSit' || notes.length === 0 ? null : <Aside>{notes.join('; ')}</Aside>}
    </Pressable>
  );
}
