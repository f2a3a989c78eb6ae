import { Link } from 'expo-router';
import { useEffect, useRef } from 'react';
import { View } from 'react-native';
import { bodyFrom } from '@/core/body/body';
import type { PlanPose } from '@/core/formats/plan';
import type { Posture } from '@/core/geometry/posture';
import { placeKey, poseIdAt } from '@/core/advise/order';
import { stackWords } from '@/core/props/stack';
import { heldSeconds, type Mat } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { selectPlan } from '@/store/reckoned';
import type { RootState } from '@/store/store';
import { minutes } from '@/ui/format';
import { stacksOf } from '@/ui/figure/stacks';
import { PoseScene } from '@/ui/PoseScene';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useOjasList, usePerson, useToday, useUnits } from '../hooks';
import { poseTitle } from '../plan/words';
import { chime } from '../sound/chime';
import { begunMs, useSeconds } from './useSeconds';
import { useWide } from '../shell/Shell';

/** A mat that is not the one on the screen. */
interface Beside {
  readonly mat: Mat;
  readonly planned: PlanPose | undefined;
  /** Seconds until its hold is over; null where no hold runs. */
  readonly leftSeconds: number | null;
}

const othersIn = ({ mat }: RootState, id: string): readonly Mat[] => [
  ...(mat.now && mat.now.person !== id ? [mat.now] : []),
  ...Object.values(mat.parked).filter(({ person }) => person !== id),
];

/** The mats beside this one, the one that needs a hand first; a hold that is over comes before all, and is rung. */
function useBeside(id: string): readonly Beside[] {
  const today = useToday();
  const parked = useOjasList((state) => othersIn(state, id));
  const plans = useOjasList((state) =>
    othersIn(state, id).map(({ person, poses }) =>
      selectPlan(state, person, today, poses.map(poseIdAt).join(',')),
    ),
  );
  const [now] = useSeconds(parked.map(begunMs).find((one) => one !== null) ?? null);
  const beside = parked
    .map((mat, i): Beside => {
      const planned = plans[i]?.poses.find((one) => placeKey(one) === mat.poses[mat.at]);
      const whole = (planned?.holdSeconds ?? 0) + mat.moreSeconds;
      return {
        mat,
        planned,
        leftSeconds: mat.holdingSince === null ? null : whole - heldSeconds(mat, now),
      };
    })
    .sort((a, b) => (a.leftSeconds ?? Infinity) - (b.leftSeconds ?? Infinity));
  const over = beside.filter(isOver).length;
  const rung = useRef(over);
  useEffect(() => {
    if (over > rung.current) chime();
    rung.current = over;
  }, [over]);
  return beside;
}

const isOver = ({ leftSeconds }: Pick<Beside, 'leftSeconds'>) =>
  leftSeconds !== null && leftSeconds <= 0;

const leftWords = (leftSeconds: number | null) =>
  leftSeconds === null
    ? 'no hold runs'
    : leftSeconds <= 0
      ? 'the time is over'
      : `${minutes(leftSeconds)} left`;

/** Everybody else who is on a mat: a strip on a phone, side by side on a wide screen. */
export function Mats({ id }: { readonly id: string }) {
  const beside = useBeside(id);
  const wide = useWide();
  return (
    <View
      role="region"
      aria-label="Other mats"
      className={wide ? 'flex-row flex-wrap gap-3' : 'gap-2'}
    >
      {beside.map((one) => (
        <OtherMat key={one.mat.person} {...one} drawn={wide} />
      ))}
      <Link
        href="/"
        className="min-h-12 py-3 font-text text-base text-thread underline"
        aria-label="Another student on a mat"
      >
        {beside.length > 0 ? 'One more student' : 'Another student on a mat'}
      </Link>
    </View>
  );
}

function OtherMat({ mat, planned, leftSeconds, drawn }: Beside & { readonly drawn: boolean }) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const person = usePerson(mat.person);
  if (!person) return null;
  const over = isOver({ leftSeconds });
  return (
    <Sheet
      role="group"
      aria-label={`Mat of ${person.name}`}
      className={`${over ? 'border-rust' : ''} ${drawn ? 'min-w-[280px] flex-1' : ''}`}
    >
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <View className="shrink">
          <Title level={3}>{person.name}</Title>
          <Words className={over ? 'text-rust' : ''}>
            {planned ? poseTitle(planned) : 'Every pose is done'} · {leftWords(leftSeconds)}
          </Words>
        </View>
        <Link href={`/students/${mat.person}/mat`} replace asChild>
          <Press kind={over ? 'main' : 'plain'} aria-label={`To ${person.name}`}>
            To this mat
          </Press>
        </Link>
      </View>
      {drawn && planned?.posture ? (
        <>
          <PoseScene
            posture={planned.posture as Posture}
            body={bodyFrom(person.statureCm, person.bodyCm)}
            shelf={shelf}
            stacks={stacksOf(planned.slots)}
            columns={[]}
            units={units}
            words={`${person.name}: ${poseTitle(planned)}`}
            mostHeightPx={140}
          />
          <Aside>
            {planned.slots
              .filter(({ stack }) => stack.length > 0)
              .map(({ stack }) => stackWords(stack, shelf))
              .join('; ')}
          </Aside>
        </>
      ) : null}
    </Sheet>
  );
}
