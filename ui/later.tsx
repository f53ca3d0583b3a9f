import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';

/** A part that is fetched when it is first shown: the first screen does not wait for it. @param coming stands there until then */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, coming: ReactNode = null) {
  const Part = lazy(async () => ({ default: await load() }));
  return function Later(props: P) {
    return (
      <Suspense fallback={coming}>
        <Part {...props} />
      </Suspense>
    );
  };
}
