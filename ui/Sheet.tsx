import type { ReactNode } from 'react';
import { View, type ViewProps } from 'react-native';

interface SheetProps extends ViewProps {
  readonly children: ReactNode;
  readonly className?: string;
}

/** A piece of paper on the bench. */
export const Sheet = ({ className = '', ...rest }: SheetProps) => (
  <View className={`gap-3 rounded-lg border border-line bg-sheet p-4 ${className}`} {...rest} />
);
