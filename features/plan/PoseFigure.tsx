import { useState } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import { AboveScene } from '@/ui/AboveScene';
import { isSpatial } from '@/ui/figure/above';
import { isFrontal } from '@/ui/figure/front';
import { limbMarks, type Demand } from '@/ui/figure/marks';
import { stacksOf } from '@/ui/figure/stacks';
import { FrontScene } from '@/ui/FrontScene';
import type { Units } from '@/ui/format';
import { PoseScene } from '@/ui/PoseScene';
import { Chips } from '@/ui/Press';
import type { RailColumn } from '@/ui/Rail';
import { Aside } from '@/ui/Words';
import { aboveWords, figureWords, frontWords } from './words';

type View3 = 'side' | 'front' | 'above';
const viewNames: Readonly<Record<View3, string>> = {
  side: 'Side',
  front: 'Front',
  above: 'Above',
};

/** The lengths that a figure is drawn with. */
export type Lengths = Pick<Person, 'statureCm' | 'bodyCm'>;

interface PoseFigureProps {
  readonly planned: PlanPose;
  readonly posture: Posture;
  readonly person: Lengths;
  readonly shelf: Shelf;
  readonly units: Units;
  readonly mostHeightPx: number;
  /** A second figure laid over the first, seen from the side. */
  readonly over?: Posture | null;
  readonly columns?: readonly RailColumn[];
  readonly onMove?: (key: string, cm: number) => void;
  readonly moveMostCm?: number;
  /** What the pose asks of each range, to be marked where it is felt. */
  readonly demands?: readonly Demand[];
  /** Said under the view from the side. */
  readonly besideWords?: string;
}

/** Views that tell something of a pose; the one that tells most comes first. */
export function viewsOf(posture: Posture, { statureCm, bodyCm }: Lengths): readonly View3[] {
  if (!isSpatial(posture)) return ['side'];
  return isFrontal(posture, bodyFrom(statureCm, bodyCm))
    ? ['front', 'side', 'above']
    : ['side', 'above'];
}

/** A student in a pose, from one of the sides that tell something of it. */
export function PoseView({ view, ...of }: PoseFigureProps & { readonly view: View3 }) {
  const { planned, posture, person, shelf, units, mostHeightPx, over, columns = [] } = of;
  const body = bodyFrom(person.statureCm, person.bodyCm);
  const stacks = stacksOf(planned.slots);
  const scene = { posture, body, mostHeightPx };
  if (view === 'above')
    return <AboveScene {...scene} side={planned.side} words={aboveWords(planned)} />;
  if (view === 'front')
    return (
      <FrontScene
        {...scene}
        side={planned.side}
        shelf={shelf}
        stacks={stacks}
        words={frontWords(planned)}
      />
    );
  return (
    <PoseScene
      {...scene}
      over={over ?? null}
      shelf={shelf}
      stacks={stacks}
      columns={columns}
      units={units}
      words={figureWords(planned, units)}
      marks={limbMarks(posture, planned.side, of.demands ?? [])}
      {...(of.onMove ? { onMove: of.onMove, moveMostCm: of.moveMostCm ?? 0 } : {})}
    />
  );
}

/** The figure of a pose as it tells most. */
export const PoseGlance = (of: PoseFigureProps) => (
  <PoseView {...of} view={viewsOf(of.posture, of.person)[0] ?? 'side'} />
);

/** The figure of a pose with its views, one tap each. */
export function PoseFigure(of: PoseFigureProps) {
  const views = viewsOf(of.posture, of.person);
  const [wished, setWished] = useState<View3>(views[0] ?? 'side');
  const view = views.includes(wished) ? wished : 'side';
  return (
    <View className="gap-2">
      <PoseView {...of} view={view} />
      {view === 'side' && of.besideWords ? <Aside>{of.besideWords}</Aside> : null}
      {views.length > 1 ? (
        <Chips
          label="Seen from"
          options={views.map((id) => ({ id, words: viewNames[id] }))}
          chosen={view}
          onChoose={setWished}
        />
      ) : null}
    </View>
  );
}
