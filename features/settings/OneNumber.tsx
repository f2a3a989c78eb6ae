import { useState } from 'react';
import { Pressable, View } from 'react-native';
import type { Parameter } from '@/core/parameters';
import { Aside, Words } from '@/ui/Words';
import { useUnits } from '../hooks';
import { told, unitIn } from './inUnits';
import { WhomItMoves } from './WhomItMoves';

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
