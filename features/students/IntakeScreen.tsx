import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { CautionAnswer, Person } from '@/core/formats/book';
import { cautionById, cautions, type Caution } from '@/core/safety/cautions';
import { isAskedOf } from '@/core/safety/verdict';
import { isDay } from '@/core/formats/time';
import type { SpotId } from '@/core/spots';
import { edit } from '@/store/facts';
import { commit } from '@/store/store';
import { capital, date } from '@/ui/format';
import { DayField } from '@/ui/DayField';
import { Chips, Press, Tick } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { nowIso, todayIso, useOjasDispatch, usePerson, useWords } from '../hooks';
import { NoStudent } from './NoStudent';

const answers = [
  { id: 'yes', words: 'Yes' },
  { id: 'no', words: 'No' },
  { id: 'unanswered', words: 'Not asked' },
] as const;
const sideOptions = [
  { id: 'left', words: 'Left' },
  { id: 'right', words: 'Right' },
  { id: 'both', words: 'Both' },
] as const;

const answerTo = (person: Person, id: string) =>
  person.cautions.filter((one) => one.id === id).at(-1);

/** The questions that come before any measuring. */
export function IntakeScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const say = useWords();
  const dispatch = useOjasDispatch();
  if (!person) return <NoStudent />;
  /** Answers some questions; those given meanwhile in another tab stay. */
  const keep = (given: readonly CautionAnswer[], words: string) =>
    dispatch(
      commit({
        words,
        put: [],
        remove: [],
        edit: [
          edit('people', id, (now) => ({
            ...now,
            cautions: [
              ...now.cautions.filter((one) => !given.some((own) => own.id === one.id)),
              ...given,
            ],
          })),
        ],
      }),
    );
  const answer = (caution: Caution, changes: Partial<CautionAnswer>) => {
    const before = answerTo(person, caution.id);
    const now: CautionAnswer = {
      ...(before ?? { id: caution.id, answer: 'unanswered' as const }),
      at: nowIso(),
      ...changes,
    };
    return keep(
      [now],
      `${say.caution(caution.id).name}: ${answers.find((one) => one.id === now.answer)?.words.toLowerCase()}`,
    );
  };
  const asked = cautions.filter(
    ({ id: one }) => isAskedOf(one, person.sex) || answerTo(person, one) !== undefined,
  );
  const open = asked.filter(
    (one) => (answerTo(person, one.id)?.answer ?? 'unanswered') === 'unanswered',
  );
  const strange = person.cautions.filter(
    (one) => one.answer === 'yes' && cautionById(one.id) === undefined,
  );
  const noToRest = () =>
    keep(
      open.map((one): CautionAnswer => ({ id: one.id, answer: 'no', at: nowIso() })),
      `${open.length} questions answered no`,
    );
  return (
    <Screen
      title={`Questions for ${person.name}`}
      foot={
        <Link href={`/students/${id}/measure`} asChild>
          <Press kind="main">On to measuring</Press>
        </Link>
      }
    >
      <Words>
        Ask each one aloud. What is not asked stays open and shows on every plan: unknown is not
        “no”. The answers stay on this device.
      </Words>
      {open.length > 0 ? (
        <Press onPress={noToRest}>All asked: no to the remaining {open.length}</Press>
      ) : null}
      {strange.map((one) => (
        <Sheet key={one.id}>
          <Title level={2}>“{one.id}”</Title>
          <Words>
            Answered yes in records of another version, and not known here: ask before any pose. It
            is kept as it is.
          </Words>
        </Sheet>
      ))}
      {asked.map((caution) => (
        <Question
          key={caution.id}
          caution={caution}
          answer={answerTo(person, caution.id)}
          onAnswer={(changes) => void answer(caution, changes)}
        />
      ))}
    </Screen>
  );
}

interface QuestionProps {
  readonly caution: Caution;
  readonly answer: CautionAnswer | undefined;
  readonly onAnswer: (changes: Partial<CautionAnswer>) => void;
}

function Question({ caution, answer, onAnswer }: QuestionProps) {
  const said = answer?.answer ?? 'unanswered';
  const say = useWords();
  const { name, question, refer } = say.caution(caution.id);
  const asks = caution.rules.some(({ does }) => does === 'ask-first');
  return (
    <Sheet>
      <Title level={2}>{question}</Title>
      <Chips
        label={name}
        options={answers}
        chosen={said}
        onChoose={(choice) =>
          onAnswer({
            answer: choice,
            ...(choice === 'yes' && caution.sided ? { side: answer?.side ?? 'both' } : {}),
          })
        }
      />
      {said === 'yes' ? (
        <View className="gap-3">
          {caution.sided ? (
            <Chips
              label="Which side"
              options={sideOptions}
              chosen={answer?.side ?? 'both'}
              onChoose={(side) => onAnswer({ side })}
            />
          ) : null}
          {caution.spots ? (
            <Where
              spots={caution.spots}
              said={answer?.spots ?? []}
              onSay={(spots) => onAnswer({ spots })}
            />
          ) : null}
          {asks ? (
            <GoAhead
              goAheadAt={answer?.goAheadAt}
              onNote={(goAheadAt) => onAnswer({ goAheadAt })}
            />
          ) : null}
          {say.rules(caution.id, answer?.spots).map((words) => (
            <Words key={words}>{words}</Words>
          ))}
          <Aside>{refer}</Aside>
        </View>
      ) : null}
    </Sheet>
  );
}

/** Where it hurts, as many places as are said; what is done for each follows in the rules below. */
function Where({
  spots,
  said,
  onSay,
}: {
  readonly spots: readonly SpotId[];
  readonly said: readonly string[];
  readonly onSay: (spots: string[]) => void;
}) {
  const say = useWords();
  return (
    <View role="group" aria-label="Where it hurts">
      <Words>Where does it hurt? Nothing said: it is spared everywhere alike.</Words>
      {spots.map((spot) => {
        const is = said.includes(spot);
        return (
          <Tick
            key={spot}
            checked={is}
            onToggle={() => onSay(is ? said.filter((one) => one !== spot) : [...said, spot])}
          >
            {capital(say.spot(spot))}
          </Tick>
        );
      })}
    </View>
  );
}

function GoAhead({
  goAheadAt,
  onNote,
}: {
  readonly goAheadAt: string | undefined;
  readonly onNote: (at: string | undefined) => void;
}) {
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState<string>();
  if (goAheadAt)
    return (
      <View className="flex-row flex-wrap items-center gap-3">
        <Words>Written go-ahead of {date(goAheadAt)}.</Words>
        <Press onPress={() => onNote(undefined)}>Take it back</Press>
      </View>
    );
  const note = () => {
    if (!isDay(typed)) return setFault('Choose the date that it bears.');
    if (typed > todayIso())
      return setFault(`${typed} is after today: a go-ahead has to be written first.`);
    setFault(undefined);
    return onNote(typed);
  };
  return (
    <View className="gap-2">
      <DayField
        label="Date of the written go-ahead"
        value={typed}
        onChange={setTyped}
        most={todayIso()}
        fault={fault}
      />
      <Press onPress={note}>Note the go-ahead</Press>
    </View>
  );
}
