import { View } from 'react-native';
import {
  choiceKey,
  choicesFor,
  gateKey,
  questions,
  wayKey,
  type QuestionId,
} from '@/core/approaches/approaches';
import type { PlanPose } from '@/core/formats/plan';
import type { Person } from '@/core/formats/book';
import { poseById } from '@/core/poses/poses';
import type { ReadingSide } from '@/core/ranges/ranges';
import { refusalOfWay } from '@/core/safety/verdict';
import { edit } from '@/store/facts';
import { commit } from '@/store/store';
import { Chips, Press } from '@/ui/Press';
import { Title, Words } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';
import { poseName } from './words';

const AS_BEFORE = 'as-before';

/** Keeps one choice of a student, or takes it back where none is given. */
function useChoice(person: Person, key: string) {
  const dispatch = useOjasDispatch();
  return (words: string, choice: string | null) =>
    void dispatch(
      commit({
        words: `${person.name}, ${words}`,
        put: [],
        remove: [],
        edit: [
          edit('people', person.id, (now) => {
            const { [key]: _before, ...others } = now.choices;
            return { ...now, choices: choice === null ? others : { ...others, [key]: choice } };
          }),
        ],
      }),
    );
}

interface ChoiceProps {
  readonly person: Person;
  readonly question: QuestionId;
  /** For this pose alone, or for all where it is left out. */
  readonly pose?: string;
}

/** One question on which teachers differ: as the approach has it, or set for this student, or for one pose alone. */
export function Choice({ person, question, pose }: ChoiceProps) {
  const { asks, choices } = questions[question];
  const words: Readonly<Record<string, string>> = choices;
  const key = choiceKey(question, pose);
  const keep = useChoice(person, key);
  const { [key]: own, ...rest } = person.choices;
  // What holds when nothing is set here.
  const inherited = choicesFor(person.approach, rest, pose)[question];
  const choose = (id: string) =>
    keep(
      `${pose ? `${poseName(pose)}: ` : ''}${id === AS_BEFORE ? words[inherited] : words[id]}`,
      id === AS_BEFORE ? null : id,
    );
  return (
    <View className="gap-1">
      <Words className="font-semibold">{asks}</Words>
      <Chips
        label={asks}
        chosen={own ?? AS_BEFORE}
        onChoose={choose}
        options={[
          {
            id: AS_BEFORE,
            words: `${pose ? 'As for this student' : 'As the approach'}: ${(words[inherited] ?? '').toLowerCase()}`,
          },
          ...Object.entries(words).map(([id, one]) => ({ id, words: one })),
        ]}
      />
    </View>
  );
}

interface WaysProps {
  readonly person: Person;
  readonly pose: string;
  readonly side: ReadingSide;
  /** The way that is planned. */
  readonly way: string;
}

/** The ways of setting up a pose, one tap each; what is chosen stays for this student. */
export function Ways({ person, pose: id, side, way }: WaysProps) {
  const choose = useChoice(person, wayKey(id));
  const pose = poseById(id);
  const ways = (pose?.ways ?? []).filter(
    (one) => pose && refusalOfWay(pose, one, side, person.cautions) === null,
  );
  if (ways.length < 2 || way === '') return null;
  return (
    <Chips
      label={`Ways of ${poseName(id)}`}
      chosen={way}
      onChoose={(chosen) =>
        choose(`${poseName(id)}: ${ways.find((one) => one.id === chosen)?.name ?? chosen}`, chosen)
      }
      options={ways.map(({ id: one, name }) => ({ id: one, words: name }))}
    />
  );
}

/** What opens a pose that is not offered yet: it was practised elsewhere, or the teacher opens it on purpose. */
export function Gate({ person, planned }: { readonly person: Person; readonly planned: PlanPose }) {
  const choose = useChoice(person, gateKey(planned.pose));
  const asks = (code: string) => planned.reasons.some((one) => one.code === code);
  const name = poseName(planned.pose);
  if (!asks('gate-record') && !asks('gate-range')) return null;
  return (
    <View className="flex-row flex-wrap gap-2">
      {asks('gate-record') ? (
        <Press onPress={() => choose(`${name}: practised elsewhere`, 'practised')}>
          Practised elsewhere
        </Press>
      ) : null}
      {asks('gate-range') ? (
        <Press onPress={() => choose(`${name}: opened on purpose`, 'open')}>
          Offer it all the same
        </Press>
      ) : null}
    </View>
  );
}

/** The questions that change one pose. */
export function PoseChoices({ person, pose }: { readonly person: Person; readonly pose: string }) {
  const asked = poseById(pose)?.asks ?? [];
  if (asked.length === 0) return null;
  return (
    <View className="gap-3 rounded-md bg-well p-3">
      <Title level={3}>For this pose alone</Title>
      {asked.map((question) => (
        <Choice key={question} person={person} question={question} pose={pose} />
      ))}
    </View>
  );
}
