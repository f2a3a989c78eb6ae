import { View } from 'react-native';
import { Press } from './Press';
import { Words } from './Words';

/** How far a long work is, from 0 to 1; null while that is not known. */
export interface Share {
  readonly words: string;
  readonly share: number | null;
}

/** A long work under way: what it is, how far it is, and its end, where it can be ended. */
export function WorkBar({ words, share, onStop }: Share & { readonly onStop?: () => void }) {
  const percent = share === null ? null : Math.round(100 * Math.min(1, Math.max(0, share)));
  return (
    <View className="gap-2">
      <Words>
        {words}
        {percent === null ? '…' : `: ${percent} %`}
      </Words>
      <View
        role="progressbar"
        aria-label={words}
        {...(percent === null
          ? {}
          : { 'aria-valuenow': percent, 'aria-valuemin': 0, 'aria-valuemax': 100 })}
        className="h-3 overflow-hidden rounded-sm border border-line bg-well"
      >
        <View className="h-full bg-thread" style={{ width: `${percent ?? 0}%` }} />
      </View>
      {onStop ? <Press onPress={onStop}>Stop</Press> : null}
    </View>
  );
}
