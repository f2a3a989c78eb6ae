import { useMemo } from 'react';
import { View } from 'react-native';
import type { Time } from '@/core/advise/progress';
import { bodyFrom } from '@/core/body/body';
import { estimateRanges, type StudentRecord } from '@/core/estimate/estimate';
import type { Person, SessionPose } from '@/core/formats/book';
import { dayOf } from '@/core/formats/time';
import { movesOf } from '@/core/dials';
import { solveFigure } from '@/core/build/solve';
import { slotKey } from '@/core/slots';
import { selectShelf } from '@/store/selectors';
import { date } from '@/ui/format';
import { PoseScene } from '@/ui/PoseScene';
import { Aside, Title } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';
import { poseTitle } from '../plan/words';

interface BeforeAndNowProps {
  readonly person: Person;
  readonly record: StudentRecord;
  readonly pose: string;
  readonly side: SessionPose['side'];
  readonly times: readonly Time[];
}

/** The figure as it sat the first time, dashed, over the one of the last time: each with the ranges of its day. */
export function BeforeAndNow({ person, record, pose, side, times }: BeforeAndNowProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [first, last] = [times[0], times.at(-1)];
  const figures = useMemo(() => {
    if (!first || !last || times.length < 2) return null;
    const on = ({ at, outcome }: Time) => {
      const then = {
        ...record,
        readings: record.readings.filter((one) => dayOf(one.at) <= at),
        sessions: [],
      };
      const built = Object.fromEntries(outcome.settled.map((one) => [slotKey(one), one.heightCm]));
      const inPose = { person, pose, side, shelf, moves: movesOf(outcome.dials ?? []) };
      return solveFigure(inPose, estimateRanges(then, at), built).posture;
    };
    return { then: on(first), now: on(last) };
  }, [first, last, times.length, record, person, pose, side, shelf]);
  if (!figures || !first || !last) return null;
  return (
    <View className="gap-1">
      <Title level={3}>Before and now</Title>
      <PoseScene
        posture={figures.now}
        over={figures.then}
        body={bodyFrom(person.statureCm, person.bodyCm)}
        shelf={shelf}
        stacks={Object.fromEntries(last.outcome.settled.map((one) => [slotKey(one), one]))}
        columns={[]}
        units={units}
        words={`${poseTitle({ pose, side })}: the figure of ${date(last.at)}, over that of ${date(first.at)}`}
        mostHeightPx={220}
      />
      <Aside>
        Drawn whole {date(last.at)}, dashed {date(first.at)}: each on its own heights, with the
        ranges as they were believed that day.
      </Aside>
    </View>
  );
}
