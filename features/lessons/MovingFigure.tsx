import { useEffect, useState } from 'react';
import { bodyFrom } from '@/core/body/body';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { atMoment, inPosition, type Position } from '@/core/lessons/position';
import { standingPosture } from '@/core/lessons/standing';
import type { StepEntry } from '@/core/lessons/step';
import { hold } from '@/core/parameters';
import { selectShelf } from '@/store/selectors';
import { stacksOf } from '@/ui/figure/stacks';
import { PoseScene } from '@/ui/PoseScene';
import { useOjas, useUnits } from '../hooks';

interface MovingFigureProps {
  readonly person: Person;
  readonly step: StepEntry;
  /** The pose that it is done in; null where it is done standing. */
  readonly within: PlanPose | null;
  readonly moves: boolean;
  readonly mostHeightPx: number;
}

/** A picture is drawn anew so often, in milliseconds: as a hand moves, not as a film. */
const FRAME_MS = 80;
const ROUND_MS = hold.breath.value * 1000;

const asksForCalm = () =>
  typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches;

/** The moment of a movement that goes round once a breath; its beginning while it stands still. */
function useRound(moves: boolean): number {
  const [share, setShare] = useState(0);
  useEffect(() => {
    if (!moves) return;
    const began = Date.now();
    const timer = setInterval(
      () => setShare(((Date.now() - began) % ROUND_MS) / ROUND_MS),
      FRAME_MS,
    );
    return () => clearInterval(timer);
  }, [moves]);
  return moves ? share : 0;
}

const STILL: readonly Position[] = [{}];

/**
 * A movement as it is led: the figure goes through its positions and back, once a breath. Where less motion is asked
 * for, its first position stands with the furthest drawn over it.
 */
export function MovingFigure({ person, step, within, moves, mostHeightPx }: MovingFigureProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const isCalm = asksForCalm();
  const share = useRound(moves && !isCalm);
  const body = bodyFrom(person.statureCm, person.bodyCm);
  const base =
    step.at === 'standing' ? standingPosture(body) : (within?.posture as Posture | undefined);
  if (!base) return null;
  const positions = step.positions ?? STILL;
  return (
    <PoseScene
      posture={inPosition(base, isCalm ? (positions[0] ?? {}) : atMoment(positions, share))}
      over={isCalm && positions.length > 1 ? inPosition(base, positions.at(-1) ?? {}) : null}
      body={body}
      shelf={shelf}
      units={units}
      words={`${step.name}, drawn as it moves`}
      mostHeightPx={mostHeightPx}
      stacks={within ? stacksOf(within.slots) : {}}
      columns={[]}
    />
  );
}
