import type { ReactNode } from 'react';
import { Text, type TextProps } from 'react-native';

export interface WordsProps extends TextProps {
  readonly children: ReactNode;
  readonly className?: string;
}

/**
 * The usual size and colour, where none is asked for: of two classes for one thing, the style sheet's order would
 * decide.
 */
const withUsual = (className: string, size: string, colour: string) =>
  `font-text ${/\btext-(xs|sm|base|lg|\d?xl)\b/.test(className) ? '' : size} ${/\btext-(ink|faint|paper|thread|rust|moss|ochre)\b/.test(className) ? '' : colour} ${className}`;

/** Running text. */
export const Words = ({ className = '', ...rest }: WordsProps) => (
  <Text className={withUsual(className, 'text-base', 'text-ink')} {...rest} />
);

/** Smaller text beside the main thing; still of full contrast. */
export const Aside = ({ className = '', ...rest }: WordsProps) => (
  <Text className={withUsual(className, 'text-sm', 'text-faint')} {...rest} />
);

/** What is wrong, read out at once. */
export const Fault = ({ className = '', ...rest }: WordsProps) => (
  <Words role="alert" className={`text-rust ${className}`} {...rest} />
);

const sizes = { 1: 'text-3xl', 2: 'text-xl', 3: 'text-lg' } as const;

/** A heading of its level. */
export function Title({
  level,
  className = '',
  ...rest
}: WordsProps & { readonly level: 1 | 2 | 3 }) {
  return (
    <Text
      role="heading"
      aria-level={level}
      className={`font-title font-bold text-ink ${sizes[level]} ${className}`}
      {...rest}
    />
  );
}
