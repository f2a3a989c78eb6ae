import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { Aside } from './Words';

/**
 * A component whose code comes when it is first shown; until then a word stands in its place, or what else
 * is given.
 * @example const Course = late(async () => (await import('./all')).Course);
 */
export function late<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  meanwhile: ReactNode = <Aside role="status">One moment.</Aside>,
): ComponentType<Props> {
  const Late = lazy(async () => ({ default: (await load()) as ComponentType<object> }));
  return function ComesLate(props: Props) {
    return (
      <Suspense fallback={meanwhile}>
        <Late {...props} />
      </Suspense>
    );
  };
}
