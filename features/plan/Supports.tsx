import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { PlanPose, PlanSlot } from '@/core/formats/plan';
import { offeredIn } from '@/core/advise/how';
import { isMoved, liesIn, staysFreeIn } from '@/core/lies';
import { insteadOf, shelfAtHome } from '@/core/advise/instead';
import type { InPose } from '@/core/build/solve';
import { pieceName, type Shelf } from '@/core/props/shelf';
import { stackWords, usedBy, type Piece, type Stack } from '@/core/props/stack';
import { slotKey, type SlotKey } from '@/core/slots';
import { length, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { rungWords } from '@/ui/rungWords';
import { RampScene, StackScene } from '@/ui/StackScene';
import { AsPicture } from '../data/AsPicture';
import { Aside, Title, Words } from '@/ui/Words';
import { slotName, wordsIn } from '@/ui/words/words';
import { differenceWords } from './words';

interface SupportsProps {
  readonly planned: PlanPose;
  readonly shelf: Shelf;
  readonly units: Units;
}

const builtIn = ({ slots }: PlanPose) => slots.filter(liesIn);
/** What asks for a support and lies on nothing. */
export const freeIn = ({ slots }: PlanPose) => slots.filter(staysFreeIn);

/** Said where nothing is built at all. */
const nothingWords = (planned: PlanPose) =>
  freeIn(planned).length > 0 ? 'Nothing is laid.' : 'Nothing underneath: the floor is near enough.';

/** What lies where, in a line each: enough to fetch it. */
export function SupportLines({ planned, shelf, units }: SupportsProps) {
  const built = builtIn(planned);
  const rung = ({ last, stack }: PlanSlot) => last && rungWords(last, stack, shelf);
  return (
    <View className="gap-2">
      {built.length === 0 ? <Words>{nothingWords(planned)}</Words> : null}
      {built.map((slot) => (
        <View
          key={slotKey(slot)}
          className={`flex-row items-end gap-3 ${slot.slot === 'back' ? 'flex-wrap' : ''}`}
        >
          {slot.isLength ? null : <Pile slot={slot} shelf={shelf} />}
          <View className="shrink gap-0.5">
            <Words>
              <Words className="font-semibold">{slotName(slot)} </Words>
              {length(slot.isLength ? slot.targetCm : slot.stackCm, units)}
            </Words>
            {hasMoved(slot) ? (
              <Aside>{`last time ${length(slot.lastCm ?? 0, units)}`}</Aside>
            ) : null}
            {hasMoved(slot) && rung(slot) ? <Words>{rung(slot)}</Words> : null}
            <Words>{stackWords(slot.stack, shelf)}</Words>
          </View>
        </View>
      ))}
      {freeIn(planned).map((slot) => (
        <Words key={slotKey(slot)}>
          <Words className="font-semibold">{slotName(slot)} </Words>
          stays free, {length(slot.targetCm, units)} up
        </Words>
      ))}
    </View>
  );
}

const hasMoved = ({ lastCm, stackCm, isLength }: PlanSlot) =>
  !isLength && lastCm !== null && isMoved(lastCm - stackCm);

/** A support drawn large enough to read. */
export function Pile({ slot, shelf }: { readonly slot: PlanSlot; readonly shelf: Shelf }) {
  const Scene = slot.slot === 'back' ? RampScene : StackScene;
  return (
    <Scene
      pieces={slot.stack}
      heightCm={slot.stackCm}
      shelf={shelf}
      words={`${slotName(slot)}: ${stackWords(slot.stack, shelf)}`}
    />
  );
}

/** Odds are told under Why. */
const withoutOdds = (slot: PlanSlot): PlanSlot => ({
  ...slot,
  reasons: slot.reasons.filter(({ code }) => code !== 'rung-odds'),
});

interface SupportsOpenProps extends SupportsProps {
  readonly inPose: InPose;
  readonly onSwap: (key: SlotKey, stack: Stack) => void;
}

/** Every support drawn large, piece by piece; a tap on a piece says what else could stand there. */
export function Supports({ planned, shelf, units, inPose, onSwap }: SupportsOpenProps) {
  const say = wordsIn(units);
  const built = builtIn(planned);
  const wanted = offeredIn(planned);
  return (
    <View className="gap-5">
      {built.map((slot) => (
        <View key={slotKey(slot)} className="gap-1">
          <Title level={3}>
            {slotName(slot)} {length(slot.isLength ? slot.targetCm : slot.stackCm, units)}
          </Title>
          {slot.isLength ? (
            <Words>{stackWords(slot.stack, shelf)}</Words>
          ) : (
            <Pieces
              slot={slot}
              shelf={shelf}
              units={units}
              inPose={inPose}
              slots={planned.slots}
              onSwap={(stack) => onSwap(slotKey(slot), stack)}
            />
          )}
          <Aside>{say.reasonsOn(withoutOdds(slot))}</Aside>
        </View>
      ))}
      {built.length === 0 ? <Words>{nothingWords(planned)}</Words> : null}
      {freeIn(planned).map((slot) => (
        <View key={slotKey(slot)} className="gap-1">
          <Title level={3}>{slotName(slot)}: nothing</Title>
          <Aside>{say.reasonsOn(withoutOdds(slot))}</Aside>
        </View>
      ))}
      {wanted.length > 0 ? (
        <Aside>
          If wanted:{' '}
          {wanted
            .map((slot) => `${slotName(slot).toLowerCase()} ${length(slot.targetCm, units)}`)
            .join(', ')}
          .
        </Aside>
      ) : null}
    </View>
  );
}

interface PiecesProps {
  readonly slot: PlanSlot;
  readonly slots: readonly PlanSlot[];
  readonly shelf: Shelf;
  readonly units: Units;
  readonly inPose: InPose;
  readonly onSwap: (stack: Stack) => void;
}

/** One support: the drawing, and its pieces beside it from the floor up. */
function Pieces({ slot, slots, shelf, units, inPose, onSwap }: PiecesProps) {
  const [open, setOpen] = useState<number | null>(null);
  const piece = open === null ? undefined : slot.stack[open];
  const swap = (stack: Stack) => {
    setOpen(null);
    onSwap(stack);
  };
  return (
    <View className="gap-2">
      <View className={`flex-row items-end gap-3 ${slot.slot === 'back' ? 'flex-wrap' : ''}`}>
        <AsPicture name={`${slotName(slot)}, as built`}>
          <Pile slot={slot} shelf={shelf} />
        </AsPicture>
        <View
          role="list"
          aria-label={`${slotName(slot)}, from the floor up`}
          className="shrink flex-col-reverse"
        >
          {slot.stack.map((one, i) => (
            <View key={i} role="listitem">
              <Pressable
                role="button"
                aria-expanded={open === i}
                onPress={() => setOpen(open === i ? null : i)}
                className={`min-h-12 justify-center rounded-md border px-3 py-1 ${open === i ? 'border-thread' : 'border-transparent'}`}
              >
                <Words className="underline decoration-line">{pieceWords(one, shelf)}</Words>
              </Pressable>
            </View>
          ))}
        </View>
      </View>
      {piece ? (
        <InPlaceOf
          piece={piece}
          slot={slot}
          slots={slots}
          shelf={shelf}
          units={units}
          inPose={inPose}
          onSwap={swap}
        />
      ) : null}
    </View>
  );
}

/** "2 × cork block flat": one piece by its name, fold or face, and count. */
function pieceWords({ item: id, state, count }: Piece, shelf: Shelf): string {
  const item = shelf.find((one) => one.id === id);
  if (!item) return id;
  return `${count > 1 ? `${count} × ` : ''}${pieceName(item, state)}`;
}

/** What else could stand there: of the shelf, without this prop, and from home. */
function InPlaceOf({
  piece,
  slot,
  slots,
  shelf,
  units,
  inPose,
  onSwap,
}: PiecesProps & { readonly piece: Piece }) {
  const beside = usedBy(
    slots.filter((one) => slotKey(one) !== slotKey(slot)).map(({ stack }) => stack),
  );
  const lying = { pieces: slot.stack, heightCm: slot.stackCm };
  const { others, without, home } = insteadOf(inPose, slot.slot, lying, piece, beside);
  const name = shelf.find(({ id }) => id === piece.item)?.name.toLowerCase() ?? piece.item;
  return (
    <View className="gap-2 rounded-md bg-well p-3">
      {others.map((stack) => (
        <Option
          key={stackWords(stack.pieces, shelf)}
          stack={stack}
          words={stackWords(stack.pieces, shelf)}
          fromCm={slot.stackCm}
          units={units}
          onChoose={() => onSwap(stack)}
        />
      ))}
      {without ? (
        <Option
          stack={without}
          words={`Without any ${name}: ${stackWords(without.pieces, shelf)}`}
          fromCm={slot.stackCm}
          units={units}
          onChoose={() => onSwap(without)}
        />
      ) : (
        <Words className="text-faint">Without any {name} the shelf builds nothing here.</Words>
      )}
      <Words>
        {home
          ? `At home: ${stackWords(home.pieces, shelfAtHome(inPose.person))} (${differenceWords(home.heightCm - slot.stackCm, units)})`
          : 'At home nothing safe builds this.'}
      </Words>
    </View>
  );
}

interface OptionProps {
  readonly stack: Stack;
  readonly words: string;
  readonly fromCm: number;
  readonly units: Units;
  readonly onChoose: () => void;
}

const Option = ({ stack, words, fromCm, units, onChoose }: OptionProps) => (
  <Press onPress={onChoose}>
    {`${words} (${differenceWords(stack.heightCm - fromCm, units)})`}
  </Press>
);
