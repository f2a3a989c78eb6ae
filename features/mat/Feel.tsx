import { View } from 'react-native';
import { timesOf } from '@/core/advise/progress';
import type { FeltPlace } from '@/core/formats/book';
import { wentWell } from '@/core/learn/decide';
import { poseById } from '@/core/poses/poses';
import { poseOr } from '@/core/prepare/prepare';
import { purposeOf } from '@/core/props/slots';
import { wasTimed } from '@/store/mat';
import { selectSessionsOf } from '@/store/selectors';
import { minutes } from '@/ui/format';
import { countWords } from '@/ui/words/counted';
import { Field } from '@/ui/Field';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas } from '../hooks';
import { places, strengths } from '../plan/felt';
import { BodyOutline } from './BodyOutline';
import { FeltAnswer } from './FeltAnswer';
import type { OnTheMat } from './mend';
import type { Felt } from './session';

/** What nobody looked at is left out of the record: it speaks neither way. */
const NOT_LOOKED = { id: 'unseen', words: 'Not looked at' } as const;
const pelvises = [
  NOT_LOOKED,
  { id: 'upright', words: 'Upright' },
  { id: 'rolled', words: 'Rolled back' },
  { id: 'arched', words: 'Low back arched' },
] as const;
const lists = [
  NOT_LOOKED,
  { id: 'none', words: 'No' },
  { id: 'left', words: 'Left' },
  { id: 'right', words: 'Right' },
] as const;
const breaths = [NOT_LOOKED, { id: 'easy', words: 'Easy' }, { id: 'held', words: 'Held' }] as const;

/** How long it was held, where nobody timed it: as planned is what the record takes by itself. */
const untimed = [
  { id: 'whole', words: 'As planned', share: null },
  { id: 'half', words: 'About half', share: 0.5 },
  { id: 'hardly', words: 'Hardly', share: 0 },
] as const;

/** What is said of a pose before it is recorded; null where nothing is yet. */
export interface Said {
  readonly place: FeltPlace | null;
  readonly spot: string | null;
  readonly strength: string | null;
  readonly pelvis: (typeof pelvises)[number]['id'];
  readonly breath: (typeof breaths)[number]['id'];
  readonly list: (typeof lists)[number]['id'];
  readonly held: (typeof untimed)[number]['id'];
  readonly note: string;
}
export const nothingSaid: Said = {
  place: null,
  spot: null,
  strength: null,
  pelvis: 'unseen',
  breath: 'unseen',
  list: 'unseen',
  held: 'whole',
  note: '',
};

/** What is still to be said before a pose is recorded. */
export const missingIn = ({ place, strength }: Said): readonly string[] => [
  ...(place === null ? ['where it was felt'] : []),
  ...(strength === null ? ['how strong'] : []),
];

/** What is recorded of what was said; null while something is missing. */
export function feltOf({ place, spot, strength, pelvis, breath, list, note }: Said): Felt | null {
  if (place === null || strength === null) return null;
  return {
    feeling: { strength: Number(strength), place, ...(spot === null ? {} : { spot }) },
    ...(pelvis === 'unseen' ? {} : { pelvis }),
    ...(breath === 'unseen' ? {} : { breath }),
    ...(list === 'unseen' ? {} : { list }),
    ...(note.trim() === '' ? {} : { note: note.trim() }),
  };
}

/** Seconds that it was held where the timer did not run and it was not as planned. */
export const heldAsSaid = (
  { held }: Said,
  { planned, mat }: Pick<OnTheMat, 'planned' | 'mat'>,
): number | undefined => {
  const share = untimed.find(({ id }) => id === held)?.share ?? null;
  return share === null || wasTimed(mat) ? undefined : Math.round(share * planned.holdSeconds);
};

interface FeelProps {
  readonly onMat: OnTheMat;
  readonly exit: readonly string[];
  readonly said: Said;
  readonly onSay: (said: Said) => void;
  readonly onRecord: (felt: Felt) => void;
}

/**
 * Where the last time went well, that it was the same is one tap: of pelvis and breath nothing is said. A complaint is
 * never the same without being said.
 */
