import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { recordIn } from '@/core/recordIn';
import { timesOf } from '@/core/advise/progress';
import type { Person, Session } from '@/core/formats/book';
import type { Plan, PlanPose } from '@/core/formats/plan';
import { placeKey } from '@/core/advise/order';
import { overruledAs, overrules, type Overrule } from '@/core/advise/overrule';
import { isMoved, lies } from '@/core/lies';
import { inPoseOf } from '@/core/build/solve';
import { poseById } from '@/core/poses/poses';
import { poseLaid, poseTakenBack } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { date, length, withDoubt } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, slotName } from '@/ui/words/words';
import { nowIso, useOjas, useOjasDispatch, useUnits, useWords } from '../hooks';
import { useEstimates } from '../reckoned';
import { ActionMark } from '../plan/ActionMark';
import { PoseLine } from '../plan/PoseLine';
import { actionWords, poseTitle } from '../plan/words';
import { Yours } from '../plan/Yours';

interface DecisionsProps {
  readonly person: Person;
  readonly plan: Plan;
  readonly sessions: readonly Session[];
  readonly practised: ReadonlySet<string>;
}

/** What happens next time in each pose, on what evidence, and the teacher's own word instead. */
export function Decisions({ person, plan, sessions, practised }: DecisionsProps) {
  const poses = plan.poses.filter(({ posture, pose }) => posture !== null && practised.has(pose));
  return (
    <Sheet role="region" aria-label="Next time">
      <Title level={2}>Next time</Title>
      {poses.map((planned) => (
        <Decided key={placeKey(planned)} {...{ person, planned, sessions }} />
      ))}
    </Sheet>
  );
}

interface DecidedProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly sessions: readonly Session[];
}

function Decided({ person, planned, sessions }: DecidedProps) {
  const say = useWords();
  const [open, setOpen] = useState(false);
  const laid = useOjas(({ mat }) => recordIn(mat.laid, person.id)?.poses[placeKey(planned)]);
  const { decision } = planned;
  return (
    <View className="gap-1 border-t border-line pt-2">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Title level={3}>{poseTitle(planned)}</Title>
        <ActionMark word={decision.word} />
      </View>
      <HeightsNext planned={planned} />
      <Words>{say.reasons(decision.reasons)}</Words>
      {laid ? <Yours person={person} planned={planned} /> : null}
      <Press
        kind="quiet"
        className="-ml-4 self-start"
        aria-expanded={open}
        aria-label={`Why, or change it: ${poseTitle(planned)}`}
        onPress={() => setOpen(!open)}
      >
        {open ? 'Close' : 'Why, or change it'}
      </Press>
      {open ? <Evidence {...{ person, planned, sessions }} /> : null}
    </View>
  );
}

/** What will lie there, from what lay there last. */
function HeightsNext({ planned }: { readonly planned: PlanPose }) {
  const units = useUnits();
  const heights = planned.slots
    .filter(({ isLength, stackCm, lastCm }) => !isLength && (lies(stackCm) || lies(lastCm ?? 0)))
    .map((slot) => {
      const from = slot.lastCm !== null && isMoved(slot.stackCm - slot.lastCm);
      const to = lies(slot.stackCm) ? length(slot.stackCm, units) : 'nothing';
      return `${slotName(slot)} ${from ? `${length(slot.lastCm ?? 0, units)} → ` : ''}${to}`;
    });
  return heights.length === 0 ? null : (
    <Words className="font-semibold">{heights.join(' · ')}</Words>
  );
}

const MOST_TIMES = 4;

/**
 * The last times of the pose, what was seen in them, the readings it leans on; and what the teacher may say instead.
 */
function Evidence({ person, planned, sessions }: DecidedProps) {
  const dispatch = useOjasDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const estimates = useEstimates(person.id) ?? {};
  const laid = useOjas(({ mat }) => recordIn(mat.laid, person.id)?.poses[placeKey(planned)]);
  const times = timesOf(sessions, planned.pose, planned.side);
  const pose = placeKey(planned);
  const faults = new Map(poseById(planned.pose)?.faults.map(({ id, seen }) => [id, seen]));
  const leansOn = [...new Set(planned.demands.map(({ range }) => range))];
  const [why, setWhy] = useState(laid?.why ?? '');
  const instead = (word: Overrule) =>
    overruledAs(inPoseOf(person, planned, shelf), planned, times.at(-1)?.outcome, word);
  return (
    <View className="gap-2 rounded-md bg-well p-3">
      {times
        .slice(-MOST_TIMES)
        .reverse()
        .map(({ at, outcome }) => (
          <View key={at}>
            <PoseLine title={date(at)} outcome={outcome} />
            {outcome.faults.length > 0 ? (
              <Aside>Seen: {outcome.faults.map((id) => faults.get(id) ?? id).join('; ')}</Aside>
            ) : null}
          </View>
        ))}
      {leansOn.map((range) => {
        const [left, right] = (['left', 'right'] as const).map(
          (side) => estimates[`${range}:${side}` as keyof typeof estimates],
        );
        if (!left && !right) return null;
        return (
          <Aside key={range}>
            {rangeName(range)}:{' '}
            {[
              left ? `left ${withDoubt(left.mean, left.sd)}` : '',
              right ? `right ${withDoubt(right.mean, right.sd)}` : '',
            ]
              .filter((part) => part !== '')
              .join(', ')}
            {left?.lastAt ? `, read ${date(left.lastAt)}` : ', not read yet'}
          </Aside>
        );
      })}
      {planned.decision.word === 'rest' ? null : (
        <>
          <Words className="font-semibold">Instead, next time:</Words>
          <Field
            label="Why"
            hint="may stay open"
            value={why}
            onChangeText={setWhy}
            maxLength={400}
          />
          <View className="flex-row flex-wrap gap-2">
            {overrules.map((word) => {
              const other = word === planned.decision.word ? null : instead(word);
              const change = other?.changes[0];
              return change && other ? (
                <Press
                  key={word}
                  aria-label={`${actionWords[word].words}: ${poseTitle(planned)}`}
                  onPress={() =>
                    dispatch(
                      poseLaid({
                        person: person.id,
                        at: nowIso(),
                        pose,
                        ...other,
                        ...(why.trim() === '' ? {} : { why: why.trim() }),
                      }),
                    )
                  }
                >
                  {`${actionWords[word].words}: ${slotName(change).toLowerCase()} ${length(change.toCm, units)}`}
                </Press>
              ) : null;
            })}
            {laid ? (
              <Press
                kind="quiet"
                onPress={() => dispatch(poseTakenBack({ person: person.id, pose }))}
              >
                As proposed, after all
              </Press>
            ) : null}
          </View>
          <Aside>
            What you say against the advice is laid out for the next session, and learned from as
            your word.
          </Aside>
        </>
      )}
      <Link
        href={`/students/${person.id}/poses/${planned.pose}?side=${planned.side}` as '/students'}
        className="min-h-12 py-3 font-text text-base text-thread underline"
      >
        The whole working
      </Link>
    </View>
  );
}
