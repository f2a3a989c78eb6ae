import type { ReactNode } from 'react';
import { Text, type TextProps } from 'react-native';

export interface WordsProps extends TextProps {
  readonly children: ReactNode;
  readonly className?: string;
}

/** Running text. */
export const Words = ({ className = '', ...rest }: WordsProps) => <Text className={`font-text text-base text-ink ${className}`} {...rest} />;

/** Smaller text beside the main thing; still of full contrast. */
export const Aside = ({ className = '', ...rest }: WordsProps) => <Text className={`font-text text-sm text-faint ${className}`} {...rest} />;

const sizes = { 1: 'text-3xl', 2: 'text-xl', 3: 'text-lg' } as const;

/** A heading of its level. */
export function Title({ level, className = '', ...rest }: WordsProps & { readonly level: 1 | 2 | 3 }) {
  return <Text role="heading" aria-level={level} className={`font-title font-bold text-ink ${sizes[level]} ${className}`} {...rest} />;
}
