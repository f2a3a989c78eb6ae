import { useRef, type ReactNode } from 'react';
import {
  Pressable,
  ScrollView,
  Text,
  View,
  type GestureResponderEvent,
  type PressableProps,
} from 'react-native';

interface PressProps extends Omit<PressableProps, 'children' | 'onPress'> {
  /** Left out where an icon says it and a label names it. */
  readonly children?: ReactNode;
  /** What it does; while a promise that it gives is open, it is not done again. */
  readonly onPress?: ((event: GestureResponderEvent) => unknown) | null | undefined;
  readonly kind?: 'main' | 'plain' | 'quiet' | 'warn';
  readonly icon?: ReactNode;
  readonly className?: string;
}

const looks = {
  main: { box: 'bg-thread border-thread', text: 'text-thread-ink' },
  plain: { box: 'bg-sheet border-line', text: 'text-ink' },
  quiet: { box: 'border-transparent', text: 'text-thread' },
  warn: { box: 'bg-sheet border-rust', text: 'text-rust' },
} as const;

/** Something to press: at least 48 px, with words. Pressed twice in a hurry, it does its work once. */
export function Press({
  children,
  kind = 'plain',
  icon,
  className = '',
  disabled,
  onPress,
  ...rest
}: PressProps) {
  const look = looks[kind];
  const busy = useRef(false);
  const press = (event: GestureResponderEvent) => {
    if (busy.current) return;
    const work = onPress?.(event);
    if (!(work instanceof Promise)) return;
    busy.current = true;
    void work
      .catch(() => undefined)
      .then(() => {
        busy.current = false;
      });
  };
  return (
    <Pressable
      role="button"
      onPress={press}
      disabled={disabled}
      aria-disabled={disabled ?? false}
      className={`min-h-12 max-w-full flex-row items-center justify-center gap-2 rounded-md border px-4 py-2 print:hidden ${look.box} ${disabled ? 'opacity-50' : 'active:opacity-80'} ${className}`}
      {...rest}
    >
      {icon}
      {children === undefined ? null : (
        <Text className={`shrink text-center font-text text-base font-semibold ${look.text}`}>
          {children}
        </Text>
      )}
    </Pressable>
  );
}

interface ChipsProps<T extends string> {
  /** What is chosen, for those who hear the screen. */
  readonly label: string;
  readonly options: readonly {
    readonly id: T;
    readonly words: string;
    /** What it means, small under it. */
    readonly meant?: string;
  }[];
  readonly chosen: T | null;
  readonly onChoose: (id: T) => void;
  /** As a scale in two rows, each step as wide as a finger. */
  readonly asScale?: boolean;
  /** In one row that scrolls, where many are offered and the row must stay low. */
  readonly inOneRow?: boolean;
  /** Over the whole width in one line, each as wide as the other. */
  readonly inOneLine?: boolean;
}

/** How far an arrow key goes in a group of radios. */
const STEPS: Readonly<Record<string, number>> = {
  ArrowRight: 1,
  ArrowDown: 1,
  ArrowLeft: -1,
  ArrowUp: -1,
};

/** Space does what a press does, where the web's own press knows it of buttons alone. */
const bySpace = (press: () => void) =>
  ({
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      if (event.key !== ' ') return;
      event.preventDefault();
      if (!event.repeat) press();
    },
  }) as object;

/** One of a few, side by side. Tab comes to the chosen one, the arrow keys choose the next. */
export function Chips<T extends string>({
  label,
  options,
  chosen,
  onChoose,
  inOneRow = false,
  inOneLine = false,
  asScale = false,
}: ChipsProps<T>) {
  const radios = useRef<(View | null)[]>([]);
  const at = options.findIndex(({ id }) => id === chosen);
  // The web's own event: native presses know no keys.
  const keys = {
    onKeyDown: (event: React.KeyboardEvent<HTMLElement>) => {
      const step = STEPS[event.key];
      if (step === undefined) return;
      event.preventDefault();
      const here = radios.current.findIndex((one) => one === (event.target as unknown));
      const next = ((here < 0 ? at : here) + step + options.length) % options.length;
      radios.current[next]?.focus();
      onChoose((options[next] as { id: T }).id);
    },
  } as object;
  const group = (
    <View
      role="radiogroup"
      aria-label={label}
      className={`flex-row ${inOneLine ? 'gap-0.5' : asScale ? 'gap-1' : 'gap-2'} ${inOneRow || inOneLine ? '' : 'flex-wrap'}`}
      {...keys}
    >
      {options.map(({ id, words, meant }, i) => (
        <Pressable
          key={id}
          ref={(radio) => {
            radios.current[i] = radio;
          }}
          role="radio"
          aria-checked={id === chosen}
          {...(meant ? { 'aria-description': meant } : {})}
          tabIndex={i === Math.max(0, at) ? 0 : -1}
          onPress={() => onChoose(id)}
          {...bySpace(() => onChoose(id))}
          className={`min-h-12 max-w-full items-center justify-center rounded-md border ${asScale ? 'min-h-14 w-[15.5%] px-0 py-1' : `flex-row py-2 ${inOneLine ? 'min-h-14 flex-1 px-0' : 'px-3'}`} ${id === chosen ? 'border-thread bg-thread' : 'border-line bg-sheet'}`}
        >
          <Text
            className={`shrink font-text text-base ${id === chosen ? 'font-semibold text-thread-ink' : 'text-ink'}`}
          >
            {words}
          </Text>
          {meant ? (
            <Text
              aria-hidden
              className={`font-text text-xs ${id === chosen ? 'text-thread-ink' : 'text-faint'}`}
            >
              {meant}
            </Text>
          ) : null}
        </Pressable>
      ))}
    </View>
  );
  return inOneRow ? (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} className="-mx-4 grow-0 px-4">
      {group}
    </ScrollView>
  ) : (
    group
  );
}

interface TickProps {
  readonly checked: boolean;
  readonly onToggle: () => void;
  readonly children: ReactNode;
}

/** A line that can be ticked. */
export function Tick({ checked, onToggle, children }: TickProps) {
  return (
    <Pressable
      role="checkbox"
      aria-checked={checked}
      onPress={onToggle}
      {...bySpace(onToggle)}
      className="min-h-12 flex-row items-center gap-3 py-1"
    >
      <View
        className={`h-6 w-6 items-center justify-center rounded-sm border-2 ${checked ? 'border-thread bg-thread' : 'border-faint bg-sheet'}`}
      >
        {checked ? (
          <Text aria-hidden className="font-text text-sm font-bold leading-5 text-thread-ink">
            ✓
          </Text>
        ) : null}
      </View>
      <Text className="shrink font-text text-base text-ink">{children}</Text>
    </Pressable>
  );
}
