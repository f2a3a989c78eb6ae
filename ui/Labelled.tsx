import { useId, type ReactNode } from 'react';
import { View } from 'react-native';
import { Aside, Fault, Words } from './Words';

/** What an entry carries to be read out with its label and its fault, and to look like the others. */
interface Entry {
  readonly 'aria-labelledby': string;
  readonly 'aria-invalid': boolean;
  readonly 'aria-describedby': string | undefined;
  readonly className: string;
}

interface LabelledProps {
  readonly label: string;
  /** Unit or hint behind the label. */
  readonly hint?: string | undefined;
  /** What is wrong, and what is expected. */
  readonly fault?: string | undefined;
  readonly children: (entry: Entry) => ReactNode;
}

/** An entry of any kind under its label, with its fault beneath. */
export function Labelled({ label, hint, fault, children }: LabelledProps) {
  const id = useId();
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-baseline gap-2">
        <Words nativeID={`${id}-label`} className="font-semibold">
          {label}
        </Words>
        {hint ? <Aside>{hint}</Aside> : null}
      </View>
      {children({
        'aria-labelledby': `${id}-label`,
        'aria-invalid': fault !== undefined,
        'aria-describedby': fault ? `${id}-fault` : undefined,
        className: `min-h-12 rounded-md border bg-sheet px-3 font-text text-base text-ink ${fault ? 'border-rust' : 'border-faint'}`,
      })}
      {fault ? <Fault nativeID={`${id}-fault`}>{fault}</Fault> : null}
    </View>
  );
}
