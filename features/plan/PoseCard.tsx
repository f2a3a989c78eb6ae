import { Link } from 'expo-router';
import { View } from 'react-native';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import type { Shelf } from '@/core/props/shelf';
import type { Units } from '@/ui/format';
import { Sheet } from '@/ui/Sheet';
import { WhenNear } from '@/ui/WhenNear';
import { Aside, Title } from '@/ui/Words';
import { wordsIn } from '@/ui/words/words';
import { ActionMark } from './ActionMark';
import { railColumns } from './columns';
import { Gate } from './PoseChoices';
import { PoseGlance } from './PoseFigure';
import { SupportLines } from './Supports';
import { Said } from './Said';
import { poseTitle } from './words';
import { Yours } from './Yours';

interface PoseCardProps {
  /** It is among the first of a list. */
  readonly isFirst: boolean;
  readonly person: Person;
  readonly planned: PlanPose;
  readonly shelf: Shelf;
  readonly units: Units;
}

const FIGURE_PX = 220;

/**
 * One pose of the plan at a glance: what changes, the figure, the build and the reason; all else is on its own page.
 */
export function PoseCard({ isFirst, person, planned, shelf, units }: PoseCardProps) {
  const say = wordsIn(units);
  const title = poseTitle(planned);
  const posture = planned.posture as Posture | null;
  return (
    <Sheet role="article" aria-label={title}>
      <View className="flex-row flex-wrap items-center justify-between gap-x-2">
        <Link
          href={`/students/${person.id}/poses/${planned.pose}?side=${planned.side}` as '/students'}
          aria-label={`Open ${title}`}
          className="min-h-12 shrink py-2"
        >
          <Title level={2} className="text-thread underline">
            {title}
          </Title>
        </Link>
        {posture ? <ActionMark word={planned.decision.word} /> : null}
      </View>
      {posture ? (
        <>
          <WhenNear isSeen={isFirst} roomPx={FIGURE_PX}>
            <PoseGlance
              columns={railColumns(planned)}
              mostHeightPx={FIGURE_PX}
              {...{ planned, posture, person, shelf, units }}
            />
          </WhenNear>
          <SupportLines planned={planned} shelf={shelf} units={units} />
        </>
      ) : null}
      {posture ? <Yours person={person} planned={planned} /> : null}
      <Said planned={planned} units={units} />
      {posture ? null : <Gate person={person} planned={planned} />}
      {planned.refer.length > 0 ? <Aside>{say.reasons(planned.refer)}</Aside> : null}
    </Sheet>
  );
}
