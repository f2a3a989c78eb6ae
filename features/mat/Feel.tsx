import { useState } from 'react';
import { View } from 'react-native';
import type { FeltPlace, SessionPose } from '@/core/formats/book';
import { poseById } from '@/core/poses/poses';
import { wasTimed } from '@/store/mat';
import { minutes } from '@/ui/format';
import { countWords } from '@/ui/words/counted';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { places, strengths } from '../plan/felt';
import { BodyOutline } from './BodyOutline';
import { FeltAnswer } from './FeltAnswer';
import type { OnTheMat } from './mend';
import type { Felt } from './session';

const pelvises = [
  { id: 'upright', words: 'Upright' },
  { id: 'rolled', words: 'Rolled back' },
  { id: 'arched', words: 'Low back arched' },
] as const;
const lists = [
  { id: 'none', words: 'No' },
  { id: 'left', words: 'Left' },
  { id: 'right', words: 'Right' },
] as const;
const breaths = [
  { id: 'easy', words: 'Easy' },
  { id: 'held', words: 'Held' },
] as const;

interface FeelProps {
  readonly onMat: OnTheMat;
  readonly exit: readonly string[];
  readonly last: boolean;
  /** What was felt, and how long it was held where the timer did not run and it was not as planned. */
  readonly onRecord: (felt: Felt, heldAs?: number) => Promise<void>;
}

/** How long it was held, where nobody timed it: as planned is what the record takes by itself. */
const untimed = [
  { id: 'whole', words: 'As planned', share: null },
  { id: 'half', words: 'About half', share: 0.5 },
  { id: 'hardly', words: 'Hardly', share: 0 },
] as const;

/** Where and how strong: two taps; the rest stands as it usually is. */
export function Feel({ onMat, exit, last, onRecord }: FeelProps) {
  const { planned, mat } = onMat;
  const [held, setHeld] = useState<(typeof untimed)[number]['id']>('whole');
  const isTimed = wasTimed(mat);
  const share = isTimed ? null : (untimed.find(({ id }) => id === held)?.share ?? null);
  const [place, setPlace] = useState<FeltPlace | null>(null);
  const [spot, setSpot] = useState<string | null>(null);
  const [strength, setStrength] = useState<string | null>(null);
  const [pelvis, setPelvis] = useState<NonNullable<SessionPose['pelvis']>>('upright');
  const [breath, setBreath] = useState<NonNullable<SessionPose['breath']>>('easy');
  const [list, setList] = useState<NonNullable<SessionPose['list']>>('none');
  const missing = [
    ...(place === null ? ['where it was felt'] : []),
    ...(strength === null ? ['how strong'] : []),
  ];
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
        <View className="gap-1">
          <Words>Where was the feeling?</Words>
          <BodyOutline
            chosen={spot}
            onChoose={(at, kind) => {
              setSpot(at);
              setPlace(kind);
            }}
          />
          {spot === null ? null : <FeltAnswer {...onMat} spot={spot} />}
          <Chips
            label="Where was the feeling"
            options={places}
            chosen={place}
            onChoose={(kind) => {
              setPlace(kind);
              if (kind === 'none') setSpot(null);
            }}
          />
        </View>
        <View className="gap-1">
          <Words>How strong, out of ten?</Words>
          <Chips
            label="How strong out of ten"
            options={strengths}
            chosen={strength}
            onChoose={setStrength}
            asScale
          />
        </View>
        {isTimed ? null : (
          <View className="gap-1">
            <Words>
              Held, not timed:{' '}
              {planned.times === null
                ? minutes(planned.holdSeconds)
                : countWords(planned, planned.times)}
            </Words>
            <Chips label="Held, not timed" options={untimed} chosen={held} onChoose={setHeld} />
          </View>
        )}
        <View className="gap-1">
          <Words>The pelvis</Words>
          <Chips label="The pelvis" options={pelvises} chosen={pelvis} onChoose={setPelvis} />
        </View>
        <View className="gap-1">
          <Words>Leans to a side</Words>
          <Chips label="Leans to a side" options={lists} chosen={list} onChoose={setList} />
        </View>
        <View className="gap-1">
          <Words>The breath</Words>
          <Chips label="The breath" options={breaths} chosen={breath} onChoose={setBreath} />
        </View>
        <Press
          kind="main"
          disabled={missing.length > 0}
          onPress={() =>
            place !== null &&
            strength !== null &&
            onRecord(
              {
                feeling: { strength: Number(strength), place, ...(spot === null ? {} : { spot }) },
                pelvis,
                breath,
                ...(list === 'none' ? {} : { list }),
              },
              share === null ? undefined : Math.round(share * planned.holdSeconds),
            )
          }
        >
          {last ? 'Record and end' : 'Record, next pose'}
        </Press>
        {missing.length > 0 ? (
          <Aside role="status">Say {missing.join(' and ')}; then it is recorded.</Aside>
        ) : null}
      </Sheet>
    </>
  );
}
