import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { dayOf } from '@/core/formats/time';
import { matOf, type LeftMat } from '@/store/mat';
import { layLeftMatAside, takeLeftMat } from '@/store/store';
import { clock, ago, hour } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useOjasDispatch, usePerson } from '../hooks';

/** What closed windows left on mats, each by name and hour: of everybody, or of one student. */
export function LeftOnMats({ of }: { readonly of?: string }) {
  const left = useOjas(({ mat }) => mat.left);
  const shown = of === undefined ? left : left.filter(({ mat }) => mat.person === of);
  return shown.map((one) => <Left key={`${one.draft} ${one.mat.person}`} left={one} />);
}

function Left({ left }: { readonly left: LeftMat }) {
  const { person: id, startedAt, done, poses } = left.mat;
  const dispatch = useOjasDispatch();
  const router = useRouter();
  const person = usePerson(id);
  const isHere = useOjas(({ mat }) => matOf(mat, id) !== undefined);
  const [fault, setFault] = useState(false);
  if (!person) return null;
  const goOn = async () => {
    if (await dispatch(takeLeftMat(left))) router.navigate(`/students/${id}/mat`);
    else setFault(true);
  };
  const day = ago(dayOf(startedAt));
  return (
    <Sheet className="border-thread" role="group" aria-label={`Left on the mat: ${person.name}`}>
      <Title level={2}>{person.name} was left on the mat</Title>
      <Words>
        Begun {day} at {clock(hour(startedAt))}, in a window that was closed: {done.length} of{' '}
        {poses.length} {poses.length === 1 ? 'pose' : 'poses'} done.
      </Words>
      {isHere ? (
        <Words>Another session of theirs is on a mat here: end that one first.</Words>
      ) : null}
      {fault ? <Words role="alert">Another window goes on with it already.</Words> : null}
      <View className="flex-row flex-wrap gap-2">
        <Press kind="main" disabled={isHere} onPress={goOn}>
          Go on with the session
        </Press>
        <Press kind="quiet" onPress={() => dispatch(layLeftMatAside(left))}>
          Lay it aside, under Data
        </Press>
      </View>
    </Sheet>
  );
}
