import { firstName } from '@/ui/firstName';
import type { Action } from '@reduxjs/toolkit';
import { createContext, useContext, useEffect, useRef, type ReactNode } from 'react';
import { ScrollView, View, type View as ViewType } from 'react-native';
import { onMatOf } from '@/store/mat';
import { Screen } from '@/ui/Screen';
import { Title } from '@/ui/Words';
import { useOjasDispatch } from '../hooks';

/** Whose mat something stands on, and whether it has the screen for itself or a column of it. */
interface MatPlace {
  readonly person: string;
  readonly name: string;
  readonly is: 'screen' | 'column';
  /** What has to be read before anything else there. */
  readonly news: ReactNode;
}

const Place = createContext<MatPlace | null>(null);
export const OnMat = Place.Provider;

function usePlace(): MatPlace {
  const place = useContext(Place);
  if (!place) throw new Error('This stands on no mat.');
  return place;
}

/** Does something on the mat that this stands on. */
export function useMatDispatch() {
  const { person } = usePlace();
  const dispatch = useOjasDispatch();
  return (action: Action) => dispatch(onMatOf(person, action));
}

interface MatFrameProps {
  readonly title: string;
  readonly beside?: ReactNode;
  readonly foot?: ReactNode;
  readonly children: ReactNode;
}

/** What a mat shows: the screen where it is alone, else a column beside the others. */
export function MatFrame({ title, beside, foot, children }: MatFrameProps) {
  const { is, name, news } = usePlace();
  if (is === 'screen')
    return (
      <Screen title={title} beside={beside} foot={foot}>
        {news}
        {children}
      </Screen>
    );
  return (
    <View
      role="region"
      aria-label={`Mat of ${name}`}
      className="flex-1 rounded-lg border border-line bg-paper"
    >
      <View className="flex-row flex-wrap items-center justify-between gap-2 border-b border-line px-4 py-3">
        <Title level={2} className="shrink">
          {firstName(name)} · {title}
        </Title>
        {beside}
      </View>
      <ScrollView tabIndex={0} className="flex-1" contentContainerClassName="gap-4 p-4">
        {news}
        {children}
      </ScrollView>
      {foot ? <View className="border-t border-line bg-sheet p-3">{foot}</View> : null}
    </View>
  );
}

/** Each pose begins at its top, also for those who hear the screen; a mat beside takes nothing from the one in hand. */
export function useBeginsAtTop() {
  const { is } = usePlace();
  const top = useRef<ViewType>(null);
  useEffect(() => {
    if (is === 'column' && document.activeElement !== document.body) return;
    (top.current as unknown as HTMLElement | null)?.focus?.({ preventScroll: true });
  }, [is]);
  return top;
}
