import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { placeKey, poseIdAt } from '@/core/plan/order';
import { daySaid, matStarted, matTaken } from '@/store/mat';
import { selectDay } from '@/store/selectors';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
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
  const now = useOjas((state) => state.mat.now);
  const mat = now?.person === id ? now : null;
  const waits = useOjas((state) => state.mat.parked[id] !== undefined);
  const plan = usePlan(id, mat ? mat.poses.map(poseIdAt) : []);
  const day = useOjas((state) => selectDay(state, id, todayIso()));
  const dispatch = useOjasDispatch();
  const router = useRouter();
  // Whoever is on a mat beside this one is turned to.
  useEffect(() => {
    if (waits) dispatch(matTaken(id));
  }, [waits, id, dispatch]);
  if (!person || !plan) return <NoStudent />;
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
