import { Link, useRouter } from 'expo-router';
import { placeKey, poseIdAt } from '@/core/plan/order';
import { daySaid, matCleared, matStarted } from '@/store/mat';
import { selectDay } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Words } from '@/ui/Words';
import { nowIso, todayIso, useOjas, useOjasDispatch, usePerson, usePlan } from '../hooks';
import { NoStudent } from '../students/NoStudent';
import { StudentTabs } from '../students/StudentTabs';
import { Choose } from './Choose';
import { PoseOnMat } from './PoseOnMat';
import { endSession } from './session';

/** The session: which poses, then one pose at a time. */
export function MatScreen({ id }: { readonly id: string }) {
  const person = usePerson(id);
  const mat = useOjas((state) => state.mat.now);
  const plan = usePlan(id, mat?.person === id ? mat.poses.map(poseIdAt) : []);
  const day = useOjas((state) => selectDay(state, id, todayIso()));
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const other = usePerson(mat?.person ?? '');
  if (!person || !plan) return <NoStudent />;
  if (mat && mat.person !== id) {
    return (
      <Screen title={person.name}>
        <StudentTabs id={id} here="mat" />
        <Sheet>
          <Words>
            {other?.name ?? 'Somebody'} is still on the mat. Finish that session first, or leave it.
          </Words>
          <Link href={`/students/${mat.person}/mat`} asChild>
            <Press kind="main">Back to {other?.name ?? 'that session'}</Press>
          </Link>
          <Press onPress={() => dispatch(endSession())}>End it and keep what was done</Press>
          <Press kind="warn" onPress={() => dispatch(matCleared())}>
            Drop it
          </Press>
        </Sheet>
      </Screen>
    );
  }
  if (!mat)
    return (
      <Choose
        person={person}
        day={day}
        onDay={(said) => dispatch(daySaid({ person: id, on: todayIso(), day: said }))}
        onStart={(poses, settled) =>
          dispatch(matStarted({ person: id, poses, at: nowIso(), day, settled }))
        }
      />
    );
  const key = mat.poses[mat.at];
  const planned = plan.poses.find((one) => placeKey(one) === key);
  if (!planned) {
    return (
      <Screen title={person.name}>
        <StudentTabs id={id} here="mat" />
        <Words>Every pose of this session is done.</Words>
        <Press
          kind="main"
          onPress={() =>
            dispatch(endSession()).then(
              (outcome) => outcome.ok && router.replace(`/students/${id}/record`),
            )
          }
        >
          Record the session
        </Press>
      </Screen>
    );
  }
  return (
    <PoseOnMat
      key={`${mat.at}/${key}`}
      person={person}
      planned={planned}
      mat={mat}
      onEnded={() => router.replace(`/students/${id}/record`)}
    />
  );
}
