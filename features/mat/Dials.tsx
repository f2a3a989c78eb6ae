import { View } from 'react-native';
import { movesOf, turned, type DialSetting, type DialTurn } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose } from '@/core/formats/plan';
import { dialsIn, type InPose } from '@/core/plan/solve';
import { dialTurned, type Settled } from '@/store/mat';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Words } from '@/ui/Words';
import { useOjasDispatch, useWords } from '../hooks';
import { matKey, settledAfterTurn } from './session';

interface DialsProps {
  /** The student in the pose, with the dials where they are now. */
  readonly inPose: InPose;
  readonly estimates: Estimates;
  readonly planned: PlanPose;
  readonly set: readonly DialSetting[];
  readonly settled: readonly Settled[];
}

/** What is set of the pose itself, one step at a time: the figure answers, and what fills a gap follows. */
export function Dials({ inPose, estimates, planned, set, settled }: DialsProps) {
  const dispatch = useOjasDispatch();
  if (set.length === 0) return null;
  const turn = (one: DialSetting, way: DialTurn['way']) => {
    const value = turned({ dial: one.dial, way }, one.value);
    const moves = { ...movesOf(set), [one.dial]: value - one.reckoned };
    const there = { ...inPose, moves };
    dispatch(
      dialTurned({
        pose: matKey(planned),
        dials: dialsIn(there, estimates),
        settled: settledAfterTurn(there, estimates, set, planned, settled),
      }),
    );
  };
  return (
    <Sheet role="group" aria-label="Set the pose">
      {set.map((one) => (
        <Stepper key={one.dial} one={one} onTurn={(way) => turn(one, way)} />
      ))}
    </Sheet>
  );
}

function Stepper({
  one,
  onTurn,
}: {
  readonly one: DialSetting;
  readonly onTurn: (way: DialTurn['way']) => void;
}) {
  const say = useWords();
  const { dial, reckoned, value } = one;
  const name = say.dial(dial);
  const atEnd = (way: DialTurn['way']) => turned({ dial, way }, value) === value;
  const [now, usual] = [say.dialValue(dial, value), say.dialValue(dial, reckoned)];
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <View role="status" aria-live="polite" className="shrink">
        <Words className="text-lg">
          <Words className="text-lg font-semibold">{name} </Words>
          {now}
        </Words>
        {now === usual ? null : <Aside>Reckoned {usual}</Aside>}
      </View>
      <View className="flex-row gap-2">
        <Press
          aria-label={`${name}: less`}
          disabled={atEnd('lower')}
          onPress={() => onTurn('lower')}
        >
          −
        </Press>
        <Press
          aria-label={`${name}: more`}
          disabled={atEnd('raise')}
          onPress={() => onTurn('raise')}
        >
          +
        </Press>
      </View>
    </View>
  );
}
