import { View } from 'react-native';
import { stackWords, type Stack } from '@/core/props/stack';
import { selectShelf } from '@/store/selectors';
import { length } from '@/ui/format';
import { Press } from '@/ui/Press';
import { Words } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';

interface StackChoiceProps {
  readonly words: string;
  readonly stack: Stack;
  readonly onChoose: () => void;
}

/** A stack that could lie in a slot instead, with its height and pieces. */
export function StackChoice({ words, stack, onChoose }: StackChoiceProps) {
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  return (
    <View className="gap-1 pb-1">
      <Press onPress={onChoose}>{`${words}: ${length(stack.heightCm, units)}`}</Press>
      <Words className="text-sm text-faint">{stackWords(stack.pieces, shelf)}</Words>
    </View>
  );
}
