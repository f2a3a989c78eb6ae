import { Link } from 'expo-router';
import { View } from 'react-native';
import { worthReading } from '@/core/advise/visit';
import { placeKey } from '@/core/advise/order';
import type { Person } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import type { Trial } from '@/core/learn/trialLadder';
import { stackWords } from '@/core/props/stack';
import { recordIn } from '@/core/recordIn';
import { slotKey, slotRefOf } from '@/core/slots';
import { selectRecord, selectSessionsOf, selectShelf } from '@/store/selectors';
import { decidesWords } from '@/ui/decides';
import { inSentence, length } from '@/ui/format';
import { rungWords } from '@/ui/rungWords';
import { Aside, Words } from '@/ui/Words';
import { rangeName, slotName, wordsIn } from '@/ui/words/words';
import { useOjas, useUnits } from '../hooks';
import { ActionMark } from '../plan/ActionMark';
import { PoseGlance } from '../plan/PoseFigure';
import { poseTitle } from '../plan/words';
import { Yours } from '../plan/Yours';
import { useVisitWork } from './useVisitWork';

/** What is worth reading of a student who comes, what changes since last time, and what lies there as the teacher wants it. */
export function ComerWork({ person }: { readonly person: Person }) {
  const { id } = person;
  const work = useVisitWork(id);
  const hasSessions = useOjas((state) => selectSessionsOf(state, id).length > 0);
  const laid = useOjas(({ mat }) => recordIn(mat.laid, id)?.poses);
  const isRead = useOjas((state) => (selectRecord(state, id)?.readings.length ?? 0) > 0);
  if (!work) return <Aside>Reckoning what changes…</Aside>;
  const { plan, worth } = work;
  const moves = plan.poses.filter(
    ({ decision, posture }) =>
      posture !== null && ['lower', 'raise', 'rest'].includes(decision.action),
  );
  return (
    <>
      <Check plan={plan} />
      {moves.length === 0 ? (
        <Words>
          {hasSessions
            ? 'Everything stays as it was.'
            : isRead
              ? 'Built from the measurements.'
              : 'Nothing is read yet: built from what is usual for this height.'}
        </Words>
      ) : (
        moves.map((planned) => (
          <Move key={`${planned.pose}/${planned.side}`} person={person} planned={planned} />
        ))
      )}
      {worth ? <WorthTrying {...worth} plan={plan} /> : null}
      {plan.poses
        .filter((planned) => laid?.[placeKey(planned)])
        .map((planned) => (
          <View key={placeKey(planned)}>
            <Words className="font-semibold">{poseTitle(planned)}</Words>
            <Yours person={person} planned={planned} />
          </View>
        ))}
    </>
  );
}

interface WorthTryingProps {
  readonly place: string;
  readonly trial: Trial;
  readonly plan: Plan;
}

/** The one height that is worth finding on the mat today. */
function WorthTrying({ place, trial, plan }: WorthTryingProps) {
  const units = useUnits();
  const planned = plan.poses.find((one) => placeKey(one) === place);
  const first = trial.tries[1];
  if (!planned || !first) return null;
  return (
    <Words>
      Worth trying on the mat: in {poseTitle(planned)} the{' '}
      {inSentence(slotName(slotRefOf(trial.slot)))} could come down to{' '}
      {length(first.heightCm, units)}.
    </Words>
  );
}

/** The one range that today's poses lean on most and that is least sure. */
function Check({ plan }: { readonly plan: Plan }) {
  const [first] = worthReading(plan);
  if (!first) return null;
  return (
    <Words>
      Check first: {rangeName(first.range).toLowerCase()}
      {first.side === 'both' ? '' : `, ${first.side}`}{' '}
      <Words className="text-faint">({decidesWords(first.decides)})</Words>
    </Words>
  );
}

/** What changes in one pose, with its figure beside it; its page is one tap away. */
function Move({ person, planned }: { readonly person: Person; readonly planned: PlanPose }) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const slot = planned.slots.find(
    (one) =>
      one.action === planned.decision.action &&
      slotKey(one).startsWith(planned.decision.slot ?? '-'),
  );
  const rung = slot?.last ? rungWords(slot.last, slot.stack, shelf) : null;
  const step = rung && inSentence(rung);
  return (
    <View className="gap-1 border-t border-line pt-2">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Link
          href={`/students/${person.id}/poses/${planned.pose}?side=${planned.side}` as '/students'}
          className="min-h-12 py-3 font-text text-base font-semibold text-thread underline"
        >
          {poseTitle(planned)}
        </Link>
        <ActionMark word={planned.decision.word} />
      </View>
      <View className="flex-row flex-wrap items-center gap-3">
        {planned.posture ? (
          <View style={{ width: GLANCE_PX.width, height: GLANCE_PX.height }}>
            <PoseGlance
              planned={planned}
              posture={planned.posture}
              person={person}
              shelf={shelf}
              units={units}
              mostHeightPx={GLANCE_PX.height}
            />
          </View>
        ) : null}
        <View className="min-w-40 flex-1 gap-1">
          {slot && slot.lastCm !== null ? (
            <>
              <Words>
                {slotName(slot)} {length(slot.lastCm, units)} → {length(slot.stackCm, units)}:{' '}
                {step ?? stackWords(slot.stack, shelf)}
              </Words>
              {step ? <Aside>Then it is {stackWords(slot.stack, shelf)}.</Aside> : null}
            </>
          ) : null}
          <Aside>{wordsIn(units).reasons(planned.decision.reasons)}</Aside>
        </View>
      </View>
    </View>
  );
}
/** Room for a figure beside what changes: it is free before the figure is there. */
const GLANCE_PX = { width: 150, height: 120 } as const;
