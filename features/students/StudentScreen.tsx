import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { tapedLengths } from '@/core/body/lengths';
import {
  approaches,
  isKnownChoice,
  questions,
  type QuestionId,
} from '@/core/approaches/approaches';
import type { Estimates, RangeEstimate } from '@/core/estimate/estimate';
import { ranges, splitKey } from '@/core/ranges/ranges';
import { cautionById } from '@/core/safety/cautions';
import type { Person } from '@/core/formats/book';
import { editFields } from '@/store/facts';
import { selectReadingsOf, selectSessionsOf } from '@/store/selectors';
import { commit, recordNow } from '@/store/store';
import { length } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { RangeBar } from '@/ui/RangeBar';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, usePerson, useUnits, useWords } from '../hooks';
import { useWayOn } from '../useWayOn';
import { useEstimates } from '../reckoned';
import { saveStudent } from '../data/saveBook';
import { Choice } from '../plan/PoseChoices';
import { StudentForm, type PersonFields } from '../forms/StudentForm';
import { StudentTabs } from './StudentTabs';
import { ApproachEffect } from './ApproachEffect';
import { NoStudent } from './NoStudent';

const questionIds = Object.keys(questions) as QuestionId[];

/** One student: who they are, what is known of their ranges, and what to mind. */
export function StudentScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const estimates = useEstimates(id);
  const readings = useOjas((state) => selectReadingsOf(state, id));
  const sessions = useOjas((state) => selectSessionsOf(state, id));
  const dispatch = useOjasDispatch();
  const wayOn = useWayOn();
  const units = useUnits();
  /** The student as they were when the form was opened. */
  const [editing, setEditing] = useState<Person | null>(null);
  if (!person || !estimates) return <NoStudent />;

  const save = async ({ birthYear, ...fields }: PersonFields) => {
    const opened = editing ?? person;
    const { birthYear: _before, ...rest } = opened;
    const left = { ...rest, ...fields, ...(birthYear === undefined ? {} : { birthYear }) };
    const outcome = await dispatch(
      commit({
        words: `${fields.name} changed`,
        put: [],
        edit: [editFields('people', opened, left)],
        remove: [],
      }),
    );
    // Refused for a change made elsewhere: what it says by now is what the next save starts from.
    setEditing(outcome.ok ? null : (dispatch(recordNow('people', id)) ?? null));
  };
  const remove = async () => {
    const outcome = await dispatch(
      commit({
        words: `${person.name} removed, with ${readings.length} readings and ${sessions.length} sessions`,
        put: [],
        remove: [{ kind: 'people', id }],
      }),
    );
    if (outcome.ok) wayOn('/students');
  };
  return (
    <Screen
      title={person.name}
      foot={
        <Link href={`/students/${id}/measure`} asChild>
          <Press kind="main">Measure</Press>
        </Link>
      }
    >
      <StudentTabs id={id} here="student" />
      <Words>
        {length(person.statureCm, units)}
        {person.birthYear ? ` · born ${person.birthYear}` : ''} · {approaches[person.approach].name}
      </Words>
      <ToMind person={person} />
      <Ranges estimates={estimates} />
      <Choices person={person} />
      <Lengths person={person} />
      <AsFile person={person} />
      {editing ? (
        <Sheet>
          <StudentForm
            person={editing}
            units={units}
            saveWords="Save"
            onSave={save}
            effectOf={(approach) => <ApproachEffect person={person} approach={approach} />}
          />
        </Sheet>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={() => setEditing(editing ? null : person)}>
          {editing ? 'Leave as it was' : 'Change name, height, approach'}
        </Press>
        <Press kind="warn" onPress={remove}>
          Remove student
        </Press>
      </View>
    </Screen>
  );
}

interface OfPerson {
  readonly person: Person;
}

/** What is known of one student as a file, to be given to them, to a therapist or to another teacher. */
function AsFile({ person }: OfPerson) {
  const dispatch = useOjasDispatch();
  const [withAnswers, setWithAnswers] = useState(false);
  return (
    <Sheet role="region" aria-label="Their record as a file">
      <Title level={2}>Their record as a file</Title>
      <Words>
        Readings, sessions and visits of {person.name} alone, to be given along or opened by another
        teacher. Nobody else is named in it.
      </Words>
      <Tick checked={withAnswers} onToggle={() => setWithAnswers(!withAnswers)}>
        With the answers on health, and notes
      </Tick>
      <Press onPress={() => dispatch(saveStudent(person.id, withAnswers))}>Save the file</Press>
    </Sheet>
  );
}

/** What was answered with yes at intake. */
function ToMind({ person }: OfPerson) {
  const say = useWords();
  const yes = person.cautions.filter(({ answer }) => answer === 'yes');
  return (
    <Sheet>
      <Title level={2}>To mind</Title>
      {yes.length === 0 ? (
        <Words>Nothing answered with yes.</Words>
      ) : (
        yes.map(({ id: caution, side }) => (
          <Words key={caution}>
            {cautionById(caution)
              ? say.caution(caution).name
              : `“${caution}”, not known to this version: ask before any pose`}
            {side && side !== 'both' ? `, ${side}` : ''}
          </Words>
        ))
      )}
      <Link href={`/students/${person.id}/intake`} asChild>
        <Press>Questions and answers</Press>
      </Link>
    </Sheet>
  );
}

/** What was read of each range, as bars on what is usual. */
function Ranges({ estimates }: { readonly estimates: Estimates }) {
  const known = Object.values(estimates).filter((one): one is RangeEstimate => one !== undefined);
  const measured = known.filter(({ source }) => source !== 'assumed');
  return (
    <Sheet>
      <Title level={2}>Mobility</Title>
      {measured.length === 0 ? (
        <Words>
          Nothing measured yet: everything is assumed from what is usual, and the plan’s bands are
          wide.
        </Words>
      ) : null}
      <View className="gap-3">
        {measured.map((estimate) => (
          <RangeBar
            key={estimate.key}
            estimate={estimate}
            range={ranges[splitKey(estimate.key).id]}
            side={splitKey(estimate.key).side}
          />
        ))}
      </View>
      {measured.length > 0 ? (
        <Aside>{known.length - measured.length} more are assumed.</Aside>
      ) : null}
    </Sheet>
  );
}

/** The approach, and the choices that are set for this student alone. */
function Choices({ person }: OfPerson) {
  const [choosing, setChoosing] = useState(false);
  const chosen = Object.entries(person.choices);
  const own = chosen.filter(([key, choice]) => isKnownChoice(key, choice)).length;
  const strange = chosen.filter(([key, choice]) => !isKnownChoice(key, choice));
  return (
    <Sheet>
      <Title level={2}>Where teachers disagree</Title>
      <Words>
        {approaches[person.approach].name}: {approaches[person.approach].inShort}
      </Words>
      <Aside>
        {own === 0
          ? 'Every choice is the approach’s.'
          : `${own} ${own === 1 ? 'choice is' : 'choices are'} set for this student alone.`}{' '}
        A choice for one pose is set on its own page, opened from the plan.
      </Aside>
      {strange.length > 0 ? (
        <Aside>
          Kept from another version and not used here:{' '}
          {strange.map(([key, choice]) => `${key} = ${choice}`).join(', ')}.
        </Aside>
      ) : null}
      <Press aria-expanded={choosing} onPress={() => setChoosing(!choosing)}>
        {choosing ? 'Hide the choices' : 'Choices'}
      </Press>
      {choosing
        ? questionIds.map((question) => (
            <Choice key={question} person={person} question={question} />
          ))
        : null}
    </Sheet>
  );
}

function Lengths({ person }: OfPerson) {
  const taped = Object.keys(person.bodyCm).length;
  return (
    <Sheet>
      <Title level={2}>Proportions</Title>
      <Words>
        {taped === 0
          ? 'Every length comes from the height.'
          : `${taped} of ${tapedLengths.length} lengths are taped; the rest come from the height.`}
      </Words>
      <Link href={`/students/${person.id}/proportions`} asChild>
        <Press>Tape the lengths</Press>
      </Link>
    </Sheet>
  );
}
