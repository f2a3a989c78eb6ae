import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Parameter } from '@/core/parameters';
import { fromCm, toCm, type Units } from '@/ui/format';
import { Aside, Words } from '@/ui/Words';
import { useUnits } from '../hooks';
import { WhomItMoves } from './WhomItMoves';

const rounded = (value: number) => Math.round(value * 1000) / 1000;
/** A parameter's value in the teacher's units. */
export const told = (value: number, unit: string, units: Units): number => {
  if (unit === 'cm') return rounded(fromCm(value, units));
  return unit.endsWith('/cm') ? rounded(toCm(value, units)) : rounded(value);
};
/** What a teacher typed, in the parameter's own unit. */
export const meant = (typed: number, unit: string, units: Units): number => {
  if (unit === 'cm') return toCm(typed, units);
  return unit.endsWith('/cm') ? fromCm(typed, units) : typed;
};
export const unitIn = (unit: string, units: Units): string =>
  unit === 'ratio' ? '' : unit.replace(/\bcm\b/, units);

interface OneNumberProps {
  readonly group: string;
  readonly name: string;
  /** Its name as people say it. */
  readonly words: string;
  readonly parameter: Parameter;
}

/** A number that is assumed, where it comes from; pressed, what another one would come to. */
export function OneNumber({ group, name, words, parameter }: OneNumberProps) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const { value, sd, unit, source } = parameter;
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${words}: what another number would move`}
        onPress={() => setOpen(!open)}
        className="min-h-12 justify-center active:opacity-80"
      >
        <Words>
          {words}:{' '}
          <Words className="font-semibold">
            {told(value, unit, units)}
            {sd > 0 ? ` ± ${told(sd, unit, units)}` : ''}
          </Words>{' '}
          {unitIn(unit, units)}
        </Words>
        <Aside>{source}</Aside>
      </Pressable>
      {open ? <WhomItMoves {...{ group, name, words, parameter }} /> : null}
    </View>
  );
}
