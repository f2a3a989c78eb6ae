import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Title } from './Words';

interface ScreenProps {
  readonly title: string;
  readonly children: ReactNode;
  /** Beside the title. */
  readonly beside?: ReactNode;
  /** Stays at the foot of the screen. */
  readonly foot?: ReactNode;
  /** Use the whole width of a wide screen. */
  readonly wide?: boolean;
}

/** A place of the app: its title, its content in one readable column, and what stays at its foot. */
export function Screen({ title, beside, foot, wide = false, children }: ScreenProps) {
  const column = `w-full ${wide ? 'max-w-6xl' : 'max-w-3xl'} self-center`;
  return (
    <View role="main" className="flex-1 bg-paper">
      <ScrollView tabIndex={0} className="flex-1" contentContainerClassName="px-4 pb-8 pt-5">
        <View className={`${column} gap-4`}>
          <View className="flex-row flex-wrap items-center justify-between gap-2">
            <Title level={1} className="shrink">
              {title}
            </Title>
            {beside}
          </View>
          {children}
        </View>
      </ScrollView>
      {foot ? (
        <View className="border-t border-line bg-sheet px-4 py-3 print:hidden">
          <View className="w-full max-w-xl self-center">{foot}</View>
        </View>
      ) : null}
    </View>
  );
}
