import { useState } from 'react';
import { View } from 'react-native';
import type { Estimates } from '@/core/estimate/estimate';
import type { PlanPose } from '@/core/formats/plan';
import type { InPose } from '@/core/build/solve';
import { whatIf } from '@/core/advise/whatIf';
import type { Shelf } from '@/core/props/shelf';
import { stackWords } from '@/core/props/stack';
import { keyOf, type RangeId, type RangeKey } from '@/core/ranges/ranges';
import { slotKey, slotRefOf } from '@/core/slots';
import { capital, degrees, length, type Units } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Aside, Title, Words } from '@/ui/Words';
import { rangeName, slotName, wordsIn } from '@/ui/words/words';
import { differenceWords, heightWords, inputWords } from './words';
import { isWanted, lies } from '@/core/lies';

interface WorkingProps {
  readonly planned: PlanPose;
  readonly shelf: Shelf;
  readonly units: Units;
  readonly inPose: InPose;
  readonly estimates: Estimates;
}

/**
 * Every number's answer to "why": what was asked, what is there, what makes it doubtful, and what a freer range would
 * do.
 */
export function Working({ planned, shelf, units, inPose, estimates }: WorkingProps) {
  return (
    <View className="gap-4">
      <View className="gap-2">
        <Title level={3}>What the pose asks of the joints</Title>
        {planned.demands.map(({ range, side, needDeg, haveDeg }) => (
          <View key={range + side} className="gap-1">
            <Words>
              {rangeName(range)}, {side}: asks {degrees(needDeg)}, has {degrees(haveDeg)}
              {needDeg - haveDeg >= WORTH_SAYING_DEG
                ? ` — ${degrees(needDeg - haveDeg)} short`
                : ''}
            </Words>
            <InHand needDeg={needDeg} haveDeg={haveDeg} />
          </View>
        ))}
        <Taught taught={planned.taught} />
      </View>
      {planned.notTaken.length > 0 ? (
        <View className="gap-1">
          <Title level={3}>Other ways</Title>
          {planned.notTaken.map((one, i) => (
            <Words key={i}>{wordsIn(units).reason(one)}</Words>
          ))}
        </View>
      ) : null}
      {planned.slots
        .filter(({ targetCm, highCm }) => lies(targetCm) || isWanted(highCm))
        .map((slot) => (
          <View key={slotKey(slot)} className="gap-1">
            <Title level={3}>
              {slotName(slot)}: {heightWords(slot, units)}
            </Title>
            <Words>{wordsIn(units).reasonsOn(slot)}</Words>
            {slot.isLength ? null : (
              <Aside>
                Reckoned {length(Math.max(0, slot.reckonedCm), units)}; learned on the mat{' '}
                {slot.offsetCm >= 0 ? '+' : '−'}
                {length(Math.abs(slot.offsetCm), units)} ± {length(1.2816 * slot.offsetSdCm, units)}
                . What widens it most: {inputWords(slot.widestInput)}.
              </Aside>
            )}
            {lies(slot.stackCm) && !slot.isLength ? (
              <Aside>
                Built {length(slot.stackCm, units)},{' '}
                {length(Math.abs(slot.stackCm - slot.targetCm), units)}{' '}
                {slot.stackCm >= slot.targetCm ? 'over' : 'under'} the target.
              </Aside>
            ) : null}
            {slot.others.map((other, i) => (
              <Aside key={i}>
                Or {length(other.heightCm, units)}: {stackWords(other.pieces, shelf)}
              </Aside>
            ))}
          </View>
        ))}
      <WhatIf {...{ planned, inPose, estimates, units }} />
    </View>
  );
}

/** Less than this is not worth a word; so much more is worth another reading. */
const [WORTH_SAYING_DEG, READ_AGAIN_DEG] = [1, 8];

/** What the mat has shown of a range beyond its readings, with which the figure is drawn. */
const Taught = ({ taught }: Pick<PlanPose, 'taught'>) =>
  (Object.entries(taught) as [RangeId, number][])
    .filter(([, deg]) => deg >= WORTH_SAYING_DEG)
    .map(([range, deg]) => (
      <Words key={range}>
        {rangeName(range)}: heights that were enough here show {degrees(deg)} more than was read;
        figure and numbers of this pose count it in.
        {deg >= READ_AGAIN_DEG ? ' Worth reading again.' : ''}
      </Words>
    ));

/** How much of what there is the pose uses; what is over is drawn in red. */
function InHand({ needDeg, haveDeg }: { readonly needDeg: number; readonly haveDeg: number }) {
  const whole = Math.max(needDeg, haveDeg, 1);
  const used = `${Math.max(0, Math.min(100, (100 * needDeg) / whole))}%` as const;
  return (
    <View aria-hidden className="h-2 w-full rounded-full bg-well">
      <View
        className={`h-2 rounded-full ${needDeg > haveDeg ? 'bg-rust' : 'bg-thread'}`}
        style={{ width: used }}
      />
    </View>
  );
}

const STEP_DEG = 5;
const MOST_DEG = 30;

/** "What if the hamstring were 10° freer": the heights that it would take. */
function WhatIf({ planned, inPose, estimates, units }: Omit<WorkingProps, 'shelf'>) {
  const [byDeg, setByDeg] = useState<Readonly<Partial<Record<RangeKey, number>>>>({});
  const keys = [
    ...new Set(
      planned.demands.flatMap(({ range, side }) =>
        (side === 'both' ? (['left', 'right'] as const) : [side]).map((one) => keyOf(range, one)),
      ),
    ),
  ].filter((key) => estimates[key]);
  if (keys.length === 0) return null;
  const turn = (key: RangeKey, by: number) =>
    setByDeg({
      ...byDeg,
      [key]: Math.max(-MOST_DEG, Math.min(MOST_DEG, (byDeg[key] ?? 0) + by)),
    });
  return (
    <View className="gap-2">
      <Title level={3}>What if a range were freer</Title>
      {keys.map((key) => {
        const by = byDeg[key] ?? 0;
        const name = inputWords(key);
        const moves = by === 0 ? [] : whatIf(inPose, estimates, planned, key, by);
        return (
          <View key={key} className="flex-row flex-wrap items-center justify-between gap-2">
            <View role="status" aria-live="polite" className="min-w-[180px] flex-1">
              <Words>
                {capital(name)}{' '}
                {by === 0 ? 'as it is' : `${Math.abs(by)}° ${by > 0 ? 'freer' : 'stiffer'}`}
              </Words>
              {by === 0 ? null : (
                <Aside>
                  {moves.length === 0
                    ? 'No height would change.'
                    : `${moves.map(({ slot, movesCm }) => `${slotName(slotRefOf(slot))} ${differenceWords(movesCm, units)}`).join(', ')}.`}
                </Aside>
              )}
            </View>
            <View className="flex-row gap-2">
              <Press
                aria-label={`${name}: ${STEP_DEG}° stiffer`}
                onPress={() => turn(key, -STEP_DEG)}
              >
                −
              </Press>
              <Press aria-label={`${name}: ${STEP_DEG}° freer`} onPress={() => turn(key, STEP_DEG)}>
                +
              </Press>
            </View>
          </View>
        );
      })}
    </View>
  );
}
