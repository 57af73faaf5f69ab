import { type ComponentType, Suspense, lazy } from 'react';

/** A part of a screen that is loaded when it is first drawn; its place stays empty until then. */
export function lazily<P extends object>(
  load: () => Promise<{ default: ComponentType<P> }>,
): ComponentType<P> {
  const Part = lazy(load) as unknown as ComponentType<P>;
  return function Later(props: P) {
    return (
      <Suspense fallback={null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
