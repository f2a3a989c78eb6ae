import { turned, type DialSetting, type DialTurn } from '@/core/dials';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose } from '@/core/formats/plan';
import type { InPose } from '@/core/build/solve';
import type { Settled } from '@/store/mat';
import { Sheet } from '@/ui/Sheet';
import { DialStepper } from '../plan/DialStepper';
import { useMatDispatch } from './place';
import { dialSet } from './session';

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
  const dispatch = useMatDispatch();
  if (set.length === 0) return null;
  const turn = (one: DialSetting, way: DialTurn['way']) => {
    const value = turned({ dial: one.dial, way }, one.value);
    dispatch(dialSet(planned, inPose, estimates, set, settled, one, value));
  };
  return (
    <Sheet role="group" aria-label="Set the pose">
      {set.map((one) => (
        <DialStepper key={one.dial} one={one} onTurn={(way) => turn(one, way)} />
      ))}
    </Sheet>
  );
}