function AsLastTime({ onMat: { planned, mat }, onRecord }: Pick<FeelProps, 'onMat' | 'onRecord'>) {
  const sessions = useOjas((state) => selectSessionsOf(state, mat.person));
  const last = timesOf(sessions, planned.pose, planned.side).at(-1)?.outcome;
  if (!last || !wentWell(last)) return null;
  const { strength, place } = last.feeling;
  if (strength === undefined || place === undefined) return null;
  const where = places.find(({ id }) => id === place)?.words.toLowerCase() ?? '';
  return (
    <Press onPress={() => onRecord({ feeling: { strength, place } })}>
      {`As last time, ${strength} of 10 ${where}: record it`}
    </Press>
  );
}

const MOST_LETTERS = 4000;

/** Where and how strong: two taps; the rest stands as it usually is. */
export function Feel({ onMat, exit, said, onSay, onRecord }: FeelProps) {
  const { planned, mat } = onMat;
  const { place, spot, strength, pelvis, breath, list, held } = said;
  const say = (more: Partial<Said>) => onSay({ ...said, ...more });
  const { family } = poseOr(planned.pose);
  const tilts = planned.slots.some(({ slot }) => purposeOf(slot, family) === 'tilt');
  const counter = planned.around.after.flatMap((id) => poseById(id)?.name ?? []);
  return (
    <>
      <Sheet>
        <Title level={2}>Out of the pose</Title>
        {exit.map((cue, i) => (
          <Words key={cue}>
            {i + 1}. {cue}
          </Words>
        ))}
        {counter.length > 0 ? <Aside>Afterwards: {counter.join(', ')}.</Aside> : null}
      </Sheet>
      <Sheet>
        <Title level={2}>How was it?</Title>
        <AsLastTime onMat={onMat} onRecord={onRecord} />
        <View className="gap-1">
          <Words>Where was the feeling?</Words>
          <BodyOutline chosen={spot} onChoose={(at, kind) => say({ spot: at, place: kind })} />
          {spot === null ? null : <FeltAnswer {...onMat} spot={spot} />}
          <Chips
            label="Where was the feeling"
            options={places}
            chosen={place}
            onChoose={(kind) => say({ place: kind, ...(kind === 'none' ? { spot: null } : {}) })}
          />
          {place === 'joint' ? (
            <Words role="status" className="font-semibold text-rust">
              A joint spoke: ease it or leave the pose. Nothing comes down today.
            </Words>
          ) : null}
        </View>
        <View className="gap-1">
          <Words>How strong, out of ten?</Words>
          <Chips
            label="How strong out of ten"
            options={strengths}
            chosen={strength}
            onChoose={(to) => say({ strength: to })}
            asScale
          />
        </View>
        {wasTimed(mat) ? null : (
          <View className="gap-1">
            <Words>
              Held, not timed:{' '}
              {planned.times === null
                ? minutes(planned.holdSeconds)
                : countWords(planned, planned.times)}
            </Words>
            <Chips
              label="Held, not timed"
              options={untimed}
              chosen={held}
              onChoose={(to) => say({ held: to })}
            />
          </View>
        )}
        <View className="gap-1">
          <Words>The pelvis</Words>
          <Chips
            label="The pelvis"
            options={pelvises}
            chosen={pelvis}
            onChoose={(to) => say({ pelvis: to })}
          />
          {tilts && pelvis === 'unseen' ? (
            <Aside>What tilts the pelvis learns nothing from a pelvis that nobody looked at.</Aside>
          ) : null}
        </View>
        <View className="gap-1">
          <Words>Leans to a side</Words>
          <Chips
            label="Leans to a side"
            options={lists}
            chosen={list}
            onChoose={(to) => say({ list: to })}
          />
        </View>
        <View className="gap-1">
          <Words>The breath</Words>
          <Chips
            label="The breath"
            options={breaths}
            chosen={breath}
            onChoose={(to) => say({ breath: to })}
          />
        </View>
        <Field
          label="Note, of this pose"
          value={said.note}
          onChangeText={(note) => say({ note })}
          maxLength={MOST_LETTERS}
          multiline
        />
      </Sheet>
    </>
  );
}
