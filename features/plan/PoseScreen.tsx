import { Link, useRouter } from 'expo-router';
import { memo, useDeferredValue, type ReactNode } from 'react';
import { View } from 'react-native';
import { useDebounce } from 'use-debounce';
import { recordIn } from '@/core/recordIn';
import type { Estimates } from '@/core/estimate/estimate';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { sameValue } from '@/core/formats/sameValue';
import type { Posture } from '@/core/geometry/posture';
import { placeKey } from '@/core/advise/order';
import { solveFigure } from '@/core/build/solve';
import { TRY_MOST_CM } from '@/core/build/tryHeights';
import { howOf } from '@/core/advise/how';
import { poseById } from '@/core/poses/poses';
import { countWords } from '@/ui/words/counted';
import type { Shelf } from '@/core/props/shelf';
import { slotKey } from '@/core/slots';
import { selectSessionsOf, selectShelf } from '@/store/selectors';
import { capital, date, degrees, minutes, type Units } from '@/ui/format';
import { Chips, Press } from '@/ui/Press';
import { Print } from '@/ui/Print';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, wordsIn } from '@/ui/words/words';
import { poseLaid, poseTakenBack, type LaidPose } from '@/store/mat';
import { nowIso, useOjas, useOjasDispatch, usePerson, useUnits } from '../hooks';
import { useEstimates, usePlan } from '../reckoned';
import { useWide } from '../shell/Shell';
import { NoStudent } from '../students/NoStudent';
import { ActionMark } from './ActionMark';
import { Ahead } from './Ahead';
import { Around } from './Around';
import { AtHome } from './AtHome';
import { columnsOf, railColumns } from './columns';
import { DialStepper } from './DialStepper';
import { Gate, PoseChoices, Ways } from './PoseChoices';
import { AsPicture } from '../data/AsPicture';
import { PoseFigure } from './PoseFigure';
import { OtherBody } from './OtherBody';
import { PoseLine } from './PoseLine';
import { Stages } from './Stages';
import { Supports } from './Supports';
import { useTried, type Tried } from './useTried';
import { Said } from './Said';
import { figureWords, poseName, poseTitle } from './words';
import { YoursBeside } from './Yours';
import { Working } from './Working';

interface PoseScreenProps {
  readonly id: string;
  readonly pose: string;
  /** As the address has it; the first side where it names none. */
  readonly side: string | undefined;
}

/**
 * Everything about one pose of one student: figure and build that answer, how it is done, why, and what it was before.
 */
export function PoseScreen({ id, pose, side }: PoseScreenProps) {
  const person = usePerson(id);
  const plan = usePlan(id, [pose]);
  const estimates = useEstimates(id);
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const router = useRouter();
  if (!person || !plan || !estimates) return <NoStudent />;
  const sides = plan.poses.filter((one) => one.pose === pose);
  const planned = sides.find((one) => one.side === side) ?? sides[0];
  if (!planned)
    return (
      <Screen title="No such pose">
        <PlanLink person={person} />
      </Screen>
    );
  return (
    <Screen
      title={poseName(pose)}
      wide
      beside={
        <View className="flex-row items-center gap-1">
          {planned.posture ? <ActionMark word={planned.decision.word} /> : null}
          <Print />
        </View>
      }
      foot={
        <Link href={`/students/${id}/mat`} asChild>
          <Press kind="main">To the mat</Press>
        </Link>
      }
    >
      <View className="-mt-3 flex-row flex-wrap items-center gap-x-3">
        <PlanLink person={person} />
        <Aside>{poseById(pose)?.sanskrit}</Aside>
      </View>
      {sides.length > 1 ? (
        <Chips
          label="Side"
          options={sides.map((one) => ({ id: one.side, words: sideWords(one) }))}
          chosen={planned.side}
          onChoose={(next) => router.setParams({ side: next })}
        />
      ) : null}
      <OnePose
        key={`${planned.side}/${planned.way}`}
        {...{ person, planned, estimates, shelf, units }}
      />
    </Screen>
  );
}

const PlanLink = ({ person }: { readonly person: Person }) => (
  <Link
    href={`/students/${person.id}/plan`}
    className="min-h-12 py-3 font-text text-base text-thread underline"
  >
    {person.name}: plan
  </Link>
);

function sideWords(planned: PlanPose): string {
  const words = poseTitle(planned).slice(poseName(planned.pose).length + 2);
  return capital(words);
}

interface OnePoseProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly estimates: Estimates;
  readonly shelf: Shelf;
  readonly units: Units;
}

function OnePose(of: OnePoseProps) {
  const { planned, person, units } = of;
  const say = wordsIn(units);
  const said = (
    <>
      <Said planned={planned} units={units} />
      {planned.refer.length > 0 ? <Aside>{say.reasons(planned.refer)}</Aside> : null}
    </>
  );
  if (!planned.posture)
    return (
      <Sheet>
        {said}
        <Gate person={person} planned={planned} />
      </Sheet>
    );
  return <Offered {...of}>{said}</Offered>;
}

