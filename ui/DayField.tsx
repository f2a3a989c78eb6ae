import { Labelled } from './Labelled';

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
export const DayField = ({ label, value, onChange, most, fault, is = 'date' }: DayFieldProps) => (
  <Labelled {...{ label, fault }}>
    {(entry) => (
      <input
        type={is}
        value={value}
        max={most}
        onChange={(event) => onChange(event.currentTarget.value)}
        {...entry}
      />
    )}
  </Labelled>
);
