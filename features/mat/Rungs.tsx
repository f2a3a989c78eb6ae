import { useState } from 'react';
import { View } from 'react-native';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { inPoseOf, rungsFrom } from '@/core/build/solve';
import { comesDown, poseById } from '@/core/poses/poses';
import { stackWords, type Stack } from '@/core/props/stack';
import { selectShelf } from '@/store/selectors';
import type { Mat, Settled } from '@/store/mat';
import { length } from '@/ui/format';
import { Chips } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';
import { useMatDispatch } from './place';
import { jointSpoke, rungTo, usedBeside } from './session';
import { StackChoice } from './StackChoice';
import { slotKey, slotRefOf } from '@/core/slots';
import { slotName } from '@/ui/words/words';

interface RungsProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly settled: readonly Settled[];
  readonly mat: Mat;
}

/** Lower, keep or raise by one rung of the shelf's own ladder, with the new pieces named at once. */
export function Rungs({ person, planned, settled, mat }: RungsProps) {
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const pose = poseById(planned.pose);
  const movable = settled.map(slotKey).filter((key) => comesDown(pose, key));
  const [chosen, setChosen] = useState(
    movable.find((one) => one.startsWith(planned.decision.slot ?? '-')) ?? movable[0],
  );
  const here =
    settled.find((one) => slotKey(one) === chosen) ??
    settled.find((one) => slotKey(one) === movable[0]);
  if (!here) return null;
  const { below, above } = rungsFrom(
    inPoseOf(person, planned, shelf),
    here.slot,
    here,
    usedBeside(planned, settled, here),
  );
  const move = (to: Stack) => dispatch(rungTo(planned, mat, settled, here, to));
  return (
    <Sheet>
      <Title level={2}>Lower, keep or raise</Title>
      {movable.length > 1 ? (
        <Chips
          label="Which support"
          options={movable.map((id) => ({ id, words: slotName(slotRefOf(id)) }))}
          chosen={slotKey(here)}
          onChoose={setChosen}
        />
      ) : null}
      <View role="status" aria-live="polite">
        <Words>
          Now: {length(here.heightCm, units)}, {stackWords(here.pieces, shelf)}
        </Words>
      </View>
      {jointSpoke(mat) ? (
        <Words className="text-faint">A joint spoke today: nothing comes down.</Words>
      ) : below ? (
        <StackChoice words="↓ One step lower" stack={below} onChoose={() => move(below)} />
      ) : (
        <Words className="text-faint">The shelf has no small step below this.</Words>
      )}
      {above ? (
        <StackChoice words="↑ One step higher" stack={above} onChoose={() => move(above)} />
      ) : (
        <Words className="text-faint">The shelf builds nothing higher here.</Words>
      )}
    </Sheet>
  );
}