const HAND_RESTS_MS = 80;
const NOW_AND_THEN_MS = 400;

function Offered({ children, ...of }: OnePoseProps & { readonly children: ReactNode }) {
  const { planned, person, estimates, shelf, units } = of;
  const wide = useWide();
  const laid = useOjas(({ mat }) => recordIn(mat.laid, person.id)?.poses[placeKey(planned)]);
  const tried = useTried(planned, person, estimates, shelf, laid);
  // The figure answers the hand at once; what is written about it follows when the hand rests, or now and then.
  const [rested] = useDebounce(tried, HAND_RESTS_MS, { maxWait: NOW_AND_THEN_MS });
  const written = useDeferredValue(tried.byHand ? rested : tried);
  const rest = useDeferredValue(true, false);
  return (
    <View className={wide ? 'flex-row items-start gap-6' : 'gap-4'}>
      <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
        <Sheet role="region" aria-label="Figure">
          <Seen {...of} tried={tried} />
          <LayOut {...{ person, planned, tried, laid }} />
        </Sheet>
        <Build {...{ shelf, units }} tried={written} />
      </View>
      <View className={wide ? 'flex-1 gap-4' : 'gap-4'}>
        {rest ? (
          <>
            <AsPlanned person={person} planned={planned} units={units}>
              {children}
            </AsPlanned>
            <Why {...{ person, shelf, units, estimates }} tried={written} />
            <OnAnother {...of} />
            <OverTime {...{ person, planned, estimates, shelf, units }} />
          </>
        ) : null}
      </View>
    </View>
  );
}

type WrittenProps = Pick<OnePoseProps, 'shelf' | 'units'> & { readonly tried: Tried };

/** What stands where, and what is set of the pose itself. */
const Build = memo(function Build({ shelf, units, tried }: WrittenProps) {
  const { now, inPose } = tried;
  return (
    <Sheet role="region" aria-label="Build">
      <Title level={2}>Build</Title>
      <Supports planned={now} shelf={shelf} units={units} inPose={inPose} onSwap={tried.swap} />
      {now.dials.map((one) => (
        <DialStepper key={one.dial} one={one} onTurn={(way) => tried.turn(one.dial, way)} />
      ))}
    </Sheet>
  );
});

/** Every number's answer. */
const Why = memo(function Why({
  tried: { now, figure, inPose },
  person,
  ...of
}: WrittenProps & Pick<OnePoseProps, 'person' | 'estimates'>) {
  return (
    <Sheet role="region" aria-label="Why">
      <Title level={2}>Why</Title>
      <Working planned={{ ...now, demands: [...figure.demands] }} inPose={inPose} {...of} />
      <Link href={`/students/${person.id}/measure`} asChild>
        <Press>Measure</Press>
      </Link>
    </Sheet>
  );
});

/** What of the page stands as it is planned while something is tried. */
const AsPlanned = memo(function AsPlanned({
  person,
  planned,
  units,
  children,
}: Pick<OnePoseProps, 'person' | 'planned' | 'units'> & { readonly children: ReactNode }) {
  return (
    <>
      <Sheet>
        <Title level={2}>Today</Title>
        {children}
        <Ways person={person} pose={planned.pose} side={planned.side} way={planned.way} />
        <Stages planned={planned} units={units} />
      </Sheet>
      <How planned={planned} />
      <Sheet>
        <Title level={2}>Around this pose</Title>
        <Around person={person.id} planned={planned} />
      </Sheet>
      <Sheet role="region" aria-label="At home">
        <Title level={2}>At home</Title>
        <AtHome person={person} planned={planned} units={units} />
      </Sheet>
    </>
  );
});

const OnAnother = memo(function OnAnother(of: OnePoseProps) {
  return (
    <Sheet role="region" aria-label="Another body">
      <Title level={2}>Another body</Title>
      <OtherBody {...of} />
    </Sheet>
  );
});

/** What was and what may come. */
const OverTime = memo(function OverTime(of: OnePoseProps) {
  return (
    <>
      <Ahead {...of} />
      <PoseChoices person={of.person} pose={of.planned.pose} />
      <Before person={of.person.id} planned={of.planned} />
    </>
  );
});

