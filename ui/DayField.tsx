import { useId } from 'react';
import { View } from 'react-native';
import { Words } from './Words';

interface DayFieldProps {
  readonly label: string;
  /** A day such as `2026-03-02`, or an hour such as `18:15`; empty where none is chosen. */
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** The last day that may be chosen. */
  readonly most?: string;
  readonly fault?: string | undefined;
  readonly is?: 'date' | 'time';
}

/** A day or an hour, by the browser's own picker: shown as it is written where the teacher lives. */
export function DayField({ label, value, onChange, most, fault, is = 'date' }: DayFieldProps) {
  const id = useId();
  return (
    <View className="gap-1">
      <Words nativeID={`${id}-label`} className="font-semibold">
        {label}
      </Words>
      <input
        type={is}
        value={value}
        max={most}
        onChange={(event) => onChange(event.currentTarget.value)}
        aria-labelledby={`${id}-label`}
        aria-invalid={fault !== undefined}
        aria-describedby={fault ? `${id}-fault` : undefined}
        className={`min-h-12 rounded-md border bg-sheet px-3 font-text text-base text-ink ${fault ? 'border-rust' : 'border-faint'}`}
      />
      {fault ? (
        <Words nativeID={`${id}-fault`} role="alert" className="text-rust">
          {fault}
        </Words>
      ) : null}
    </View>
  );
}
