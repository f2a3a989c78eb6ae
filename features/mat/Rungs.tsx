import { useState } from 'react';
import { View } from 'react-native';
import type { Person } from '@/core/formats/book';
import type { PlanPose } from '@/core/formats/plan';
import { slotKey } from '@/core/geometry/family';
import { rungsFrom } from '@/core/plan/solve';
import { comesDown, poseById } from '@/core/poses/poses';
import { stackWords, type Stack } from '@/core/props/stack';
import { selectShelf } from '@/store/selectors';
import { heldSeconds, rungMoved, type Mat, type Settled } from '@/store/mat';
import { length } from '@/ui/format';
import { Chips, Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { nowIso, useOjas, useOjasDispatch, useUnits } from '../hooks';
import { slotWords } from '../plan/words';
import { asSettled, matKey, usedBeside } from './session';

interface RungsProps {
  readonly person: Person;
  readonly planned: PlanPose;
  readonly settled: readonly Settled[];
  readonly mat: Mat;
}

/** Lower, keep or raise by one rung of the shelf's own ladder, with the new pieces named at once. */
export function Rungs({ person, planned, settled, mat }: RungsProps) {
  const dispatch = useOjasDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const pose = poseById(planned.pose);
  const movable = settled.map(slotKey).filter((key) => comesDown(pose, key));
  const [chosen, setChosen] = useState(movable.find((one) => one.startsWith(planned.decision.slot ?? '-')) ?? movable[0]);
  const here = settled.find((one) => slotKey(one) === chosen) ?? settled.find((one) => slotKey(one) === movable[0]);
  if (!here) return null;
  const lying: Stack = { pieces: here.pieces, heightCm: here.heightCm };
  const { below, above } = rungsFrom({ person, pose: planned.pose, side: planned.side, shelf }, here.slot, lying, usedBeside(planned, settled, here));
  const key = matKey(planned);
  const move = (to: Stack) => dispatch(rungMoved({
    pose: key, slot: here.slot, fromCm: here.heightCm, toCm: to.heightCm, atSeconds: heldSeconds(mat, nowIso()),
    settled: settled.map((one) => (one === here ? asSettled(one, to) : one)),
  }));
  return (
    <Sheet>
      <Title level={2}>Lower, keep or raise</Title>
      {movable.length > 1 ? <Chips label="Which support" options={movable.map((id) => ({ id, words: slotWords(refOf(id)) }))} chosen={slotKey(here)} onChoose={setChosen} /> : null}
      <View role="status" aria-live="polite"><Words>Now: {length(here.heightCm, units)}, {stackWords(here.pieces, shelf)}</Words></View>
      <Step words="One rung lower" mark="↓" to={below} none="The shelf has no small step below this." onMove={move} />
      <Step words="One rung higher" mark="↑" to={above} none="The shelf builds nothing higher here." onMove={move} />
    </Sheet>
  );
}

/** A slot key taken apart again: `back.high`, `underThigh:left`. */
const refOf = (key: string) => {
  const [name, side] = key.split(':');
  const [slot, part] = (name as string).split('.');
  return { slot: slot as string, part: part as 'low' | 'high' | undefined, side: side as 'left' | 'right' | undefined };
};

interface StepProps {
  readonly words: string;
  readonly mark: string;
  readonly to: Stack | undefined;
  readonly none: string;
  readonly onMove: (to: Stack) => void;
}

function Step({ words, mark, to, none, onMove }: StepProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  if (!to) return <Words className="text-faint">{none}</Words>;
  return (
    <View className="gap-1">
      <Press onPress={() => onMove(to)}>{`${mark} ${words}: ${length(to.heightCm, units)}`}</Press>
      <Words className="text-sm text-faint">{stackWords(to.pieces, shelf)}</Words>
    </View>
  );
}
