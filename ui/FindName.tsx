import { useState } from 'react';
import { Field } from './Field';
import { Chips } from './Press';

const MOST_NAMES = 8;

interface FindNameProps {
  /** What the names answer: "Who comes". */
  readonly label: string;
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly chosen: string | null;
  readonly onChoose: (id: string) => void;
  /** Names that stand there at once. */
  readonly sought?: string;
}

/** One student out of many, by a part of their name. */
export function FindName({ label, people, chosen, onChoose, sought: first = '' }: FindNameProps) {
  const [sought, setSought] = useState(first);
  const found = people
    .filter(({ name }) => name.toLowerCase().includes(sought.trim().toLowerCase()))
    .slice(0, MOST_NAMES);
  return (
    <>
      <Field label="Who" hint="find by name" value={sought} onChangeText={setSought} />
      <Chips
        label={label}
        options={found.map(({ id, name }) => ({ id, words: name }))}
        chosen={chosen}
        onChoose={onChoose}
      />
    </>
  );
}
