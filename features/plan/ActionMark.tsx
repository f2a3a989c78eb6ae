import { Text, View } from 'react-native';
import type { PlanPose } from '@/core/formats/plan';
import { actionWords } from './words';

const looks = {
  moss: 'border-moss text-moss',
  ochre: 'border-ochre text-ochre',
  rust: 'border-rust text-rust',
  thread: 'border-thread text-thread',
  faint: 'border-faint text-faint',
} as const;

/** Ease, keep, deepen: a stitched tag with its word and its mark. */
export function ActionMark({ word }: { readonly word: PlanPose['decision']['word'] }) {
  const { words, mark, tone } = actionWords[word];
  return (
    <View
      className={`flex-row items-center gap-2 rounded-sm border-2 border-dashed px-2 py-1 ${looks[tone]}`}
    >
      <Text aria-hidden className={`font-text text-base font-bold ${looks[tone]}`}>
        {mark}
      </Text>
      <Text className={`font-text text-sm font-semibold ${looks[tone]}`}>{words}</Text>
    </View>
  );
}
