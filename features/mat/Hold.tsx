import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line } from '@/ui/svg';
import { choicesFor, type Choices } from '@/core/approaches/approaches';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';
import { countingWords, countWords } from '@/ui/words/counted';
import { hold as parameter } from '@/core/parameters';
import { heldSeconds, holdLengthened, holdPaused, holdStarted, type Mat } from '@/store/mat';
import { selectSettings } from '@/store/selectors';
import { minutes } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { tone } from '@/ui/tones';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas } from '../hooks';
import { holdNow } from './holdClock';
import { AloudTick } from '../sound/AloudTick';
import { chime, unlockSound } from '../sound/chime';
import { speak } from '../sound/speak';
import { useMatDispatch } from './place';
import { useAwake } from '../useAwake';
import { begunMs, useSeconds } from './useSeconds';

interface HoldProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly mat: Mat;
}

/** What is said at a mark of the hold. */
interface Mark {
  readonly atSeconds: number;
  readonly words: string;
}

/** Marks at which props may be set again, as the approach has it. */
function proppingMarks(whole: number, stillness: Choices['stillness']): Mark[] {
  if (stillness === 'settle' && whole >= SETTLES_TWICE_SECONDS)
    return [
      { atSeconds: SETTLED_SECONDS, words: 'Eight breaths: set the props again if they ask.' },
      { atSeconds: 2 * SETTLED_SECONDS, words: 'Settled again. From here on, still.' },
    ];
  const settled = {
    atSeconds: Math.min(parameter.settling.value, whole / 2),
    words: 'Settled. Now look whether there is room.',
  };
  if (stillness !== 'marks' || whole < THIRDS_FROM_SECONDS) return [settled];
  return [
    settled,
    { atSeconds: whole / 3, words: 'A third: prop again if it asks for it, then still.' },
    { atSeconds: (2 * whole) / 3, words: 'Two thirds: the last time to prop, then still.' },
  ];
}
const SETTLED_SECONDS = 8 * parameter.breath.value;
const SETTLES_TWICE_SECONDS = 3 * SETTLED_SECONDS;
const THIRDS_FROM_SECONDS = 90;

/** From here on it is no longer muscle alone that gives: said once. */
const SLOW_TISSUES: Mark = {
  atSeconds: 90,
  words: 'Past a minute and a half the slower tissues answer: keep it mild.',
};

/** A rest is left alone: nothing is looked for in it, and nobody is told to come out at once. */
const restMarks = (whole: number): Mark[] => [
  { atSeconds: Math.min(parameter.settling.value, whole / 2), words: 'Nothing to do. Be heavy.' },
  { atSeconds: whole, words: 'Rested. A deeper breath, then roll to the side when you like.' },
];

/** What is said in the course of a hold, and when. */
export function marksOf(
  { pose, holdSeconds: whole, times }: Pick<PlanPose, 'pose' | 'holdSeconds' | 'times'>,
  person: Person,
): Mark[] {
  if (times !== null) return [{ atSeconds: whole, words: 'All of them. Come to rest.' }];
  if (poseById(pose)?.hold.isRest) return restMarks(whole);
  const { stillness } = choicesFor(person.approach, person.choices);
  return [
    ...proppingMarks(whole, stillness),
    ...(whole > SLOW_TISSUES.atSeconds ? [SLOW_TISSUES] : []),
    { atSeconds: whole, words: 'The whole time. Come out in order.' },
  ].sort((one, other) => one.atSeconds - other.atSeconds);
}

/** The timer: it counts from when the hold began, so a locked phone or a reload loses nothing. */
export function Hold({ person, planned, mat }: HoldProps) {
  const dispatch = useMatDispatch();
  const [now, look] = useSeconds(begunMs(mat));
  const running = mat.holdingSince !== null;
  useAwake(running);
  const held = heldSeconds(mat, now);
  const marks = marksOf({ ...planned, holdSeconds: planned.holdSeconds + mat.moreSeconds }, person);
  const aloud = useOjas(selectSettings).cuesAloud === true;
  const passed = marks.filter(({ atSeconds }) => held >= atSeconds);
  const cue = passed.at(-1)?.words;
  const rung = useRef(passed.length);
  useEffect(() => {
    if (passed.length > rung.current) {
      chime();
      if (aloud && cue) speak(cue);
    }
    rung.current = passed.length;
  }, [passed.length, aloud, cue]);
  const byBreath = choicesFor(person.approach, person.choices).hold === 'breaths';
  const whole = planned.holdSeconds + mat.moreSeconds;
  const left = Math.max(0, whole - held);
  return (
    <Sheet className="items-center">
      <Title level={2}>
        {planned.times === null ? 'Hold' : countWords(planned, planned.times)}
      </Title>
      <Ring
        share={whole === 0 ? 1 : Math.min(1, held / whole)}
        marks={marks.map(({ atSeconds }) => atSeconds / whole)}
      />
      <View role="timer" aria-label={`${minutes(held)} held of ${minutes(whole)}`}>
        <Words className="text-center text-4xl font-semibold">{minutes(held)}</Words>
        <Aside className="text-center">
          {byBreath
            ? `about ${Math.ceil(left / parameter.breath.value)} breaths left`
            : `${minutes(left)} left of ${minutes(whole)}`}
        </Aside>
      </View>
      <View role="status" aria-live="polite">
        <Words className="text-center">
          {cue ?? (planned.times === null ? 'Let the body settle first.' : countingWords(planned))}
        </Words>
      </View>
      <Press
        kind="main"
        onPress={() => {
          unlockSound();
          look();
          dispatch(running ? holdPaused(holdNow()) : holdStarted(holdNow()));
        }}
      >
        {running
          ? 'Pause'
          : held > 0
            ? 'Go on'
            : planned.times === null
              ? 'Begin the hold'
              : 'Begin'}
      </Press>
      {planned.times === null ? (
        <Press onPress={() => dispatch(holdLengthened(LONGER_SECONDS))}>
          {`${LONGER_SECONDS} seconds more`}
        </Press>
      ) : null}
      <AloudTick>Say the cues aloud</AloudTick>
    </Sheet>
  );
}

const LONGER_SECONDS = 30;
const SIZE = 132;
const RADIUS = 58;

/** The time as a thread drawn round. */
function Ring({ share, marks }: { readonly share: number; readonly marks: readonly number[] }) {
  const round = 2 * Math.PI * RADIUS;
  const at = (part: number, r: number) =>
    [
      SIZE / 2 + r * Math.sin(2 * Math.PI * part),
      SIZE / 2 - r * Math.cos(2 * Math.PI * part),
    ] as const;
  return (
    <Svg width={SIZE} height={SIZE} aria-hidden>
      <Circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={RADIUS}
        fill="none"
        stroke={tone('line')}
        strokeWidth={3}
      />
      <Circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={RADIUS}
        fill="none"
        stroke={tone('thread')}
        strokeWidth={8}
        strokeLinecap="round"
        strokeDasharray={`${share * round} ${round}`}
        transform={`rotate(-90 ${SIZE / 2} ${SIZE / 2})`}
      />
      {marks
        .filter((mark) => mark < 1)
        .map((mark) => {
          const [[x1, y1], [x2, y2]] = [at(mark, RADIUS - 7), at(mark, RADIUS + 7)];
          return (
            <Line key={mark} x1={x1} y1={y1} x2={x2} y2={y2} stroke={tone('ink')} strokeWidth={2} />
          );
        })}
    </Svg>
  );
}
