import { Link } from 'expo-router';
import { View } from 'react-native';
import type { PlanPose } from '@/core/formats/plan';
import { poseById } from '@/core/poses/poses';
import { Words } from '@/ui/Words';
import { poseName } from './words';

interface AroundProps {
  readonly person: string;
  readonly planned: Pick<PlanPose, 'pose' | 'around'>;
}

/** What comes before and after a pose, what is easier and harder: each one tap away. */
export function Around({ person, planned: { pose: id, around } }: AroundProps) {
  const pose = poseById(id);
  if (!pose) return null;
  const poses: readonly (readonly [string, readonly (string | null)[]])[] = [
    ['Before it', around.before],
    ['After it', around.after],
    ['Easier', [around.easier]],
    ['Harder', [around.harder]],
  ];
  return (
    <View className="gap-1">
      {poses.map(([name, ids]) => {
        const known = ids.flatMap((one) => one ?? []);
        return known.length === 0 ? null : (
          <View key={name} className="flex-row flex-wrap items-center gap-x-3">
            <Words className="font-semibold">{name}:</Words>
            {known.map((one) => (
              <Link
                key={one}
                href={`/students/${person}/poses/${one}` as '/students'}
                className="min-h-12 py-3 font-text text-base text-thread underline"
              >
                {poseName(one)}
              </Link>
            ))}
          </View>
        );
      })}
      {pose.more ? (
        <Words>
          <Words className="font-semibold">More of it: </Words>
          {pose.more}
        </Words>
      ) : null}
    </View>
  );
}
