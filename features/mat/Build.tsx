import { useState } from 'react';
import { View } from 'react-native';
import { asSettled } from '@/core/learn/settled';
import type { Person } from '@/core/formats/book';
import { placeKey } from '@/core/advise/order';
import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { inPoseOf, otherStacks } from '@/core/build/solve';
import { stackWords, type Stack } from '@/core/props/stack';
import { piecesSwapped, pieceTicked, type Settled } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { length } from '@/ui/format';
import { Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { freeIn, Pile } from '../plan/Supports';
import { useOjas, useUnits, useWords } from '../hooks';
import { useMatDispatch } from './place';
import { usedBeside } from './session';
import { StackChoice } from './StackChoice';
import { slotKey } from '@/core/slots';
import { slotName } from '@/ui/words/words';

interface BuildProps {
  readonly person: Person;
  readonly planned: PlanPose;
  /** Slots as they lie now. */
  readonly lying: readonly PlanSlot[];
  readonly settled: readonly Settled[];
  /** Pieces that lie already. */
  readonly ticked: readonly string[];
}

/** Each piece of a slot by its place in the pile: another piece there is another one to lay. */
const pieceKeys = (slot: PlanSlot) =>
  slot.stack.map(({ item, state, count }, i) => `${slotKey(slot)}/${i}/${item}/${state}/${count}`);

/** What to fetch, slot by slot; where a thing is missing or taken, other pieces for about the same height. */
export function Build({ person, planned, lying, settled, ticked }: BuildProps) {
  const say = useWords();
  const all = lying.flatMap(pieceKeys);
  const isFree = (slot: PlanSlot) => !lying.some((one) => slotKey(one) === slotKey(slot));
  const laid = all.filter((key) => ticked.includes(key)).length;
  return (
    <Sheet>
      <Title level={2}>Fetch and build</Title>
      {planned.decision.reasons.map((reason) => (
        <Words key={reason.code} className="font-semibold">
          {say.reason(reason)}
        </Words>
      ))}
      {lying.map((slot) => (
        <Laid key={slotKey(slot)} {...{ slot, person, planned, settled, ticked }} />
      ))}
      {lying.length === 0 ? <Words className="text-lg">Nothing to fetch.</Words> : null}
      {freeIn({ ...planned, slots: planned.slots.filter(isFree) }).map((slot) => (
        <Words key={slotKey(slot)}>
          <Words className="font-semibold">{slotName(slot)}: nothing. </Words>
          {slot.reasons.slice(-1).map((one) => say.reasonOn(one, slot))}
        </Words>
      ))}
      {all.length > 0 ? (
        <Words role="status" aria-live="polite">
          {laid === all.length ? 'All laid.' : `${laid} of ${all.length} laid.`}
        </Words>
      ) : null}
    </Sheet>
  );
}

/** One slot with its pieces, and what could lie there instead. */
function Laid({
  slot,
  person,
  planned,
  settled,
  ticked,
}: Omit<BuildProps, 'lying'> & { readonly slot: PlanSlot }) {
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const name = slotName(slot);
  const here = settled.find((one) => slotKey(one) === slotKey(slot));
  const others =
    open && here
      ? otherStacks(
          inPoseOf(person, planned, shelf),
          here.slot,
          here,
          usedBeside(planned, settled, here),
        )
      : [];
  const swap = (one: Settled, other: Stack) => {
    dispatch(
      piecesSwapped({
        pose: placeKey(planned),
        settled: settled.map((slot) => (slot === one ? asSettled(slot, other) : slot)),
      }),
    );
    setOpen(false);
  };
  return (
    <View className="gap-1 border-l-4 border-tape pl-3">
      <Words className="text-lg">
        <Words className="text-lg font-semibold">{name} </Words>
        {length(slot.isLength ? slot.targetCm : slot.stackCm, units)}
      </Words>
      <View className={`flex-row items-end gap-3 ${slot.slot === 'back' ? 'flex-wrap' : ''}`}>
        {slot.isLength ? null : <Pile slot={slot} shelf={shelf} />}
        <View
          role="list"
          aria-label={`${name}, from the floor up`}
          className="shrink flex-col-reverse"
        >
          {slot.stack.map((piece, i) => {
            const key = pieceKeys(slot)[i] as string;
            const lies = ticked.includes(key);
            return (
              <View key={key} role="listitem">
                <Tick
                  checked={lies}
                  onToggle={() =>
                    dispatch(pieceTicked({ pose: placeKey(planned), pieces: [key], lies: !lies }))
                  }
                >
                  {stackWords([piece], shelf)}
                </Tick>
              </View>
            );
          })}
        </View>
      </View>
      {here ? (
        <Press
          kind="quiet"
          aria-expanded={open}
          aria-label={`Other pieces: ${name}`}
          className="-ml-4 self-start"
          onPress={() => setOpen(!open)}
        >
          Other pieces
        </Press>
      ) : null}
      {here
        ? others.map((other) => (
            <StackChoice
              key={stackWords(other.pieces, shelf)}
              words="Use instead"
              stack={other}
              onChoose={() => swap(here, other)}
            />
          ))
        : null}
      {here && open && others.length === 0 ? (
        <Words className="text-faint">
          What is left of the shelf builds nothing else near this height.
        </Words>
      ) : null}
    </View>
  );
}
