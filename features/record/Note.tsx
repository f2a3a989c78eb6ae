import { useState } from 'react';
import { View } from 'react-native';
import { Field } from '@/ui/Field';
import { Press } from '@/ui/Press';

const MOST_LETTERS = 4000;

interface NoteProps {
  readonly label: string;
  readonly note: string;
  readonly onKeep: (note: string) => unknown;
}

/** What a teacher writes of a session or a pose, kept by a tap. */
export function Note({ label, note, onKeep }: NoteProps) {
  const [typed, setTyped] = useState(note);
  return (
    <View className="gap-2">
      <Field
        label={label}
        value={typed}
        onChangeText={setTyped}
        maxLength={MOST_LETTERS}
        multiline
      />
      {typed.trim() === note ? null : (
        <Press aria-label={`Keep: ${label}`} onPress={() => onKeep(typed.trim())}>
          Keep the note
        </Press>
      )}
    </View>
  );
}