/** The figure, its rail to drag on, and what would be without support. */
const Seen = memo(function Seen({
  planned,
  person,
  estimates,
  shelf,
  units,
  tried,
}: OnePoseProps & { readonly tried: Tried }) {
  const { now, figure, inPose } = tried;
  // A stack tried down to the floor keeps its place on the rail, so that it can come up again.
  const shown = new Set(railColumns(planned).map(({ key }) => key));
  const columns = columnsOf(now.slots.filter((slot) => shown.has(slotKey(slot))));
  const short = figure.demands.filter(({ needDeg, haveDeg }) => needDeg > haveDeg + 0.5);
  return (
    <>
      <AsPicture name={poseTitle(planned)}>
        <PoseFigure
          planned={now}
          posture={figure.posture}
          over={
            tried.isTried
              ? (planned.posture as Posture)
              : solveFigure(inPose, estimates, {}).posture
          }
          {...{ person, shelf, units, columns }}
          demands={figure.demands}
          mostHeightPx={300}
          onMove={tried.moveTo}
          moveMostCm={TRY_MOST_CM}
          besideWords={
            tried.isTried
              ? 'The dashed figure is the plan.'
              : [
                  columns.length > 0 ? 'The dashed figure has no support.' : '',
                  figure.demands.length > 0 ? 'Degrees at a joint are what it still has.' : '',
                  columns.length > 0
                    ? 'Drag a support, or its top edge on the rail; or use the arrow keys.'
                    : '',
                ]
                  .filter(Boolean)
                  .join(' ')
          }
        />
      </AsPicture>
      <View role="status" aria-live="polite" className="gap-1">
        {tried.isTried ? <Words>{figureWords(now, units)}</Words> : null}
        {tried.isTried
          ? short.map(({ range, side, needDeg, haveDeg }) => (
              <Words key={range + side} className="text-rust">
                {rangeName(range)}, {side}: {degrees(needDeg - haveDeg)} more than there is.
              </Words>
            ))
          : null}
      </View>
    </>
  );
});

interface LayOutProps extends Pick<OnePoseProps, 'person' | 'planned'> {
  readonly tried: Tried;
  readonly laid: LaidPose | undefined;
}

/** What is tried can be laid out for the next session, or dropped. */
const LayOut = memo(function LayOut({ person, planned, tried, laid }: LayOutProps) {
  const dispatch = useOjasDispatch();
  const pose = placeKey(planned);
  const now = tried.isTried ? tried.asLaid() : undefined;
  const back = () => {
    tried.reset();
    if (laid) dispatch(poseTakenBack({ person: person.id, pose }));
  };
  return (
    <>
      {now && !sameValue(now, laid) ? (
        <Press
          kind="main"
          onPress={() => dispatch(poseLaid({ person: person.id, at: nowIso(), pose, ...now }))}
        >
          Use this next time
        </Press>
      ) : null}
      {laid ? <Words role="status">Used next time, as it stands here.</Words> : null}
      {laid ? (
        <YoursBeside
          {...{ person, planned }}
          lying={laid.settled}
          dials={laid.dials}
          isDrawn={tried.isTried}
        />
      ) : null}
      {tried.isTried || laid ? <Press onPress={back}>Back to the plan</Press> : null}
    </>
  );
});

/** How it is entered, looked at, held and left. */
function How({ planned }: Pick<OnePoseProps, 'planned'>) {
  const { entry, look, exit } = howOf(planned);
  const parts = [
    ['Enter', entry],
    ['Look', look],
    ['Come out', exit],
  ] as const;
  return (
    <Sheet role="region" aria-label="How">
      <Title level={2}>How</Title>
      {parts.map(([name, lines]) => (
        <View key={name} className="gap-1">
          <Title level={3}>{name}</Title>
          {lines.map((line) => (
            <Words key={line}>{line}</Words>
          ))}
        </View>
      ))}
      <Words>
        <Words className="font-semibold">Hold </Words>
        {planned.times === null
          ? `${minutes(planned.holdSeconds)} minutes`
          : countWords(planned, planned.times)}
      </Words>
    </Sheet>
  );
}

const MOST_BEFORE = 6;

/** What was done in this pose before, the last time first. */
function Before({ person, planned }: { readonly person: string; readonly planned: PlanPose }) {
  const sessions = useOjas((state) => selectSessionsOf(state, person));
  const times = sessions.flatMap(({ at, poses }) =>
    poses
      .filter(
        ({ pose, side }) => pose === planned.pose && (side === planned.side || side === 'both'),
      )
      .map((outcome) => ({ at, outcome })),
  );
  return (
    <Sheet role="region" aria-label="Before">
      <Title level={2}>Before</Title>
      {times.length === 0 ? <Words>Not practised yet.</Words> : null}
      {times
        .slice(-MOST_BEFORE)
        .reverse()
        .map(({ at, outcome }) => (
          <PoseLine key={at} title={date(at)} outcome={outcome} />
        ))}
      {times.length > MOST_BEFORE ? (
        <Aside>{times.length - MOST_BEFORE} earlier times are in the record.</Aside>
      ) : null}
    </Sheet>
  );
}
