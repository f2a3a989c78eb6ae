import { Pressable, View } from 'react-native';
import { Words } from './Words';

const rows = [
  ['7', '8', '9'],
  ['4', '5', '6'],
  ['1', '2', '3'],
  ['-', '0', '.'],
] as const;

interface KeypadProps {
  readonly onKey: (key: string) => void;
}

/** Digits for one thumb; the field above takes a keyboard as well. */
export function Keypad({ onKey }: KeypadProps) {
  return (
    <View role="group" aria-label="Keypad" className="gap-1.5">
      {rows.map((row) => (
        <View key={row[0]} className="flex-row gap-1.5">
          {row.map((key) => (
            <Key
              key={key}
              label={key === '-' ? 'Minus' : key === '.' ? 'Point' : key}
              onPress={() => onKey(key)}
            >
              {key === '-' ? '−' : key}
            </Key>
          ))}
        </View>
      ))}
      <View className="flex-row">
        <Key label="Delete the last digit" onPress={() => onKey('back')}>
          ⌫
        </Key>
      </View>
    </View>
  );
}

const Key = ({
  label,
  children,
  onPress,
}: {
  readonly label: string;
  readonly children: string;
  readonly onPress: () => void;
}) => (
  <Pressable
    role="button"
    aria-label={label}
    onPress={onPress}
    className="min-h-12 flex-1 items-center justify-center rounded-md border border-line bg-well active:bg-line"
  >
    <Words className="text-xl">{children}</Words>
  </Pressable>
);
