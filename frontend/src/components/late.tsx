import { type ComponentType, useEffect, useState } from 'react';

/**
 * A part of the page whose code comes when it is first shown, and which stands there as soon as it has come: React's own way
 * (`lazy` in `Suspense`) holds back what comes soon after a gap for 300 ms, at every level. What does not come is thrown, for
 * the page's boundary. `Meanwhile` takes its place.
 */
export function late<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  Meanwhile?: ComponentType<Props>,
): ComponentType<Props> {
  let Come: ComponentType<Props> | null = null;
  return function Late(props: Props) {
    const [, setHasCome] = useState(Come !== null);
    const [error, setError] = useState<Error | null>(null);
    useEffect(() => {
      if (Come) return undefined;
      let isGone = false;
      load()
        .then((part) => {
          Come = part;
          if (!isGone) setHasCome(true);
        })
        .catch((problem: unknown) => {
          if (!isGone) setError(problem instanceof Error ? problem : new Error('unknown'));
        });
      return () => {
        isGone = true;
      };
    }, []);
    if (error) throw error;
    if (Come) return <Come {...props} />;
    return Meanwhile ? <Meanwhile {...props} /> : null;
  };
}
