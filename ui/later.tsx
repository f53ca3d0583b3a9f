import { lazy, Suspense, type ComponentType } from 'react';

/** A part that is fetched when it is first shown: the first screen does not wait for it. */
export function later<P extends object>(load: () => Promise<ComponentType<P>>) {
  const Part = lazy(async () => ({ default: await load() }));
  return function Later(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
