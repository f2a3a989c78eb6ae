import { View } from 'react-native';
import { turned, type DialSetting, type DialTurn } from '@/core/dials';
import { Press } from '@/ui/Press';
import { Aside, Words } from '@/ui/Words';
import { useWords } from '../hooks';

interface DialStepperProps {
  readonly one: DialSetting;
  readonly onTurn: (way: DialTurn['way']) => void;
}

/** One setting of a pose, less and more by its step; what is reckoned is said where it stands elsewhere. */
export function DialStepper({ one, onTurn }: DialStepperProps) {
  const say = useWords();
  const { dial, reckoned, value } = one;
  const name = say.dial(dial);
  const atEnd = (way: DialTurn['way']) => turned({ dial, way }, value) === value;
  const [now, usual] = [say.dialValue(dial, value), say.dialValue(dial, reckoned)];
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <View role="status" aria-live="polite" className="shrink">
        <Words className="text-lg">
          <Words className="text-lg font-semibold">{name} </Words>
          {now}
        </Words>
        {now === usual ? null : <Aside>Reckoned {usual}</Aside>}
      </View>
      <View className="flex-row gap-2">
        <Press
          aria-label={`${name}: less`}
          disabled={atEnd('lower')}
          onPress={() => onTurn('lower')}
        >
          −
        </Press>
        <Press
          aria-label={`${name}: more`}
          disabled={atEnd('raise')}
          onPress={() => onTurn('raise')}
        >
          +
        </Press>
      </View>
    </View>
  );
}
