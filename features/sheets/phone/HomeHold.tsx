import { useEffect, useRef, useState, type RefObject } from 'react';
import { View } from 'react-native';
import type { FeltAtHome } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { date, minutes } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { countingWords, countWords } from '@/ui/words/counted';
import { holdNow } from '../../mat/holdClock';
import { useSeconds } from '../../mat/useSeconds';
import { chime } from '../../sound/chime';
import { useAwake } from '../../useAwake';
import type { Done, HomeLog } from '@/core/advise/homeLog';
import { doneWords } from './doneWords';
import { felts } from './homeLog';
import { ToTeacher } from './late';

interface HomeHoldProps {
  readonly planned: PlanPose;
  /** Takes the seconds that were held so far. */
  readonly heldRef: RefObject<number>;
}

/** The timer of one pose: it begins by itself, and a bell tells halfway and the end. */
export function HomeHold({ planned, heldRef }: HomeHoldProps) {
  const [begunMs] = useState(() => Date.parse(holdNow()));
  const [now] = useSeconds(begunMs);
  useAwake(true);
  const whole = planned.holdSeconds;
  const held = Math.max(0, (Date.parse(now) - begunMs) / 1000);
  const marks = [whole / 2, whole].filter((at) => held >= at).length;
  const rung = useRef(marks);
  useEffect(() => {
    if (marks > rung.current) chime();
    rung.current = marks;
  }, [marks]);
  useEffect(() => {
    heldRef.current = held;
  }, [heldRef, held]);
  const isOver = held >= whole;
  return (
    <View className="items-center gap-1">
      <View role="timer" aria-label={`${minutes(held)} held of ${minutes(whole)}`}>
        <Words className="text-center text-4xl font-semibold">{minutes(held)}</Words>
        <Aside className="text-center">
          {planned.times === null
            ? `${minutes(Math.max(0, whole - held))} left of ${minutes(whole)}`
            : countWords(planned, planned.times)}
        </Aside>
      </View>
      <View role="status" aria-live="polite">
        <Words className="text-center">
          {isOver
            ? 'The whole time. Come out in order.'
            : planned.times !== null
              ? countingWords(planned)
              : marks > 0
                ? 'Half of it. Stay mild, or come out.'
                : 'Let the body settle.'}
        </Words>
      </View>
    </View>
  );
}

interface HowWasItProps {
  readonly last: Done | undefined;
  readonly onSaid: (felt: FeltAtHome) => void;
}

const answers: Readonly<Record<FeltAtHome, string>> = {
  easy: 'easy. It stays as it is until you have seen each other.',
  right: 'just right. It stays as it is.',
  much: 'too much. One layer more, and shorter.',
  pain: 'it hurt.',
};

/** How it was, in one tap; what that comes to is said at once. */
export function HowWasIt({ last, onSaid }: HowWasItProps) {
  return (
    <View className="gap-2">
      <Words className="font-semibold">How was it?</Words>
      <View className="flex-row flex-wrap gap-2">
        {felts.map(({ id, words }) => (
          <Press key={id} onPress={() => onSaid(id)}>
            {words}
          </Press>
        ))}
      </View>
      {last ? (
        <Words role="status">
          {date(last.at)}: {answers[last.felt]}
        </Words>
      ) : null}
    </View>
  );
}

interface DoneLogProps {
  readonly log: HomeLog;
  readonly onTakeBack: () => void;
}

/** What was done on this phone, the latest first; the latest can be taken back. */
export function DoneLog({ log, onTakeBack }: DoneLogProps) {
  const { done } = log;
  const [shows, setShows] = useState(false);
  if (done.length === 0) return null;
  return (
    <Sheet role="region" aria-label="What you did">
      <Title level={2}>What you did</Title>
      {done.map((one, i) => <Words key={i}>{doneWords(one)}</Words>).reverse()}
      <View className="flex-row flex-wrap gap-2">
        <Press onPress={onTakeBack}>Take the latest back</Press>
        <Press aria-expanded={shows} onPress={() => setShows(!shows)}>
          For your teacher
        </Press>
      </View>
      {shows ? <ToTeacher log={log} /> : null}
      <Aside>Kept on this phone alone, until you hand it on.</Aside>
    </Sheet>
  );
}
